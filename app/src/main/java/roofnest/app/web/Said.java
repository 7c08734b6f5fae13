package roofnest.app.web;

import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.FlashMap;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.RequestContextUtils;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

/** Carries what a handler {@link Says} to the page that it sends the browser to. */
class Said implements HandlerInterceptor {
    private static final String NOTICE = "notice";

    @Override
    public void postHandle(HttpServletRequest request, HttpServletResponse response, Object handler, ModelAndView page) {
        if (page == null || page.getViewName() == null || !page.getViewName().startsWith("redirect:")
                || !(handler instanceof HandlerMethod method) || !method.hasMethodAnnotation(Says.class)) {
            return;
        }
        FlashMap flash = RequestContextUtils.getOutputFlashMap(request);
        if (!flash.containsKey(NOTICE)) {
            flash.put(NOTICE, method.getMethodAnnotation(Says.class).value());
        }
    }
}
