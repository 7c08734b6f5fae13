package roofnest.app.web;

import java.util.Arrays;
import java.util.List;
import java.util.Map;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.MultiFormatReader;
import com.google.zxing.NotFoundException;
import com.google.zxing.Result;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.GenericMultipleBarcodeReader;

/** Reads the codes in a photo, square ones and bars. The photo itself is not kept. */
public final class PhotoCodes {
    private static final int ENOUGH_PIXELS = 2400;
    private static final Map<DecodeHintType, ?> HINTS = Map.of(DecodeHintType.TRY_HARDER, true);

    private PhotoCodes() {}

    /** The texts of all codes in it, at least one. */
    public static List<String> in(byte[] photo) {
        BinaryBitmap bitmap = new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(PhotoFile.open(photo, ENOUGH_PIXELS))));
        try {
            return Arrays.stream(new GenericMultipleBarcodeReader(new MultiFormatReader()).decodeMultiple(bitmap, HINTS))
                    .map(Result::getText).distinct().toList();
        } catch (NotFoundException e) {
            throw new BadInput(
                    "No code was found in the photo. Hold the camera straight over it, near enough that it fills half the "
                            + "picture, without a reflection.");
        }
    }
}
