package roofnest.core.fault;

import java.util.EnumMap;
import java.util.Map;

import roofnest.core.lang.Require;

/**
 * What is known before anything is asked: of the camera, of its house, of the season and of the log.
 *
 * @param shape what it is and has
 * @param coldNights whether nights are below freezing now
 * @param packDue whether its pack was reckoned to warn by now
 * @param marginDb by how much its link was over what it needs, when it was read or reckoned last; NaN where nobody knows
 * @param routerChangedDays days since the log says that router, provider or password was changed; negative where it says nothing
 * @param webSeason whether spiders and leaves are out
 */
public record Situation(Situation.Shape shape, boolean coldNights, boolean packDue, double marginDb, int routerChangedDays,
        boolean webSeason) {
    /** Of so many ordinary cases a change that the log knows of makes as many more likely. */
    public static final double JUST_CHANGED = 6;
    /** Within so many days it counts. */
    public static final int JUST_CHANGED_DAYS = 14;
    public static final double DUE = 4;
    public static final double NOT_DUE = 0.5;
    public static final double COLD = 5;
    public static final double IN_SEASON = 2;
    /** A link read so much over what it needs seldom grows too weak, and one so near to it often does; decibels. */
    public static final double STRONG_DB = 12;
    public static final double WEAK_DB = 3;
    public static final double STRONG = 0.3;
    public static final double WEAK = 3;

    /**
     * What a camera is and has.
     *
     * @param battery whether it runs on a pack. @param viaHub whether it joins through a hub
     * @param card whether its footage is on a card. @param plan whether a paid plan is bought for it
     * @param several whether there are other cameras in the house
     */
    public record Shape(boolean battery, boolean viaHub, boolean card, boolean plan, boolean several) {}

    public Situation {
        if (!Double.isNaN(marginDb)) {
            Require.inRange("margin of the link in dB", marginDb, -100, 200);
        }
    }

    /** Of a camera of which nothing else is known. */
    public static Situation of(Shape shape) {
        return new Situation(shape, false, false, Double.NaN, -1, false);
    }

    /** Whether a cause is possible at all. */
    public boolean possible(Cause cause) {
        return switch (cause) {
            case PACK_FLAT -> shape.battery();
            case COLD -> shape.battery() && coldNights;
            case POWER -> !shape.battery();
            case HUB_AWAY -> shape.viaHub();
            case CARD -> shape.card();
            case PLAN_LAPSED -> shape.plan();
            default -> true;
        };
    }

    /** How many times as likely as ordinarily a cause is here. */
    double times(Cause cause) {
        boolean changed = routerChangedDays >= 0 && routerChangedDays <= JUST_CHANGED_DAYS;
        return switch (cause) {
            case ROUTER_CHANGED, PASSWORD_CHANGED -> changed ? JUST_CHANGED : 1;
            case PACK_FLAT -> packDue ? DUE : NOT_DUE;
            case COLD -> COLD;
            case WEB -> webSeason ? IN_SEASON : 1;
            case WEAK_LINK -> (webSeason ? IN_SEASON : 1) * (Double.isNaN(marginDb) ? 1 : marginDb >= STRONG_DB ? STRONG
                    : marginDb <= WEAK_DB ? WEAK : 1);
            default -> 1;
        };
    }

    /** Chances of the causes that are possible here, of 1. @param ordinary of all causes, by what the firm has seen */
    Map<Cause, Double> prior(Map<Cause, Double> ordinary) {
        Map<Cause, Double> here = new EnumMap<>(Cause.class);
        double sum = 0;
        for (Cause cause : Cause.values()) {
            double chance = possible(cause) ? ordinary.get(cause) * times(cause) : 0;
            here.put(cause, chance);
            sum += chance;
        }
        double all = sum;
        here.replaceAll((cause, chance) -> chance / all);
        return here;
    }
}
