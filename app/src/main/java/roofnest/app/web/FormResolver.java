package roofnest.app.web;

import java.util.LinkedHashMap;
import java.util.Map;

import jakarta.servlet.http.HttpServletRequest;

import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

import roofnest.core.lang.Text;

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
        // What is only asked for is asked for without the signs that nothing shows; what is to be kept is refused at its field instead.
        boolean asked = request.getNativeRequest() instanceof HttpServletRequest http && http.getMethod().equals("GET");
        request.getParameterMap().forEach((name, typed) -> {
            String value = typed.length == 0 ? "" : typed[0];
            values.put(name, asked ? Text.cleaned(value) : value);
        });
        Form form = new Form(values, new RegionForms(request.getLocale()));
        container.addAttribute("form", form);
        return form;
    }
}
