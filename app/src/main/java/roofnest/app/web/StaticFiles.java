package roofnest.app.web;

import java.time.Duration;
import java.util.List;
import java.util.Map;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.http.CacheControl;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.handler.SimpleUrlHandlerMapping;
import org.springframework.web.servlet.resource.ResourceUrlProvider;
import org.springframework.web.servlet.resource.ResourceUrlProviderExposingInterceptor;
import org.springframework.web.servlet.resource.VersionResourceResolver;

/**
 * Files that ship with the application, each folder at its own address and named by its content. Nothing else is looked for among
 * files: every address that a page writes is asked about when the page is made, and addresses of households have no end. Asked for
 * as files, each would leave an entry in the caches of four class loaders that is never used again.
 */
@Configuration
class StaticFiles implements WebMvcConfigurer {
    private static final Duration A_YEAR = Duration.ofDays(365);
    private static final List<String> FOLDERS = List.of("css", "js", "vendor");

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        CacheControl kept = CacheControl.maxAge(A_YEAR).cachePublic().immutable();
        for (String folder : FOLDERS) {
            registry.addResourceHandler("/" + folder + "/**").addResourceLocations("classpath:/static/" + folder + "/")
                    .setCacheControl(kept).resourceChain(true).addResolver(new VersionResourceResolver().addContentVersionStrategy("/**"));
        }
        registry.addResourceHandler("/icon*.svg").addResourceLocations("classpath:/static/").setCacheControl(kept).resourceChain(true)
                .addResolver(new VersionResourceResolver().addContentVersionStrategy("/**"));
        // Known to browsers by its plain name, so it is asked for anew each time.
        registry.addResourceHandler("/sw.js").addResourceLocations("classpath:/static/").setCacheControl(CacheControl.noCache());
    }

    /** Whatever no page and no file answers; the page that says so names the files that it loads as every other does. */
    @Bean
    SimpleUrlHandlerMapping nowhere(ResourceUrlProvider files) throws NoSuchMethodException {
        SimpleUrlHandlerMapping mapping = new SimpleUrlHandlerMapping(
                Map.of("/**", new HandlerMethod(new Nowhere(), Nowhere.class.getMethod("answer"))), Ordered.LOWEST_PRECEDENCE);
        mapping.setInterceptors(new ResourceUrlProviderExposingInterceptor(files));
        return mapping;
    }

    /** A handler's method, since only what those throw is put into words. */
    public static final class Nowhere {
        public String answer() {
            throw new NoSuchPage();
        }
    }
}
