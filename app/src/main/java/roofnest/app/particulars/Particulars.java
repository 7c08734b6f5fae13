package roofnest.app.particulars;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.web.Language;
import roofnest.app.records.Archive;
import roofnest.app.records.Changes;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.TakenOut;
import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.promise.Stage;

/** Corrects what a household is called, brings back what was taken out, and puts the whole away. */
@Service
public class Particulars {
    private final Changes changes;
    private final HouseholdRepository households;
    private final Map<TakenOut.Kind, Archive> archives;

    Particulars(Changes changes, HouseholdRepository households, List<Archive> archives) {
        this.changes = changes;
        this.households = households;
        this.archives = archives.stream()
                .collect(Collectors.toMap(Archive::kind, archive -> archive, (a, b) -> a, () -> new EnumMap<>(TakenOut.Kind.class)));
    }

    boolean change(HouseholdRef ref, Form form) {
        String name = form.text("name", "the household's name", 80);
        String address = form.text("address", "its address", 120);
        String phone = form.phone("phone");
        int version = form.version();
        return form.save(() -> changes.aside(ref.id(), () -> {
            if (freeOrMeant(ref.staff().firmId(), ref.id(), address, form)) {
                households.change(ref.id(), name, address, phone, version);
            }
            return null;
        }));
    }

    /** Whether no other household of the firm is at this address, or the form says that there are two. */
    public boolean freeOrMeant(long firmId, long id, String address, Form form) {
        List<Household> there = households.at(firmId, address).stream().filter(each -> each.id() != id).toList();
        if (there.isEmpty() || form.raw("sameAddress").equals("true")) {
            return true;
        }
        Household first = there.get(0);
        form.put("known", String.valueOf(first.id()));
        form.fault("address", first.name() + " is at this address already" + (first.archivedAt() == null ? "" : ", put away")
                + ". Open that one, or tick below that this is another household.");
        return false;
    }

    /** Newest first. */
    List<TakenOut> takenOut(long householdId) {
        return archives.values().stream().flatMap(archive -> archive.takenOut(householdId).stream())
                .sorted(Comparator.comparing(TakenOut::at).reversed()).toList();
    }

    /** @return what is back, in words */
    String bringBack(HouseholdRef ref, TakenOut.Kind kind, long id) {
        return changes.make(ref, Stage.BRIEF, () -> {
            Archive archive = archives.get(kind);
            TakenOut back = archive.takenOut(ref.id()).stream().filter(each -> each.id() == id).findFirst().orElseThrow(NoSuchPage::new);
            archive.bringBack(ref.id(), id);
            return "Back: " + back.what() + "." + switch (kind) {
                case CAMERA, HUB -> " It left its account, so it is to be joined again.";
                case PERSON -> " Access is given anew at Share.";
                case NETWORK -> " Its password is to be typed again.";
                default -> "";
            };
        });
    }

    void archive(HouseholdRef ref, boolean away) {
        changes.aside(ref.id(), () -> {
            if (away) {
                households.archive(ref.id(), ref.by());
            } else {
                households.bringBack(ref.id());
            }
            return null;
        });
    }

    /** Removes everything of a household for good, once its name was typed. */
    @Transactional
    public void remove(HouseholdRef ref, String typedName) {
        changes.aside(ref.id(), () -> {
            if (!households.get(ref.id()).name().equalsIgnoreCase(typedName.strip())) {
                throw new BadInput("Type the household's name exactly, so that nothing is removed by a slip.");
            }
            households.remove(ref.staff().firmId(), ref.id(), ref.by());
            return null;
        });
    }

    Language language(long householdId) {
        return households.language(householdId);
    }

    /** In which the household's pages and papers are from now on. */
    void speak(HouseholdRef ref, Language language) {
        changes.aside(ref.id(), () -> {
            households.speak(ref.id(), language);
            return null;
        });
    }
}
