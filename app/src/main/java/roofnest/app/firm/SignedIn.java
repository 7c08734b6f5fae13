package roofnest.app.firm;

import java.io.IOException;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.security.core.Authentication;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;

/** The door has opened: the browser is known from here on, and the page that was asked for comes. */
class SignedIn extends SavedRequestAwareAuthenticationSuccessHandler {
    private final KnownDevices devices;
    private final Fresh fresh;

    SignedIn(KnownDevices devices, Fresh fresh) {
        this.devices = devices;
        this.fresh = fresh;
        setDefaultTargetUrl("/");
    }

    /** Whoever came in, by whichever way. */
    void known(HttpServletRequest request, HttpServletResponse response, Authentication who) {
        devices.remember((Staff) who.getPrincipal(), request, response);
        fresh.proved(request.getSession());
        // Made now and not by the first page: of two pages that are asked for at once, both carry the same one.
        if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
            token.getToken();
        }
    }

    @Override
    public void onAuthenticationSuccess(HttpServletRequest request, HttpServletResponse response, Authentication who)
            throws ServletException, IOException {
        known(request, response, who);
        if (request.getParameter(KeptForm.ACTION) != null) {
            request.getRequestDispatcher("/kept-form").forward(request, response);
            return;
        }
        super.onAuthenticationSuccess(request, response, who);
    }
}
