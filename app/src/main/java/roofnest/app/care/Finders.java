package roofnest.app.care;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

import roofnest.core.fault.FaultFinder;

/** The one fault finder, which keeps the tables that it counts once. */
@Configuration(proxyBeanMethods = false)
class Finders {
    @Bean
    FaultFinder faultFinder() {
        return new FaultFinder();
    }
}
