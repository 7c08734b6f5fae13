package roofnest.core.judge;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

import roofnest.core.access.Access;
import roofnest.core.care.Coming;
import roofnest.core.care.Coming.Kind;
import roofnest.core.care.Coming.Sure;
import roofnest.core.care.Coming.Work;
import roofnest.core.care.NextCharge;
import roofnest.core.care.WorkAhead;
import roofnest.core.catalogue.Climb;
import roofnest.core.footage.CardWear;
import roofnest.core.promise.Standing;

/**
 * What comes up at a household in care, and by when: packs by the bad year, cards by what is written to them, the yearly look
 * and firmware by their intervals, guests, warranties and plans by the days that were said, tests that were left open, the first frost.
 */
public final class WhatComes {
    /** From the hand-over or the look before, days. */
    public static final int LOOK_DAYS = 365;
    /** A test that was left open at the hand-over is made within so many days. */
    public static final int TEST_DAYS = 90;
    /** Swapping a pack or a card, without what one stands on, minutes. */
    static final int SWAP_MINUTES = 8;
    /** A yearly look: so many for the house, and for each camera. */
    static final int LOOK_MINUTES = 15;
    static final int LOOK_A_CAMERA_MINUTES = 6;
    static final int FIRMWARE_A_CAMERA_MINUTES = 5;
    static final int TEST_MINUTES = 8;
    private static final int MOST_TEST_MINUTES = 120;
    private static final int REPAIR_MINUTES = 45;
    private static final int MOST_MINUTES = 600;
    /** How far ahead of its day each may be done. */
    static final int PACK_EARLY_DAYS = 42;
    static final int CARD_EARLY_DAYS = 90;
    static final int LOOK_EARLY_DAYS = 75;
    static final int FIRMWARE_EARLY_DAYS = 60;
    /** What nobody has to wait with. */
    private static final int MOST_EARLY = 366;
    private static final int NAMES_SAID = 60;
    private static final double USUAL_LATITUDE_DEG = 50;

    private WhatComes() {}

    /** A card that is in a camera. @param gb printed on it */
    public record CardIn(LocalDate putIn, int gb, boolean highEndurance) {}

    /** Something that runs out on a day that was said. @param camera empty for the whole house */
    public record Term(Kind kind, Optional<Long> camera, LocalDate on, String what) {}

    /** A repair that waits. @param minutes there; 0 where nobody reckoned them. @param bring what was found to be wanted for it */
    public record Repair(String what, Optional<Long> camera, LocalDate on, Optional<LocalDate> nextOn, int minutes, List<String> bring) {}

    /**
     * What the household's records say.
     *
     * @param since when its care began: the day of the hand-over, where it was handed over
     * @param firmware the day on which it was last looked at; empty where nobody ever did
     * @param looked the day of the last yearly look; empty for none since the hand-over
     * @param packsByFirm whether the firm comes for the packs, and not the household
     */
    public record Records(LocalDate since, boolean handedOver, Optional<LocalDate> firmware, Optional<LocalDate> looked,
            boolean packsByFirm,
            Map<Long, CardIn> cards, List<Term> terms, List<Repair> repairs, List<WorkAhead.Noted> notes) {
        public Records {
            cards = Map.copyOf(cards);
            terms = List.copyOf(terms);
            repairs = List.copyOf(repairs);
            notes = List.copyOf(notes);
        }
    }

    /** The earliest first. */
    public static List<Coming> of(HouseholdFacts facts, HouseholdJudge judge, Judgement judgement, Records records) {
        List<Coming> coming = new ArrayList<>();
        records.repairs().forEach(each -> coming.add(repair(each)));
        for (Camera camera : facts.cameras()) {
            if (camera.model().power().onBattery() && camera.lastCharged().isPresent()) {
                coming.add(pack(facts, judge, camera, records.packsByFirm()));
            }
            Optional.ofNullable(records.cards().get(camera.id())).filter(card -> card.gb() >= 1).ifPresent(
                    card -> coming.add(card(facts, judge, camera, card)));
        }
        if (!facts.cameras().isEmpty()) {
            coming.add(look(facts, judge, records));
            records.firmware().ifPresent(last -> coming.add(firmware(facts, last)));
        }
        tests(facts, judgement, records).ifPresent(coming::add);
        guests(facts, coming);
        records.terms().forEach(term -> coming.add(new Coming(term.kind(), term.camera(), term.on(), term.what(), "This day was written "
                + "down for it.", Sure.SAID, Optional.empty())));
        records.notes().forEach(note -> note.nextOn().ifPresent(day -> coming.add(new Coming(Kind.NOTED, Optional.empty(), day, cut(note
                .what()), "This day was written down for it.", Sure.SAID, Optional.empty()))));
        frost(facts).ifPresent(coming::add);
        coming.sort(Comparator.comparing(Coming::on).thenComparing(Coming::kind));
        return List.copyOf(coming);
    }

    private static Coming repair(Repair repair) {
        LocalDate on = repair.nextOn().orElse(repair.on().plusDays(WorkAhead.REPAIR_DAYS));
        return new Coming(Kind.REPAIR, repair.camera(), on, cut(repair.what()), repair.nextOn().isPresent()
                ? "This day was written down for it." : "A repair waits for " + WorkAhead.REPAIR_DAYS + " days at most.",
                Sure.SAID,
                Optional.of(new Work(repair.minutes() > 0 ? Math.min(MOST_MINUTES, repair.minutes()) : REPAIR_MINUTES, false, MOST_EARLY,
                        repair.bring())));
    }

    private static Coming pack(HouseholdFacts facts, HouseholdJudge judge, Camera camera, boolean byFirm) {
        NextCharge next = judge.nextCharge(facts, camera, camera.lastCharged().orElseThrow());
        Climb climb = facts.practice().climb(judge.overFootM(camera));
        boolean agreed = next.why().startsWith("as agreed");
        return new Coming(Kind.PACK, Optional.of(camera.id()), next.on(), byFirm ? "charge " + camera.name() : "the household charges "
                + camera.name(), capital(next.why()) + ".",
                agreed ? Sure.SAID : Sure.RECKONED, byFirm ? Optional.of(new Work(minutes(
                        facts, climb), climb == Climb.LADDER, PACK_EARLY_DAYS,
                        List.of("a charged pack for " + camera.model().fullName())))
                        : Optional
                                .empty());
    }

    private static int minutes(HouseholdFacts facts, Climb climb) {
        return (int) Math.min(MOST_MINUTES, Math.ceil(SWAP_MINUTES + facts.practice().minutes(climb)));
    }

    private static Coming card(HouseholdFacts facts, HouseholdJudge judge, Camera camera, CardIn card) {
        double years = CardWear.years(CardWear.ratedTbw(card.gb(), card.highEndurance()), FootageKept.meanGbADay(facts, camera));
        Climb climb = facts.practice().climb(judge.overFootM(camera));
        return new Coming(Kind.CARD, Optional.of(camera.id()), CardWear.replaceBy(card.putIn(), years), "change the card of " + camera
                .name(), years >= CardWear.MOST_YEARS ? "No card is relied on for longer than ten years."
                        : "By what is written to it a day, it has stood by then what it is rated for.",
                Sure.ORDINARY, Optional.of(new Work(
                        minutes(facts, climb), climb == Climb.LADDER, CARD_EARLY_DAYS,
                        List.of("a card of " + card.gb() + " GB"))));
    }

    private static Coming look(HouseholdFacts facts, HouseholdJudge judge, Records records) {
        Optional<LocalDate> looked = records.looked().filter(day -> !day.isBefore(records.since()));
        boolean ladder = facts.cameras().stream().anyMatch(camera -> facts.practice().climb(judge.overFootM(camera)) == Climb.LADDER);
        return new Coming(Kind.LOOK, Optional.empty(), nextLook(records), "look over all cameras",
                looked.isPresent() ? "A year after the last look." : "A year after " + begun(records) + ".", Sure.ORDINARY,
                Optional.of(new Work(Math.min(MOST_MINUTES, LOOK_MINUTES + LOOK_A_CAMERA_MINUTES * facts.cameras().size()), ladder,
                        LOOK_EARLY_DAYS, List.of())));
    }

    private static String begun(Records records) {
        return records.handedOver() ? "the hand-over" : "its care began";
    }

    private static Coming firmware(HouseholdFacts facts, LocalDate last) {
        return new Coming(Kind.FIRMWARE, Optional.empty(), last.plusDays(WorkAhead.FIRMWARE_DAYS), "look at the firmware",
                "Half a year after it was last looked at.", Sure.ORDINARY, Optional.of(new Work(
                        Math.min(MOST_MINUTES, FIRMWARE_A_CAMERA_MINUTES * facts.cameras().size()), false, FIRMWARE_EARLY_DAYS,
                        List.of())));
    }

    /** Within some weeks of the hand-over; what nobody came for by then goes along with the yearly look. */
    private static Optional<Coming> tests(HouseholdFacts facts, Judgement judgement, Records records) {
        List<Judged> open = judgement.promises().stream().filter(each -> each.finding().standing() == Standing.UNTRIED).toList();
        if (open.isEmpty()) {
            return Optional.empty();
        }
        LocalDate soon = records.since().plusDays(TEST_DAYS);
        boolean past = soon.isBefore(facts.today());
        return Optional.of(new Coming(Kind.TEST, Optional.empty(), past ? nextLook(records) : soon, cut(open.size() == 1
                ? "try what was never tried: " + open.get(0).wording() : "try " + open.size() + " promises that were never tried"),
                "Nobody has tried it since " + begun(records) + (past ? "; it goes along with the yearly look." : "."), Sure.ORDINARY,
                Optional.of(new Work(Math.min(MOST_TEST_MINUTES, TEST_MINUTES * open.size()), false, MOST_EARLY, List.of()))));
    }

    private static LocalDate nextLook(Records records) {
        return records.looked().filter(day -> !day.isBefore(records.since())).orElse(records.since()).plusDays(LOOK_DAYS);
    }

    /** Of each guest and last day the cameras that are shut by it. */
    private static void guests(HouseholdFacts facts, List<Coming> coming) {
        for (Access.Person person : facts.access().people()) {
            Map<LocalDate, List<String>> ends = new TreeMap<>();
            for (Camera camera : facts.cameras()) {
                facts.access().grant(person.id(), camera.id()).flatMap(Access.Grant::until).filter(until -> !until.isBefore(facts.today()))
                        .ifPresent(until -> ends.computeIfAbsent(until, any -> new ArrayList<>()).add(camera.name()));
            }
            ends.forEach((until, cameras) -> coming.add(new Coming(Kind.GUEST, Optional.empty(), until, cut("the last day of " + person
                    .name() + " at " + shortened(String.join(", ", cameras))), "Access was given until then.", Sure.SAID, Optional
                            .empty())));
        }
    }

    private static Optional<Coming> frost(HouseholdFacts facts) {
        List<String> packs = facts.cameras().stream().filter(camera -> camera.model().power().onBattery()).map(Camera::name).toList();
        double latitude = facts.plan().map(plan -> plan.latitudeDeg()).orElse(USUAL_LATITUDE_DEG);
        return packs.isEmpty() ? Optional.empty()
                : facts.climate().firstFrost(facts.today(), latitude).filter(day -> day.isAfter(facts.today())).map(day -> new Coming(
                        Kind.FROST, Optional.empty(), day, cut("nights begin to freeze: packs of " + shortened(String.join(", ", packs))),
                        "By the months’ means of its climate. A pack is not charged below freezing.", Sure.ORDINARY, Optional.empty()));
    }

    private static String shortened(String names) {
        return names.length() <= NAMES_SAID ? names : names.substring(0, NAMES_SAID - 1) + "…";
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static String cut(String words) {
        return words.length() <= Coming.LONGEST_WORDS ? words : words.substring(0, Coming.LONGEST_WORDS - 1) + "…";
    }
}
