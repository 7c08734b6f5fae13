package roofnest.app;

import java.security.SecureRandom;
import java.time.Clock;

import org.slf4j.LoggerFactory;
import org.springframework.beans.BeansException;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.metrics.buffering.BufferingApplicationStartup;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Lazy;

import roofnest.app.watch.LaterBeans;
import roofnest.app.watch.StartPhases;
import roofnest.app.web.ActTime;
import roofnest.core.catalogue.Catalogue;
import roofnest.core.plan.PlanDocument;

/** Starts the application and wires the core's parts. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class RoofNestApplication {
    public static void main(String[] args) {
        SpringApplication application = new SpringApplication(RoofNestApplication.class);
        application.setApplicationStartup(new BufferingApplicationStartup(StartPhases.MOST_STEPS));
        ConfigurableApplicationContext running = application.run(args);
        try {
            running.getBean(LaterBeans.class).makeTheRest(running.getBeanFactory());
        } catch (BeansException | IllegalStateException e) {
            // Whoever stops it while it makes them has no fault to hear of.
            if (!running.isClosed()) {
                LoggerFactory.getLogger(RoofNestApplication.class).error("a part cannot be made; the application ends", e);
                System.exit(SpringApplication.exit(running, () -> 1));
            }
        }
    }

    @Bean
    ActTime clock() {
        return new ActTime(Clock.systemDefaultZone());
    }

    @Bean
    @Lazy
    Catalogue catalogue() {
        return Catalogue.shipped();
    }

    @Bean
    @Lazy
    PlanDocument planDocument() {
        return new PlanDocument();
    }

    @Bean
    SecureRandom secureRandom() {
        return new SecureRandom();
    }
}
