package roofnest.core.catalogue;

import java.util.Optional;
import java.util.random.RandomGenerator;

import roofnest.core.lang.Require;

/**
 * What a model takes as its own password.
 *
 * @param kinds how many of lower case, upper case, digits and other characters it asks for, 1 to 4
 * @param digitsOnly whether only digits fit; then the first may not be zero
 */
public record PasswordRule(int minLength, int maxLength, int kinds, boolean digitsOnly) {
    /** No letters or digits that are mistaken for one another: none of 0 O 1 I l. */
    private static final String LOWER = "abcdefghijkmnopqrstuvwxyz";
    private static final String UPPER = "ABCDEFGHJKLMNPQRSTUVWXYZ";
    private static final String DIGITS = "23456789";
    private static final String OTHER = "-_.!";

    public PasswordRule {
        Require.inRange("shortest password", minLength, 4, 64);
        Require.inRange("longest password", maxLength, minLength, 64);
        Require.inRange("kinds of characters", kinds, 1, 4);
    }

    /** The rule in words, for the person who has to think of one. */
    public String words() {
        String length = minLength + " to " + maxLength;
        if (digitsOnly) {
            return length + " digits, the first not 0";
        }
        return length + " plain characters" + (kinds > 1
                ? ", at least " + kinds + " kinds of: small letters, capitals, digits, other signs" : "");
    }

    /** What is wrong with a password under this rule, or empty when it fits. */
    public Optional<String> fault(String password, String factoryPassword) {
        if (password.equals(factoryPassword)) {
            return Optional.of("This is the password it came with. Choose another.");
        }
        if (password.length() < minLength || password.length() > maxLength) {
            return Optional.of("It has " + password.length() + " characters; this model takes " + minLength + " to " + maxLength + ".");
        }
        if (digitsOnly) {
            if (!password.chars().allMatch(c -> c >= '0' && c <= '9')) {
                return Optional.of("This model takes digits only.");
            }
            return password.startsWith("0") ? Optional.of("The first digit may not be 0 on this model.") : Optional.empty();
        }
        if (!password.chars().allMatch(c -> CharacterSet.ASCII_NO_SPACE.allows(c))) {
            return Optional.of("Use plain letters, digits and signs, without spaces or accents.");
        }
        int found = kindsIn(password);
        return found < kinds
                ? Optional.of("It mixes " + found + " of the " + kinds + " kinds of characters that this model asks for.")
                : Optional.empty();
    }

    /** A password that fits, is easy to type, and is drawn from the given source of randomness. */
    public String suggest(RandomGenerator random) {
        StringBuilder password = new StringBuilder();
        int length = Math.max(minLength, Math.min(maxLength, digitsOnly ? 6 : 12));
        if (digitsOnly) {
            for (int i = 0; i < length; i++) {
                password.append(pick(DIGITS, random));
            }
            return password.toString();
        }
        String[] kindsInOrder = {LOWER, DIGITS, UPPER, OTHER};
        for (int i = 0; i < length; i++) {
            password.append(pick(kindsInOrder[i % Math.max(2, kinds)], random));
        }
        return password.toString();
    }

    private static char pick(String from, RandomGenerator random) {
        return from.charAt(random.nextInt(from.length()));
    }

    private static int kindsIn(String password) {
        int lower = 0;
        int upper = 0;
        int digit = 0;
        int other = 0;
        for (char c : password.toCharArray()) {
            if (Character.isLowerCase(c)) {
                lower = 1;
            } else if (Character.isUpperCase(c)) {
                upper = 1;
            } else if (Character.isDigit(c)) {
                digit = 1;
            } else {
                other = 1;
            }
        }
        return lower + upper + digit + other;
    }
}
