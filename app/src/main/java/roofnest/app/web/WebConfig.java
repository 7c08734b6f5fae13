package roofnest.app.web;

import java.util.List;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Puts in what turns parts of a request into what handlers ask for: forms here, households and runs where those are known. */
@Configuration
class WebConfig implements WebMvcConfigurer {
    private final List<HandlerMethodArgumentResolver> resolvers;
    private final List<HandlerInterceptor> interceptors;

    WebConfig(List<HandlerMethodArgumentResolver> resolvers, List<HandlerInterceptor> interceptors) {
        this.resolvers = resolvers;
        this.interceptors = interceptors;
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> added) {
        added.addAll(resolvers);
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new FormStatus());
        registry.addInterceptor(new Said());
        interceptors.forEach(registry::addInterceptor);
    }
}
