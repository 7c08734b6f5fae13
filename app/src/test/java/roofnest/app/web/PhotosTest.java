package roofnest.app.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

import javax.imageio.ImageIO;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartHttpServletRequest;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.client.j2se.MatrixToImageWriter;
import com.google.zxing.qrcode.QRCodeWriter;

/** Pictures as phones send them, and as nobody should: the largest are opened coarsely, and two at a time. */
class PhotosTest {
    private static final String CODE = "WIFI:T:WPA;S:weir;P:nine-herons-wade;;";

    private static byte[] labelOnAWall(int width, int height) throws IOException, WriterException {
        BufferedImage photo = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = photo.createGraphics();
        graphics.setColor(new Color(200, 200, 200));
        graphics.fillRect(0, 0, width, height);
        int side = Math.min(width, height) / 3;
        graphics.drawImage(MatrixToImageWriter.toBufferedImage(new QRCodeWriter().encode(CODE, BarcodeFormat.QR_CODE, side, side)),
                width / 3, height / 3, null);
        graphics.dispose();
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(photo, "jpeg", jpeg);
        return jpeg.toByteArray();
    }

    @ParameterizedTest
    @CsvSource({"400, 300", "3000, 4000", "9100, 6500"})
    void the_code_of_a_label_is_read_from_small_and_from_huge_photos(int width, int height) throws Exception {
        byte[] photo = labelOnAWall(width, height);
        assertThat(PhotoCodes.in(photo)).containsExactly(CODE);
        BufferedImage opened = PhotoFile.open(photo, 1600);
        assertThat(Math.max(opened.getWidth(), opened.getHeight())).isBetween(Math.min(1600, Math.max(width, height)), 3200);
    }

    @Test
    void what_is_too_large_or_no_picture_is_refused_before_it_is_opened() throws Exception {
        byte[] wide = labelOnAWall(12_100, 40);
        assertThatThrownBy(() -> PhotoFile.open(wide, 1600)).isInstanceOf(BadInput.class).hasMessageContaining("too many pixels");
        Random random = new Random(7);
        for (int i = 0; i < 200; i++) {
            byte[] spoilt = labelOnAWall(60, 60);
            for (int hit = 0; hit < 6; hit++) {
                spoilt[random.nextInt(spoilt.length)] = (byte) random.nextInt();
            }
            try {
                assertThat(PhotoFile.open(spoilt, 1600)).isNotNull();
            } catch (BadInput said) {
                assertThat(said.getMessage()).endsWith(".");
            }
        }
    }

    /** Six at once: never more than two are in hand, and all get their turn. */
    @Test
    void two_are_in_hand_at_a_time() throws Exception {
        PicturesAtOnce gate = new PicturesAtOnce();
        AtomicInteger inHand = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        CountDownLatch twoIn = new CountDownLatch(2);
        ExecutorService pool = Executors.newFixedThreadPool(6);
        try {
            Future<?>[] all = new Future<?>[6];
            for (int i = 0; i < all.length; i++) {
                all[i] = pool.submit(() -> {
                    MockMultipartHttpServletRequest request = new MockMultipartHttpServletRequest();
                    gate.preHandle(request, new MockHttpServletResponse(), this);
                    most.accumulateAndGet(inHand.incrementAndGet(), Math::max);
                    twoIn.countDown();
                    twoIn.await();
                    inHand.decrementAndGet();
                    gate.afterCompletion(request, new MockHttpServletResponse(), this, null);
                    return null;
                });
            }
            for (Future<?> each : all) {
                each.get();
            }
        } finally {
            pool.shutdownNow();
        }
        assertThat(most.get()).isEqualTo(2);
    }
}
