package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.beans.factory.config.ConfigurableListableBeanFactory;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.Lifecycle;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.MergedAnnotations;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.util.ClassUtils;

import roofnest.app.watch.LaterBeans;

/** What is not made with the start can be made after it, and is nothing that a start should have stumbled over. */
@AppTest
class EveryPartTest {
    @Autowired private ConfigurableListableBeanFactory beans;
    @Autowired private LaterBeans later;

    private List<String> later() {
        return Arrays.stream(beans.getBeanDefinitionNames())
                .filter(name -> beans.getBeanDefinition(name).isLazyInit() && type(name).getName().startsWith("roofnest.")).toList();
    }

    private Class<?> type(String name) {
        Class<?> type = beans.getType(name, false);
        return type == null ? Object.class : ClassUtils.getUserClass(type);
    }

    @Test
    void every_part_can_be_made() {
        assertThat(later()).hasSizeGreaterThan(150).contains("catalogue", "planDocument");
        later.makeTheRest(beans);
        assertThat(later()).allMatch(beans::containsSingleton);
    }

    @Test
    void what_is_made_later_reads_no_setting_and_does_nothing_by_itself() {
        List<String> wrong = new ArrayList<>();
        for (String name : later()) {
            Class<?> type = type(name);
            boolean reads = Stream.of(type.getDeclaredConstructors()).flatMap(made -> Stream.of(made.getParameters()))
                    .anyMatch(given -> MergedAnnotations.from(given).isPresent(Value.class));
            boolean acts = ApplicationRunner.class.isAssignableFrom(type) || Lifecycle.class.isAssignableFrom(type)
                    || Stream.of(type.getDeclaredMethods()).map(MergedAnnotations::from)
                            .anyMatch(written -> written.isPresent(Scheduled.class) || written.isPresent(EventListener.class));
            if (reads || acts) {
                wrong.add(name);
            }
        }
        assertThat(wrong).isEmpty();
    }
}
