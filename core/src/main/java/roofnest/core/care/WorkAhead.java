package roofnest.core.care;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import roofnest.core.promise.Stage;

/**
 * What is next at a household and when: what its stage asks for, the appointment that was made, charges, firmware, open
 * repairs, and whatever somebody wrote down to come up again. The earliest is what the household is due for.
 */
public final class WorkAhead {
    /** A stage that nobody has moved on for this long is looked at, days. */
    public static final int STAGE_DAYS = 7;
    /** Firmware is looked at again after this long, days. */
    public static final int FIRMWARE_DAYS = 180;
    /** A repair that nobody set a day for is looked at after this long, days. */
    public static final int REPAIR_DAYS = 2;

    private WorkAhead() {}

    /** What has a day. @param what in words, as somebody says it */
    public record Due(LocalDate on, String what) {}

    /** Something written down. @param nextOn the day that was set for it; empty when none was */
    public record Noted(String what, LocalDate on, Optional<LocalDate> nextOn) {}

    /**
     * What the household's records say.
     *
     * @param stageSince when its work reached this stage; empty when that was not kept
     * @param appointment the day of the visit that was made out; empty when there is none, or it is over
     * @param byItself what comes up without anybody having written it down: packs, cards, the yearly look
     * @param firmware the day on which the firmware of each device was last looked at
     * @param repairs that are open
     * @param comesUp what else was written down to come up again
     */
    public record Known(Stage stage, Optional<LocalDate> stageSince, Optional<LocalDate> appointment, List<Due> byItself,
            List<LocalDate> firmware, List<Noted> repairs, List<Noted> comesUp) {
        public Known {
            byItself = List.copyOf(byItself);
            firmware = List.copyOf(firmware);
            repairs = List.copyOf(repairs);
            comesUp = List.copyOf(comesUp);
        }
    }

    /** Everything with a day, the earliest first; of one day, repairs before the rest. */
    public static List<Due> of(Known known) {
        List<Due> ahead = new ArrayList<>();
        known.repairs().forEach(
                repair -> ahead.add(new Due(repair.nextOn().orElse(repair.on().plusDays(REPAIR_DAYS)), "repair: " + repair.what())));
        if (known.stage() == Stage.CARE) {
            ahead.addAll(known.byItself());
            known.firmware().stream().min(Comparator.naturalOrder())
                    .ifPresent(last -> ahead.add(new Due(last.plusDays(FIRMWARE_DAYS), "look at the firmware")));
        } else if (known.appointment().isPresent()) {
            ahead.add(new Due(known.appointment().get(), words(known.stage())));
        } else {
            known.stageSince().ifPresent(since -> ahead.add(new Due(since.plusDays(STAGE_DAYS), words(known.stage()))));
        }
        if (known.stage() == Stage.CARE) {
            known.appointment().ifPresent(day -> ahead.add(new Due(day, "visit")));
        }
        known.comesUp().forEach(noted -> noted.nextOn().ifPresent(day -> ahead.add(new Due(day, noted.what()))));
        ahead.sort(Comparator.comparing(Due::on));
        return List.copyOf(ahead);
    }

    /** What a stage asks for next. */
    public static String words(Stage stage) {
        return switch (stage) {
            case BRIEF -> "brief to be agreed";
            case SURVEY -> "survey";
            case READY -> "get it ready";
            case PAIR -> "install: join the cameras";
            case MOUNT -> "install: hang the cameras";
            case TUNE -> "set alerts and clips";
            case SHARE -> "share access";
            case PROVE -> "prove it and hand over";
            case CARE -> "look after it";
        };
    }
}
