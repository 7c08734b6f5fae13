package roofnest.app.wishes;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import jakarta.servlet.http.HttpServletRequest;

import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.multipart.MultipartHttpServletRequest;

import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Needs;
import roofnest.app.firm.NotForThisRole;
import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;
import roofnest.app.household.HouseholdRefs;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.Problems;

/** Whoever may not do what they pressed has asked for it, if it is something that somebody else can do for them. */
@ControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class NotAllowed {
    private static final String TITLE = "Your role does not allow this";
    /** More is a file or a picture, and not something to be asked for. */
    private static final int MOST_CHARACTERS = 60_000;

    private final Wishes wishes;
    private final HouseholdRefs households;
    private final FirmRepository firms;

    NotAllowed(Wishes wishes, HouseholdRefs households, FirmRepository firms) {
        this.wishes = wishes;
        this.households = households;
        this.firms = firms;
    }

    @ExceptionHandler
    Object notAllowed(AccessDeniedException refused, HandlerMethod handler, HttpServletRequest request) {
        Needs needs = handler.getMethodAnnotation(Needs.class);
        String act = refused instanceof NotForThisRole said ? said.getMessage() : needs == null ? "" : needs.act();
        Role.Permission permission = refused instanceof NotForThisRole said ? said.permission()
                : needs == null ? Role.Permission.MANAGE_PEOPLE : needs.value();
        Optional<HouseholdRef> household = household(request);
        Map<String, List<String>> fields = fields(request);
        String who = whoMay(HouseholdRefs.staff(), permission);
        if (act.isEmpty() || household.isEmpty() || request instanceof MultipartHttpServletRequest || length(fields) > MOST_CHARACTERS) {
            return Problems.answer(request, HttpStatus.FORBIDDEN, TITLE, "Ask " + who + " to do it. Nothing was changed.");
        }
        wishes.keep(household.get(), act, permission, request.getRequestURI(), fields);
        Object answer = Problems.answer(request, HttpStatus.FORBIDDEN, "You have asked for it",
                TITLE + " by itself. That you ask to “" + act
                        + "”, as you filled it in, is kept under Requests; it is done once " + who
                        + " grants it there. Nothing was changed yet.");
        if (answer instanceof ModelAndView page) {
            page.addObject("next", Map.of("/requests", "To the requests", household.get().path(), "Back to the house"));
        }
        return answer;
    }

    private Optional<HouseholdRef> household(HttpServletRequest request) {
        try {
            return Optional.of(households.of(new ServletWebRequest(request)));
        } catch (NoSuchPage elsewhere) {
            return Optional.empty();
        }
    }

    private static Map<String, List<String>> fields(HttpServletRequest request) {
        Map<String, List<String>> fields = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, typed) -> {
            if (!name.equals("_csrf") && !name.equals(Granting.WISH)) {
                fields.put(name, List.of(typed));
            }
        });
        return fields;
    }

    private static int length(Map<String, List<String>> fields) {
        return fields.entrySet().stream().mapToInt(field -> field.getKey().length() + String.join("", field.getValue()).length()).sum();
    }

    private String whoMay(Staff staff, Role.Permission permission) {
        List<String> names = firms.peopleOf(staff.firmId()).stream().filter(each -> each.may(permission) && !each.blocked())
                .map(Staff::name).toList();
        return names.size() > 3 ? "the owner or an installer" : String.join(" or ", names);
    }
}
