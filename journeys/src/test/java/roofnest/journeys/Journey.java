package roofnest.journeys;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

import org.junit.jupiter.api.extension.ExtendWith;

/**
 * A test that drives the real application through a real browser. Its methods take a {@link Visit}; all journeys share
 * one application with the demo world. When one fails, its page is pictured in {@code target/screenshots}.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@ExtendWith(JourneyExtension.class)
public @interface Journey {}
