package roofnest.app.web;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.thymeleaf.autoconfigure.ThymeleafProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.thymeleaf.cache.StandardCacheManager;
import org.thymeleaf.dialect.IDialect;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.templateresolver.ITemplateResolver;

/**
 * The engine of the pages, with room for every expression that stands in them. Where there is room for fewer, each page throws out
 * what another compiled, and every compilation leaves a class behind: the memory of the process grows by the hour.
 */
@Configuration
class TemplateConfig {
    /** Some 2,400 expressions stand in the templates; the conditions and parts of them are kept as expressions too. */
    static final int MOST_EXPRESSIONS = 10_000;

    @Bean
    SpringTemplateEngine templateEngine(ThymeleafProperties properties, ObjectProvider<ITemplateResolver> resolvers,
            ObjectProvider<IDialect> dialects) {
        SpringTemplateEngine engine = new SpringTemplateEngine();
        engine.setEnableSpringELCompiler(properties.isEnableSpringElCompiler());
        engine.setRenderHiddenMarkersBeforeCheckboxes(properties.isRenderHiddenMarkersBeforeCheckboxes());
        StandardCacheManager kept = new StandardCacheManager();
        kept.setExpressionCacheMaxSize(MOST_EXPRESSIONS);
        engine.setCacheManager(kept);
        resolvers.orderedStream().forEach(engine::addTemplateResolver);
        dialects.orderedStream().forEach(engine::addDialect);
        return engine;
    }
}
