package roofnest.app.models;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.HubModel;
import roofnest.core.catalogue.PairingLimits;
import roofnest.core.catalogue.PairingMethod;
import roofnest.core.catalogue.Reset;
import roofnest.core.lang.Numbers;

/**
 * One model in the trade's words.
 *
 * @param ways how it is joined, by what it costs on average
 * @param cues what it shows in each state
 */
record ModelSheet(List<Group> groups, List<Way> ways, List<CueLine> cues, List<String> resets) {
    record Group(String title, List<Line> lines) {}

    record Line(String what, String value) {}

    record Way(String words, String minutes, String chance, String expected) {}

    record CueLine(String state, String shows, String voice) {}

    static ModelSheet of(DeviceModel model, Optional<HubModel> hub) {
        return new ModelSheet(
                List.of(network(model, hub), setUp(model), alerts(model), picture(model), sharing(model)),
                model.setUp().methods().stream().map(ModelSheet::way).toList(),
                model.setUp().cues().entrySet().stream().sorted(java.util.Map.Entry.comparingByKey())
                        .map(cue -> new CueLine(cue.getKey().words(), cue.getValue().words(),
                                cue.getValue().voice() == null ? "" : "“" + cue.getValue().voice() + "”"))
                        .toList(),
                model.setUp().resets().isEmpty() ? List.of(model.setUp().reset())
                        : model.setUp().resets().stream().map(Reset::instruction).toList());
    }

    private static Way way(PairingMethod method) {
        return new Way(method.way().words(), Numbers.plain(method.minutes()) + " min", Numbers.fixed(100 * method.chance(), 0) + " %",
                Numbers.fixed(method.minutes() + (1 - method.chance()) * method.minutesLost(), 1) + " min");
    }

    private static Group network(DeviceModel model, Optional<HubModel> hub) {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Bands", model.radio().bands().stream().sorted().map(band -> band.words()).collect(Collectors.joining(", "))));
        lines.add(new Line("Security",
                model.radio().security().stream().sorted().map(security -> security.words()).collect(Collectors.joining(", "))));
        lines.add(new Line("Network name", model.credentials().nameCharacters().words() + ", at most " + model.credentials().nameMaxBytes()
                + " bytes" + (model.radio().hiddenName() ? "; may be hidden" : "; not hidden")));
        lines.add(new Line("Wi-Fi password",
                model.credentials().passwordCharacters().words() + ", at most " + model.credentials().passwordMaxBytes() + " bytes"));
        lines.add(new Line("Address", model.factoryAddress() == null ? "asks the house for one" : "fixed " + model.factoryAddress()));
        hub.ifPresent(found -> lines
                .add(new Line("Hub", found.fullName() + (model.radio().viaHub() ? ", joins through it" : ", may join through it")
                        + "; within " + Numbers.plain(found.pairingRangeM()) + " m, at most " + found.camerasMax() + " cameras")));
        return new Group("Network", lines);
    }

    private static Group setUp(DeviceModel model) {
        List<Line> lines = new ArrayList<>();
        PairingLimits limits = model.setUp().limits();
        lines.add(new Line("Starts", "in " + model.setUp().bootSeconds() + " s"
                + (model.setUp().bootShows() == null ? "" : "; it " + model.setUp().bootShows())));
        lines.add(new Line("Joins", "in " + model.setUp().joinSeconds() + " s, gives up after " + model.setUp().giveUpSeconds() + " s"));
        if (model.setUp().method(PairingMethod.Way.PHONE_CODE).isPresent()) {
            lines.add(new Line("Reads a code", "from " + limits.codeFromCm() + " to " + limits.codeToCm() + " cm"));
        }
        lines.add(new Line("Listens", limits.windowSeconds() + " s after its button or sticker"));
        if (model.setUp().method(PairingMethod.Way.WIRED).isPresent()) {
            lines.add(new Line("Restarts", limits.restartSeconds() + " s, the cable still in"));
        }
        lines.add(new Line("First update",
                model.setUp().updateSeconds() + " s" + (model.setUp().updateFirst() ? ", before anything else works" : "")));
        lines.add(new Line("Own password", model.passwordRule().words()));
        lines.add(new Line("Forgotten password", model.setUp().recovery().words()));
        lines.add(new Line("Sticker", model.setUp().stickerPlace()));
        return new Group("Set-up", lines);
    }

    private static Group alerts(DeviceModel model) {
        AlertSpec alerts = model.alerts();
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Sensitivity", alerts.sensitivity().size() + (alerts.sensitivity().size() == 1 ? " step: " : " steps: ")
                + String.join(", ", alerts.sensitivity())));
        lines.add(new Line("Zones", alerts.zones() == 0 ? "none" : String.valueOf(alerts.zones())));
        alerts.kinds().forEach(kind -> lines.add(new Line("Tells " + kind.kind().words(), kind.needs().words())));
        lines.add(new Line("Cool-down", alerts.coolDownSeconds().stream().map(String::valueOf).collect(Collectors.joining(", ")) + " s"
                + (alerts.endsEarly() ? "; clips end early" : "")));
        return new Group("Motion and alerts", lines);
    }

    private static Group picture(DeviceModel model) {
        List<Line> lines = new ArrayList<>();
        model.nights().forEach(night -> lines.add(new Line("By night", night.light().words() + (night.rangeM() == 0 ? ", nothing promised"
                : ", to " + Numbers.plain(night.rangeM()) + " m, " + Numbers.plain(night.lightMa()) + " mA"))));
        lines.add(new Line("Low sun", model.picture().wideRange() ? "can be evened out" : "cannot be evened out"));
        lines.add(new Line("Hung upside down", model.picture().turns() ? "its picture can be turned" : "its picture cannot be turned"));
        lines.add(new Line("Sound", model.picture().sound() ? "recorded or not, as set" : "none"));
        return new Group("Picture and sound", lines);
    }

    private static Group sharing(DeviceModel model) {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line("Others look", model.sharing().words()));
        if (!model.can().isEmpty()) {
            lines.add(new Line("From the phone", model.can().stream().map(DeviceModel.Ability::words).collect(Collectors.joining(", "))));
        }
        lines.add(new Line("At most", model.peopleMax() == null ? "no limit" : model.peopleMax() + " people"));
        lines.add(new Line("Card",
                model.recording().cardMaxGb() == 0 ? "none in the camera" : "up to " + model.recording().cardMaxGb() + " GB"));
        lines.add(new Line("Records", model.recording().continuous() ? "when something counts, or all the time" : "when something counts"));
        lines.add(new Line("Recorder", model.recording().streams() ? "takes its stream" : "cannot take its stream"));
        lines.add(new Line("Mask", model.mask().canMask() ? model.mask().columns() + " × " + model.mask().rows() + " cells" : "none"));
        lines.add(new Line("Outdoors",
                !model.mount().outdoors() ? "indoors only" : model.mount().mayHangIndoors() ? "may hang outdoors and in" : "outdoors"));
        return new Group("Sharing, footage, fixing", lines);
    }
}
