package roofnest.app.key;

import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

import roofnest.app.secrets.KeyRotation;

/** The command that changes the key: starts, seals everything anew, says how much, and ends. */
@Component
@Order(1)
@ConditionalOnProperty("roofnest.rotate-key")
class RotateKey implements ApplicationRunner {
    private final KeyRotation rotation;
    private final ConfigurableApplicationContext context;

    RotateKey(KeyRotation rotation, ConfigurableApplicationContext context) {
        this.rotation = rotation;
        this.context = context;
    }

    @Override
    public void run(ApplicationArguments arguments) throws Exception {
        System.out.println("The key is changed: " + rotation.rotate() + " rows are sealed with the new one.");
        System.exit(SpringApplication.exit(context));
    }
}
