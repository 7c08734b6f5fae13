package roofnest.app.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.BeanCreationException;
import org.springframework.context.annotation.AnnotationConfigApplicationContext;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Controller;
import org.springframework.stereotype.Repository;
import org.springframework.stereotype.Service;
import org.springframework.web.bind.annotation.RestController;

class LaterBeansTest {
    private final List<String> made = Collections.synchronizedList(new ArrayList<>());

    @Test
    void what_does_nothing_by_itself_is_made_after_the_start_and_once() {
        try (AnnotationConfigApplicationContext context = context(Page.class, Answers.class, Work.class, Rows.class, Keeper.class)) {
            assertThat(made).containsExactly("keeper");
            context.getBean(Page.class);
            assertThat(made).containsExactly("keeper", "rows", "work", "page");
            context.getBean(LaterBeans.class).makeTheRest(context.getBeanFactory());
            context.getBean(LaterBeans.class).makeTheRest(context.getBeanFactory());
            assertThat(made).containsExactly("keeper", "rows", "work", "page", "answers");
        }
    }

    @Test
    void what_a_part_of_the_start_needs_is_made_with_it() {
        try (AnnotationConfigApplicationContext context = context(Rows.class, Needing.class)) {
            assertThat(made).containsExactly("rows", "needing");
        }
    }

    /** The first requests come while the rest is being made. */
    @Test
    void asked_for_by_many_at_once_each_is_made_once() throws Exception {
        for (int again = 0; again < 20; again++) {
            made.clear();
            try (AnnotationConfigApplicationContext context = context(Page.class, Answers.class, Work.class, Rows.class, Keeper.class)) {
                CyclicBarrier together = new CyclicBarrier(6);
                ExecutorService askers = Executors.newFixedThreadPool(6);
                List<Future<Object>> answers = new ArrayList<>();
                for (Class<?> asked : List.of(Page.class, Page.class, Work.class, Rows.class, Answers.class)) {
                    answers.add(askers.submit(() -> {
                        together.await();
                        return context.getBean(asked);
                    }));
                }
                answers.add(askers.submit(() -> {
                    together.await();
                    context.getBean(LaterBeans.class).makeTheRest(context.getBeanFactory());
                    return context.getBean(Page.class);
                }));
                Object page = answers.get(5).get(30, TimeUnit.SECONDS);
                assertThat(answers.get(0).get(30, TimeUnit.SECONDS)).isSameAs(page);
                assertThat(answers.get(1).get(30, TimeUnit.SECONDS)).isSameAs(page);
                for (Future<Object> answer : answers) {
                    answer.get(30, TimeUnit.SECONDS);
                }
                askers.shutdown();
                assertThat(made).containsExactlyInAnyOrder("keeper", "rows", "work", "page", "answers");
            }
        }
    }

    @Test
    void what_cannot_be_made_is_told() {
        try (AnnotationConfigApplicationContext context = context(Broken.class, Keeper.class)) {
            assertThatThrownBy(() -> context.getBean(LaterBeans.class).makeTheRest(context.getBeanFactory()))
                    .isInstanceOf(BeanCreationException.class).hasMessageContaining("broken").hasRootCauseMessage("no such thing");
        }
    }

    private AnnotationConfigApplicationContext context(Class<?>... beans) {
        AnnotationConfigApplicationContext context = new AnnotationConfigApplicationContext();
        context.getBeanFactory().registerSingleton("made", new Made(made));
        context.register(LaterBeans.class);
        context.register(beans);
        context.refresh();
        return context;
    }

    record Made(List<String> names) {}

    @Controller
    static class Page {
        Page(Made made, Work work) {
            made.names().add("page");
        }
    }

    @RestController
    static class Answers {
        Answers(Made made) {
            made.names().add("answers");
        }
    }

    @Service
    static class Work {
        Work(Made made, Rows rows) {
            made.names().add("work");
        }
    }

    @Repository
    static class Rows {
        Rows(Made made) {
            made.names().add("rows");
        }
    }

    @Component
    static class Keeper {
        Keeper(Made made) {
            made.names().add("keeper");
        }
    }

    @Component
    static class Needing {
        Needing(Made made, Rows rows) {
            made.names().add("needing");
        }
    }

    @Service("broken")
    static class Broken {
        Broken() {
            throw new IllegalStateException("no such thing");
        }
    }
}
