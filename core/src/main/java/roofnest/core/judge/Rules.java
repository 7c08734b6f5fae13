package roofnest.core.judge;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

import roofnest.core.promise.Promise;

/** The rules by the type of promise that they judge: one for each that there is, and none twice. */
final class Rules {
    private static final List<PromiseRule<?>> ALL = List.of(
            new MakeOutRule(), new RecordedBeforeRule(), new KeepsDaysRule(), new SurvivesTheftRule(), new NeverShowsRule(),
            new OnlyTheseRule(),
            new AlertWithinRule(), new TellsOfRule(), new RingsAtMostRule(), new SilentAboutRule(), new NeverRingsRule(),
            new LiveAwayRule(), new HoldsLinkRule(), new JoinsRule(), new OwnPasswordRule(), new OutOfReachRule(),
            new ClearLensRule(),
            new BatteryLastsRule(), new LeadCarriesRule(), new ReachedSafelyRule());

    private final Map<Class<?>, PromiseRule<?>> byType = new HashMap<>();

    Rules() {
        this(ALL);
    }

    /** @throws IllegalStateException when a kind of promise has no rule, or more than one */
    Rules(List<PromiseRule<?>> rules) {
        for (PromiseRule<?> rule : rules) {
            if (byType.put(rule.type(), rule) != null) {
                throw new IllegalStateException("two rules judge " + rule.type().getSimpleName());
            }
        }
        Set<String> without = Arrays.stream(Promise.class.getPermittedSubclasses()).filter(type -> !byType.containsKey(type))
                .map(Class::getSimpleName).collect(Collectors.toSet());
        if (!without.isEmpty()) {
            throw new IllegalStateException("no rule judges " + String.join(", ", without));
        }
    }

    Sighted judge(Promise promise, Hearing hearing) {
        return of(promise).judge(promise, hearing);
    }

    String wording(Promise promise, Names names) {
        return of(promise).wording(promise, names);
    }

    /** Safe, since a rule stands under the type that it says it judges. */
    @SuppressWarnings("unchecked")
    private <P extends Promise> PromiseRule<P> of(P promise) {
        return (PromiseRule<P>) byType.get(promise.getClass());
    }
}
