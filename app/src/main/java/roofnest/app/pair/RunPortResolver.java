package roofnest.app.pair;

import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

import roofnest.app.household.HouseholdRefs;

/** Turns the address of a run's page into the run, or into a page that is not there. */
@Component
class RunPortResolver implements HandlerMethodArgumentResolver {
    private final HouseholdRefs households;
    private final Runs runs;
    private final Rehearsals rehearsals;

    RunPortResolver(HouseholdRefs households, Runs runs, Rehearsals rehearsals) {
        this.households = households;
        this.runs = runs;
        this.rehearsals = rehearsals;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == RunPort.class;
    }

    @Override
    public RunPort resolveArgument(
            MethodParameter parameter, ModelAndViewContainer container, NativeWebRequest request, WebDataBinderFactory binders) {
        return HouseholdRefs.has(request, "rehearsal")
                ? rehearsals.port(HouseholdRefs.staff(), HouseholdRefs.number(request, "rehearsal"))
                : runs.port(households.of(request), HouseholdRefs.number(request, "run"));
    }
}
