package roofnest.app.carry;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

import org.springframework.stereotype.Service;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

import roofnest.app.prove.Gate;
import roofnest.app.prove.RemarkRepository;
import roofnest.app.prove.TrialRepository;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.ClimateRepository;
import roofnest.app.records.ComingsRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.Household;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HubRepository;
import roofnest.app.records.LedgerRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.records.PoseReadingRepository;
import roofnest.app.records.SaidLeadRepository;
import roofnest.app.records.SpotLookRepository;
import roofnest.app.records.PictureShelf;
import roofnest.app.records.RouterRepository;
import roofnest.core.mount.SaidLead;
import roofnest.core.mount.SpotLook;
import roofnest.core.access.Secret;
import roofnest.core.catalogue.Band;
import roofnest.core.catalogue.DeviceDocument;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.document.CheckedJson;
import roofnest.core.judge.Proof;
import roofnest.core.power.Climate;
import roofnest.core.promise.Light;
import roofnest.core.promise.Promise;
import roofnest.core.promise.PromiseKey;
import roofnest.core.view.MaskCell;
import roofnest.core.week.SourceKind;

/** Writes a household down as one document with its pictures beside it. Nothing of the sealed store is in it. */
@Service
class CarryOut {
    static final String DOCUMENT = "household.json";
    private static final String OWN = "own-";

    private final HouseholdBooks books;
    private final List<PictureShelf> shelves;
    private final CheckedJson documents;
    private final DeviceDocument devices = new DeviceDocument();
    private final JsonMapper json = new JsonMapper();

    CarryOut(HouseholdBooks books, List<PictureShelf> shelves) {
        this.books = books;
        this.shelves = shelves.stream().sorted(Comparator.comparing(PictureShelf::shelf)).toList();
        this.documents = CarryIn.documents();
    }

    /** A zip of the document and its pictures. */
    byte[] zip(HouseholdRef ref) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes, StandardCharsets.UTF_8)) {
            List<HouseholdFile.Picture> named = new ArrayList<>();
            for (PictureShelf shelf : shelves) {
                for (PictureShelf.Picture picture : shelf.pictures(ref.id())) {
                    String file
                            = "pictures/" + (named.size() + 1) + ("image/png".equals(picture.about().get("mediaType")) ? ".png" : ".jpg");
                    named.add(new HouseholdFile.Picture(file, shelf.shelf(), picture.about()));
                    zip.putNextEntry(new ZipEntry(file));
                    zip.write(picture.bytes());
                }
            }
            zip.putNextEntry(new ZipEntry(DOCUMENT));
            zip.write(documents.write(file(ref.id(), named)).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private HouseholdFile.Known known(LedgerRepository.Row row, long id) {
        Secret.Kind kind = row.secret().kind();
        long of = row.secret().id();
        return new HouseholdFile.Known(row.residentId(), kind.name(), kind != Secret.Kind.WIFI ? null : books.networks().all(id).stream()
                .filter(n -> n.id() == of).map(NetworkRepository.NetworkRow::name).findFirst().orElse(""),
                kind == Secret.Kind.DEVICE ? Long.valueOf(of) : null, kind != Secret.Kind.HUB ? null : books.hubs().of(id).stream()
                        .filter(u -> u.id() == of).map(HubRepository.Hub::name).findFirst().orElse(""),
                kind == Secret.Kind.ACCOUNT ? Long.valueOf(of) : null, row.since(), row.how(), row.notedBy());
    }

    HouseholdFile file(long id, List<HouseholdFile.Picture> pictures) {
        Household h = books.households().get(id);
        Map<String, JsonNode> models = new TreeMap<>();
        Map<Long, PoseReadingRepository.Row> hung = books.poses().of(id);
        Map<Long, SaidLeadRepository.Row> leads = books.leads().of(id);
        Map<Long, SpotLookRepository.Row> looks = books.looks().of(id);
        List<HouseholdFile.Camera> carried = books.cameras().records(id).stream()
                .map(record -> camera(id, record, models, Optional.ofNullable(hung.get(record.id())),
                        Optional.ofNullable(looks.get(record.id())).map(CarryOut::look).orElse(null),
                        Optional.ofNullable(leads.get(record.id())).map(CarryOut::lead).orElse(null)))
                .toList();
        Set<Long> known = books.residents().of(id).stream().map(r -> r.id()).collect(Collectors.toSet());
        return new HouseholdFile(HouseholdFile.FORMAT, HouseholdFile.VERSION,
                new HouseholdFile.Particulars(h.name(), h.address(), h.phone(), h.stage().name(), h.notes(), h.handedOverAt(),
                        books.households().language(id).code()),
                books.residents().of(id).stream()
                        .map(r -> new HouseholdFile.Person(r.id(), r.name(), r.email(), r.tie().name(), r.leftOn()))
                        .toList(),
                books.households().planDocument(id).map(json::readTree).orElse(null),
                books.promises().of(id).stream().map(CarryOut::promise).toList(),
                models,
                books.networks().all(id).stream()
                        .map(n -> new HouseholdFile.Network(n.name(), n.bands().stream().sorted().map(Band::name).toList(),
                                n.security().name(), n.hidden(), n.isolated(), n.forCameras()))
                        .toList(),
                router(books.routers().of(id)),
                books.things().of(id).stream().map(t -> new HouseholdFile.Thing(t.name(), t.howMany())).toList(),
                books.things().count(id) >= 0,
                books.hubs().of(id).stream()
                        .map(u -> new HouseholdFile.Hub(u.modelKey(), u.name(), u.serial(), u.stickerKept(), u.room(), u.cardGb()))
                        .toList(),
                carried,
                books.access().of(id).grants().stream().map(g -> new HouseholdFile.Access(g.personId(), g.cameraId(), g.role().name(),
                        g.from().orElse(null), g.until().orElse(null), g.alerts())).toList(),
                books.ledger().history(id).stream().filter(row -> row.endedOn() == null).map(row -> known(row, id)).toList(),
                books.ledger().screens(id).stream().map(s -> new HouseholdFile.Screen(s.name(), s.room(), s.linkedBy(),
                        s.cameraIds().stream().sorted().toList())).toList(),
                books.readings().records(id).stream().map(r -> new HouseholdFile.Reading(r.reading().at().xM(), r.reading().at().yM(),
                        r.reading().at().zM(), r.reading().band().name(), r.reading().rssiDbm(), r.reading().sdDb(), r.at(), r.by()))
                        .toList(),
                books.log().of(id).stream().map(e -> new HouseholdFile.Entry(e.kind().name(), e.words(),
                        carried.stream().anyMatch(c -> e.cameraId() != null && c.ref() == e.cameraId()) ? e.cameraId() : null,
                        known.contains(e.residentId()) ? e.residentId() : null, e.on(), e.nextOn(),
                        e.by(), e.closed())).toList(),
                books.proofs().of(id).stream().filter(p -> carried(carried, p.cameraId())).map(CarryOut::proof)
                        .toList(),
                books.trials().of(id).stream().filter(t -> t.decided() && !t.onStandIns() && carried(carried, t.cameraId()))
                        .map(CarryOut::tested).toList(),
                books.remarks().of(id).stream().map(CarryOut::remark)
                        .filter(r -> r.camera() == null || carried(carried, r.camera())).toList(),
                books.leavings().newest(id).stream().filter(l -> carried(carried, l.cameraId())).map(l -> new HouseholdFile.Look(
                        l.residentId(), l.cameraId(), l.refused(), l.said(), l.at(), l.by())).toList(),
                climate(books.climates().of(id)), comings(books.comings().of(id)),
                books.counted().of(id).stream().filter(c -> carried(carried, c.cameraId())).map(c -> new HouseholdFile.CountedDays(
                        c.cameraId(), c.from(), c.days(), c.clips(), c.wanted().isPresent() ? c.wanted().getAsInt() : null,
                        named(c.kinds()), c.mark(),
                        c.by(), c.at()))
                        .toList(),
                books.settings().alertsOut(id), books.settings().footageOut(id),
                books.cases().of(id).stream().filter(c -> carried(carried, c.cameraId()))
                        .map(c -> call(c, books.life().workOut(id, c.id()))).toList(),
                books.terms().of(id).stream().map(t -> new HouseholdFile.Term(t.kind().name(), t.cameraId(), t.on(), t.what(), t.by()))
                        .toList(),
                books.life().out(id, carried.stream().map(HouseholdFile.Camera::ref).collect(Collectors.toSet())), pictures);
    }

    private static HouseholdFile.Comings comings(ComingsRepository.Said said) {
        return said.version() == 0 ? null : new HouseholdFile.Comings(said.comings().house().name(), named(said.comings().aWeekday()),
                named(said.comings().curves()));
    }

    private static <K extends Enum<K>, V> Map<String, V> named(Map<K, V> byKind) {
        return byKind.entrySet().stream().collect(Collectors.toMap(entry -> entry.getKey().name(), Map.Entry::getValue));
    }

    private static HouseholdFile.Climate climate(ClimateRepository.Set set) {
        return set.version() == 0 ? null
                : new HouseholdFile.Climate(set.chosen().orElse(null),
                        set.longitudeDeg().isPresent() ? Double.valueOf(set.longitudeDeg().getAsDouble()) : null, set.altitudeM(),
                        set.own().map(Climate::meanC).orElse(null), set.own().map(Climate::swingC).orElse(null),
                        set.own().map(Climate::clearness).orElse(null));
    }

    private static HouseholdFile.SaidWay lead(SaidLeadRepository.Row row) {
        SaidLead said = row.lead();
        return new HouseholdFile.SaidWay(said.socket(), said.alongM(), said.holes(), said.turns().isEmpty() ? null
                : said.turns().stream().map(turn -> List.of(turn.xM(), turn.yM(), turn.zM())).toList(), said.at().xM(),
                said.at().yM(), said.heightM(),
                said.by(), row.at());
    }

    private static HouseholdFile.FootLook look(SpotLookRepository.Row row) {
        SpotLook look = row.look();
        return new HouseholdFile.FootLook(look.linesNear(), look.firm(), look.at().xM(), look.at().yM(), look.heightM(), look.by(),
                row.at());
    }

    private static HouseholdFile.Hangs hangs(PoseReadingRepository.Row row) {
        return new HouseholdFile.Hangs(HouseholdFile.Pose.of(row.of()), HouseholdFile.Pose.of(row.pose()), row.spread().placeM(),
                row.spread().heightM(), row.spread().headingDeg(), row.spread().tiltDeg(), row.spread().rollDeg(),
                row.taps().stream().map(tap -> new HouseholdFile.Tapped(tap.landmark().id(), tap.landmark().name(),
                        tap.landmark().at().xM(), tap.landmark().at().yM(), tap.landmark().at().zM(), tap.at().x(), tap.at().y())).toList(),
                row.stillAt(), row.at(), row.by());
    }

    private HouseholdFile.Camera camera(long household, CameraRepository.Record record, Map<String, JsonNode> models,
            Optional<PoseReadingRepository.Row> hung, HouseholdFile.FootLook look, HouseholdFile.SaidWay lead) {
        roofnest.core.judge.Camera c = record.camera();
        DeviceModel model = c.model();
        String key = model.key();
        if (key.startsWith(OWN)) {
            key = key.replaceFirst("^own-[0-9]+-", OWN);
            models.put(key.substring(OWN.length()),
                    json.readTree(devices.write(books.models().get(model.key())).replace(model.key(), key.substring(OWN.length()))));
        }
        roofnest.core.judge.Camera.Settings s = c.settings();
        return new HouseholdFile.Camera(c.id(), c.name(), key, c.pose().xM(), c.pose().yM(), c.pose().heightM(), c.pose().headingDeg(),
                c.pose().tiltDeg(), c.pose().rollDeg(), c.masked().stream().sorted().map(MaskCell::toString).toList(),
                json.valueToTree(c.zones()),
                s.clipSeconds(), s.coolDownSeconds(), s.cardGb(), s.visitsPerDay(), s.liveMinutes(), s.openSkyShare(), s.chargeEveryDays(),
                s.panelSlopeDeg(),
                s.panelHeadingDeg(),
                record.serial(), record.stickerKept(), record.deviceId(), record.room(), record.joinedAt(), c.ownPassword(),
                record.mountedAt(), c.lastCharged().orElse(null),
                record.wall()
                        .map(w -> new HouseholdFile.Wall(w.wall().base().name(), w.wall().covering().name(), w.wall().coveringMm(), w.by(),
                                w.at()))
                        .orElse(null),
                hung.filter(row -> row.ofModel().equals(model.key())).map(CarryOut::hangs).orElse(null), look, lead,
                c.watching()
                        .map(set -> new HouseholdFile.Watching(set.sensitivity(), set.kinds().stream().map(Enum::name).sorted().toList()))
                        .orElse(null),
                books.settings().out(household, record));
    }

    private static HouseholdFile.Router router(RouterRepository.Router r) {
        return r.version() == 0 ? null : new HouseholdFile.Router(r.model(), r.pushButton(), r.makesNames(),
                r.addresses().map(RouterRepository.Addresses::router).orElse(null),
                r.addresses().map(RouterRepository.Addresses::from).orElse(null),
                r.addresses().map(RouterRepository.Addresses::to).orElse(null),
                r.addresses().map(RouterRepository.Addresses::leases).orElse(null),
                r.upMbps().orElse(null), r.simGb().orElse(null));
    }

    private static HouseholdFile.Call call(FaultCaseRepository.Case c, HouseholdFile.CallWork work) {
        return new HouseholdFile.Call(c.cameraId(), c.said(), c.steps().stream().map(s -> new HouseholdFile.CallStep(s.question(), s
                .question() == null ? null : Integer.valueOf(s.answer()), s.cause(), s.by(), s.at())).toList(), c.state().name(), c
                        .cause() == null ? null : c.cause().name(),
                c.modelKey(), c.season().name(), c.openedBy(), c.openedAt(), c.closedBy(), c
                        .closedAt(),
                c.visitMinutes() == 0 ? null : Integer.valueOf(c.visitMinutes()), c.visitParts(), work);
    }

    private static HouseholdFile.Written promise(Promise promise) {
        long ref = Long.parseLong(promise.key().value().substring(1));
        if (promise instanceof Promise.MakeOut out) {
            return new HouseholdFile.Written(ref, "MAKE_OUT", out.level().name(), out.light().name(), out.placeId(), null, null, null,
                    null);
        } else if (promise instanceof Promise.RecordedBefore before) {
            return new HouseholdFile.Written(ref, "RECORDED_BEFORE", before.level().name(), before.light().name(), before.placeId(),
                    before.pathId(), null,
                    null,
                    null);
        } else if (promise instanceof Promise.NeverShows never) {
            return new HouseholdFile.Written(ref, "NEVER_SHOWS", null, null, null, null, never.areaId(), null, null);
        } else if (promise instanceof Promise.KeepsDays keeps) {
            return new HouseholdFile.Written(ref, "KEEPS_DAYS", null, null, null, null, null, keeps.days(), null);
        } else if (promise instanceof Promise.SurvivesTheft theft) {
            return new HouseholdFile.Written(ref, "SURVIVES_THEFT", null, null, null, null, null, null, theft.seconds());
        } else if (promise instanceof Promise.AlertWithin alert) {
            return new HouseholdFile.Written(ref, "ALERT_WITHIN", null, null, null, null, null, null, alert.seconds());
        } else if (promise instanceof Promise.LiveAway away) {
            return new HouseholdFile.Written(ref, "LIVE_AWAY", null, null, null, null, null, null, away.seconds());
        }
        return promiseOfAWeek(ref, promise);
    }

    private static HouseholdFile.Written promiseOfAWeek(long ref, Promise promise) {
        if (promise instanceof Promise.TellsOf tells) {
            return new HouseholdFile.Written(ref, "TELLS_OF", null, null, tells.placeId(), null, null, null, null, tells.inHundred(), null,
                    null, null);
        } else if (promise instanceof Promise.RingsAtMost rings) {
            return new HouseholdFile.Written(ref, "RINGS_AT_MOST", null, null, null, null, null, null, null, rings.aDay(), null, null,
                    null);
        } else if (promise instanceof Promise.SilentAbout silent) {
            return new HouseholdFile.Written(ref, "SILENT_ABOUT", null, null, null, null, null, null, null, null, silent.source(), null,
                    null);
        } else if (promise instanceof Promise.NeverRings never) {
            return new HouseholdFile.Written(ref, "NEVER_RINGS", null, null, null, null, null, null, null, null, null, never.fromHour(),
                    never.toHour());
        }
        return new HouseholdFile.Written(ref, "ONLY_THESE", null, null, null, null, null, null, null);
    }

    private static boolean carried(List<HouseholdFile.Camera> cameras, long cameraId) {
        return cameras.stream().anyMatch(camera -> camera.ref() == cameraId);
    }

    private static HouseholdFile.Tested tested(TrialRepository.Trial t) {
        return new HouseholdFile.Tested(t.cameraId(), t.kind().name(), t.seconds().isPresent() ? t.seconds().getAsDouble() : null,
                t.timed() == null ? null : t.timed().name(), t.light().map(Light::name).orElse(null), t.said(), t.begunAt(), t.begunBy(),
                t.passed(), t.decidedAt(), t.decidedBy(), phones(t.phones()));
    }

    private static HouseholdFile.Remark remark(RemarkRepository.Remark r) {
        Optional<PromiseKey> about = r.about().equals(Gate.TESTS) ? Optional.empty() : Optional.of(new PromiseKey(r.about()));
        return new HouseholdFile.Remark(about.flatMap(PromiseKey::writtenId).orElse(null), about.flatMap(PromiseKey::cameraId).orElse(null),
                about.flatMap(PromiseKey::brought).orElse(null), r.stands(), r.words(), r.agreedBy(), r.at(), r.by());
    }

    private static List<HouseholdFile.Phone> phones(Map<Long, Boolean> phones) {
        return phones.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(phone -> new HouseholdFile.Phone(phone.getKey(), phone.getValue())).toList();
    }

    private static HouseholdFile.Proved proof(Proof proof) {
        return new HouseholdFile.Proved(proof.promise().writtenId().orElse(null), proof.promise().brought().orElse(null),
                proof.cameraId(), proof.passed(), proof.measured().isPresent() ? proof.measured().getAsDouble() : null,
                proof.light().map(Light::name).orElse(null), proof.said(), proof.mark().text(), null,
                proof.at().atOffset(ZoneOffset.UTC), proof.by(), phones(proof.phones()));
    }
}
