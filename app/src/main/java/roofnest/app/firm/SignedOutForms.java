package roofnest.app.firm;

import java.io.IOException;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.access.AccessDeniedHandlerImpl;
import org.springframework.security.web.csrf.CsrfException;

/** A form that is sent after its session ended gets the door, with what was typed carried through it. */
class SignedOutForms implements AccessDeniedHandler {
    /** Where the form is found by the page with the door. */
    static final String KEPT = KeptForm.class.getName();

    private final AccessDeniedHandler others = new AccessDeniedHandlerImpl();

    @Override
    public void handle(HttpServletRequest request, HttpServletResponse response, AccessDeniedException refused)
            throws IOException, ServletException {
        boolean page = String.valueOf(request.getHeader(HttpHeaders.ACCEPT)).contains(MediaType.TEXT_HTML_VALUE);
        boolean nobody = SecurityContextHolder.getContext().getAuthentication() == null
                || !(SecurityContextHolder.getContext().getAuthentication().getPrincipal() instanceof Staff);
        if (refused instanceof CsrfException && nobody && page && request.getMethod().equals("POST")
                && fromHere(request) && !request.getRequestURI().startsWith("/sign-")) {
            request.setAttribute(KEPT, KeptForm.sent(request));
            request.getRequestDispatcher("/kept-form").forward(request, response);
            return;
        }
        others.handle(request, response, refused);
    }

    /** What another site sends in somebody's name is carried through no door. */
    private static boolean fromHere(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        if (site != null) {
            return site.equals("same-origin");
        }
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        return origin != null && origin.replaceFirst("^https?://", "").equals(request.getHeader(HttpHeaders.HOST));
    }
}
