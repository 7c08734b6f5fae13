package roofnest.app.household;

import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

import roofnest.app.records.HouseholdRef;

/** Turns {@code {household}} of an address into a {@link HouseholdRef}, or into a page that is not there. */
@Component
class HouseholdRefResolver implements HandlerMethodArgumentResolver {
    private final HouseholdRefs households;

    HouseholdRefResolver(HouseholdRefs households) {
        this.households = households;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == HouseholdRef.class;
    }

    @Override
    public HouseholdRef resolveArgument(
            MethodParameter parameter, ModelAndViewContainer container, NativeWebRequest request, WebDataBinderFactory binders) {
        return households.of(request);
    }
}
