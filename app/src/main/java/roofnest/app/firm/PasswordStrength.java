package roofnest.app.firm;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import com.nulabinc.zxcvbn.Strength;
import com.nulabinc.zxcvbn.Zxcvbn;

import org.springframework.stereotype.Component;

/**
 * Whether a password is good enough for the keys of many homes: long enough, and not among the first that would be tried. Judged by the
 * guesses that it would take (Wheeler, zxcvbn, USENIX Security 2016), with the person's own name, address and firm as known words.
 */
@Component
class PasswordStrength {
    static final int SHORTEST = 10;
    /** What the hash takes in, bytes. */
    static final int LONGEST_BYTES = 72;
    /** Of 0 to 4: from here on it takes 10^8 guesses or more. */
    private static final int LEAST_SCORE = 3;

    /** Its hundred thousand words are read when somebody chooses a password, and given up again soon after: few ever do. */
    private final LoadingCache<Boolean, Zxcvbn> estimator = Caffeine.newBuilder().expireAfterAccess(Duration.ofMinutes(10))
            .build(any -> new Zxcvbn());

    /** What is wrong with it, in the user's words; empty when nothing is. @param about words that are no secret of theirs */
    Optional<String> fault(String password, List<String> about) {
        if (password.length() < SHORTEST || password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
            return Optional.of("Use " + SHORTEST + " to " + LONGEST_BYTES + " characters; a few words are easiest to type.");
        }
        List<String> known = new ArrayList<>(List.of("roof", "nest", "roofnest"));
        about.forEach(word -> known.addAll(List.of(word.toLowerCase(java.util.Locale.ROOT).split("[^\\p{L}\\p{N}]+"))));
        Strength strength = estimator.get(true).measure(password, known.stream().filter(word -> !word.isEmpty()).toList());
        try {
            return strength.getScore() >= LEAST_SCORE ? Optional.empty()
                    : Optional.of(
                            "This one would be guessed soon: it is common, or made of names and patterns that are tried first. Take a few"
                                    + " words that do not belong together.");
        } finally {
            strength.wipe();
        }
    }
}
