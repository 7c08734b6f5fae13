package roofnest.app.web;

import java.util.LinkedHashMap;
import java.util.Map;

import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

/** Gives a handler what was typed, as a {@link Form} that is also put into its page. */
@Component
class FormResolver implements HandlerMethodArgumentResolver {
    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Form.class;
    }

    @Override
    public Form resolveArgument(
            MethodParameter parameter, ModelAndViewContainer container, NativeWebRequest request, WebDataBinderFactory binders) {
        Map<String, String> values = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, typed) -> values.put(name, typed.length == 0 ? "" : typed[0]));
        Form form = new Form(values, new RegionForms(request.getLocale()));
        container.addAttribute("form", form);
        return form;
    }
}
