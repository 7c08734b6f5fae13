package roofnest.app.demo;

import java.time.OffsetDateTime;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Set;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Component;

import roofnest.app.records.CameraRepository;
import roofnest.app.firm.Staff;
import roofnest.app.records.CardRepository;
import roofnest.app.records.FootageRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.records.TermRepository;
import roofnest.app.visit.RoundRepository;
import roofnest.core.access.Access;
import roofnest.core.care.Coming;
import roofnest.core.judge.Camera;
import roofnest.core.promise.Stage;
import roofnest.core.view.CameraPose;

/** Forty houses that were handed over over the years and are looked after: packs, cards, firmware, warranties, yearly looks. */
@Component
class DemoMarram {
    private static final List<String> NAMES = List.of("Averne", "Bexley-Holm", "Carrick", "Dunmow", "Eldred", "Fenby", "Garth", "Hollin",
            "Isard", "Joscelyn", "Kerris", "Lidgate", "Marlow-Dene", "Netherby", "Orwin", "Pallister", "Quennell", "Rudge", "Sallow",
            "Thwaite", "Ullock", "Varley", "Wickerby", "Yarrow", "Ashlar", "Brindle", "Cotterill", "Dallow", "Emmet", "Farrow", "Goss",
            "Hebden-Vale", "Ilbert", "Jarvin", "Keld", "Lorimer", "Mabb", "Norrey", "Oakes-Hithe", "Purdew");
    private static final List<String> AREAS = List.of("Staithe", "Saltern", "Lighter Quay", "Sedge End", "Fulling Hill");
    private static final List<String> STREETS = List.of("Tern Row", "Pan Lane", "Chain Walk", "Reed Road", "Teasel Bank");
    private static final List<String> MODELS = List.of("dunmark-post", "pellan-swift", "cairnlow-eave", "tarrowby-turn");
    /** From our yard to the first house of each area, minutes. */
    private static final int[] OUT = {8, 14, 19, 26, 33};
    private static final int DAYS_APART = 23;

    private final DemoTools tools;
    private final LogRepository log;
    private final CardRepository cards;
    private final FootageRepository footage;
    private final TermRepository terms;
    private final RoundRepository rounds;

    DemoMarram(
            DemoTools tools, LogRepository log, CardRepository cards, FootageRepository footage, TermRepository terms,
            RoundRepository rounds) {
        this.tools = tools;
        this.log = log;
        this.cards = cards;
        this.footage = footage;
        this.terms = terms;
        this.rounds = rounds;
    }

    void make(Staff staff, LocalDate today) {
        long[] first = new long[AREAS.size()];
        for (int i = 0; i < NAMES.size(); i++) {
            int area = i % AREAS.size();
            LocalDate handedOver = today.minusDays(40L + i * DAYS_APART % 900L);
            long id = tools.households.carryIn(staff.firmId(), new Household(0, 0, NAMES.get(i), i / AREAS.size() * 2 + 1 + " " + STREETS
                    .get(area) + ", " + AREAS.get(area), "", Stage.CARE, null, null, "", handedOver.atTime(15, 0).atOffset(ZoneOffset.UTC),
                    null, null, 0, 0, 0));
            first[area] = first[area] == 0 ? id : first[area];
            HouseholdRef ref = new HouseholdRef(id, staff);
            int house = i;
            tools.changes.run(ref, Stage.CARE, () -> furnish(ref, house, handedOver, today));
        }
        for (int area = 0; area < first.length; area++) {
            rounds.setTravel(staff.firmId(), RoundRepository.Way.between(RoundRepository.YARD, first[area]), OUT[area]);
            for (int other = 0; other < area; other++) {
                rounds.setTravel(staff.firmId(), RoundRepository.Way.between(first[other], first[area]), Math.abs(OUT[area] - OUT[other])
                        + 5);
            }
        }
    }

    private void furnish(HouseholdRef ref, int house, LocalDate handedOver, LocalDate today) {
        long id = ref.id();
        footage.say(id, new FootageRepository.House(0, house % 3 != 0, 0));
        tools.residents.add(id, "Wren " + NAMES.get(house), "wren." + house + "@post.example", Access.Tie.LIVES_HERE, null);
        int cameras = 1 + house % 2;
        for (int k = 0; k < cameras; k++) {
            String model = MODELS.get((house + k) % MODELS.size());
            long camera = tools.cameras.add(id, k == 0 ? "Front eye" : "Garden eye", model,
                    new CameraPose(2.4 + 3 * k, -0.35, house % 4 == 0
                            ? 3.1 : 2.4, 226, 16),
                    new Camera.Settings(12, 30, model.equals("cairnlow-eave") ? 64 : 0, 18 + house % 5 * 6, 3, 0.7,
                            90));
            OffsetDateTime then = handedOver.atTime(11, 0).atOffset(ZoneOffset.UTC);
            tools.cameras.carryIn(id, camera, new CameraRepository.CarriedIn(Set.of(), List.of(), null, null, null, null, then, false, then,
                    null, Optional.empty(), null, null));
            if (k == 0 && house % MODELS.size() < 2 || k == 1 && (house + 1) % MODELS.size() < 2) {
                tools.cameras.charged(id, camera, today.minusDays(5L + house * 7L % 70));
            }
            if (model.equals("cairnlow-eave")) {
                cards.say(id, camera, new CardRepository.Card(handedOver, house % 5 != 0, 64, Optional.empty(), null, ref.by(), 0));
            }
            terms.add(id, new TermRepository.Row(0, Coming.Kind.WARRANTY, camera, "", handedOver.plusYears(2), "warranty ends", ref.by(),
                    0));
        }
        log.add(id, null, LogRepository.Kind.FIRMWARE, "Looked at all of them; one was updated.", today.minusDays(30L + house * 11L % 152),
                ref.by());
        LocalDate looked = today.minusDays(20L + house * 37L % 350);
        if (looked.isAfter(handedOver)) {
            log.add(id, null, LogRepository.Kind.LOOK, "All clean and where they were.", looked, ref.by());
        }
        if (house % 13 == 5) {
            log.add(id, null, LogRepository.Kind.REPAIR, "The bracket at the front has sagged.", today.minusDays(1), ref.by());
        }
    }
}
