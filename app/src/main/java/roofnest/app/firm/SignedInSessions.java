package roofnest.app.firm;

import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** Sessions of somebody who is signed in, wherever they are: ended at once, or told of another role before the next click. */
@Component
class SignedInSessions<S extends Session> {
    private final FindByIndexNameSessionRepository<S> sessions;

    SignedInSessions(FindByIndexNameSessionRepository<S> sessions) {
        this.sessions = sessions;
    }

    /** @param but a session that goes on; null for none @return how many were ended */
    int end(String email, String but) {
        int ended = 0;
        for (S session : sessions.findByPrincipalName(email).values()) {
            if (!session.getId().equals(but)) {
                sessions.deleteById(session.getId());
                ended++;
            }
        }
        return ended;
    }

    /** Whoever it is goes on as what they are now. */
    void become(Staff staff) {
        Staff signedIn = staff.signedIn();
        SecurityContext context = new SecurityContextImpl(
                UsernamePasswordAuthenticationToken.authenticated(signedIn, null, signedIn.getAuthorities()));
        for (S session : sessions.findByPrincipalName(staff.email()).values()) {
            session.setAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY, context);
            sessions.save(session);
        }
    }
}
