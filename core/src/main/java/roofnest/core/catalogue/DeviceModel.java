package roofnest.core.catalogue;

import java.util.List;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;
import roofnest.core.lang.Worded;

/**
 * One camera model of the catalogue.
 *
 * @param factoryAddress fixed IPv4 address with its prefix that it comes with, such as {@code 172.20.9.9/24}; null when
 *     it asks the house for one
 * @param alerts what can be set about its motion and alerts
 * @param hub key of the hub that it joins through, or may join through; null when it knows none
 * @param peopleMax how many accounts can look through it; null when its maker sets no limit
 * @param pans whether it turns and tilts by motor
 * @param body how it is drawn
 * @param can what it does besides watching; nothing when left out
 * @param picture what can be set about its picture; {@link PictureSpec#PLAIN} when left out
 */
public record DeviceModel(
        String key, String maker, String name, String summary, LensSpec lens, RadioSpec radio, CredentialRule credentials,
        SetUp setUp, PasswordRule passwordRule, String factoryPassword, PowerSpec power, MotionSpec motion,
        RecordingSpec recording, MaskGrid mask, MountSpec mount, Sharing sharing, String factoryAddress, AlertSpec alerts,
        String hub, Integer peopleMax, Boolean pans, Body body, List<Ability> can, PictureSpec picture) implements Joinable {

    /** The body that a device has. */
    public enum Body implements Worded {
        @JsonProperty("camera")
        CAMERA("a camera"),
        @JsonProperty("bell")
        BELL("a doorbell"),
        @JsonProperty("phone")
        PHONE("a phone");

        private final String words;

        Body(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** What people can make a device do from their phone. */
    public enum Ability implements Worded {
        @JsonProperty("talk")
        TALK("talk through it"),
        @JsonProperty("light")
        LIGHT("switch its light"),
        @JsonProperty("siren")
        SIREN("sound its siren");

        private final String words;

        Ability(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /** The cells in which a picture can be blacked out: columns from the left A, B, …; rows from the top 1, 2, …. */
    public record MaskGrid(int columns, int rows) {
        public MaskGrid {
            Require.inRange("mask columns", columns, 0, 26);
            Require.inRange("mask rows", rows, 0, 40);
        }

        public boolean canMask() {
            return columns > 0 && rows > 0;
        }
    }

    public DeviceModel {
        key = Require.text("model key", key, 60);
        maker = Require.text("maker", maker, 60);
        name = Require.text("model name", name, 60);
        summary = Require.text("summary", summary, 200);
        alerts = alerts == null ? AlertSpec.PLAIN : alerts;
        pans = pans != null && pans;
        body = body == null ? Body.CAMERA : body;
        can = can == null ? List.of() : List.copyOf(can);
        picture = picture == null ? PictureSpec.PLAIN : picture;
        if (!picture.sizes().isEmpty() && picture.sizes().get(0).widthPx() < lens.widthPx()) {
            throw new IllegalArgumentException("its first picture size is the full one");
        }
        if (peopleMax != null) {
            Require.inRange("people who can look", peopleMax, 1, 1000);
        }
    }

    public DeviceModel withKey(String otherKey) {
        return new DeviceModel(otherKey, maker, name, summary, lens, radio, credentials, setUp, passwordRule, factoryPassword, power,
                motion, recording, mask, mount, sharing, factoryAddress,
                alerts, hub, peopleMax, pans, body, can, picture);
    }

    /** Ways in which it sees by night, the one it comes with first. */
    public List<PictureSpec.Night> nights() {
        return picture.night().isEmpty()
                ? List.of(new PictureSpec.Night(PictureSpec.Light.INFRARED, lens.nightRangeM(), power.lightMa())) : picture.night();
    }

    /** Seeing the night otherwise. */
    public DeviceModel byNight(PictureSpec.Night night) {
        return new DeviceModel(key, maker, name, summary, lens.withNightRange(night.rangeM()), radio, credentials, setUp, passwordRule,
                factoryPassword, power.withLight(night.lightMa()), motion, recording, mask, mount, sharing, factoryAddress, alerts, hub,
                peopleMax, pans, body, can, picture);
    }

    /** Recording in another size of picture. */
    public DeviceModel recordedAt(PictureSpec.Size size) {
        return new DeviceModel(key, maker, name, summary, lens.withWidth(size.widthPx()), radio, credentials, setUp, passwordRule,
                factoryPassword, power, motion, recording.withBitrate(size.bitrateMbps()), mask, mount, sharing, factoryAddress, alerts,
                hub, peopleMax, pans, body, can, picture);
    }

    /** Drawing otherwise than its document says. */
    public DeviceModel powered(PowerSpec other) {
        return new DeviceModel(key, maker, name, summary, lens, radio, credentials, setUp, passwordRule, factoryPassword, other, motion,
                recording, mask, mount, sharing, factoryAddress, alerts, hub, peopleMax, pans, body, can, picture);
    }

    /** Noticing otherwise than its document says. */
    public DeviceModel noticing(MotionSpec other) {
        return new DeviceModel(key, maker, name, summary, lens, radio, credentials, setUp, passwordRule, factoryPassword, power, other,
                recording, mask, mount, sharing, factoryAddress, alerts, hub, peopleMax, pans, body, can, picture);
    }
}
