package roofnest.core.catalogue;

import java.util.List;
import java.util.Optional;

import com.fasterxml.jackson.annotation.JsonProperty;

import roofnest.core.lang.Require;
import roofnest.core.lang.Text;
import roofnest.core.lang.Worded;

/**
 * What a model lets people set about its picture and its sound.
 *
 * @param night ways in which it sees by night, the one it comes with first; absent where its document says nothing: by its own light alone
 * @param wideRange whether it can even out low sun and shade
 * @param turns whether it can turn its picture when it hangs upside down
 * @param sound whether it records sound
 * @param statusLight whether its status light can be switched off
 * @param stamp whether it writes day and time into its picture
 * @param sizes of picture that it records, the full one first; empty where there is only that
 * @param zoomMost how many times its app magnifies a picture; 1 when left out, for not at all
 * @param menu where each thing is set, in the order and words of its own app; what is left out is said in ordinary words
 */
public record PictureSpec(List<Night> night, boolean wideRange, boolean turns, boolean sound, boolean statusLight, boolean stamp,
        List<Size> sizes, Double zoomMost, List<At> menu) {
    /** A model of whose picture nothing is said. */
    public static final PictureSpec PLAIN = new PictureSpec(null, false, true, true, false, true, null, null, null);

    /** By what a picture is seen in the dark. */
    public enum Light implements Worded {
        @JsonProperty("infrared")
        INFRARED("infrared light, black and white"), @JsonProperty("ambient")
        AMBIENT("colour by whatever light is there"), @JsonProperty("spotlight")
        SPOTLIGHT("colour by its spotlight");

        private final String words;

        Light(String words) {
            this.words = words;
        }

        @Override
        public String words() {
            return words;
        }
    }

    /**
     * One way to see by night.
     *
     * @param rangeM how far it shows a person, metres; of ambient light none is promised, so that it is 0 there
     * @param lightMa that it draws
     */
    public record Night(Light light, double rangeM, double lightMa) {
        public Night {
            Require.inRange("night range in metres", rangeM, 0, light == Light.AMBIENT ? 0 : 100);
            Require.inRange("light current in mA", lightMa, 0, 5000);
        }
    }

    /** One size of picture. @param widthPx its height follows the sensor's shape */
    public record Size(String name, int widthPx, double bitrateMbps) {
        public Size {
            name = Require.text("name of a picture size", name, 30);
            Require.inRange("picture width in pixels", widthPx, 160, 8000);
            Require.inRange("bit rate in Mbit/s", bitrateMbps, 0.1, 30);
        }
    }

    /** @param sets key of a step. @param where words of its app that lead there */
    public record At(String sets, String where) {
        public At {
            sets = Require.text("what is set", sets, 30);
            where = Require.text("where it is set", where, 120);
            if (Text.hasControls(where)) {
                throw new IllegalArgumentException("where it is set has signs that cannot be shown");
            }
        }
    }

    public PictureSpec {
        night = night == null ? List.of() : List.copyOf(night);
        menu = menu == null ? List.of() : List.copyOf(menu);
        sizes = sizes == null ? List.of() : List.copyOf(sizes);
        zoomMost = zoomMost == null ? 1 : Require.inRange("magnifies at most", zoomMost, 1, 100);
        for (int i = 1; i < sizes.size(); i++) {
            if (sizes.get(i).widthPx() >= sizes.get(i - 1).widthPx()) {
                throw new IllegalArgumentException("picture sizes are said from the full one down");
            }
        }
        if (night.stream().map(Night::light).distinct().count() < night.size()) {
            throw new IllegalArgumentException("each way to see by night is said once");
        }
        if (menu.stream().map(At::sets).distinct().count() < menu.size()) {
            throw new IllegalArgumentException("each thing is set in one place");
        }
    }

    public Optional<Night> night(Light light) {
        return night.stream().filter(each -> each.light() == light).findFirst();
    }

    public Optional<String> where(String sets) {
        return menu.stream().filter(at -> at.sets().equals(sets)).map(At::where).findFirst();
    }
}
