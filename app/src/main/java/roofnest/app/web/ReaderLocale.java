package roofnest.app.web;

import java.util.Locale;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.springframework.stereotype.Component;
import org.springframework.web.servlet.LocaleResolver;

/** Pages are in English, whatever the browser asks for, but for those that a household reads by a link: they are in its language. */
@Component("localeResolver")
public class ReaderLocale implements LocaleResolver {
    private static final String ATTRIBUTE = ReaderLocale.class.getName();

    /** For the page that answers this request. */
    public static void speak(HttpServletRequest request, Language language) {
        request.setAttribute(ATTRIBUTE, language.locale());
    }

    @Override
    public Locale resolveLocale(HttpServletRequest request) {
        return request.getAttribute(ATTRIBUTE) instanceof Locale locale ? locale : Language.ENGLISH.locale();
    }

    @Override
    public void setLocale(HttpServletRequest request, HttpServletResponse response, Locale locale) {
        throw new UnsupportedOperationException("the household's language is set on its sheet");
    }
}
