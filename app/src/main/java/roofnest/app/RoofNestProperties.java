package roofnest.app;

import java.nio.file.Path;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of one installation.
 *
 * @param keyFile the key that seals secrets; made on the first start, never in the database
 * @param demo whether to load the demo world into an empty database and show its log-ins
 */
@ConfigurationProperties("roofnest")
public record RoofNestProperties(Path keyFile, boolean demo) {}
