package roofnest.app.records;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import tools.jackson.databind.json.JsonMapper;

import roofnest.app.web.Conflict;
import roofnest.core.access.Access;

/**
 * Entries of the log that set something outright: a charge, a card, who left. An entry that is corrected or taken out sets back what it had
 * set, unless somebody has set something else since; one that is brought back sets it again. What is taken from tests follows from the log
 * itself, see {@link LogRepository#happened}.
 */
@Service
public class LogEffects implements Archive {
    private final LogRepository log;
    private final CameraRepository cameras;
    private final CardRepository cards;
    private final ResidentRepository residents;
    private final JsonMapper json = new JsonMapper();

    LogEffects(LogRepository log, CameraRepository cameras, CardRepository cards, ResidentRepository residents) {
        this.log = log;
        this.cameras = cameras;
        this.cards = cards;
        this.residents = residents;
    }

    /**
     * What stood there before; only what the entry's kind sets.
     *
     * @param charged the last day of a charge that is no entry's: whatever entries are taken out, in whatever order, it is still known
     */
    private record Before(LocalDate charged, CardRepository.Card card, Access.Tie tie, LocalDate leftOn) {}

    /** Writes an entry and sets what it sets. */
    public void write(HouseholdRef ref, LogRepository.Said said) {
        follow(ref.id(), log.add(ref.id(), said, ref.by()), said, ref.by());
    }

    /** Corrects an entry, if nobody did since {@code version}. */
    public void change(HouseholdRef ref, long id, LogRepository.Said said, int version) {
        LogRepository.Entry was = log.find(ref.id(), id).orElseThrow(() -> new Conflict("Somebody else took this entry out meanwhile."));
        setBack(ref.id(), was);
        log.change(ref.id(), id, said, ref.by(), version);
        follow(ref.id(), id, said, ref.by());
    }

    /** Takes an entry out. Returns whether there was one. */
    public boolean remove(HouseholdRef ref, long id) {
        Optional<LogRepository.Entry> was = log.find(ref.id(), id);
        boolean removed = log.remove(ref.id(), id, ref.by());
        if (removed) {
            was.ifPresent(entry -> setBack(ref.id(), entry));
        }
        return removed;
    }

    @Override
    public ArchivedRows archived() {
        return log.archived();
    }

    @Override
    public void bringBack(long householdId, long id) {
        archived().bringBack(householdId, id);
        log.find(householdId, id).ifPresent(entry -> follow(householdId, id, new LogRepository.Said(entry.cameraId(), entry.residentId(),
                entry.kind(), entry.words(), entry.on(), entry.nextOn()), entry.by()));
    }

    private void follow(long householdId, long id, LogRepository.Said said, String by) {
        Optional<Before> before = switch (said.kind()) {
            case CHARGE -> charged(householdId, said);
            case CARD -> newCard(householdId, said, by);
            case LEFT -> left(householdId, said);
            default -> Optional.empty();
        };
        log.setBefore(householdId, id, before.map(json::writeValueAsString));
    }

    private Optional<Before> charged(long householdId, LogRepository.Said said) {
        Optional<LocalDate> was = cameras.lastCharged(householdId, said.cameraId());
        if (was.isPresent() && !was.get().isBefore(said.on())) {
            return Optional.empty();
        }
        cameras.charged(householdId, said.cameraId(), said.on());
        Optional<String> entry = was.flatMap(day -> log.setByCharge(householdId, said.cameraId(), day));
        LocalDate base = entry.isPresent() ? json.readValue(entry.get(), Before.class).charged() : was.orElse(null);
        return Optional.of(new Before(base, null, null, null));
    }

    /** A card like the one before, from this day; its test is not the new one's. Of a camera of which nobody said one, none. */
    private Optional<Before> newCard(long householdId, LogRepository.Said said, String by) {
        CardRepository.Card was = cards.of(householdId).get(said.cameraId());
        if (was == null || said.on().isBefore(was.putIn())) {
            return Optional.empty();
        }
        cards.say(householdId, said.cameraId(), new CardRepository.Card(said.on(), was.highEndurance(), was.printedGb(), Optional.empty(),
                null, by, was.version()));
        return Optional.of(new Before(null, was, null, null));
    }

    private Optional<Before> left(long householdId, LogRepository.Said said) {
        Optional<ResidentRepository.Resident> was = residents.find(householdId, said.residentId()).filter(who -> who
                .tie() != Access.Tie.LEFT);
        was.ifPresent(who -> residents.change(householdId, who.id(), who.name(), who.email(), Access.Tie.LEFT, said.on(), who.version()));
        return was.map(who -> new Before(null, null, who.tie(), who.leftOn()));
    }

    private void setBack(long householdId, LogRepository.Entry entry) {
        Optional<Before> before = log.setBefore(entry.id()).map(text -> json.readValue(text, Before.class));
        if (before.isEmpty()) {
            return;
        }
        log.setBefore(householdId, entry.id(), Optional.empty());
        switch (entry.kind()) {
            case CHARGE -> chargedBack(householdId, entry, before.get());
            case CARD -> cardBack(householdId, entry, before.get());
            case LEFT -> leftBack(householdId, entry, before.get());
            default -> {
                // The others set nothing.
            }
        }
    }

    /** To the latest charge that the log still holds, or to what stood there before the log had any. */
    private void chargedBack(long householdId, LogRepository.Entry entry, Before before) {
        if (entry.cameraId() == null || !cameras.lastCharged(householdId, entry.cameraId()).equals(Optional.of(entry.on()))) {
            return;
        }
        List<LocalDate> days = new ArrayList<>(log.charges(householdId, entry.cameraId(), entry.id()));
        Optional.ofNullable(before.charged()).ifPresent(days::add);
        cameras.setCharged(householdId, entry.cameraId(), days.stream().max(Comparator.naturalOrder()));
    }

    private void cardBack(long householdId, LogRepository.Entry entry, Before before) {
        CardRepository.Card now = entry.cameraId() == null ? null : cards.of(householdId).get(entry.cameraId());
        if (now != null && now.putIn().equals(entry.on()) && now.check().isEmpty()) {
            CardRepository.Card was = before.card();
            cards.say(householdId, entry.cameraId(), new CardRepository.Card(was.putIn(), was.highEndurance(), was.printedGb(), was.check(),
                    was.testedOn(), was.by(), now.version()));
        }
    }

    private void leftBack(long householdId, LogRepository.Entry entry, Before before) {
        Optional.ofNullable(entry.residentId()).flatMap(id -> residents.find(householdId, id)).filter(who -> who.tie() == Access.Tie.LEFT
                && entry.on().equals(who.leftOn())).ifPresent(who -> residents.change(householdId, who.id(), who.name(), who.email(),
                        before.tie(), before.leftOn(), who.version()));
    }
}
