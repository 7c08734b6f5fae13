package roofnest.app.web;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * What the next page says once a handler has done what was asked. It is said only when the handler sent the browser on, which
 * it does after the change is committed; a handler that knows more says it itself.
 */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
public @interface Says {
    String value();
}
