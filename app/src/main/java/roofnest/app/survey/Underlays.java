package roofnest.app.survey;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;

import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

import org.springframework.stereotype.Service;

import roofnest.app.web.BadInput;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.PhotoFile;
import roofnest.core.plan.PlanPoint;

/** Lays photographed or scanned drawings under a plan and scales them by two points and the length between them. */
@Service
class Underlays {
    static final int MAX_BYTES = 8_000_000;
    private static final int MOST_PIXELS_A_SIDE = 12_000;
    /** A new drawing is first shown this wide, metres, until it is scaled. */
    private static final double FIRST_WIDTH_M = 20;

    private static final int ENOUGH_TO_KNOW_PX = 800;

    private final UnderlayRepository underlays;

    Underlays(UnderlayRepository underlays) {
        this.underlays = underlays;
    }

    /** Two clicks and what lies between them in truth. */
    record Scaling(double x1, double y1, double x2, double y2, double lengthM) {}

    void lay(long householdId, String storeyId, byte[] bytes, PlanPoint topLeft) {
        if (bytes.length > MAX_BYTES) {
            throw new BadInput(String.format(Locale.ROOT, "The picture has %,d bytes; at most %,d are taken. Save it smaller.",
                    bytes.length, MAX_BYTES));
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new BadInput("This is no picture that can be shown; PNG and JPEG are taken.");
            }
            ImageReader reader = readers.next();
            reader.setInput(in);
            String format = reader.getFormatName().toLowerCase(Locale.ROOT);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            if (!format.equals("png") && !format.equals("jpeg") || width > MOST_PIXELS_A_SIDE || height > MOST_PIXELS_A_SIDE) {
                throw new BadInput("PNG and JPEG are taken, up to " + MOST_PIXELS_A_SIDE + " pixels a side.");
            }
            // Opened coarsely: enough to know that it is whole, and its size is said in its head.
            PhotoFile.open(bytes, ENOUGH_TO_KNOW_PX);
            underlays.lay(householdId, storeyId, new UnderlayRepository.Picture(bytes, "image/" + format),
                    new UnderlayRepository.Underlay(width, height, FIRST_WIDTH_M / width, topLeft.xM(),
                            topLeft.yM()));
        } catch (IOException e) {
            throw new BadInput("The picture is damaged and cannot be shown. Save it again and bring it in anew.");
        }
    }

    /** The first point stays where it is; the second comes to lie {@code lengthM} from it. */
    void scale(long householdId, String storeyId, Scaling by) {
        UnderlayRepository.Underlay now = underlays.of(householdId, storeyId).orElseThrow(NoSuchPage::new);
        double drawn = Math.hypot(by.x2() - by.x1(), by.y2() - by.y1());
        if (!(by.lengthM() >= 0.1 && by.lengthM() <= 200) || !(drawn > 0.01)) {
            throw new BadInput("Choose two points apart from one another, and a length from 0.1 to 200 m.");
        }
        double factor = by.lengthM() / drawn;
        underlays.place(householdId, storeyId, new UnderlayRepository.Underlay(now.widthPx(), now.heightPx(), now.metresPerPx() * factor,
                by.x1() + factor * (now.xM() - by.x1()), by.y1() + factor * (now.yM() - by.y1())));
    }

    void move(long householdId, String storeyId, double dxM, double dyM) {
        UnderlayRepository.Underlay now = underlays.of(householdId, storeyId).orElseThrow(NoSuchPage::new);
        if (!(Math.abs(dxM) <= 500 && Math.abs(dyM) <= 500)) {
            throw new BadInput("The drawing cannot be moved that far.");
        }
        underlays.place(householdId, storeyId,
                new UnderlayRepository.Underlay(now.widthPx(), now.heightPx(), now.metresPerPx(), now.xM() + dxM, now.yM() + dyM));
    }
}
