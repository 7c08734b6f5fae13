package roofnest.app.household;

import java.util.Map;

import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.servlet.HandlerMapping;

import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.web.NoSuchPage;

/** Finds the household of an address, once a request, however many want it. */
@Component
public class HouseholdRefs {
    private static final String RESOLVED = HouseholdRef.class.getName();

    private final HouseholdRepository households;

    HouseholdRefs(HouseholdRepository households) {
        this.households = households;
    }

    /** @throws NoSuchPage when there is none, or it is another firm's: both look the same from outside */
    public HouseholdRef of(RequestAttributes request) {
        if (request.getAttribute(RESOLVED, RequestAttributes.SCOPE_REQUEST) instanceof HouseholdRef ref) {
            return ref;
        }
        long id = number(request, "household");
        Staff staff = staff();
        if (!households.isOf(staff.firmId(), id)) {
            throw new NoSuchPage();
        }
        HouseholdRef ref = new HouseholdRef(id, staff);
        request.setAttribute(RESOLVED, ref, RequestAttributes.SCOPE_REQUEST);
        return ref;
    }

    /** Whether a part of the address has this name. */
    public static boolean has(RequestAttributes request, String name) {
        return request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE,
                RequestAttributes.SCOPE_REQUEST) instanceof Map<?, ?> map
                && map.containsKey(name);
    }

    /** A number in the address. @throws NoSuchPage when it is none */
    public static long number(RequestAttributes request, String name) {
        Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE, RequestAttributes.SCOPE_REQUEST);
        String said = variables instanceof Map<?, ?> map ? String.valueOf(map.get(name)) : "";
        if (!said.matches("[0-9]{1,18}")) {
            throw new NoSuchPage();
        }
        return Long.parseLong(said);
    }

    /** Whoever asks. */
    public static Staff staff() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        if (authentication == null || !(authentication.getPrincipal() instanceof Staff staff)) {
            throw new NoSuchPage();
        }
        return staff;
    }
}
