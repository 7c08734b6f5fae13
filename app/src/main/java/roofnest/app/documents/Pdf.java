package roofnest.app.documents;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

import org.springframework.stereotype.Component;

import roofnest.app.firm.FirmRepository;
import roofnest.app.web.Language;

import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FSFontUseCase;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;

/** Renders a template as a tagged PDF with its fonts inside. */
@Component
class Pdf {
    /** In drawings too. */
    private static final Set<FSFontUseCase> EVERYWHERE = EnumSet.of(FSFontUseCase.DOCUMENT, FSFontUseCase.SVG);

    private final ITemplateEngine templates;
    private final FirmRepository firms;

    Pdf(ITemplateEngine templates, FirmRepository firms) {
        this.templates = templates;
        this.firms = firms;
    }

    byte[] render(String template, long firmId, Language language, Map<String, Object> variables) {
        return of(drawn(template, firmId, language, variables));
    }

    /** A document as it will be printed, in XHTML. @param firmId whose paper it is: its details stand at the head */
    String drawn(String template, long firmId, Map<String, Object> variables) {
        return drawn(template, firmId, Language.ENGLISH, variables);
    }

    /** The same in the household's language. */
    String drawn(String template, long firmId, Language language, Map<String, Object> variables) {
        Context context = new Context(language.locale(), variables);
        context.setVariable("lang", language.code());
        context.setVariable("firm", firms.details(firmId));
        return templates.process(template, context);
    }

    /** @param html well formed */
    byte[] of(String html) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.withHtmlContent(html, null);
            builder.usePdfUaAccessibility(true);
            builder.usePdfAConformance(PdfRendererBuilder.PdfAConformance.PDFA_2_A);
            builder.useColorProfile(ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData());
            builder.useSVGDrawer(new BatikSVGDrawer());
            builder.useFont(() -> font("Atkinson-400"), "Atkinson", 400, FontStyle.NORMAL, true, EVERYWHERE);
            builder.useFont(() -> font("Atkinson-700"), "Atkinson", 700, FontStyle.NORMAL, true, EVERYWHERE);
            builder.useFont(() -> font("ZillaSlab-600"), "Zilla", 600, FontStyle.NORMAL, true, EVERYWHERE);
            builder.toStream(out);
            builder.run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream font(String name) {
        return Pdf.class.getResourceAsStream("/fonts/" + name + ".ttf");
    }
}
