package roofnest.app.tune;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Content;
import roofnest.core.alert.DeviceRule;
import roofnest.core.alert.Does;
import roofnest.core.alert.Mode;
import roofnest.core.alert.ModeWeek;
import roofnest.core.alert.Phone;
import roofnest.core.alert.QuietHours;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.judge.Camera;

/** What somebody set of alerts and times, as a change of the plan; empty where something is wrong, which then stands at its field. */
final class AlertForms {
    private AlertForms() {}

    static String field(String what, Object... of) {
        return what + java.util.Arrays.stream(of).map(each -> "-" + each.toString().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining());
    }

    static Optional<UnaryOperator<AlertPlan>> week(Form form) {
        String signs = form.raw("signs");
        if (signs.length() != ModeWeek.HOURS || !signs.matches("[han]*")) {
            form.fault("signs", "Paint every hour of the week as home, away or night.");
            return Optional.empty();
        }
        return Optional.of(plan -> plan.withWeek(new ModeWeek(signs)));
    }

    static Optional<UnaryOperator<AlertPlan>> does(Form form, List<Camera> cameras) {
        Map<Long, Map<Mode, Does>> all = new HashMap<>();
        Map<Long, Optional<QuietHours>> silent = new HashMap<>();
        for (Camera camera : cameras) {
            Map<Mode, Does> by = new EnumMap<>(Mode.class);
            for (Mode mode : Mode.values()) {
                by.put(mode, form.choice(field("does", camera.id(), mode), "what " + camera.name() + " does", Does.class));
            }
            all.put(camera.id(), by);
            silent.put(camera.id(), hours(form, field("silentfrom", camera.id()), field("silentto", camera.id())));
        }
        return form.ok() ? Optional.of(plan -> {
            AlertPlan next = plan.withDoes(all);
            for (Map.Entry<Long, Optional<QuietHours>> of : silent.entrySet()) {
                next = next.withSilent(of.getKey(), of.getValue());
            }
            return next;
        }) : Optional.empty();
    }

    /** Two fields left empty are no hours. */
    private static Optional<QuietHours> hours(Form form, String fromField, String toField) {
        if (form.raw(fromField).isBlank() && form.raw(toField).isBlank()) {
            return Optional.empty();
        }
        int from = form.whole(fromField, "the hour from which it is quiet,", 0, 23, "h");
        int to = form.whole(toField, "the hour to which it is quiet,", 0, 23, "h");
        if (form.ok() && from == to) {
            form.fault(toField, "Quiet hours begin and end at different hours; leave both empty for none.");
        }
        return form.ok() ? Optional.of(new QuietHours(from, to)) : Optional.empty();
    }

    static Optional<UnaryOperator<AlertPlan>> phone(Form form, long person, List<Camera> cameras) {
        Optional<QuietHours> quiet = hours(form, "quietFrom", "quietTo");
        Content content = form.choice("content", "what an alert brings", Content.class);
        int pause = form.raw("pause").isBlank() ? 0 : form.whole("pause", "how long it rests,", 0, Phone.MOST_PAUSE_MINUTES, "min");
        int snooze = form.raw("snooze").isBlank() ? 0
                : form.whole("snooze", "how long it is put to sleep,", 0, Phone.MOST_SNOOZE_MINUTES, "min");
        Map<Long, Set<AlertSpec.Kind>> kinds = new HashMap<>();
        for (Camera camera : cameras) {
            Set<AlertSpec.Kind> ticked = camera.model().alerts().kinds().stream().map(AlertSpec.KindOf::kind)
                    .filter(kind -> form.has(field("kind", camera.id(), kind))).collect(Collectors.toSet());
            // Where all that counts rings, nothing is kept: then what counts may change and still rings.
            if (form.has(field("asked", camera.id())) && !ticked.equals(camera.watchSetting().kinds())) {
                kinds.put(camera.id(), ticked);
            }
        }
        return form.ok() ? Optional.of(plan -> plan.withPhone(person, new Phone(quiet, content, pause, kinds, snooze))) : Optional.empty();
    }

    static Optional<UnaryOperator<AlertPlan>> rule(Form form, List<Camera> cameras) {
        Optional<Camera> when = camera(form, "when", "which camera notices", cameras);
        Optional<Camera> then = camera(form, "then", "which device then does it", cameras);
        AlertSpec.Kind kind = form.choice("kind", "what it notices", AlertSpec.Kind.class);
        DeviceRule.At at = form.choice("at", "by what light", DeviceRule.At.class);
        DeviceRule.Act act = form.choice("act", "what is done", DeviceRule.Act.class);
        if (!form.ok()) {
            return Optional.empty();
        }
        if (when.orElseThrow().model().alerts().kinds().stream().noneMatch(of -> of.kind() == kind)) {
            form.fault("kind", when.get().name() + " cannot tell " + kind.words() + ".");
        }
        if (act != DeviceRule.Act.RECORD && !then.orElseThrow().model().can().contains(act == DeviceRule.Act.LIGHT
                ? DeviceModel.Ability.LIGHT : DeviceModel.Ability.SIREN)) {
            form.fault("act", then.get().name() + " has no " + (act == DeviceRule.Act.LIGHT ? "light" : "siren") + " to switch.");
        }
        if (act == DeviceRule.Act.RECORD && when.get().id() == then.get().id()) {
            form.fault("then", "A camera that notices something records already; choose another.");
        }
        DeviceRule rule = form.ok() ? new DeviceRule(when.get().id(), kind, at, act, then.get().id()) : null;
        return form.ok() ? Optional.of(plan -> with(plan, rule)) : Optional.empty();
    }

    private static AlertPlan with(AlertPlan plan, DeviceRule rule) {
        if (plan.rules().contains(rule)) {
            throw new BadInput("That rule stands there already.");
        }
        if (plan.rules().size() == AlertPlan.MOST_RULES) {
            throw new BadInput("There are " + AlertPlan.MOST_RULES + " rules already; take one out first.");
        }
        List<DeviceRule> rules = new ArrayList<>(plan.rules());
        rules.add(rule);
        return plan.withRules(rules);
    }

    private static Optional<Camera> camera(Form form, String field, String what, List<Camera> cameras) {
        Optional<Camera> found = cameras.stream().filter(camera -> form.raw(field).equals(String.valueOf(camera.id()))).findFirst();
        if (found.isEmpty()) {
            form.fault(field, "Choose " + what + ".");
        }
        return found;
    }
}
