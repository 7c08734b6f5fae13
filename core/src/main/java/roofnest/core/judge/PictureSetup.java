package roofnest.core.judge;

import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.lang.Require;

/**
 * How a camera's picture and sound are set.
 *
 * @param light by which it sees the night
 * @param wideRange whether low sun and shade are evened out
 * @param turned whether the picture is turned, for a camera that hangs upside down
 * @param sound whether it is recorded
 * @param statusLight whether the light that says it watches is on
 * @param stamp whether day and time stand in the picture
 * @param widthPx of the picture that is recorded, one of its model's sizes; 0 for the full one
 * @param listens whether it listens for the sound of smoke and carbon monoxide alarms: a courtesy and no alarm
 */
public record PictureSetup(PictureSpec.Light light, boolean wideRange, boolean turned, boolean sound, boolean statusLight, boolean stamp,
        boolean listens, int widthPx) {
    public PictureSetup {
        Require.inRange("picture width in pixels", widthPx, 0, 8000);
    }

    /** In the full picture. */
    public PictureSetup(PictureSpec.Light light, boolean wideRange, boolean turned, boolean sound, boolean statusLight, boolean stamp,
            boolean listens) {
        this(light, wideRange, turned, sound, statusLight, stamp, listens, 0);
    }

    /** As it comes out of its box. */
    public static PictureSetup usual(DeviceModel model) {
        return new PictureSetup(model.nights().get(0).light(), false, false, model.picture().sound(), true, model.picture().stamp(), false);
    }

    /** The same by another light. */
    PictureSetup by(PictureSpec.Light other) {
        return new PictureSetup(other, wideRange, turned, sound, statusLight, stamp, listens, widthPx);
    }

    /** The same in another size of picture. */
    PictureSetup of(PictureSpec.Size size) {
        return new PictureSetup(light, wideRange, turned, sound, statusLight, stamp, listens, size.widthPx());
    }
}
