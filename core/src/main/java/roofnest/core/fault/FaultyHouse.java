package roofnest.core.fault;

import java.util.Set;
import java.util.SplittableRandom;

/**
 * A house in which something ails one camera, that answers every question as somebody who looks would: from what works of it, and not
 * from its faults. What has nothing to do with the faults is drawn: how strong links are, how full the pack is, whether a picture stays in
 * the house where it can, what else was changed of late.
 */
final class FaultyHouse {
    /** Shares of houses and of people. */
    private static final double LIVE_STAYS_IN_THE_HOUSE = 0.5;
    private static final double LIGHT_SEEN = 0.9;
    private static final double ASLEEP_IS_DARK = 0.5;
    private static final double SOMETHING_ELSE_CHANGED = 0.12;
    private static final double CHANGE_IS_NOTICED = 0.8;
    private static final double OTHER_PHONE = 0.6;
    private static final double CLOCK_IN_PICTURE = 0.7;
    private static final double WEAK_WITHOUT_FAULT = 0.2;
    private static final double LOW_WITHOUT_FAULT = 0.05;
    private static final double HALF = 0.5;
    private static final double RESTART_HELPS = 0.75;
    private static final double RESTART_BY_CHANCE = 0.03;
    private static final double OFTEN = 0.7;

    private final Set<Cause> causes;
    private final Situation.Shape shape;
    private final SplittableRandom random;
    private final boolean localLive;
    private final boolean weakAnyway;
    private final boolean lowAnyway;
    private final boolean webIsSeen;
    private final boolean aimIsSeen;
    private final boolean linkDown;

    FaultyHouse(Set<Cause> causes, Situation.Shape shape, SplittableRandom random) {
        this.causes = causes;
        this.shape = shape;
        this.random = random;
        this.localLive = random.nextDouble() < LIVE_STAYS_IN_THE_HOUSE;
        this.weakAnyway = random.nextDouble() < WEAK_WITHOUT_FAULT;
        this.lowAnyway = random.nextDouble() < LOW_WITHOUT_FAULT;
        this.webIsSeen = random.nextDouble() < HALF;
        this.aimIsSeen = random.nextDouble() < HALF;
        this.linkDown = random.nextDouble() < OFTEN;
    }

    private boolean has(Cause cause) {
        return causes.contains(cause);
    }

    private boolean maybe(double share) {
        return random.nextDouble() < share;
    }

    private boolean present() {
        return !has(Cause.THIEF);
    }

    private boolean powered() {
        return present() && !has(Cause.POWER) && !has(Cause.PACK_FLAT) && !has(Cause.COLD);
    }

    /** In the house's network. */
    private boolean linked() {
        return powered() && !has(Cause.ROUTER_CHANGED) && !has(Cause.PASSWORD_CHANGED) && !has(Cause.FIRMWARE) && !has(Cause.ADDRESS_TAKEN)
                && !has(Cause.HUB_AWAY) && !(has(Cause.WEAK_LINK) && linkDown);
    }

    private boolean reachesMaker() {
        return linked() && !has(Cause.LINE_DOWN) && !has(Cause.PROVIDER_DOWN);
    }

    private boolean signedIn() {
        return !has(Cause.PASSWORD_FORGOTTEN);
    }

    private boolean liveAtHome() {
        return signedIn() && (localLive ? linked() : reachesMaker());
    }

    private boolean liveAway() {
        return signedIn() && reachesMaker();
    }

    private boolean seesThePlace() {
        return !has(Cause.MASKED) && !has(Cause.MOVED);
    }

    private boolean records() {
        boolean onCard = shape.card() && powered() && !has(Cause.CARD);
        boolean onPlan = shape.plan() && reachesMaker() && !has(Cause.PLAN_LAPSED);
        return (onCard || onPlan || !shape.card() && !shape.plan()) && !has(Cause.FIRMWARE);
    }

    /** Whether anybody's phone would ring, its own settings aside. */
    private boolean rings() {
        return reachesMaker() && seesThePlace() && !(has(Cause.PLAN_LAPSED) && shape.plan());
    }

    /** The true answer, by its number; drawn where people would see the same differently. */
    int answer(Question question) {
        return switch (question) {
            case WHAT -> what();
            case ALL_OR_ONE -> !shape.several() ? 2 : causes.stream().anyMatch(cause -> cause.of().all()) ? 1 : 0;
            case LIGHT -> light();
            case HOME_AND_AWAY -> liveAtHome() && liveAway() ? 0 : liveAtHome() ? 1 : 2;
            case CHANGED -> changed();
            case PERCENT -> !shape.battery() ? 2 : has(Cause.PACK_FLAT) || lowAnyway ? 0 : 1;
            case OTHER_THINGS -> has(Cause.LINE_DOWN) ? 1 : 0;
            case MAY_RING -> has(Cause.PERMISSION) ? 1 : has(Cause.QUIET_HOURS) ? 2 : 0;
            case OTHER_PHONE -> !maybe(OTHER_PHONE) ? 2 : rings() ? 0 : 1;
            case APP_SAYS -> has(Cause.PASSWORD_FORGOTTEN) ? 1 : has(Cause.APP_OLD) && maybe(OFTEN) ? 0
                    : has(Cause.PLAN_LAPSED) && maybe(OFTEN) ? 2 : 3;
            case LAST_CLIP -> records() && powered() ? 0 : has(Cause.CARD) && maybe(HALF) ? 2 : 1;
            case SINCE -> has(Cause.COLD) && maybe(OFTEN) ? 3 : has(Cause.WEAK_LINK) ? maybe(HALF) ? 1 : 2
                    : has(Cause.WEB) && maybe(HALF) ? 2 : has(Cause.FIRMWARE) && maybe(HALF) ? 1 : 0;
            case PICTURE -> !liveAtHome() ? 4 : has(Cause.MASKED) ? 3 : has(Cause.MOVED) ? 2 : has(Cause.WEB) ? 1 : 0;
            case HUB_LIGHT -> !shape.viaHub() ? 2 : has(Cause.HUB_AWAY) ? 1 : 0;
            case CLOCK -> !liveAtHome() || !maybe(CLOCK_IN_PICTURE) ? 2 : has(Cause.TIME_ZONE) ? 1 : 0;
            case BARS -> !linked() ? 2 : has(Cause.WEAK_LINK) || weakAnyway ? 1 : 0;
            case THERE -> !present() ? 2 : has(Cause.MOVED) && maybe(OFTEN) ? 1 : 0;
            case RESTART -> (has(Cause.FIRMWARE) || has(Cause.ADDRESS_TAKEN)) && causes.size() == 1 ? maybe(RESTART_HELPS) ? 0 : 1
                    : maybe(RESTART_BY_CHANCE) ? 0 : 1;
        };
    }

    /** What whoever calls says first: what is worst. */
    private int what() {
        if (!present() && maybe(HALF)) {
            return 9;
        } else if (!signedIn()) {
            return 8;
        } else if (!liveAtHome()) {
            return 0;
        } else if (!liveAway()) {
            return 1;
        } else if (!records()) {
            return 4;
        } else if (has(Cause.MOVED) && aimIsSeen || has(Cause.MASKED) && aimIsSeen || has(Cause.WEB) && webIsSeen) {
            return 5;
        } else if (!rings() || has(Cause.PERMISSION) || has(Cause.QUIET_HOURS) || has(Cause.APP_OLD)) {
            return 2;
        } else if (has(Cause.TOO_KEEN) || has(Cause.WEB)) {
            return 3;
        } else if (has(Cause.TIME_ZONE)) {
            return 6;
        } else if (has(Cause.SOUND_OR_LIGHT)) {
            return 7;
        }
        // A weak link that holds for the moment: now and then there is no picture.
        return 0;
    }

    private int light() {
        if (!present() || !maybe(LIGHT_SEEN)) {
            return 4;
        } else if (!powered()) {
            return 0;
        } else if (has(Cause.FIRMWARE)) {
            return 1;
        } else if (!linked()) {
            return 2;
        }
        return shape.battery() && maybe(ASLEEP_IS_DARK) ? 0 : 3;
    }

    private int changed() {
        if (has(Cause.ROUTER_CHANGED) && maybe(CHANGE_IS_NOTICED)) {
            return 0;
        } else if (has(Cause.PASSWORD_CHANGED) && maybe(CHANGE_IS_NOTICED)) {
            return 1;
        } else if ((has(Cause.PERMISSION) || has(Cause.APP_OLD) || has(Cause.PASSWORD_FORGOTTEN)) && maybe(HALF)) {
            return 2;
        } else if ((has(Cause.WEAK_LINK) || has(Cause.MOVED) || has(Cause.POWER)) && maybe(HALF)) {
            return 3;
        }
        return maybe(SOMETHING_ELSE_CHANGED) ? random.nextInt(4) : 4;
    }
}
