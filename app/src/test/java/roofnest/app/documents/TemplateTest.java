package roofnest.app.documents;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.awt.geom.GeneralPath;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

import roofnest.app.AppTest;
import roofnest.app.DemoPlaces;
import roofnest.app.records.CameraRepository;
import roofnest.core.catalogue.PlateHole;

/** The drilling template measures on paper what the plate measures. */
@AppTest
class TemplateTest {
    private static final double MM = 25.4 / 72;

    @Autowired private DemoPlaces demo;
    @Autowired private CameraRepository cameras;
    @Autowired private MockMvc mvc;

    /** Every stroked outline of a page, millimetres. */
    private static final class Ruler extends PDFGraphicsStreamEngine {
        private final List<Rectangle2D> strokes = new ArrayList<>();
        private final GeneralPath path = new GeneralPath();

        Ruler(PDPage page) {
            super(page);
        }

        @Override
        public void appendRectangle(Point2D p0, Point2D p1, Point2D p2, Point2D p3) {
            path.moveTo(p0.getX(), p0.getY());
            path.lineTo(p1.getX(), p1.getY());
            path.lineTo(p2.getX(), p2.getY());
            path.lineTo(p3.getX(), p3.getY());
            path.closePath();
        }

        @Override
        public void drawImage(PDImage image) {
            // Nothing to measure.
        }

        @Override
        public void clip(int windingRule) {
            // What is cut away is drawn no less.
        }

        @Override
        public void moveTo(float x, float y) {
            path.moveTo(x, y);
        }

        @Override
        public void lineTo(float x, float y) {
            path.lineTo(x, y);
        }

        @Override
        public void curveTo(float x1, float y1, float x2, float y2, float x3, float y3) {
            path.curveTo(x1, y1, x2, y2, x3, y3);
        }

        @Override
        public Point2D getCurrentPoint() {
            return path.getCurrentPoint() == null ? new Point2D.Float() : path.getCurrentPoint();
        }

        @Override
        public void closePath() {
            path.closePath();
        }

        @Override
        public void endPath() {
            path.reset();
        }

        @Override
        public void strokePath() {
            Rectangle2D box = path.getBounds2D();
            strokes.add(new Rectangle2D.Double(box.getX() * MM, box.getY() * MM, box.getWidth() * MM, box.getHeight() * MM));
            path.reset();
        }

        @Override
        public void fillPath(int windingRule) {
            path.reset();
        }

        @Override
        public void fillAndStrokePath(int windingRule) {
            strokePath();
        }

        @Override
        public void shadingFill(COSName name) {
            // Nothing to measure.
        }
    }

    private MockHttpServletResponse template(String household, long camera, String paper) throws Exception {
        return mvc.perform(get("/households/" + demo.household(household) + "/mount/" + camera + "/template.pdf").param("paper", paper)
                .with(user(demo.staff("jory")))).andReturn().getResponse();
    }

    private static List<Rectangle2D> strokes(PDDocument document) throws IOException {
        Ruler ruler = new Ruler(document.getPage(0));
        ruler.processPage(document.getPage(0));
        return ruler.strokes;
    }

    @ParameterizedTest
    @CsvSource({"a4, 210, 297", "letter, 215.9, 279.4"})
    void holes_and_bar_are_at_true_size_on_either_paper(String paper, double widthMm, double heightMm) throws Exception {
        long camera = demo.camera("Brannock");
        List<PlateHole> holes = cameras.get(demo.household("Brannock"), camera).camera().model().mount().holes();
        assertThat(holes).hasSize(3);
        try (PDDocument document = Loader.loadPDF(template("Brannock", camera, paper).getContentAsByteArray())) {
            assertThat(document.getNumberOfPages()).isOne();
            assertThat(document.getPage(0).getMediaBox().getWidth() * MM).isCloseTo(widthMm, within(0.1));
            assertThat(document.getPage(0).getMediaBox().getHeight() * MM).isCloseTo(heightMm, within(0.1));
            List<Rectangle2D> strokes = strokes(document);
            List<Rectangle2D> circles = strokes.stream().filter(box -> Math.abs(box.getWidth() - 6) < 0.05 && Math.abs(box.getHeight()
                    - 6) < 0.05).sorted(Comparator.comparingDouble((Rectangle2D box) -> -box.getCenterY())
                            .thenComparingDouble(Rectangle2D::getCenterX))
                    .toList();
            assertThat(circles).as("holes of the drill's width").hasSize(3);
            Rectangle2D first = circles.get(0);
            for (int i = 0; i < 3; i++) {
                assertThat(circles.get(i).getCenterX() - first.getCenterX()).isCloseTo(holes.get(i).xMm() - holes.get(0).xMm(),
                        within(0.1));
                assertThat(circles.get(i).getCenterY() - first.getCenterY()).isCloseTo(holes.get(i).yMm() - holes.get(0).yMm(),
                        within(0.1));
            }
            assertThat(strokes).as("the bar").anyMatch(box -> Math.abs(box.getWidth() - 100) < 0.1);
        }
    }

    @Test
    void of_a_plate_that_nobody_measured_there_is_none() throws Exception {
        long sill = demo.jdbc().sql("select id from camera where name = 'Parlour sill' and household_id = :id")
                .param("id", demo.household("Verrall")).query(Long.class).single();
        assertThat(template("Verrall", sill, "a4").getStatus()).isEqualTo(404);
        assertThat(template("Verrall", 999_999, "a4").getStatus()).isEqualTo(404);
    }
}
