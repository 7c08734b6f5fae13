package roofnest.app.documents;

import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

import org.springframework.stereotype.Service;

import roofnest.app.care.Situations;
import roofnest.app.prove.PackLinks;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CasePhotoRepository;
import roofnest.app.records.Changes;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.records.FaultCaseRepository.Season;
import roofnest.app.records.JudgedHousehold;
import roofnest.app.records.JudgedHouseholds;
import roofnest.app.records.LogRepository;
import roofnest.app.web.Conflict;
import roofnest.app.web.NoSuchPage;
import roofnest.core.fault.CaseCounts;
import roofnest.core.fault.Cause;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.Question;
import roofnest.core.fault.Situation;

/** What a household does about a camera by its own link: answers, tries, and with each tells the firm. */
@Service
class HelpDesk {
    /** Who opened, answered and tried; by that its cases are told from the firm's. */
    static final String BY_HOUSEHOLD = "the household";
    /** More are not asked of somebody who stands before a dark picture. */
    static final int MOST_QUESTIONS = 5;
    static final int MOST_TRIES = 3;
    static final int MOST_OPEN = 5;
    private static final int LONGEST_SAID = 400;
    /** What can be answered by whoever holds the phone, in words that everybody knows. */
    private static final Set<Question> ASKED = EnumSet.of(Question.WHAT, Question.ALL_OR_ONE, Question.LIGHT, Question.HOME_AND_AWAY,
            Question.CHANGED, Question.PERCENT, Question.OTHER_THINGS, Question.MAY_RING, Question.APP_SAYS, Question.LAST_CLIP,
            Question.PICTURE, Question.HUB_LIGHT, Question.THERE, Question.RESTART);

    private final JudgedHouseholds judged;
    private final FaultCaseRepository cases;
    private final CasePhotoRepository photos;
    private final LogRepository log;
    private final Changes changes;
    private final FaultFinder finder;
    private final Clock clock;

    HelpDesk(JudgedHouseholds judged, FaultCaseRepository cases, CasePhotoRepository photos, LogRepository log, Changes changes,
            FaultFinder finder, Clock clock) {
        this.photos = photos;
        this.judged = judged;
        this.cases = cases;
        this.log = log;
        this.changes = changes;
        this.finder = finder;
        this.clock = clock;
    }

    /**
     * How a case of theirs stands.
     *
     * @param ask to be asked next; empty once enough was
     * @param attempt to be tried next; empty while something is asked, and when nothing is left to try
     * @param photos that they sent, by number
     */
    record Standing(FaultCaseRepository.Case of, Optional<Question> ask, Optional<Cause> attempt, List<Long> photos) {
        boolean asksMore() {
            return ask.isPresent();
        }
    }

    static boolean asks(Question question) {
        return ASKED.contains(question);
    }

    List<CameraRepository.Record> cameras(PackLinks.Opened link) {
        return judged.of(link.householdId()).cameras();
    }

    /** Opens a case. @throws Conflict where they have told of as many already, or the camera is gone */
    long begin(PackLinks.Opened link, String camera, String said) {
        JudgedHousehold house = judged.of(link.householdId());
        CameraRepository.Record about = house.cameras().stream().filter(each -> String.valueOf(each.id()).equals(camera)).findFirst()
                .orElseThrow(() -> new Conflict("gone"));
        return changes.<Long>aside(link.householdId(), () -> {
            if (cases.of(link.householdId()).stream().filter(each -> each.open() && each.openedBy().equals(BY_HOUSEHOLD))
                    .count() >= MOST_OPEN) {
                throw new Conflict("many");
            }
            String words = said.strip();
            return cases.open(link.householdId(), about.id(), words.substring(0, Math.min(words.length(), LONGEST_SAID)), about.camera()
                    .model().key(), Season.of(house.facts().today(), Situations.latitude(house.facts())), BY_HOUSEHOLD);
        });
    }

    /** One of theirs: what the firm opened is not for their eyes. */
    private FaultCaseRepository.Case theirs(PackLinks.Opened link, long id) {
        FaultCaseRepository.Case of = cases.get(link.householdId(), id);
        if (!of.openedBy().equals(BY_HOUSEHOLD)) {
            throw new NoSuchPage();
        }
        return of;
    }

    Standing standing(PackLinks.Opened link, long id) {
        FaultCaseRepository.Case of = theirs(link, id);
        JudgedHousehold house = judged.of(link.householdId());
        CameraRepository.Record about = house.camera(of.cameraId());
        List<Long> sent = photos.of(link.householdId(), id).stream().map(CasePhotoRepository.Photo::id).toList();
        if (!of.open()) {
            return new Standing(of, Optional.empty(), Optional.empty(), sent);
        }
        CaseCounts counts = cases.counts(link.firmId(), of.modelKey(), of.season());
        Situation situation = Situations.of(house.facts(), house.judge(), house.judgement(), about.camera(), log.of(link.householdId()));
        Set<Cause> tried = of.tried();
        FaultFinder.Standing now = finder.standing(situation, counts.chances(), of.answers(), tried);
        Optional<Question> ask = of.answers().size() >= MOST_QUESTIONS || !tried.isEmpty() ? Optional.empty()
                : now.askings().stream().filter(
                        each -> ASKED.contains(each.question()) && each.bits() > 0 && each.expectedMinutes() < now.expectedMinutes())
                        .findFirst().map(
                                FaultFinder.Asking::question);
        return new Standing(of, ask, ask.isPresent() || tried.size() >= MOST_TRIES ? Optional.empty() : now.tries().stream().findFirst(),
                sent);
    }

    /** @param jpeg drawn anew. @throws Conflict where it is closed by now, or has as many already */
    void photo(PackLinks.Opened link, long id, byte[] jpeg) {
        changes.aside(link.householdId(), () -> {
            if (!theirs(link, id).open()) {
                throw new Conflict("changed");
            }
            photos.add(link.householdId(), id, jpeg, BY_HOUSEHOLD);
            return null;
        });
    }

    /** One of their own, as long as the case is open. */
    void removePhoto(PackLinks.Opened link, long id, long photo) {
        changes.aside(link.householdId(), () -> {
            if (!theirs(link, id).open() || !photos.remove(link.householdId(), id, photo, Optional.of(BY_HOUSEHOLD))) {
                throw new Conflict("changed");
            }
            return null;
        });
    }

    byte[] jpeg(PackLinks.Opened link, long id, long photo) {
        theirs(link, id);
        return photos.jpeg(link.householdId(), id, photo).orElseThrow(NoSuchPage::new);
    }

    void answer(PackLinks.Opened link, long id, String question, int answer, int version) {
        changes.aside(link.householdId(), () -> {
            Standing now = standing(link, id);
            Question asked = now.ask().filter(each -> each.name().equals(question) && answer >= Question.UNKNOWN && answer < each.answers()
                    .size()).orElseThrow(() -> new Conflict("changed"));
            cases.add(link.householdId(), now.of(),
                    new FaultCaseRepository.Step(asked.name(), answer, null, BY_HOUSEHOLD, OffsetDateTime.now(
                            clock)),
                    version);
            return null;
        });
    }

    void back(PackLinks.Opened link, long id, int version) {
        changes.aside(link.householdId(), () -> {
            cases.undo(link.householdId(), theirs(link, id), version);
            return null;
        });
    }

    /** What was tried works, and the case is closed with it, or it did not help. */
    void tried(PackLinks.Opened link, long id, String cause, boolean works, int version) {
        changes.byHousehold(link.householdId(), () -> {
            Standing now = standing(link, id);
            Cause attempt = now.attempt().filter(each -> each.name().equals(cause)).orElseThrow(() -> new Conflict("changed"));
            if (works) {
                cases.close(link.householdId(), id, Optional.of(attempt), BY_HOUSEHOLD, version);
                log.add(link.householdId(), now.of().cameraId(), LogRepository.Kind.CALL,
                        "It works again, by the household itself: " + attempt
                                .words() + ".",
                        LocalDate.now(clock), BY_HOUSEHOLD);
            } else {
                cases.add(link.householdId(), now.of(),
                        new FaultCaseRepository.Step(null, 0, attempt.name(), BY_HOUSEHOLD, OffsetDateTime.now(
                                clock)),
                        version);
            }
        });
    }
}
