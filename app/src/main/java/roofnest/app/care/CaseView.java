package roofnest.app.care;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

import roofnest.app.records.FaultCaseRepository;
import roofnest.core.fault.Cause;
import roofnest.core.fault.Cure;
import roofnest.core.fault.FaultFinder;
import roofnest.core.fault.Question;
import roofnest.core.fault.Situation;
import roofnest.core.lang.Numbers;

/**
 * How a case stands, and what to ask or try next.
 *
 * @param state in words
 * @param asked the question on the page; empty where trying pays better and none was asked for
 * @param tries what to try, in order
 * @param parts that a visit brings. @param visitMinutes that it takes there
 * @param known what was counted in before anything was asked
 */
record CaseView(FaultCaseRepository.Case of, String state, Optional<Asked> asked, List<Try> tries, String visit, int visitMinutes,
        List<String> parts,
        List<Suspect> suspects, List<Open> open, List<Done> done, List<String> known) {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("d MMM, HH:mm", Locale.ENGLISH);
    private static final double ALL_PERCENT = 100;
    private static final double SHOWN_CHANCE = 0.01;

    /** @param why it is asked now */
    record Asked(String name, String words, String minutes, String why, List<Choice> choices, boolean next) {}

    /** @param points to what it would make likeliest */
    record Choice(int number, String words, String points) {}

    record Try(String name, String cause, String words, String minutes, String chance, boolean first) {}

    record Suspect(String words, String percent, double width) {}

    /** A question that can be asked out of turn. */
    record Open(String name, String words, String tells) {}

    record Done(String what, String answer, String by) {}

    static CaseView of(FaultCaseRepository.Case of, FaultFinder finder, Situation situation, Map<Cause, Double> chances, String wished,
            List<String> known) {
        List<FaultFinder.Answer> answers = of.answers();
        Set<Cause> tried = of.tried();
        FaultFinder.Standing standing = finder.standing(situation, chances, answers, tried);
        Optional<FaultFinder.Asking> asking
                = standing.askings().stream().filter(each -> each.question().name().equals(wished)).findFirst().or(
                        standing::next);
        List<Try> tries = new ArrayList<>();
        standing.tries()
                .forEach(cause -> tries.add(new Try(cause.name(), cause.words(), cause.cure().words(), minutes(cause.cure().minutes()),
                        percent(standing.suspects().stream().filter(suspect -> suspect.cause() == cause)
                                .mapToDouble(FaultFinder.Suspect::chance).sum()
                                * cause.cure().chance()),
                        tries.isEmpty())));
        return new CaseView(of, state(of), of.open() ? asking.map(each -> asked(each, standing, finder.foretold(situation, chances, answers,
                tried, each.question()))) : Optional.empty(), tries, "A visit, about " + Numbers.fixed(
                        Cure.VISIT_MINUTES, 0) + " min with an ordinary way; there " + standing.visitMinutes() + " min",
                standing.visitMinutes(), standing.parts(), standing.suspects().stream()
                        .filter(suspect -> suspect.chance() >= SHOWN_CHANCE).map(suspect -> new Suspect(suspect.cause().words(),
                                percent(suspect.chance()), ALL_PERCENT * Math.min(1, suspect.chance())))
                        .toList(),
                standing.askings()
                        .stream().map(each -> new Open(each.question().name(), each.question().words(), tells(each)))
                        .toList(),
                of.steps().stream().map(CaseView::done).toList(), known);
    }

    private static String state(FaultCaseRepository.Case of) {
        return switch (of.state()) {
            case OPEN -> "open";
            case VISIT -> "waits for a visit";
            case CURED -> "cured: " + of.cause().words();
            case DROPPED -> "closed: there was nothing";
        };
    }

    private static Asked asked(FaultFinder.Asking asking, FaultFinder.Standing standing, List<FaultFinder.Suspect> points) {
        boolean next = standing.next().filter(each -> each.question() == asking.question()).isPresent();
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            choices.add(new Choice(i, asking.question().answers().get(i), points.get(i).cause().words() + ", " + percent(points.get(i)
                    .chance())));
        }
        return new Asked(asking.question().name(), asking.question().words(), minutes(asking.question().minutes()), next
                ? "Of all that pays to be asked it tells most for its minutes: " + tells(asking) + ". Trying right away would take "
                        + minutes(standing.expectedMinutes()) + " in the mean, after this it is " + minutes(asking.expectedMinutes()) + "."
                : "Asked out of turn: " + tells(asking) + ".", choices, next);
    }

    private static String tells(FaultFinder.Asking asking) {
        return Numbers.fixed(asking.bits(), 2) + " bits in " + minutes(asking.question().minutes());
    }

    static Done done(FaultCaseRepository.Step step) {
        String by = step.by() + ", " + AT.format(step.at());
        if (step.cause() != null) {
            return new Done(Cause.valueOf(step.cause()).cure().words(), "tried; it did not help", by);
        }
        FaultFinder.Answer answer = new FaultFinder.Answer(Question.valueOf(step.question()), step.answer());
        return new Done(answer.question().words(), answer.words(), by);
    }

    /** What the finder counted in, as sentences. */
    static List<String> known(Situation situation, int cases) {
        List<String> known = new ArrayList<>(known(situation));
        known.add(cases == 0 ? "Chances are ordinary ones; the firm has closed no case yet." : "Chances are moved by "
                + cases + (cases == 1 ? " case" : " cases") + " that the firm has closed.");
        return known;
    }

    /** What is known of the camera itself. */
    static List<String> known(Situation situation) {
        return Stream.of(situation.packDue() ? "Its pack was reckoned to warn by now." : "",
                situation.coldNights() ? "Nights are below freezing at this time of the year." : "",
                situation.webSeason() ? "It is the time of webs and leaves." : "",
                situation.routerChangedDays() >= 0 && situation.routerChangedDays() <= Situation.JUST_CHANGED_DAYS
                        ? "The log says that router or password was changed " + daysAgo(situation.routerChangedDays()) + "." : "",
                link(situation.marginDb())).filter(words -> !words.isEmpty()).toList();
    }

    private static String link(double marginDb) {
        if (Double.isNaN(marginDb)) {
            return "Nobody knows how strong its link was.";
        }
        long margin = Math.round(marginDb);
        return margin == 0 ? "Its link was just what it needs."
                : "Its link was " + Numbers.fixed(Math.abs(margin), 0) + " dB " + (margin > 0 ? "over" : "under") + " what it needs.";
    }

    private static String daysAgo(int days) {
        return days == 0 ? "today" : days == 1 ? "yesterday" : days + " days ago";
    }

    private static String minutes(double minutes) {
        return Numbers.fixed(minutes, minutes < 10 && minutes != Math.rint(minutes) ? 1 : 0) + " min";
    }

    private static String percent(double chance) {
        double percent = ALL_PERCENT * chance;
        return percent > 0 && percent < 1 ? "under 1 %" : Numbers.fixed(Math.min(ALL_PERCENT, percent), 0) + " %";
    }
}
