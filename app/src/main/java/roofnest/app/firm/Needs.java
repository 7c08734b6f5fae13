package roofnest.app.firm;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

import org.springframework.security.access.prepost.PreAuthorize;

/** What somebody has to be allowed to do before a handler is carried out. */
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
@PreAuthorize("hasAuthority('{value}')")
public @interface Needs {
    Role.Permission value();

    /**
     * What the handler does, as somebody would ask for it: “hand the house over”. Whoever may not do it has then asked for it.
     * Empty when there is nothing to ask for: what is shown to one person is not shown to another.
     */
    String act() default "";
}
