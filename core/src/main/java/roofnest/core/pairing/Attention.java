package roofnest.core.pairing;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What to do now across all devices that are being joined: hands go where they are wanted, and a device that boots or
 * updates is left alone meanwhile. A phone is on one Wi-Fi at a time, so while one device has it on its hotspot no other
 * step that needs it can be taken; and a hub comes before its cameras.
 */
public record Attention(String device, Kind kind, String words, long secondsLeft) {
    public enum Kind { NOW, WAITING, BLOCKED, DONE }

    /** Hands are on a device so long before it is left to itself. */
    private static final Duration HANDS = Duration.ofSeconds(10);
    private static final Set<String> HOLDS_THE_PHONE = Set.of("went-home", "details");
    private static final Set<String> NEEDS_NO_PHONE = Set.of(Pieces.POWER, Pieces.BOOT, Pieces.NO_LIGHT, Pieces.JOINING, Pieces.RESET,
            Pieces.LOOK_OVER, Pieces.LOOK_AGAIN, "cable", "restart", "pull", "press-pair", "hub", "hub-button");

    /**
     * A device on the run.
     *
     * @param inStep how long it has stood at its step
     * @param waitsForHub name of the hub that has to be online first; empty when none, or when it is
     */
    public record Device(String name, Step step, Duration inStep, Optional<String> waitsForHub) {}

    /** Each device with what it wants, those that want hands first; of them the one that has waited longest. */
    public static List<Attention> of(List<Device> devices) {
        Optional<String> phoneWith
                = devices.stream().filter(device -> HOLDS_THE_PHONE.contains(device.step().id())).map(Device::name).findFirst();
        record Ranked(Attention attention, Duration over) {}
        List<Ranked> ranked = new ArrayList<>();
        for (Device device : devices) {
            Attention attention = of(device, phoneWith);
            ranked.add(new Ranked(attention, device.inStep().minus(device.step().expected())));
        }
        return ranked.stream()
                .sorted(Comparator.comparing((Ranked each) -> each.attention().kind())
                        .thenComparing(each -> each.over(), Comparator.reverseOrder())
                        .thenComparing(each -> each.attention().device()))
                .map(Ranked::attention).toList();
    }

    private static Attention of(Device device, Optional<String> phoneWith) {
        Step step = device.step();
        if (step.id().equals(Script.DONE)) {
            return new Attention(device.name(), Kind.DONE, "joined, secured and named", 0);
        }
        if (device.waitsForHub().isPresent() && !step.id().equals(Pieces.POWER) && !step.id().equals(Pieces.BOOT)) {
            return new Attention(device.name(), Kind.BLOCKED, device.waitsForHub().get() + " has to be online first", 0);
        }
        long left = step.expected().minus(device.inStep()).toSeconds();
        boolean goesOnByItself = isWaitedFor(step) && device.inStep().compareTo(step.act().isPresent() ? HANDS : Duration.ZERO) >= 0;
        if (goesOnByItself && left > 0) {
            return new Attention(device.name(), Kind.WAITING,
                    step.title().substring(0, 1).toLowerCase(java.util.Locale.ROOT) + step.title().substring(1), left);
        }
        if (phoneWith.isPresent() && !phoneWith.get().equals(device.name()) && !NEEDS_NO_PHONE.contains(step.id())) {
            return new Attention(device.name(), Kind.BLOCKED, "the phone is with " + phoneWith.get(), 0);
        }
        return new Attention(device.name(), Kind.NOW, step.title(), 0);
    }

    /** A step whose light is watched, or an update, goes on by itself; typing and looking do not. */
    private static boolean isWaitedFor(Step step) {
        return step.id().equals(Pieces.UPDATE)
                || step.form() == Step.Form.NONE && step.answers().stream().anyMatch(answer -> answer.state().isPresent());
    }
}
