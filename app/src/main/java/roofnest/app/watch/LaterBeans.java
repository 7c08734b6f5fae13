package roofnest.app.watch;

import org.springframework.aot.AotDetector;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.beans.factory.config.BeanFactoryPostProcessor;
import org.springframework.beans.factory.config.ConfigurableListableBeanFactory;
import org.springframework.beans.factory.support.AbstractBeanDefinition;
import org.springframework.core.annotation.MergedAnnotations;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Controller;
import org.springframework.stereotype.Repository;
import org.springframework.stereotype.Service;

/**
 * Controllers, services and repositories of the application, and what is marked so, are made when first asked for, and what nobody asked
 * for by then once the application is ready: they check no settings and do nothing by themselves, so a start need not wait for them.
 * Whatever reads settings, holds a key, keeps hours or stands in the way of a request is a {@link Component} and is made before anything
 * is answered.
 */
@Component
public class LaterBeans implements BeanFactoryPostProcessor {
    private static final String OURS = "roofnest.";

    /** Without a build's own list of beans; with one this was done while building. */
    @Override
    public void postProcessBeanFactory(ConfigurableListableBeanFactory beans) {
        if (!AotDetector.useGeneratedArtifacts()) {
            for (String name : beans.getBeanDefinitionNames()) {
                BeanDefinition bean = beans.getBeanDefinition(name);
                if (isOurs(bean) && isLater(type(bean, beans))) {
                    bean.setLazyInit(true);
                }
            }
        }
    }

    /** Makes those that are left. */
    public void makeTheRest(ConfigurableListableBeanFactory beans) {
        for (String name : beans.getBeanDefinitionNames()) {
            BeanDefinition bean = beans.getBeanDefinition(name);
            Class<?> type = bean.isLazyInit() && bean.isSingleton() ? beans.getType(name, false) : null;
            if (type != null && type.getName().startsWith(OURS)) {
                beans.getBean(name);
            }
        }
    }

    private static boolean isOurs(BeanDefinition bean) {
        return bean.getBeanClassName() != null && bean.getBeanClassName().startsWith(OURS);
    }

    private static Class<?> type(BeanDefinition bean, ConfigurableListableBeanFactory beans) {
        try {
            return bean instanceof AbstractBeanDefinition known && known.hasBeanClass() ? known.getBeanClass()
                    : Class.forName(bean.getBeanClassName(), false, beans.getBeanClassLoader());
        } catch (ClassNotFoundException e) {
            throw new IllegalStateException(e);
        }
    }

    private static boolean isLater(Class<?> type) {
        MergedAnnotations written = MergedAnnotations.from(type);
        return written.isPresent(Controller.class) || written.isPresent(Service.class) || written.isPresent(Repository.class);
    }
}
