package roofnest.app.prepare;

import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import roofnest.app.web.Photograph;
import roofnest.app.firm.FirmRepository;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Sequence;

import roofnest.app.records.AppointmentRepository;
import roofnest.app.web.CalendarFile;
import roofnest.core.lang.Text;
import roofnest.app.records.ResidentRepository;
import roofnest.app.records.Household;
import roofnest.app.records.Changes;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.web.LinkTokens;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.app.web.Conflict;
import roofnest.app.records.HouseholdRef;
import roofnest.app.web.NoSuchPage;
import roofnest.app.web.PhotoCodes;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.judge.Camera;
import roofnest.core.network.CredentialFit;
import roofnest.core.network.HomeNetwork;
import roofnest.core.network.WifiCode;
import roofnest.core.promise.Stage;
import roofnest.core.visit.Preparation;

/** Sends the household its link, opens it, and takes in what comes by it. */
@Service
public class Preparations {
    static final int MOST_PHOTOS = 12;
    static final int MOST_PEOPLE = 20;
    private static final Duration GOOD_FOR = Duration.ofDays(14);
    private static final String BY_HOUSEHOLD = "the household";
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);

    private final PreparationRepository preparations;
    private final LinkTokens tokens;
    private final MailRepository mail;
    private final HouseholdRepository households;
    private final Changes changes;
    private final CameraRepository cameras;
    private final NetworkRepository networks;
    private final ResidentRepository residents;
    private final LedgerRepository ledger;
    private final FirmRepository firms;
    private final AppointmentRepository appointments;
    private final Words words;
    private final Clock clock;

    Preparations(
            PreparationRepository preparations, LinkTokens tokens, MailRepository mail, HouseholdRepository households,
            Changes changes, CameraRepository cameras,
            NetworkRepository networks, ResidentRepository residents, LedgerRepository ledger, FirmRepository firms,
            AppointmentRepository appointments, Words words, Clock clock) {
        this.preparations = preparations;
        this.tokens = tokens;
        this.mail = mail;
        this.households = households;
        this.changes = changes;
        this.cameras = cameras;
        this.networks = networks;
        this.residents = residents;
        this.ledger = ledger;
        this.firms = firms;
        this.appointments = appointments;
        this.words = words;
        this.clock = clock;
    }

    /** @param ready whether it was ticked */
    record Item(String key, String what, String why, boolean ready) {}

    /**
     * How far a household is.
     *
     * @param day of the visit that was agreed; empty when none was
     * @param visit null when none was agreed
     * @param progress in words
     * @param missing what is not there yet, the Wi-Fi and the label's photo included
     */
    record State(String firm, String address, String day, AppointmentRepository.Appointment visit, List<Item> items, boolean wifiKnown,
            List<PreparationRepository.Photo> photos,
            List<PreparationRepository.ToldPerson> people,
            String progress, List<String> missing) {}

    /** Sends a new link; those sent before open nothing any more. */
    @Transactional
    public void send(HouseholdRef ref, String to, String site) {
        String token = tokens.fresh();
        preparations.revoke(ref.id());
        preparations.add(ref.id(), to, tokens.hash(token), ref.by(), OffsetDateTime.now(clock).plus(GOOD_FOR));
        Household household = households.get(ref.id());
        Language language = language(ref.id());
        String body = agreed(ref.id()).map(visit -> say(ref.id(), "mail-on", ref.by(), ref.staff().firmName(), GOOD_FOR.toDays(),
                when(visit, language))).orElseGet(() -> say(ref.id(), "mail-open", ref.by(), ref.staff().firmName(), GOOD_FOR.toDays()));
        mail.send(ref.id(), to, say(ref.id(), "mail-subject", household.address()), body,
                site + "/prepare/" + token);
    }

    /** @throws NoSuchPage when the link opens nothing */
    long open(String token) {
        return preparations.opens(tokens.hash(token)).orElseThrow(NoSuchPage::new);
    }

    State state(long householdId) {
        Household household = households.get(householdId);
        Set<String> ticked = preparations.ticked(householdId);
        List<Camera> planned = cameras.of(householdId);
        List<Item> items = items(planned, ticked);
        boolean wifi = networks.known(List.of(householdId)).contains(householdId);
        List<PreparationRepository.Photo> photos = preparations.photos(householdId);
        List<String> missing = missing(items, wifi, !photos.isEmpty());
        int all = items.size() + 2;
        return new State(firms.name(household.firmId()), household.address(),
                agreed(householdId).map(Preparations::when).orElse(""), agreed(householdId).orElse(null),
                items, wifi, photos, preparations.people(householdId),
                Preparation.progress(all - missing.size(), all), missing);
    }

    /** The same as the household reads it, in its language. */
    State told(long householdId) {
        Language language = language(householdId);
        State state = state(householdId);
        List<Item> items = Preparation.items(models(householdId), cards(householdId)).stream().map(item -> new Item(item.key(),
                words.say(language, "prepare.item." + item.stem() + ".what", item.args().toArray()),
                words.say(language, "prepare.item." + item.stem() + ".why", item.args().toArray()),
                state.items().stream().anyMatch(each -> each.key().equals(item.key()) && each.ready()))).toList();
        int all = items.size() + 2;
        return new State(state.firm(), state.address(), state.visit() == null ? "" : when(state.visit(), language), state.visit(), items,
                state.wifiKnown(), state.photos(), state.people(),
                words.say(language, "prepare.progress", all - state.missing().size(), all), state.missing());
    }

    Language language(long householdId) {
        return households.language(householdId);
    }

    String say(long householdId, String key, Object... args) {
        return words.say(language(householdId), "prepare." + key, args);
    }

    private List<DeviceModel> models(long householdId) {
        return cameras.of(householdId).stream().map(Camera::model).toList();
    }

    private List<Integer> cards(long householdId) {
        return cameras.of(householdId).stream().map(camera -> camera.settings().cardGb()).toList();
    }

    private String when(AppointmentRepository.Appointment visit, Language language) {
        if (language == Language.ENGLISH) {
            return when(visit);
        }
        AppointmentRepository.Window window = visit.window();
        String day = language.day(visit.on());
        return window.fromMinute() == window.untilMinute() ? words.say(language, "prepare.at", day, window.from())
                : words.say(language, "prepare.between", day, window.from(), window.until());
    }

    /** Only what was agreed is told to the household. */
    private Optional<AppointmentRepository.Appointment> agreed(long householdId) {
        return appointments.of(householdId).filter(AppointmentRepository.Appointment::agreed)
                .filter(visit -> !visit.on().isBefore(LocalDate.now(clock)));
    }

    private static String when(AppointmentRepository.Appointment visit) {
        return DAY.format(visit.on()) + ", " + visit.window().clock();
    }

    /** The household says yes to the time that it was shown. */
    void confirm(long householdId, int sequence) {
        changes.aside(householdId, () -> {
            if (!appointments.confirm(householdId, sequence)) {
                throw new Conflict(say(householdId, "fault-moved"));
            }
            return null;
        });
    }

    void propose(long householdId, String words) {
        String line = words.strip();
        if (line.isEmpty() || line.length() > 200 || Text.hasControls(line)) {
            throw new BadInput(say(householdId, "fault-propose"));
        }
        changes.aside(householdId, () -> {
            if (!appointments.propose(householdId, line)) {
                throw new Conflict(say(householdId, "fault-no-time"));
            }
            return null;
        });
    }

    /**
     * The visit for the household's own calendar: the same event however often it is moved, and cancelled once it was agreed and
     * then called off. Empty when none was ever agreed.
     */
    Optional<String> calendar(long householdId) {
        Household household = households.get(householdId);
        Optional<AppointmentRepository.Appointment> standing = agreed(householdId);
        return standing.or(() -> appointments.calledOff(householdId)).map(visit -> {
            CalendarFile file = new CalendarFile("Visit", clock);
            LocalDateTime from = visit.on().atStartOfDay().plusMinutes(visit.window().fromMinute());
            VEvent event = new VEvent(from, from.plusMinutes(Math.max(30, visit.window().minutes())),
                    firms.name(household.firmId()) + " puts in the cameras");
            event.add(new Sequence(visit.sequence()));
            file.addNumbered(event, "visit-of-household-" + householdId, "They come " + visit.window().clock() + ".");
            if (standing.isEmpty()) {
                file.cancel();
            }
            return file.toString();
        });
    }

    /** Whether an agreed visit was called off and no other stands. */
    boolean calledOff(long householdId) {
        return appointments.of(householdId).isEmpty() && appointments.calledOff(householdId).isPresent();
    }

    private static List<Item> items(List<Camera> planned, Set<String> ticked) {
        return Preparation
                .items(planned.stream().map(Camera::model).toList(), planned.stream().map(camera -> camera.settings().cardGb()).toList())
                .stream()
                .map(item -> new Item(item.key(), item.what(), item.why(), ticked.contains(item.key()))).toList();
    }

    private static List<String> missing(List<Item> items, boolean wifiKnown, boolean photographed) {
        List<String> missing = new ArrayList<>(items.stream().filter(item -> !item.ready()).map(Item::what).toList());
        if (!wifiKnown) {
            missing.add("Wi-Fi name and password");
        }
        if (!photographed) {
            missing.add("A photo of the router's label");
        }
        return missing;
    }

    /** How many things households have not at hand yet. */
    public Map<Long, Integer> lacking(List<Long> households) {
        if (households.isEmpty()) {
            return Map.of();
        }
        Map<Long, List<Camera>> planned = cameras.ofAll(households);
        Map<Long, PreparationRepository.AtHand> atHand = preparations.atHand(households);
        return households.stream().collect(Collectors.toMap(id -> id, id -> {
            PreparationRepository.AtHand there = atHand.getOrDefault(id, PreparationRepository.AtHand.NOTHING);
            return missing(items(planned.getOrDefault(id, List.of()), there.items()), there.wifiKnown(), there.photographed()).size();
        }));
    }

    void tick(long householdId, String key, boolean ready) {
        if (state(householdId).items().stream().noneMatch(item -> item.key().equals(key))) {
            throw new BadInput(say(householdId, "fault-item"));
        }
        preparations.tick(householdId, key, ready);
    }

    /** The Wi-Fi as the household types it. It is taken for an ordinary one at 2.4 GHz until somebody looks. */
    void wifi(long householdId, String name, String password) {
        if (name.isBlank() || CredentialFit.bytes(name) > HomeNetwork.NAME_MAX_BYTES) {
            throw new BadInput(say(householdId, "fault-wifi-name"));
        }
        if (CredentialFit.bytes(password) < 8 || CredentialFit.bytes(password) > HomeNetwork.PASSWORD_MAX_BYTES) {
            throw new BadInput(say(householdId, "fault-wifi-password"));
        }
        take(householdId, new HomeNetwork(name, password, EnumSet.of(Band.GHZ_2_4), WifiSecurity.WPA2, false));
    }

    private void take(long householdId, HomeNetwork network) {
        changes.byHousehold(householdId, () -> {
            networks.take(householdId, network, BY_HOUSEHOLD);
            // Whoever types it in knows it, if the link went to somebody who is noted.
            preparations.newest(householdId).ifPresent(link -> residents.of(householdId).stream()
                    .filter(each -> each.email().equalsIgnoreCase(link.to())).findFirst()
                    .ifPresent(each -> networks.all(householdId).stream().filter(row -> row.name().equals(network.name())).findFirst()
                            .ifPresent(
                                    row -> ledger.note(householdId, each.id(), Secret.Kind.WIFI, row.id(), "typed it in before the visit",
                                            BY_HOUSEHOLD))));
        });
    }

    /**
     * Keeps a picture, drawn anew. A Wi-Fi code in it is read at once.
     *
     * @return whether there was one
     */
    boolean photo(long householdId, String what, byte[] sent) {
        byte[] jpeg = drawn(householdId, sent);
        changes.aside(householdId, () -> {
            if (preparations.photoCount(householdId) >= MOST_PHOTOS) {
                throw new BadInput(say(householdId, "fault-photos", MOST_PHOTOS));
            }
            preparations.addPhoto(householdId, what, jpeg);
            return null;
        });
        Optional<HomeNetwork> onLabel = code(jpeg);
        onLabel.ifPresent(network -> take(householdId, network));
        return onLabel.isPresent();
    }

    private byte[] drawn(long householdId, byte[] sent) {
        try {
            return Photograph.drawnAnew(sent);
        } catch (BadInput refused) {
            throw language(householdId) == Language.ENGLISH ? refused : new BadInput(say(householdId, "fault-picture"));
        }
    }

    void removePhoto(long householdId, long photo) {
        if (!preparations.removePhoto(householdId, photo)) {
            throw new Conflict(say(householdId, "fault-gone"));
        }
    }

    private Optional<HomeNetwork> code(byte[] jpeg) {
        try {
            return PhotoCodes.in(jpeg).stream().flatMap(text -> WifiCode.read(text).stream()).findFirst();
        } catch (BadInput none) {
            return Optional.empty();
        }
    }

    void person(long householdId, String name, boolean livesHere) {
        if (name.isBlank() || name.strip().length() > 80) {
            throw new BadInput(say(householdId, "fault-name"));
        }
        changes.aside(householdId, () -> {
            if (preparations.people(householdId).size() >= MOST_PEOPLE) {
                throw new BadInput(say(householdId, "fault-people"));
            }
            preparations.addPerson(householdId, name.strip(), livesHere);
            return null;
        });
    }

    /** Puts the people whom the household told of among its residents, save those already there. */
    void takePeopleOver(HouseholdRef ref) {
        changes.make(ref, Stage.READY, () -> {
            Set<String> known = residents.of(ref.id()).stream().map(resident -> resident.name().toLowerCase(Locale.ROOT))
                    .collect(Collectors.toSet());
            preparations.people(ref.id()).stream().filter(person -> !known.contains(person.name().toLowerCase(Locale.ROOT)))
                    .forEach(person -> residents.add(
                            ref.id(), person.name(), "", person.livesHere() ? Access.Tie.LIVES_HERE : Access.Tie.LEFT,
                            person.livesHere() ? null : LocalDate.now(clock)));
            preparations.clearPeople(ref.id());
            return null;
        });
    }
}
