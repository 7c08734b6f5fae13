package roofnest.app.web;

import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

import jakarta.servlet.http.HttpServletRequest;

/** Every page says to its scripts how the person's region writes figures, so that they read a field as its form will be read. */
@ControllerAdvice
class RegionNotice {
    /** Null where a comma parts no thousands. */
    @ModelAttribute("commaParts")
    String commaParts(HttpServletRequest request) {
        return new RegionForms(request.getLocale()).commaParts() ? "thousands" : null;
    }
}
