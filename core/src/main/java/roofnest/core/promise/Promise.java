package roofnest.core.promise;

import roofnest.core.lang.Require;

/**
 * Something a household is told it may rely on, in a form that can be checked. The first twelve kinds are written at the
 * brief; the rest stand for every camera from the moment it is on the plan.
 */
public sealed interface Promise {
    PromiseKey key();

    /** The stage of the work that decides it; a broken promise is counted under this gable. */
    Stage stage();

    /** {@code level} of detail at a place of the plan. */
    record MakeOut(PromiseKey key, DetailLevel level, String placeId, Light light) implements Promise {
        public MakeOut {
            placeId = Require.text("place", placeId, 60);
        }

        @Override
        public Stage stage() {
            return Stage.SURVEY;
        }
    }

    /** Somebody who comes along a path is on a kept frame, at {@code level}, before they reach a place. */
    record RecordedBefore(PromiseKey key, DetailLevel level, String placeId, String pathId, Light light) implements Promise {
        /** Without a word on when: whenever they come. */
        public RecordedBefore(PromiseKey key, DetailLevel level, String placeId, String pathId) {
            this(key, level, placeId, pathId, Light.BOTH);
        }

        public RecordedBefore {
            placeId = Require.text("place", placeId, 60);
            pathId = Require.text("path", pathId, 60);
        }

        @Override
        public Stage stage() {
            return Stage.SURVEY;
        }
    }

    /** Footage of the worst week is still there after this many days. */
    record KeepsDays(PromiseKey key, int days) implements Promise {
        public KeepsDays {
            Require.inRange("days kept", days, 1, 365);
        }

        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }

    /** Of what a camera recorded before it is taken, all but the last seconds are still there. */
    record SurvivesTheft(PromiseKey key, double seconds) implements Promise {
        public SurvivesTheft {
            Require.inRange("last seconds", seconds, 1, 120);
        }

        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }

    /** An area of the plan is in no camera's picture. */
    record NeverShows(PromiseKey key, String areaId) implements Promise {
        public NeverShows {
            areaId = Require.text("area", areaId, 60);
        }

        @Override
        public Stage stage() {
            return Stage.SURVEY;
        }
    }

    /** Nobody who has left, and nobody of the firm, can look. */
    record OnlyThese(PromiseKey key) implements Promise {
        @Override
        public Stage stage() {
            return Stage.SHARE;
        }
    }

    /** The phone rings soon enough. */
    record AlertWithin(PromiseKey key, double seconds) implements Promise {
        public AlertWithin {
            Require.inRange("alert seconds", seconds, 1, 120);
        }

        @Override
        public Stage stage() {
            return Stage.PROVE;
        }
    }

    /** Away from home, on its own mobile line, each phone shows a moving picture soon enough. */
    record LiveAway(PromiseKey key, double seconds) implements Promise {
        public LiveAway {
            Require.inRange("seconds to a picture", seconds, 1, 120);
        }

        @Override
        public Stage stage() {
            return Stage.PROVE;
        }
    }

    /** Of a hundred who arrive at a place, in an ordinary week, so many are told of. */
    record TellsOf(PromiseKey key, String placeId, int inHundred) implements Promise {
        public TellsOf {
            placeId = Require.text("place", placeId, 60);
            Require.inRange("arrivals in a hundred", inHundred, 1, 100);
        }

        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }

    /** In an ordinary week the phones ring no more than so often a day. */
    record RingsAtMost(PromiseKey key, int aDay) implements Promise {
        public RingsAtMost {
            Require.inRange("rings a day", aDay, 1, 1000);
        }

        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }

    /** In an ordinary week nothing rings for one kind of coming and going; named as it is in {@code rates.csv}. */
    record SilentAbout(PromiseKey key, String source) implements Promise {
        public SilentAbout {
            source = Require.text("what it is silent about", source, 40);
        }

        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }

    /** In an ordinary week nothing rings from one hour to another; over midnight where the first is the later. */
    record NeverRings(PromiseKey key, int fromHour, int toHour) implements Promise {
        public NeverRings {
            Require.inRange("hour from which it is silent", fromHour, 0, 23);
            Require.inRange("hour to which it is silent", toHour, 0, 23);
            if (fromHour == toHour) {
                throw new IllegalArgumentException("silent hours begin and end at different hours");
            }
        }

        /** @param hour of the day, 0 to 23 */
        public boolean covers(int hour) {
            return fromHour < toHour ? hour >= fromHour && hour < toHour : hour >= fromHour || hour < toHour;
        }

        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }

    /** The camera's link to the router holds two bars. */
    record HoldsLink(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.SURVEY;
        }
    }

    /** The camera can join the house's Wi-Fi as it is named and secured. */
    record Joins(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.READY;
        }
    }

    /** The camera no longer has the password it left the factory with. */
    record OwnPassword(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.PAIR;
        }
    }

    /** The camera hangs where it sees faces and stays out of reach. */
    record OutOfReach(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.MOUNT;
        }
    }

    /** Whoever works at the camera stands safely, on the ground, on steps or on a ladder. */
    record ReachedSafely(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.MOUNT;
        }
    }

    /** Nothing near the lens throws the camera's own light back into it. */
    record ClearLens(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.SURVEY;
        }
    }

    /** The lead of a camera on mains brings enough volts to it. */
    record LeadCarries(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.MOUNT;
        }
    }

    /** The pack never falls to its warning level between charge visits of the stated interval. */
    record BatteryLasts(PromiseKey key, long cameraId) implements Promise {
        @Override
        public Stage stage() {
            return Stage.TUNE;
        }
    }
}
