package roofnest.app.web;

import java.util.Map;

import org.springframework.core.MethodParameter;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.HandlerMapping;

import roofnest.app.firm.Staff;

/** Turns {@code {household}} of an address into a {@link HouseholdRef}, or into a page that is not there. */
@Component
class HouseholdRefResolver implements HandlerMethodArgumentResolver {
    private final JdbcClient jdbc;

    HouseholdRefResolver(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == HouseholdRef.class;
    }

    @Override
    public HouseholdRef resolveArgument(
            MethodParameter parameter, ModelAndViewContainer container, NativeWebRequest request, WebDataBinderFactory binders) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, RequestAttributes.SCOPE_REQUEST);
        String id = variables instanceof Map<?, ?> map ? String.valueOf(map.get("household")) : "";
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (!id.matches("[0-9]{1,18}") || authentication == null || !(authentication.getPrincipal() instanceof Staff staff)) {
            throw new NoSuchPage();
        }
        boolean ours = jdbc.sql("select exists (select 1 from household where id = :id and firm_id = :firmId)")
                .param("id", Long.parseLong(id))
                .param("firmId", staff.firmId())
                .query(Boolean.class).single();
        if (!ours) {
            throw new NoSuchPage();
        }
        return new HouseholdRef(Long.parseLong(id), staff);
    }
}
