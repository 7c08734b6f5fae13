package roofnest.app.web;

import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartHttpServletRequest;
import org.springframework.web.servlet.HandlerInterceptor;

/**
 * A picture of sixty megapixels takes a tenth of the machine's memory while it is opened: two are opened at once, the others wait
 * their turn. The file has arrived by then, so a slow line holds up nobody.
 */
@Component
class PicturesAtOnce implements HandlerInterceptor {
    private static final int AT_ONCE = 2;
    private static final long LONGEST_WAIT_S = 20;
    private static final String HELD = PicturesAtOnce.class.getName();

    private final Semaphore hands = new Semaphore(AT_ONCE, true);

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) throws InterruptedException {
        if (request instanceof MultipartHttpServletRequest && request.getAttribute(HELD) == null) {
            if (!hands.tryAcquire(LONGEST_WAIT_S, TimeUnit.SECONDS)) {
                throw new HandsFull();
            }
            request.setAttribute(HELD, true);
        }
        return true;
    }

    @Override
    public void afterCompletion(HttpServletRequest request, HttpServletResponse response, Object handler, Exception thrown) {
        if (request.getAttribute(HELD) != null) {
            request.removeAttribute(HELD);
            hands.release();
        }
    }
}
