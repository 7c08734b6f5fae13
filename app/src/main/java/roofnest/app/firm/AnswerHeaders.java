package roofnest.app.firm;

import java.util.List;

import org.springframework.security.web.header.HeaderWriterFilter;
import org.springframework.security.web.header.writers.CacheControlHeadersWriter;
import org.springframework.security.web.header.writers.ContentSecurityPolicyHeaderWriter;
import org.springframework.security.web.header.writers.HstsHeaderWriter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter;
import org.springframework.security.web.header.writers.XContentTypeOptionsHeaderWriter;
import org.springframework.security.web.header.writers.XXssProtectionHeaderWriter;
import org.springframework.security.web.header.writers.frameoptions.XFrameOptionsHeaderWriter;

/** What every answer says of itself, whoever asked for what. */
public final class AnswerHeaders {
    private AnswerHeaders() {}

    /**
     * A filter that writes them.
     *
     * @param contentSecurityPolicy
     *            what the answer may load, Content Security Policy Level 3
     */
    public static HeaderWriterFilter filter(String contentSecurityPolicy) {
        HstsHeaderWriter tls = new HstsHeaderWriter();
        // Of this host alone: what else its owner runs beside it is not ours to decide.
        tls.setIncludeSubDomains(false);
        XXssProtectionHeaderWriter noGuessing = new XXssProtectionHeaderWriter();
        noGuessing.setHeaderValue(XXssProtectionHeaderWriter.HeaderValue.DISABLED);
        return new HeaderWriterFilter(List.of(new XContentTypeOptionsHeaderWriter(), noGuessing, new CacheControlHeadersWriter(), tls,
                new XFrameOptionsHeaderWriter(XFrameOptionsHeaderWriter.XFrameOptionsMode.DENY),
                new ContentSecurityPolicyHeaderWriter(contentSecurityPolicy),
                new ReferrerPolicyHeaderWriter(ReferrerPolicyHeaderWriter.ReferrerPolicy.SAME_ORIGIN)));
    }
}
