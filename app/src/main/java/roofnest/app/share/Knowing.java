package roofnest.app.share;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

import org.springframework.stereotype.Service;

import roofnest.app.firm.NotForThisRole;
import roofnest.app.firm.Role;
import roofnest.app.household.Frame;
import roofnest.app.household.Frames;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.ResidentRepository;
import roofnest.app.secrets.SecretStore;
import roofnest.app.web.Conflict;
import roofnest.app.web.Form;
import roofnest.app.web.NoSuchPage;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Sharing;
import roofnest.core.promise.Stage;

/** What somebody knows, when it was changed, and which screens show cameras. */
@Service
class Knowing {
    private static final int MOST_SCREENS = 40;

    private final Changes changes;
    private final Frames frames;
    private final LedgerRepository ledger;
    private final ResidentRepository residents;
    private final NetworkRepository networks;
    private final HubRepository hubs;
    private final SecretStore store;

    Knowing(Changes changes, Frames frames, LedgerRepository ledger, ResidentRepository residents, NetworkRepository networks,
            HubRepository hubs, SecretStore store) {
        this.changes = changes;
        this.frames = frames;
        this.ledger = ledger;
        this.residents = residents;
        this.networks = networks;
        this.hubs = hubs;
        this.store = store;
    }

    /** Everything of a house that lets in whoever knows it. */
    List<Secret> all(Frame frame) {
        long household = frame.ref().id();
        List<Secret> all = new ArrayList<>();
        networks.all(household).forEach(row -> all.add(new Secret(Secret.Kind.WIFI, row.id(), "the Wi-Fi password of " + row.name())));
        frame.facts().cameras().stream().filter(camera -> camera.model().sharing() == Sharing.TOLD_SECRET)
                .forEach(camera -> all.add(new Secret(Secret.Kind.DEVICE, camera.id(), "the ID and password of " + camera.name())));
        hubs.of(household).forEach(hub -> all.add(new Secret(Secret.Kind.HUB, hub.id(), "the password of " + hub.name(), hub.modelKey())));
        frame.facts().access().people()
                .forEach(person -> all.add(new Secret(Secret.Kind.ACCOUNT, person.id(), person.name() + "’s log-in")));
        return all;
    }

    /** Notes that somebody knows something. What is wrong goes to the fields {@code knower}, {@code secret} and {@code how}. */
    void note(HouseholdRef ref, Form form) {
        String how = form.text("how", "how they came to know it", 200);
        changes.run(ref, Stage.SHARE, () -> {
            Frame frame = frames.frame(ref, Stage.SHARE);
            Access.Person person = frame.facts().access().people().stream()
                    .filter(each -> form.raw("knower").equals(String.valueOf(each.id()))).findFirst().orElse(null);
            Secret secret = all(frame).stream().filter(each -> form.raw("secret").equals(key(each))).findFirst().orElse(null);
            if (person == null) {
                form.fault("knower", "Choose who knows it.");
            }
            if (secret == null) {
                form.fault("secret", "Choose what they know.");
            }
            if (person != null && secret != null && secret.kind() == Secret.Kind.ACCOUNT && secret.id() == person.id()) {
                form.fault("secret", "That is their own log-in. Choose whose they use.");
            }
            if (form.ok()) {
                ledger.note(ref.id(), person.id(), secret.kind(), secret.id(), how, ref.by());
            }
        });
    }

    static String key(Secret secret) {
        return secret.kind() + "-" + secret.id();
    }

    void mistaken(HouseholdRef ref, long id) {
        changes.run(ref, Stage.SHARE, () -> {
            if (!ledger.mistaken(ref.id(), id, ref.by())) {
                throw new Conflict("This is not in force any more. Look at the ledger again.");
            }
        });
    }

    /** A secret was changed, outside of any plan: nobody who knew it knows it any more, the sealed store included. */
    void changed(HouseholdRef ref, Form form) {
        changes.run(ref, Stage.SHARE, () -> {
            Secret secret = all(frames.frame(ref, Stage.SHARE)).stream().filter(each -> form.raw("changed").equals(key(each))).findFirst()
                    .orElse(null);
            if (secret == null) {
                form.fault("changed", "Choose what was changed.");
                return;
            }
            if (secret.kind() == Secret.Kind.WIFI && store.wifiPasswordForRules(ref.id(), secret.id()).isPresent()) {
                NotForThisRole.unless(ref.staff(), Role.Permission.CHANGE_SECRETS, "note that " + secret.name() + " was changed");
            }
            change(ref, secret.kind(), secret.id(), "it was changed");
        });
    }

    /** Inside a change of the household: a secret is another one from now on. */
    void change(HouseholdRef ref, Secret.Kind kind, long id, String how) {
        ledger.changed(ref.id(), kind, id, how, ref.by());
        switch (kind) {
            case WIFI -> store.forgetOutdatedWifi(ref.id(), id);
            case DEVICE -> store.forgetOutdatedCamera(ref.id(), id);
            case HUB -> store.forgetOutdatedHub(ref.id(), id);
            case ACCOUNT -> {
                // The firm keeps nobody's log-in.
            }
            default -> throw new IllegalArgumentException("unknown " + kind);
        }
    }

    /** Notes a screen that shows cameras; those are ticked as {@code shows-12}. */
    void link(HouseholdRef ref, Form form) {
        String name = form.text("screen", "what the screen is called", 60);
        String room = form.text("room", "the room it stands in", 60);
        changes.run(ref, Stage.SHARE, () -> {
            Frame frame = frames.frame(ref, Stage.SHARE);
            ResidentRepository.Resident by = residents.of(ref.id()).stream()
                    .filter(each -> form.raw("linkedBy").equals(String.valueOf(each.id()))).findFirst().orElse(null);
            if (by == null) {
                form.fault("linkedBy", "Choose whose log-in it is linked by.");
            }
            TreeSet<Long> shown = new TreeSet<>();
            frame.facts().cameras().stream().filter(camera -> form.has("shows-" + camera.id())).forEach(camera -> shown.add(camera.id()));
            if (shown.isEmpty()) {
                form.fault("shows", "Tick at least one camera that it shows.");
            }
            if (ledger.screens(ref.id()).size() >= MOST_SCREENS) {
                form.fault("screen", "There are " + MOST_SCREENS + " screens already. Take one out first.");
            }
            if (form.ok()) {
                ledger.link(ref.id(), name, room, by.id(), shown, ref.by());
            }
        });
    }

    void unlink(HouseholdRef ref, long screenId) {
        changes.run(ref, Stage.SHARE, () -> {
            if (!ledger.unlink(ref.id(), screenId)) {
                throw new NoSuchPage();
            }
        });
    }
}
