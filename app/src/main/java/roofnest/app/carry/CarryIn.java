package roofnest.app.carry;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import roofnest.app.firm.Staff;
import roofnest.app.models.Models;
import roofnest.app.prove.Gate;
import roofnest.app.prove.RemarkRepository;
import roofnest.app.prove.TrialRepository;
import roofnest.app.records.LeavingRepository;
import roofnest.core.trial.Protocol;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.SaidLeadRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.app.records.TermRepository;
import roofnest.app.records.ClimateRepository;
import roofnest.app.records.CountedWeekRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.LogRepository;
import roofnest.app.records.PictureShelf;
import roofnest.app.records.ReadingRepository;
import roofnest.app.records.RouterRepository;
import roofnest.app.web.BadInput;
import roofnest.app.web.Language;
import roofnest.app.web.ImportRefused;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;
import roofnest.core.care.Coming;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.WifiSecurity;
import roofnest.core.document.CheckedJson;
import roofnest.core.document.DocumentRefused;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.Question;
import roofnest.core.judge.Camera;
import roofnest.core.judge.ComingsAndGoings;
import roofnest.core.judge.Proof;
import roofnest.core.judge.ProofMark;
import roofnest.core.network.HomeNetwork;
import roofnest.core.plan.PlanDocument;
import roofnest.core.plan.PlanPoint;
import roofnest.core.plan.SpacePoint;
import roofnest.core.promise.DetailLevel;
import roofnest.core.promise.Light;
import roofnest.core.promise.PromiseKey;
import roofnest.core.promise.Stage;
import roofnest.core.power.Climate;
import roofnest.core.radio.Reading;
import roofnest.core.mount.Base;
import roofnest.core.mount.Covering;
import roofnest.core.mount.SaidLead;
import roofnest.core.mount.SaidWall;
import roofnest.core.mount.SpotLook;
import roofnest.core.plan.PlanPoint;
import roofnest.core.still.Landmark;
import roofnest.core.still.Spread;
import roofnest.core.still.Tap;
import roofnest.core.view.CameraPose;
import roofnest.core.view.Projection;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;
import roofnest.core.week.HouseKind;
import roofnest.core.week.SourceKind;

/** Takes a household in from its document: checked as a whole first, and nothing of it is kept when anything is wrong. */
@Service
public class CarryIn {
    static final int MOST_BYTES = 9_000_000;
    private static final int MOST_DOCUMENT_BYTES = 3_000_000;
    /** Unpacked, so that a small file cannot grow without end. */
    private static final int MOST_UNPACKED_BYTES = 40_000_000;
    private static final int MOST_FILES = 41;
    private static final String OWN = "own-";

    private final HouseholdBooks books;
    private final Map<String, PictureShelf> shelves;
    private final Models models;
    private final PlanDocument plans;
    private final Changes changes;
    private final CheckedJson documents = documents();
    private final JsonMapper json = new JsonMapper();

    CarryIn(HouseholdBooks books, List<PictureShelf> shelves, Models models,
            PlanDocument plans, Changes changes) {
        this.books = books;
        this.shelves = shelves.stream().collect(Collectors.toMap(PictureShelf::shelf, shelf -> shelf));
        this.models = models;
        this.plans = plans;
        this.changes = changes;
    }

    static CheckedJson documents() {
        return new CheckedJson("/roofnest/household.schema.json", MOST_DOCUMENT_BYTES, "Is it a household's document?");
    }

    /** What came in. @param passwords how many networks want theirs typed again */
    record Taken(HouseholdRef ref, String name, long passwords) {}

    @Transactional(rollbackFor = ImportRefused.class)
    public Taken take(Staff staff, byte[] zip) throws ImportRefused {
        Map<String, byte[]> files = unpacked(zip);
        HouseholdFile in = read(files);
        List<String> faults = faults(in, files);
        if (!faults.isEmpty()) {
            throw new ImportRefused(faults);
        }
        try {
            return put(staff, in, files);
        } catch (DocumentRefused refused) {
            throw new ImportRefused(refused.faults().stream().map(Object::toString).toList());
        } catch (BadInput | IllegalArgumentException | DateTimeException | JacksonException refused) {
            throw new ImportRefused(List.of(String.valueOf(refused.getMessage())));
        }
    }

    private static Map<String, byte[]> unpacked(byte[] zip) throws ImportRefused {
        Map<String, byte[]> files = new HashMap<>();
        long size = 0;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip), StandardCharsets.UTF_8)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                byte[] bytes = in.readNBytes((int) (MOST_UNPACKED_BYTES - size + 1));
                size += bytes.length;
                files.put(entry.getName(), bytes);
                if (size > MOST_UNPACKED_BYTES || files.size() > MOST_FILES) {
                    throw new ImportRefused(List.of("There is more in this file than a household holds."));
                }
            }
        } catch (IOException | IllegalArgumentException e) {
            throw new ImportRefused(List.of("The file is damaged and cannot be opened."));
        }
        return files;
    }

    private HouseholdFile read(Map<String, byte[]> files) throws ImportRefused {
        if (!files.containsKey(CarryOut.DOCUMENT)) {
            throw new ImportRefused(List.of("This is no household that was carried out: there is no " + CarryOut.DOCUMENT + " in it."));
        }
        try {
            return documents.value(documents.read(new String(files.get(CarryOut.DOCUMENT), StandardCharsets.UTF_8)), HouseholdFile.class);
        } catch (DocumentRefused refused) {
            throw new ImportRefused(refused.faults().stream().map(Object::toString).toList());
        } catch (JacksonException e) {
            throw new ImportRefused(List.of("A date or a figure in it cannot be read."));
        }
    }

    /** What the schema cannot see: parts that are spoken of and not there, models nobody knows, a plan that does not stand. */
    private List<String> faults(HouseholdFile in, Map<String, byte[]> files) {
        List<String> faults = new ArrayList<>();
        Set<Long> people = refs(in.people(), HouseholdFile.Person::ref, "people", faults);
        Set<Long> seen = refs(in.cameras(), HouseholdFile.Camera::ref, "cameras", faults);
        Set<Long> written = refs(in.promises(), HouseholdFile.Written::ref, "promises", faults);
        twice(each(in.cameras()).stream().map(camera -> camera.name().toLowerCase(Locale.ROOT)).toList(), "cameras are called", faults);
        twice(each(in.networks()).stream().map(HouseholdFile.Network::name).toList(), "networks are called", faults);
        twice(each(in.hubs()).stream().map(HouseholdFile.Hub::model).toList(), "hubs are of the model", faults);
        for (HouseholdFile.Known known : each(in.known())) {
            if (!people.contains(known.person()) || known.camera() != null && !seen.contains(known.camera())
                    || known.account() != null && (!people.contains(known.account()) || known.account() == known.person())) {
                faults.add("Somebody knows something who is not among the people, or of a camera or a log-in that is not there.");
            }
        }
        for (HouseholdFile.Screen screen : each(in.screens())) {
            if (!people.contains(screen.linkedBy()) || !seen.containsAll(each(screen.cameras()))) {
                faults.add("A screen is linked by somebody who is not among the people, or shows a camera that is not there.");
            }
        }
        for (HouseholdFile.Access grant : each(in.access())) {
            if (!people.contains(grant.person()) || !seen.contains(grant.camera())) {
                faults.add("Somebody is given access who is not among the people, or to a camera that is not there.");
            }
        }
        for (HouseholdFile.Proved proof : each(in.proofs())) {
            if (!seen.contains(proof.camera()) || proof.promise() != null && !written.contains(proof.promise())
                    || (proof.promise() == null) == (proof.brought() == null)) {
                faults.add("Something is proved of a camera or a promise that is not there.");
            }
        }
        for (HouseholdFile.Tested tested : each(in.tests())) {
            if (!seen.contains(tested.camera())) {
                faults.add("A camera was tested that is not there.");
            }
        }
        for (HouseholdFile.Remark remark : each(in.remarks())) {
            if (remark.promise() != null && !written.contains(remark.promise()) || remark.camera() != null
                    && !seen.contains(remark.camera()) || (remark.camera() == null) != (remark.brought() == null)) {
                faults.add("Something was agreed of a promise or a camera that is not there: " + remark.words());
            }
        }
        for (HouseholdFile.Look look : each(in.looks())) {
            if (!people.contains(look.person()) || !seen.contains(look.camera())) {
                faults.add("Somebody tried to look who is not among the people, or at a camera that is not there.");
            }
        }
        for (HouseholdFile.Entry entry : each(in.log())) {
            if (entry.camera() != null && !seen.contains(entry.camera())) {
                faults.add("The log speaks of a camera that is not there: " + entry.words());
            }
            if (entry.person() != null && !people.contains(entry.person())) {
                faults.add("The log speaks of somebody who is not among the people: " + entry.words());
            }
        }
        for (HouseholdFile.Term term : each(in.terms())) {
            if (term.camera() != null && !seen.contains(term.camera())) {
                faults.add("Something runs out for a camera that is not there: " + term.what());
            }
        }
        if (!seen.containsAll(each(in.calls()).stream().map(HouseholdFile.Call::camera).toList())
                || !seen.containsAll(each(in.counted()).stream().map(HouseholdFile.CountedDays::camera).toList())) {
            faults.add("Somebody called about a camera, or counted its clips, that is not there.");
        }
        if (each(in.networks()).stream().filter(HouseholdFile.Network::forCameras).count() > 1) {
            faults.add("Cameras join one network; more than one is marked.");
        }
        for (HouseholdFile.Picture picture : each(in.pictures())) {
            if (!files.containsKey(picture.file()) || !shelves.containsKey(picture.shelf())) {
                faults.add("The picture " + picture.file() + " is not there, or nobody knows where it belongs.");
            }
        }
        if (in.plan() != null) {
            try {
                plans.read(in.plan().toString());
            } catch (DocumentRefused refused) {
                refused.faults().forEach(fault -> faults.add("/plan" + fault));
            }
        }
        return faults.stream().distinct().limit(CheckedJson.MAX_FAULTS).toList();
    }

    private static void twice(List<String> names, String what, List<String> faults) {
        names.stream().filter(name -> names.indexOf(name) != names.lastIndexOf(name)).distinct()
                .forEach(name -> faults.add("Two " + what + " " + name + "."));
    }

    private interface Ref<T> {
        long of(T item);
    }

    private static <T> Set<Long> refs(List<T> items, Ref<T> ref, String what, List<String> faults) {
        Set<Long> refs = each(items).stream().map(ref::of).collect(Collectors.toSet());
        if (refs.size() != each(items).size()) {
            faults.add("Two of the " + what + " have the same ref.");
        }
        return refs;
    }

    static <T> List<T> each(List<T> items) {
        return items == null ? List.of() : items;
    }

    private Taken put(Staff staff, HouseholdFile in, Map<String, byte[]> files) throws DocumentRefused {
        HouseholdFile.Particulars h = in.household();
        long id = books.households().carryIn(staff.firmId(), new Household(0, staff.firmId(), h.name(), h.address(), text(h.phone()),
                Stage.valueOf(h.stage()), null, new Household.Due(null, "", null, "", false), text(h.notes()), h.handedOverAt(), null, null,
                0, 0,
                0));
        HouseholdRef ref = new HouseholdRef(id, staff);
        Language.of(text(h.language())).ifPresent(language -> books.households().speak(id, language));
        Map<String, String> keys = models(staff, in);
        changes.byHousehold(ref.id(), () -> {
            if (in.plan() != null) {
                books.households().setPlan(id, in.plan().toString());
            }
            Map<Long, Long> people = new HashMap<>();
            each(in.people()).forEach(person -> people.put(person.ref(), books.residents().add(id, person.name(), text(person.email()),
                    Access.Tie.valueOf(person.tie()), person.leftOn())));
            Map<Long, PromiseKey> written = promises(id, in);
            networks(staff, id, in);
            climate(id, in.climate());
            comings(id, in.comings());
            each(in.things()).forEach(thing -> books.things().add(id, thing.name(), thing.howMany()));
            if (in.thingsCounted()) {
                books.things().counted(id);
            }
            each(in.hubs()).forEach(hub -> hub(id, hub));
            Map<Long, Long> seen = new HashMap<>();
            each(in.cameras()).forEach(camera -> seen.put(camera.ref(), camera(staff.firmId(), id, camera, keys)));
            books.settings().footageIn(id, in.footage());
            each(in.access()).forEach(grant -> books.access().grant(id, people.get(grant.person()), seen.get(grant.camera()),
                    Access.Role.valueOf(grant.role()), grant.from(), grant.until(), !Boolean.FALSE.equals(grant.alerts())));
            books.settings().alertsIn(id, in.alerts(), seen, people);
            each(in.known()).forEach(known -> known(id, known, people, seen));
            each(in.screens()).forEach(screen -> books.ledger().link(id, screen.name(), screen.room(), people.get(screen.linkedBy()),
                    each(screen.cameras()).stream().map(seen::get).toList(), staff.name()));
            books.readings().carryIn(id, each(in.readings()).stream().map(r -> new ReadingRepository.Record(0,
                    new Reading(new SpacePoint(r.xM(), r.yM(), r.zM()), Band.valueOf(r.band()), r.dbm(), r.sdDb()), r.at(), r.by()))
                    .toList());
            each(in.calls()).forEach(call -> call(id, seen, call, keys));
            log(id, in, seen, people);
            books.life().in(id, in.life(), seen);
            each(in.terms()).forEach(t -> books.terms().add(id, new TermRepository.Row(0, Coming.Kind.valueOf(t.kind()),
                    t.camera() == null ? null : seen.get(t.camera()), "", t.on(), t.what(), t.by(), 0)));
            // Older files do not tell tests on stand-ins from real ones; none of theirs counts.
            each(in.proofs()).stream().filter(p -> p.mark() != null && p.passed() != null && p.said() != null)
                    .forEach(p -> books.proofs().add(id, new Proof(p.promise() != null ? written.get(p.promise())
                            : PromiseKey.ofCamera(seen.get(p.camera()), p.brought()), seen.get(p.camera()), p.passed(),
                            p.measured() == null ? OptionalDouble.empty() : OptionalDouble.of(p.measured()),
                            Optional.ofNullable(p.light()).map(Light::valueOf), p.said(), mark(p.mark()),
                            p.at().toInstant(), p.by(), phones(p.phones(), people))));
            each(in.tests()).forEach(t -> books.trials().carryIn(id, tested(t, seen, people)));
            each(in.remarks()).forEach(r -> books.remarks().keep(id, new RemarkRepository.Remark(about(r, written, seen), r.stands(),
                    r.words(), r.agreedBy(), r.at(), r.by())));
            each(in.looks()).forEach(l -> books.leavings().carryIn(id, new LeavingRepository.Looked(people.get(l.person()),
                    seen.get(l.camera()), l.refused(), l.said(), l.at(), l.by())));
            each(in.counted()).forEach(c -> books.counted().put(id, new CountedWeekRepository.Row(0, seen.get(c.camera()), c.from(),
                    c.days(), c.clips(), c.wanted() == null ? OptionalInt.empty() : OptionalInt.of(c.wanted()), kinds(c.kinds()),
                    c.mark(), c.by(), c.at())));
            each(in.pictures()).forEach(picture -> shelves.get(picture.shelf()).put(id,
                    new PictureShelf.Picture(picture.about(), files.get(picture.file()))));
        });
        return new Taken(ref, h.name(),
                each(in.networks()).stream().filter(n -> WifiSecurity.valueOf(n.security()) != WifiSecurity.OPEN).count());
    }

    /** Own models of the firm that the household came from become this firm's, unless it has one of the same key. */
    private Map<String, String> models(Staff staff, HouseholdFile in) throws DocumentRefused {
        Map<String, String> keys = new HashMap<>();
        for (Map.Entry<String, JsonNode> own : (in.models() == null ? Map.<String, JsonNode>of() : in.models()).entrySet()) {
            String here = OWN + staff.firmId() + "-" + own.getKey();
            if (models.find(staff.firmId(), here).isEmpty()) {
                models.add(staff.firmId(), own.getValue().toString(), staff.name());
            }
            keys.put(OWN + own.getKey(), here);
        }
        for (HouseholdFile.Camera camera : each(in.cameras())) {
            String key = keys.getOrDefault(camera.model(), camera.model());
            if (models.find(staff.firmId(), key).isEmpty()) {
                throw new BadInput("Nobody here knows the model " + camera.model() + " of " + camera.name() + ".");
            }
        }
        return keys;
    }

    private static TrialRepository.Trial tested(HouseholdFile.Tested t, Map<Long, Long> seen, Map<Long, Long> people) {
        return new TrialRepository.Trial(0, seen.get(t.camera()), Protocol.valueOf(t.kind()), false,
                t.seconds() == null ? OptionalDouble.empty() : OptionalDouble.of(t.seconds()),
                t.timed() == null ? null : TrialRepository.Timed.valueOf(t.timed()), Optional.ofNullable(t.light()).map(Light::valueOf),
                t.said(), t.begunAt(), t.begunBy(), t.passed(), t.decidedAt(), t.decidedBy(), phones(t.phones(), people));
    }

    private static String about(HouseholdFile.Remark r, Map<Long, PromiseKey> written, Map<Long, Long> seen) {
        return r.promise() != null ? written.get(r.promise()).value()
                : r.camera() != null ? PromiseKey.ofCamera(seen.get(r.camera()), r.brought()).value() : Gate.TESTS;
    }

    private static ProofMark mark(String text) {
        try {
            return ProofMark.read(text);
        } catch (IllegalArgumentException e) {
            throw new BadInput("What a proof rests on is written in a way that nobody here reads: “" + text + "”.");
        }
    }

    private static Map<Long, Boolean> phones(List<HouseholdFile.Phone> phones, Map<Long, Long> people) {
        Map<Long, Boolean> here = new HashMap<>();
        each(phones).stream().filter(phone -> people.containsKey(phone.person()))
                .forEach(phone -> here.put(people.get(phone.person()), phone.did()));
        return here;
    }

    private Map<Long, PromiseKey> promises(long id, HouseholdFile in) {
        List<HouseholdFile.Written> wanted = each(in.promises());
        for (HouseholdFile.Written p : wanted) {
            switch (p.kind()) {
                case "MAKE_OUT" ->
                    books.promises().makeOut(id, DetailLevel.valueOf(need(p.level())), need(p.place()), Light.valueOf(need(p.light())));
                case "RECORDED_BEFORE" ->
                    books.promises().recordedBefore(id, DetailLevel.valueOf(need(p.level())), need(p.place()), need(p.path()),
                            p.light() == null ? Light.BOTH : Light.valueOf(p.light()));
                case "KEEPS_DAYS" -> books.promises().keepsDays(id, Integer.parseInt(need(p.days())));
                case "SURVIVES_THEFT" -> books.promises().survivesTheft(id, Double.parseDouble(need(p.seconds())));
                case "NEVER_SHOWS" -> books.promises().neverShows(id, need(p.area()));
                case "LIVE_AWAY" -> books.promises().liveAway(id, Double.parseDouble(need(p.seconds())));
                case "ALERT_WITHIN" -> books.promises().alertWithin(id, Double.parseDouble(need(p.seconds())));
                case "TELLS_OF" -> books.promises().tellsOf(id, need(p.place()), Integer.parseInt(need(p.amount())));
                case "RINGS_AT_MOST" -> books.promises().ringsAtMost(id, Integer.parseInt(need(p.amount())));
                case "SILENT_ABOUT" -> books.promises().silentAbout(id, SourceKind.valueOf(need(p.source())));
                case "NEVER_RINGS" -> books.promises().neverRings(id, Integer.parseInt(need(p.fromHour())),
                        Integer.parseInt(need(p.toHour())));
                default -> books.promises().onlyThese(id);
            }
        }
        Map<Long, PromiseKey> keys = new LinkedHashMap<>();
        var now = books.promises().of(id);
        for (int i = 0; i < wanted.size(); i++) {
            keys.put(wanted.get(i).ref(), now.get(i).key());
        }
        return keys;
    }

    /** A network or hub that did not come along is known by nobody here. */
    private void known(long id, HouseholdFile.Known known, Map<Long, Long> people, Map<Long, Long> cameras) {
        Secret.Kind kind = Secret.Kind.valueOf(known.kind());
        Optional<Long> of = switch (kind) {
            case WIFI -> books.networks().all(id).stream().filter(n -> n.name().equals(known.network())).map(n -> n.id()).findFirst();
            case DEVICE -> Optional.ofNullable(cameras.get(known.camera()));
            case HUB -> books.hubs().of(id).stream().filter(u -> u.name().equals(known.hub())).map(u -> u.id()).findFirst();
            case ACCOUNT -> Optional.ofNullable(people.get(known.account()));
        };
        of.ifPresent(each -> books.ledger().note(id, people.get(known.person()), kind, each, known.since(), known.how(), known.by()));
    }

    private void networks(Staff staff, long id, HouseholdFile in) {
        // The one that cameras join goes first: a house's first network is that one.
        each(in.networks()).stream().sorted((a, b) -> Boolean.compare(b.forCameras(), a.forCameras()))
                .forEach(n -> books.networks().save(id, 0,
                        new HomeNetwork(n.name(), "", n.bands().stream().map(Band::valueOf).collect(Collectors.toSet()),
                                WifiSecurity.valueOf(n.security()), n.hidden(), n.isolated()),
                        0, staff.name()));
        HouseholdFile.Router r = in.router();
        if (r != null) {
            books.routers().save(id, new RouterRepository.Router(r.model(), r.pushButton(), r.makesNames(),
                    r.address() == null ? Optional.empty()
                            : Optional.of(new RouterRepository.Addresses(r.address(), need(r.poolFrom()), need(r.poolTo()),
                                    Integer.parseInt(need(r.leases())))),
                    Optional.ofNullable(r.upMbps()), Optional.ofNullable(r.simGb()), 0));
        }
    }

    private void climate(long id, HouseholdFile.Climate c) {
        if (c != null) {
            if (c.chosen() != null && books.climates().climates().named(c.chosen()).isEmpty()) {
                throw new IllegalArgumentException("no climate is called “" + c.chosen() + "” here");
            }
            books.climates().set(id, new ClimateRepository.Set(Optional.ofNullable(c.chosen()),
                    c.longitudeDeg() == null ? OptionalDouble.empty() : OptionalDouble.of(c.longitudeDeg()), c.altitudeM(),
                    c.meanC() == null ? Optional.empty() : Optional.of(new Climate("own", c.meanC(), c.swingC(), c.clearness())), 0));
        }
    }

    private void comings(long id, HouseholdFile.Comings c) {
        if (c != null) {
            books.comings().say(id, new ComingsAndGoings(HouseKind.valueOf(c.house()), byKind(c.aWeekday()),
                    c.curves() == null ? Map.of() : byKind(c.curves())), 0);
        }
    }

    private static Map<AlertSpec.Kind, Integer> kinds(Map<String, Integer> named) {
        return named == null ? Map.of()
                : named.entrySet().stream().collect(Collectors.toMap(entry -> AlertSpec.Kind.valueOf(entry.getKey()),
                        Map.Entry::getValue));
    }

    private static <V> Map<SourceKind, V> byKind(Map<String, V> named) {
        return named.entrySet().stream().collect(Collectors.toMap(entry -> SourceKind.valueOf(entry.getKey()), Map.Entry::getValue));
    }

    /** A hub has to be joined again: its own password stayed where it was. */
    private void hub(long id, HouseholdFile.Hub hub) {
        models.hub(hub.model());
        long added = books.hubs().ensure(id, hub.model(), hub.name());
        books.hubs().keepSticker(id, added, hub.serial(), hub.stickerKept());
        books.hubs().rename(id, added, hub.name(), text(hub.room()));
        if (hub.cardGb() != null) {
            books.hubs().sayCard(id, added, hub.cardGb());
        }
    }

    private void call(long id, Map<Long, Long> seen, HouseholdFile.Call c, Map<String, String> keys) {
        each(c.steps()).stream().filter(step -> step.question() != null).forEach(step -> new FaultFinder.Answer(Question.valueOf(step
                .question()), step.answer() == null ? Question.UNKNOWN : step.answer()));
        boolean over = c.state().equals("CURED") || c.state().equals("DROPPED");
        if (over != (c.closedAt() != null) || over != (c.closedBy() != null) || c.state().equals("CURED") != (c.cause() != null)) {
            throw new IllegalArgumentException("a call is closed by somebody, and with a cause where it was cured");
        }
        long call = books.cases().put(id, new FaultCaseRepository.Case(
                0, seen.get(c.camera()), text(c.said()), each(c.steps()).stream().map(
                        s -> new FaultCaseRepository.Step(s.question() == null ? null : Question.valueOf(s.question()).name(),
                                s.answer() == null ? 0
                                        : s.answer(),
                                s.cause() == null ? null : Cause.valueOf(s.cause()).name(), s.by(), s.at()))
                        .toList(),
                FaultCaseRepository.State.valueOf(c.state()), c.cause() == null ? null : Cause.valueOf(c.cause()), keys.getOrDefault(c
                        .model(), c.model()),
                FaultCaseRepository.Season.valueOf(c.season()), c.openedBy(), c.openedAt(), c.closedBy(), c
                        .closedAt(),
                c.visitMinutes() == null ? 0 : c.visitMinutes(), each(c.visitParts()), 1));
        books.life().workIn(id, call, c.work());
    }

    private static Optional<HouseholdFile.FootageSet> footage(HouseholdFile.Camera c) {
        return Optional.ofNullable(c.settings()).map(HouseholdFile.CameraSettings::footage);
    }

    private long camera(long firm, long id, HouseholdFile.Camera c, Map<String, String> keys) {
        long added = books.cameras().add(id, c.name(), keys.getOrDefault(c.model(), c.model()),
                new CameraPose(c.xM(), c.yM(), c.heightM(), c.headingDeg(), c.tiltDeg(), c.rollDeg() == null ? 0 : c.rollDeg()),
                new Camera.Settings(c.clipSeconds(), c.coolDownSeconds(), c.cardGb(), c.visitsPerDay(), c.liveMinutes(), c.openSkyShare(),
                        c.chargeEveryDays(), c.panelSlopeDeg() == null ? 0 : c.panelSlopeDeg(),
                        c.panelHeadingDeg() == null ? 0 : c.panelHeadingDeg()));
        books.cameras().carryIn(id, added,
                new CameraRepository.CarriedIn(each(c.masked()).stream().map(MaskCell::parse).collect(Collectors.toSet()),
                        c.zones() == null ? List.of() : List.of(json.treeToValue(c.zones(), Zone[].class)), c.serial(), c.stickerKept(),
                        c.deviceId(),
                        c.room(), c.joinedAt(), c.ownPassword(), c.mountedAt(), c.lastChargedOn(),
                        Optional.ofNullable(c.wall()).map(w -> new CameraRepository.WallSaid(new SaidWall(Base.valueOf(w.base()),
                                Covering.valueOf(w.covering()), w.coveringMm()), w.by(), w.at())),
                        footage(c).map(HouseholdFile.FootageSet::packSince).orElse(null),
                        footage(c).map(HouseholdFile.FootageSet::worstWeekShare).orElse(null)));
        Optional.ofNullable(c.watching()).ifPresent(w -> books.cameras().watch(id, added, new Camera.Watching(w.sensitivity(),
                w.kinds().stream().map(AlertSpec.Kind::valueOf).collect(Collectors.toSet())), books.cameras().get(id, added).version()));
        books.settings().in(id, firm, added, books.cameras().get(id, added).camera().model().maker(), c.settings());
        Optional.ofNullable(c.hangs()).ifPresent(h -> books.poses().put(id, new PoseReadingRepository.Row(added,
                keys.getOrDefault(c.model(), c.model()), h.planned().pose(), h.read().pose(),
                new Spread(h.placeSpreadM(), h.heightSpreadM(),
                        h.headingSpreadDeg(), h.tiltSpreadDeg(), h.rollSpreadDeg()),
                each(h.taps()).stream().map(t -> new Tap(new Landmark(t.id(), t.name(), new SpacePoint(t.xM(), t.yM(), t.zM())),
                        new Projection.Pixel(t.xPx(), t.yPx()))).toList(),
                h.stillAt(), h.at(), h.by())));
        Optional.ofNullable(c.lead()).ifPresent(l -> books.leads().put(id, new SaidLeadRepository.Row(added,
                new SaidLead(l.socket(), l.alongM(), l.holes(),
                        each(l.turns()).stream().map(turn -> new SpacePoint(turn.get(0), turn.get(1), turn.get(2))).toList(),
                        new PlanPoint(l.xM(), l.yM()), l.heightM(), l.by()),
                l.at())));
        Optional.ofNullable(c.look()).ifPresent(l -> books.looks().put(id, new SpotLookRepository.Row(added,
                new SpotLook(l.linesNear(), l.firm(), new PlanPoint(l.xM(), l.yM()), l.heightM(), l.by()), l.at())));
        return added;
    }

    private void log(long id, HouseholdFile in, Map<Long, Long> seen, Map<Long, Long> people) {
        // Written from the oldest on, so that those of one day keep their order.
        List<HouseholdFile.Entry> entries = new ArrayList<>(each(in.log()));
        Collections.reverse(entries);
        for (HouseholdFile.Entry e : entries) {
            books.log().add(id,
                    new LogRepository.Said(e.camera() == null ? null : seen.get(e.camera()), e.person() == null ? null
                            : people.get(e.person()), LogRepository.Kind.valueOf(e.kind()),
                            e.words(),
                            e.on(), e.nextOn()),
                    e.by());
            if (e.closed()) {
                books.log().of(id).stream().filter(LogRepository.Entry::open).filter(open -> open.words().equals(e.words())).findFirst()
                        .ifPresent(open -> books.log().close(id, open.id()));
            }
        }
    }

    private static String need(Object value) {
        if (value == null) {
            throw new BadInput("A promise or an address in it is not complete.");
        }
        return String.valueOf(value);
    }

    private static String text(String value) {
        return value == null ? "" : value;
    }
}
