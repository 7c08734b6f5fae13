package roofnest.core.judge;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

import roofnest.core.alert.AlertPlan;
import roofnest.core.alert.Bell;
import roofnest.core.alert.Does;
import roofnest.core.alert.ModeWeek;
import roofnest.core.catalogue.AlertSpec;
import roofnest.core.catalogue.BellSpec;
import roofnest.core.catalogue.DeviceModel;
import roofnest.core.catalogue.PictureSpec;
import roofnest.core.footage.Keeping;
import roofnest.core.view.MaskCell;
import roofnest.core.view.Zone;

/** Everything that is set at one camera, as steps in the order and the words of its model's app. */
public final class SettingSheet {
    private static final String ON = "on";
    private static final String OFF = "off";

    private SettingSheet() {}

    /**
     * One thing to set.
     *
     * @param key by which its tick is kept
     * @param what is set, in ordinary words
     * @param where in its app; empty where its document does not say
     * @param value that it is to have; a tick of another value is of no account any more
     */
    public record Step(String key, String what, String where, String value) {
        private Step(String key, String what, String value) {
            this(key, what, "", value);
        }
    }

    /** Of a camera without named views. */
    public static List<Step> of(Camera camera, AlertPlan alerts) {
        return of(camera, alerts, List.of());
    }

    /** Of a camera that keeps its footage as it comes. */
    public static List<Step> of(Camera camera, AlertPlan alerts, List<Patrol.View> views) {
        return of(camera, alerts, views, Keeping.USUAL);
    }

    public static List<Step> of(Camera camera, AlertPlan alerts, List<Patrol.View> views, Keeping keeping) {
        DeviceModel model = camera.model();
        List<Step> steps = new ArrayList<>();
        watching(camera, steps);
        footage(camera, keeping, steps);
        picture(camera, steps);
        hours(camera, alerts, steps);
        bell(camera, alerts, steps);
        if (!views.isEmpty()) {
            steps.add(new Step("views", "Views, and the round", views.stream().map(view -> view.name() + ": heading "
                    + Math.round(view.headingDeg()) + "°, tilt " + Math.round(view.tiltDeg()) + "°, " + view.dwellS() + " s")
                    .collect(Collectors.joining("; "))));
        }
        List<String> order = model.picture().menu().stream().map(PictureSpec.At::sets).toList();
        // What its app has no known place for comes after what it has, in the order in which it is said here.
        return steps.stream().map(step -> new Step(step.key(), step.what(), model.picture().where(step.key()).orElse(""), step.value()))
                .sorted(Comparator.comparingInt(step -> order.contains(step.key()) ? order.indexOf(step.key()) : order.size())).toList();
    }

    private static void watching(Camera camera, List<Step> steps) {
        DeviceModel model = camera.model();
        var set = camera.watchSetting();
        if (model.alerts().sensitivity().size() > 1) {
            steps.add(new Step("sensitivity", "Sensitivity", model.alerts().sensitivity().get(set.sensitivity())));
        }
        if (model.alerts().kinds().size() > 1) {
            steps.add(new Step("kinds", "What counts", set.kinds().stream().sorted().map(AlertSpec.Kind::words)
                    .collect(Collectors.joining(", "))));
        }
        if (model.alerts().zones() > 0) {
            int zones = camera.zones().size();
            steps.add(new Step("zones", "Zones", zones == 0 ? "none: the whole picture"
                    : zones(camera)));
        }
        if (model.mask().canMask()) {
            steps.add(new Step("mask", "Blacked out", camera.masked().isEmpty() ? "nothing"
                    : camera.masked().stream().sorted().map(MaskCell::toString).collect(Collectors.joining(" "))));
        }
        steps.add(new Step("clip", "Length of a clip", camera.settings().clipSeconds() + " s"));
        steps.add(new Step("rest", "Rest between clips", camera.settings().coolDownSeconds() + " s"));
    }

    private static void footage(Camera camera, Keeping keeping, List<Step> steps) {
        if (camera.model().recording().cardMaxGb() > 0) {
            steps.add(new Step("card", "Card", camera.settings().cardGb() == 0 ? "none"
                    : camera.settings().cardGb() + " GB, formatted in the camera, " + (keeping.stopsWhenFull() ? "stopping when it is full"
                            : "writing over the oldest")));
        }
        if (camera.model().recording().continuous() || keeping.when() != Keeping.When.EVENT) {
            steps.add(new Step("recording", "Records", keeping.when() == Keeping.When.SCHEDULED ? "all the time from " + keeping.fromHour()
                    + " to " + keeping.toHour() + " h" : keeping.when().words()));
        }
        if (keeping.toRecorder()) {
            steps.add(new Step("recorder", "Streams to the recorder", ON));
        }
        keeping.plan().ifPresent(plan -> steps.add(new Step("plan", "Paid plan", plan.name())));
    }

    /** Cells by their names, all else by corners. */
    private static String zones(Camera camera) {
        List<Zone> zones = camera.zones();
        return camera.model().alerts().zoneShape() == AlertSpec.ZoneShape.CELLS
                ? "cells " + zones.stream().map(Zone::name).collect(Collectors.joining(", "))
                : zones.size() + (zones.size() == 1 ? " zone" : " zones") + ", as drawn on the board: " + corners(camera);
    }

    /** Corners in hundredths of the picture, across from the left and down from the top. */
    private static String corners(Camera camera) {
        return camera.zones().stream().map(zone -> zone.name() + " " + zone.corners().stream()
                .map(corner -> Math.round(100 * corner.acrossShare()) + "/" + Math.round(100 * corner.downShare()))
                .collect(Collectors.joining(" "))).collect(Collectors.joining("; ")) + " % across/down";
    }

    private static void picture(Camera camera, List<Step> steps) {
        PictureSpec spec = camera.model().picture();
        PictureSetup set = camera.pictureSetup();
        if (camera.model().nights().size() > 1) {
            steps.add(new Step("night", "By night", set.light().words()));
        }
        if (spec.sizes().size() > 1) {
            steps.add(new Step("size", "Picture size", size(spec, set)));
        }
        if (spec.wideRange()) {
            steps.add(new Step("wide", "Low sun and shade evened out", onOff(set.wideRange())));
        }
        if (spec.turns()) {
            steps.add(new Step("turned", "Picture turned", onOff(set.turned())));
        }
        if (spec.sound()) {
            steps.add(new Step("sound", "Sound recorded", onOff(set.sound())));
        }
        if (spec.statusLight()) {
            steps.add(new Step("status", "Status light", onOff(set.statusLight())));
        }
        if (spec.stamp()) {
            steps.add(new Step("stamp", "Day and time in the picture", onOff(set.stamp())));
        }
        if (camera.model().alerts().kinds().stream().anyMatch(kind -> kind.kind() == AlertSpec.Kind.SOUND)) {
            steps.add(new Step("listens", "Listens for smoke and CO alarms, a courtesy", onOff(set.listens())));
        }
    }

    /** As its app calls it. */
    private static String size(PictureSpec spec, PictureSetup set) {
        return spec.sizes().stream().filter(size -> size.widthPx() == set.widthPx()).findFirst().orElse(spec.sizes().get(0)).name();
    }

    /** A bell, as it is answered. */
    private static void bell(Camera camera, AlertPlan alerts, List<Step> steps) {
        BellSpec spec = camera.model().alerts().bell();
        if (spec == null) {
            return;
        }
        Bell bell = alerts.bells().getOrDefault(camera.id(), Bell.usual(spec));
        if (spec.chimes().size() > 1) {
            steps.add(new Step("chime", "Rings in the house", bell.chime().words()));
        }
        if (spec.message()) {
            steps.add(new Step("message", "Speaks when nobody answers", bell.message()
                    .map(text -> "after " + bell.messageAfterS() + " s: " + text).orElse("nothing")));
        }
        if (spec.replies() > 0) {
            steps.add(new Step("replies", "Answers kept ready", bell.replies().isEmpty() ? "none" : String.join("; ", bell.replies())));
        }
    }

    private static void hours(Camera camera, AlertPlan alerts, List<Step> steps) {
        steps.add(new Step("hours", "Rings", said(alerts.hours(camera.id(), Does.RINGS), "never")));
        String records = said(alerts.hours(camera.id(), Does.RECORDS), "");
        if (!records.isEmpty()) {
            steps.add(new Step("recordHours", "Records without ringing", records));
        }
        String off = said(alerts.hours(camera.id(), Does.OFF), "");
        if (!off.isEmpty()) {
            steps.add(new Step("off", "Off", off));
        }
    }

    private static String said(boolean[] hours, String never) {
        String said = ModeWeek.said(hours);
        return said.isEmpty() ? never : said;
    }

    private static String onOff(boolean on) {
        return on ? ON : OFF;
    }
}
