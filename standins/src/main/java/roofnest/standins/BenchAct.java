package roofnest.standins;

import java.util.Objects;

import roofnest.core.catalogue.HandsOn;
import roofnest.core.catalogue.PairingMethod.Way;

/**
 * Something done on the bench at a moment of its virtual clock. A bench is nothing but its acts in order, so the same
 * acts give the same bench after any restart.
 *
 * @param atMs milliseconds since the bench was laid out
 */
public sealed interface BenchAct {
    long atMs();

    /** @param way in which the device is being joined: the same hand means another thing in another way */
    record Hands(long atMs, HandsOn act, Way way) implements BenchAct {
        public Hands {
            Objects.requireNonNull(act);
            Objects.requireNonNull(way);
        }
    }

    record Set(long atMs, Fault fault) implements BenchAct {
        public Set {
            Objects.requireNonNull(fault);
        }
    }

    /** Nothing is done, the clock has been wound on to this moment. */
    record Waited(long atMs) implements BenchAct {}
}
