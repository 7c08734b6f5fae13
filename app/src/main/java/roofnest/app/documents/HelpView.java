package roofnest.app.documents;

import java.util.ArrayList;
import java.util.List;

import roofnest.app.drawing.LampView;
import roofnest.app.records.CameraRepository;
import roofnest.app.records.CasePhotoRepository;
import roofnest.app.records.FaultCaseRepository;
import roofnest.app.web.Language;
import roofnest.app.web.Words;
import roofnest.core.fault.Question;

/**
 * A case as the household reads it, in its language.
 *
 * @param question that is asked; empty where none is
 * @param attempt what to try; empty where there is nothing
 * @param over what is said where neither is left
 * @param said answers so far
 * @param photos of theirs, by number
 * @param room whether one more can be sent
 */
record HelpView(long id, int version, String camera, String question, String questionName, List<Choice> choices, String attempt,
        String attemptName, String over, List<Said> said, List<Long> photos, boolean room) {
    /** @param lamps that belong to this answer */
    record Choice(int number, String words, List<LampView> lamps) {}

    record Said(String question, String answer) {}

    static HelpView of(HelpDesk.Standing standing, CameraRepository.Record camera, String firm, Language language, Words words,
            HelpLamps lamps) {
        FaultCaseRepository.Case of = standing.of();
        List<Choice> choices = new ArrayList<>();
        standing.ask().ifPresent(question -> {
            for (int i = 0; i < question.answers().size(); i++) {
                choices.add(new Choice(i, answer(question, i, language, words), lamps.of(question, i, camera.camera().model(), language)));
            }
        });
        String over = standing.asksMore() || standing.attempt().isPresent() ? "" : switch (of.state()) {
            case CURED -> words.say(language, "help.cured", firm);
            case DROPPED -> words.say(language, "help.closed");
            case OPEN, VISIT -> words.say(language, "help.passed", firm);
        };
        return new HelpView(of.id(), of.version(), camera.camera().name(),
                standing.ask().map(each -> words.say(language, "help.q." + each.name())).orElse(""),
                standing.ask().map(Enum::name).orElse(""), choices, standing.attempt().map(each -> words.say(language, "help.c." + each
                        .name())).orElse(""),
                standing.attempt().map(Enum::name).orElse(""), over, of.answers().stream().filter(
                        each -> HelpDesk.asks(each.question())).map(
                                each -> new Said(words.say(language, "help.q." + each.question()
                                        .name()), answer(each.question(), each.answer(), language, words)))
                        .toList(),
                standing.photos(), of.open() && standing.photos().size() < CasePhotoRepository.MOST);
    }

    private static String answer(Question question, int number, Language language, Words words) {
        return number == Question.UNKNOWN ? words.say(language, "help.unknown") : words.say(language, "help.a." + question.name() + "."
                + number);
    }
}
