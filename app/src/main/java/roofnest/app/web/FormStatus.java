package roofnest.app.web;

import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

/**
 * The one place in which a form is refused: a page that is drawn with a form that has faults answers 422, and 409 when
 * somebody else was quicker. Handlers only draw the page again.
 */
class FormStatus implements HandlerInterceptor {
    @Override
    public void postHandle(HttpServletRequest request, HttpServletResponse response, Object handler, ModelAndView page) {
        if (page == null || !(page.getModel().get("form") instanceof Form form) || request.getMethod().equals("GET")) {
            return;
        }
        if (form.conflict() != null) {
            response.setStatus(HttpStatus.CONFLICT.value());
        } else if (!form.ok()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
        }
    }
}
