package roofnest.app.brief;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.records.AccessRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.ResidentRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.promise.Stage;

/** The people of a house: noted, changed, taken out. Somebody who may be there already is asked about before they are noted twice. */
@Service
class People {
    private final Changes changes;
    private final ResidentRepository residents;
    private final AccessRepository access;
    private final Clock clock;

    People(Changes changes, ResidentRepository residents, AccessRepository access, Clock clock) {
        this.changes = changes;
        this.residents = residents;
        this.access = access;
        this.clock = clock;
    }

    /** What a form says of somebody. @param leftOn null while they belong, or where nobody knows the day */
    private record Said(String name, String email, Access.Tie tie, LocalDate leftOn) {}

    boolean add(HouseholdRef ref, Form form) {
        Said said = read(form);
        return form.save(() -> changes.run(ref, Stage.BRIEF, () -> {
            if (!twice(ref, 0, said, form)) {
                residents.add(ref.id(), said.name(), said.email(), said.tie(), said.leftOn());
            }
        }));
    }

    boolean change(HouseholdRef ref, long id, Form form) {
        Said said = read(form);
        int version = form.version();
        return form.save(() -> changes.run(ref, Stage.BRIEF, () -> {
            if (!twice(ref, id, said, form)) {
                residents.change(ref.id(), id, said.name(), said.email(), said.tie(), said.leftOn(), version);
            }
        }));
    }

    /**
     * Takes somebody out, and their access with them.
     *
     * @return what was done, in words
     * @throws Conflict when they know something: out of the list, they would still know it and nobody would see
     */
    String remove(HouseholdRef ref, long id) {
        return changes.make(ref, Stage.BRIEF, () -> {
            ResidentRepository.Resident resident = residents.find(ref.id(), id).orElseThrow(NoSuchPage::new);
            access.of(ref.id()).known().stream().filter(known -> known.personId() == id).findFirst().ifPresent(known -> {
                throw new Conflict(resident.name() + " knows " + known.secret().name()
                        + ". Shut them out at Share first, or say there that it was noted by mistake.");
            });
            int cameras = access.revokePerson(ref.id(), id);
            residents.remove(ref.id(), id, ref.by());
            return resident.name() + " is taken out" + (cameras == 0 ? "."
                    : ", and their access to " + cameras + (cameras == 1 ? " camera" : " cameras")
                            + " here. End it in the cameras' own app too.")
                    + " They can be brought back from the household’s own sheet.";
        });
    }

    private Said read(Form form) {
        String name = form.text("personName", "a name", 80);
        String email = form.raw("personEmail").isBlank() ? "" : form.email("personEmail", "an e-mail address");
        Access.Tie tie = form.choice("tie", "how they belong to the house", Access.Tie.class);
        LocalDate left = null;
        if (tie == Access.Tie.LEFT && !form.raw("leftOn").isBlank()) {
            left = form.date("leftOn", "the day they left");
            if (form.faultAt("leftOn") == null && left.isAfter(LocalDate.now(clock))) {
                form.fault("leftOn", "This day is still to come. Note it once they have left.");
            }
        }
        return new Said(name, email, tie, left);
    }

    private boolean twice(HouseholdRef ref, long id, Said said, Form form) {
        if (form.raw("another").equals("true")) {
            return false;
        }
        Optional<ResidentRepository.Resident> known = residents.of(ref.id()).stream().filter(each -> each.id() != id)
                .filter(each -> each.name().equalsIgnoreCase(said.name())
                        || !said.email().isEmpty() && each.email().equalsIgnoreCase(said.email()))
                .findFirst();
        known.ifPresent(each -> form.fault(each.name().equalsIgnoreCase(said.name()) ? "personName" : "personEmail",
                each.name() + " is noted already" + (each.email().isEmpty() ? "" : ", with " + each.email())
                        + ". If this is somebody else, tick that below."));
        return known.isPresent();
    }
}
