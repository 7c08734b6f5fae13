package roofnest.core.pairing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

import org.junit.jupiter.api.Test;

import roofnest.core.catalogue.Catalogue;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.PairingMethod.Way;
import roofnest.core.catalogue.PhoneKind;

/**
 * Keeps the published run sheets true: what a run asks at each step, which lights and sights it knows there, and where each
 * leads. To write them anew after a change that was meant: {@code -Drun-sheets.write=true}.
 */
class RunSheetsTest {
    private static final Path PUBLISHED = Path.of("../docs/run-sheets.md");
    private static final Catalogue CATALOGUE = Catalogue.shipped();
    private static final HubModel PERCH = CATALOGUE.hubs().iterator().next();
    private static final String HEAD = """
        # Run sheets

        What a run asks, step by step, for each way in and for the models that differ in it. An answer stands with the step \
        it leads to; *again* marks one that counts as a failed try. Nothing here is typed by hand: a test writes the sheets and \
        holds them against the runs.
        """;

    private record Sheet(String title, Way way, Setting setting) {}

    @Test
    void the_published_sheets_are_what_the_runs_ask() throws IOException {
        String text = HEAD + sheets().stream().map(RunSheetsTest::sheet).collect(Collectors.joining());
        if (Boolean.getBoolean("run-sheets.write")) {
            Files.writeString(PUBLISHED, text);
        }
        assertThat(Files.readString(PUBLISHED)).isEqualTo(text);
    }

    private static List<Sheet> sheets() {
        return List.of(
                plain("Hotspot, a camera on its own pack", Way.HOTSPOT, "dunmark-post"),
                new Sheet("Hotspot, by one tap, at its place, with what the job asks for beside", Way.HOTSPOT,
                        new Setting(camera("tarrowby-turn-air"), "weirhouse", PhoneKind.ONE_TAP, Optional.empty(), Optional.empty(),
                                List.of(extra("Warm the pack first", true), extra("Open the gate", true), extra("Short replies", false),
                                        extra("Second phone", false)),
                                true)),
                new Sheet("Hotspot, a hub", Way.HOTSPOT, Setting.of(PERCH, "weirhouse")),
                plain("A code on the phone", Way.PHONE_CODE, "oskarra-sill"),
                plain("The sticker's code", Way.STICKER, "cairnlow-eave"),
                plain("The ID typed, over the air", Way.MANUAL_ID, "tarrowby-turn-air"),
                plain("The ID typed, on a cable", Way.MANUAL_ID, "tarrowby-turn"),
                plain("On a cable, found by the app", Way.WIRED, "oskarra-ledge"),
                new Sheet("Found by a search, with a fixed factory address", Way.SEARCH,
                        new Setting(camera("vellin-ridge"), "weirhouse", PhoneKind.THROUGH_SETTINGS, Optional.empty(),
                                Optional.of("Give the laptop 192.168.1.50/24."), List.of())),
                plain("In a browser", Way.BROWSER, "vellin-dome"),
                plain("Push-button", Way.PUSH_BUTTON, "oskarra-ledge"),
                new Sheet("Through a hub", Way.HUB_BUTTON,
                        new Setting(camera("pellan-knock"), "weirhouse", PhoneKind.THROUGH_SETTINGS, Optional.of(PERCH), Optional.empty(),
                                List.of())),
                plain("The same account", Way.SAME_ACCOUNT, "spare-phone"));
    }

    private static DeviceModel camera(String key) {
        return CATALOGUE.get(key);
    }

    private static Setting.Extra extra(String title, boolean beforePower) {
        return new Setting.Extra(title, title + ".", 30, beforePower);
    }

    private static Sheet plain(String title, Way way, String model) {
        return new Sheet(title, way, Setting.of(camera(model), "weirhouse"));
    }

    private static String sheet(Sheet sheet) {
        Script script = Scripts.of(sheet.way(), sheet.setting());
        Joinable device = sheet.setting().device();
        assertThat(script.way()).isEqualTo(sheet.way());
        StringBuilder text = new StringBuilder("\n## " + sheet.title() + ": " + device.fullName() + "\n\n");
        script.steps().forEach(step -> text.append(step(script, step)));
        return text.toString();
    }

    private static String step(Script script, Step step) {
        StringBuilder line = new StringBuilder("- **" + step.id() + "** " + step.title() + ". " + step.instruction());
        if (!step.expected().isZero()) {
            line.append(" *").append(step.expected().toSeconds()).append(" s*");
        }
        step.act().ifPresent(act -> line.append(" Hands: ").append(words(act)).append('.'));
        if (step.form() != Step.Form.NONE) {
            line.append(" Typed here: ").append(words(step.form())).append(", then ").append(script.afterForm(step).id()).append('.');
        }
        if (!step.question().isEmpty()) {
            line.append(' ').append(step.question()).append(' ').append(step.answers().stream().map(RunSheetsTest::answer)
                    .collect(Collectors.joining("; "))).append('.');
        }
        step.patience().ifPresent(words -> line.append(" Nothing changes: ").append(words));
        for (Step.Trait trait : Step.Trait.values()) {
            line.append(step.is(trait) ? " (" + words(trait) + ")" : "");
        }
        return line.append(script.lookAgain().filter(step.id()::equals).isPresent() ? " (asked for by “not what I see”)\n" : "\n")
                .toString();
    }

    private static String answer(Answer answer) {
        return answer.label() + " → " + answer.next() + (answer.failure() ? " *again*" : "");
    }

    private static String words(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
