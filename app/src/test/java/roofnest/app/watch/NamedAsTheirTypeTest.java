package roofnest.app.watch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.NoUniqueBeanDefinitionException;
import org.springframework.beans.factory.UnsatisfiedDependencyException;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.beans.factory.support.RootBeanDefinition;
import org.springframework.context.annotation.AnnotationConfigUtils;
import org.springframework.core.ResolvableType;

class NamedAsTheirTypeTest {
    /** Counts how often a type was looked for among all beans. */
    private static final class Counting extends DefaultListableBeanFactory {
        private int searches;

        @Override
        public String[] getBeanNamesForType(Class<?> type, boolean includeNonSingletons, boolean allowEagerInit) {
            searches += type == Lamp.class ? 1 : 0;
            return super.getBeanNamesForType(type, includeNonSingletons, allowEagerInit);
        }

        @Override
        public String[] getBeanNamesForType(ResolvableType type) {
            searches += type.resolve() == Lamp.class ? 1 : 0;
            return super.getBeanNamesForType(type);
        }
    }

    private final Counting beans = new Counting();

    NamedAsTheirTypeTest() {
        AnnotationConfigUtils.registerAnnotationConfigProcessors(beans);
        new NamedAsTheirType().postProcessBeanFactory(beans);
    }

    private Lamp lamp(String name) {
        return lamp(name, false);
    }

    private Lamp lamp(String name, boolean chosen) {
        RootBeanDefinition lamp = new RootBeanDefinition(Lamp.class);
        lamp.getConstructorArgumentValues().addGenericArgumentValue(name);
        lamp.setLazyInit(true);
        lamp.setPrimary(chosen);
        beans.registerBeanDefinition(name, lamp);
        return new Lamp(name);
    }

    private Lamp lampOf(Class<? extends Post> post) {
        return ((Post) beans.createBean(post, RootBeanDefinition.AUTOWIRE_CONSTRUCTOR, false)).lamp;
    }

    @Test
    void one_that_is_named_as_its_type_is_not_searched_for() {
        Lamp lamp = lamp("namedAsTheirTypeTest.Lamp");
        assertThat(lampOf(Post.class)).isEqualTo(lamp);
        assertThat(beans.searches).isZero();
    }

    @Test
    void one_that_is_named_otherwise_is_searched_for() {
        Lamp lamp = lamp("porch");
        assertThat(lampOf(Post.class)).isEqualTo(lamp);
        assertThat(beans.searches).isPositive();
    }

    @Test
    void what_bears_the_name_and_is_something_else_is_not_taken() {
        beans.registerBeanDefinition("namedAsTheirTypeTest.Lamp", new RootBeanDefinition(StringBuilder.class));
        Lamp lamp = lamp("porch");
        assertThat(lampOf(Post.class)).isEqualTo(lamp);
    }

    @Test
    void a_marked_choice_among_several_goes_before_the_name() {
        lamp("namedAsTheirTypeTest.Lamp");
        Lamp porch = lamp("porch", true);
        assertThat(lampOf(Post.class)).isEqualTo(porch);
    }

    @Test
    void one_that_is_asked_for_by_name_is_that_one() {
        lamp("namedAsTheirTypeTest.Lamp");
        Lamp porch = lamp("porch");
        assertThat(lampOf(PorchPost.class)).isEqualTo(porch);
    }

    @Test
    void of_two_that_are_named_otherwise_none_is_chosen() {
        lamp("porch");
        lamp("gate");
        assertThatThrownBy(() -> lampOf(Post.class)).isInstanceOf(UnsatisfiedDependencyException.class)
                .hasRootCauseInstanceOf(NoUniqueBeanDefinitionException.class);
    }

    record Lamp(String name) {}

    static class Post {
        private final Lamp lamp;

        Post(Lamp asked) {
            this.lamp = asked;
        }
    }

    static class PorchPost extends Post {
        PorchPost(@Qualifier("porch") Lamp asked) {
            super(asked);
        }
    }
}
