package roofnest.app.pair;

import java.util.Collection;
import java.util.List;
import java.util.Optional;

import org.springframework.stereotype.Service;

import roofnest.app.web.BadInput;
import roofnest.app.web.Form;
import roofnest.core.catalogue.Joinable;
import roofnest.core.catalogue.Recovery;
import roofnest.core.pairing.CameraName;
import roofnest.core.pairing.Step;

/** What is typed in the course of a run. Where it goes is the subject's: in a rehearsal nothing of it is kept. */
@Service
class RunForms {
    /** @return what the run's event says of it; empty when faults stand at its fields and nothing was kept */
    Optional<String> take(Subject subject, Step.Form which, Form form) {
        return switch (which) {
            case NONE -> throw new BadInput("Nothing is to be typed at this step.");
            case DEVICE_PASSWORD -> fitting(subject.device(), form, subject.passwordOnLabel()).map(subject::ownPassword);
            case OWNERS_WORD -> ownersWord(form);
            case SETTLE -> settled(subject.device(), form).map(settled -> {
                subject.settle(settled.firmware(), settled.recovery());
                return settled.note();
            });
            case STICKER -> sticker(subject, form).map(sticker -> {
                subject.keepSticker(sticker.serial(), sticker.kept());
                return "serial " + sticker.serial();
            });
            case NAME -> named(form, subject.otherNames()).map(name -> {
                subject.rename(name, form.raw("room"));
                return "named " + name;
            });
        };
    }

    /** @param onLabel the password that its sticker says, when it was read */
    private static Optional<String> fitting(Joinable device, Form form, Optional<String> onLabel) {
        String password = form.raw("devicePassword");
        Optional<String> fault = device.passwordRule().fault(password, device.factoryPassword())
                .or(() -> onLabel.flatMap(label -> device.passwordRule().fault(password, label)));
        fault.ifPresent(sentence -> form.fault("devicePassword", sentence));
        return fault.isPresent() ? Optional.empty() : Optional.of(password);
    }

    private static Optional<String> ownersWord(Form form) {
        String who = form.text("ownersWord", "who of the household said yes", 80);
        return form.ok() ? Optional.of("reset allowed by " + who) : Optional.empty();
    }

    private record Settled(String firmware, String recovery) {
        private String note() {
            return "version " + firmware + ", clock set" + (recovery == null ? "" : ", recovery address set");
        }
    }

    private static Optional<Settled> settled(Joinable device, Form form) {
        String firmware = form.text("firmware", "the version that it shows", 40);
        if (!form.raw("clockSet").equals("true")) {
            form.fault("clockSet", "Set its clock and zone, then tick this.");
        }
        String recovery = device.setUp().recovery() == Recovery.MAIL
                ? form.email("recoveryAddress", "the householder's own address for its recovery") : null;
        return form.ok() ? Optional.of(new Settled(firmware, recovery)) : Optional.empty();
    }

    private record Sticker(String serial, String kept) {}

    private static Optional<Sticker> sticker(Subject subject, Form form) {
        Sticker sticker = new Sticker(form.text("serial", "the serial from the sticker", 40),
                form.text("stickerKept", "where the sticker is kept", 120));
        subject.serialElsewhere(sticker.serial()).ifPresent(other -> form.fault("serial", "This serial is that of " + other
                + " already. Two devices never share one: look at the sticker again, or correct the other."));
        return form.ok() ? Optional.of(sticker) : Optional.empty();
    }

    private static Optional<String> named(Form form, Collection<String> taken) {
        String name = form.raw("cameraName").strip();
        CameraName.fault(name, taken).ifPresent(sentence -> form.fault("cameraName", sentence));
        form.optionalText("room", 40);
        return form.ok() ? Optional.of(name) : Optional.empty();
    }
}
