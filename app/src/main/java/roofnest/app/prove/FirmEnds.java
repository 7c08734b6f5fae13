package roofnest.app.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import roofnest.app.web.Form;
import roofnest.app.secrets.SecretStore;
import roofnest.core.access.Access;
import roofnest.core.access.Secret;

/**
 * All by which the firm could still look or get in when a house is handed over. People of the firm are shut out as anybody is, step by
 * step and by their own try; of what the firm knows it is said of each on its own what became of it.
 *
 * @param people who can still look, or whose leaving is not over yet
 * @param known what is known that opens no picture by itself, or is kept sealed
 */
public record FirmEnds(List<Looker> people, List<Known> known) {
    /** What became of something that the firm knew. */
    public enum Became {
        CHANGED("changed by the householder"), SEALED("handed over sealed, on paper"), STAYS("stays known; the householder agrees");

        private final String words;

        Became(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param stands what they can look by, or what is still to be done */
    public record Looker(long id, String name, String stands) {}

    /**
     * @param what in words, and by that it is known again when the answer comes
     * @param answers that can be given
     * @param row of the ledger, of what somebody of the firm knows
     * @param held what the firm keeps sealed; one of the two is there
     */
    public record Known(String what, List<Became> answers, Optional<Access.Known> row, Optional<SecretStore.Held> held) {
        /** What a new one would bring about; empty for nothing. */
        public String caution() {
            boolean wifi = row.filter(known -> known.secret().kind() == Secret.Kind.WIFI).isPresent()
                    || held.filter(SecretStore.Held::wifi).isPresent();
            return wifi ? "A new Wi-Fi password takes every camera off until it has rejoined." : "";
        }
    }

    /** What was said of it, if it is still the same that stood there when it was asked about. */
    Optional<Became> said(Form form, int at) {
        Known asked = known.get(at);
        return asked.answers().stream().filter(each -> form.raw("of" + at).equals(asked.what()) && form.raw("end" + at).equals(each.name()))
                .findFirst();
    }

    /** Everything that stands against handing over by what the form says. */
    List<String> against(Form form) {
        List<String> against = new ArrayList<>();
        people.forEach(person -> against.add(person.name() + " of the firm is not shut out yet: " + person.stands() + "."));
        for (int i = 0; i < known.size(); i++) {
            if (said(form, i).isEmpty()) {
                against.add("Say what became of the " + known.get(i).what() + ".");
            }
        }
        return against;
    }
}
