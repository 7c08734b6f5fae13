package roofnest.app.firm;

import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;

/** What somebody does in the firm, and what that lets them do here. */
public enum Role {
    OWNER("owner", EnumSet.allOf(Permission.class)),
    INSTALLER("installer", EnumSet.complementOf(EnumSet.of(Permission.MANAGE_PEOPLE))),
    APPRENTICE("apprentice", EnumSet.of(Permission.EDIT)),
    OFFICE("office", EnumSet.of(Permission.EDIT, Permission.PRICE));

    /** Things that not everyone may do. */
    public enum Permission {
        EDIT("plan, note and correct"),
        PRICE("quote and bill"),
        REVEAL("see passwords"),
        CHANGE_SECRETS("change a Wi-Fi password that is written down"),
        GIVE_OWNERSHIP("make somebody of the household an owner of a camera, or take it from one"),
        TAKE_HUBS_OUT("take a hub out of the house"),
        SEE_LINKS("open the links in the mailbox"),
        HAND_OVER("sign, hand over, open a case again"),
        MODELS("add and change the firm’s own models"),
        MANAGE_PEOPLE("look after people, figures and the firm’s details");

        private final String words;

        Permission(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private final String words;
    private final Set<Permission> permissions;

    Role(String words, Set<Permission> permissions) {
        this.words = words;
        this.permissions = permissions;
    }

    public String words() {
        return words;
    }

    /** In a sentence, for the page of the firm's people. */
    public String may() {
        if (permissions.containsAll(EnumSet.allOf(Permission.class))) {
            return "May do everything";
        }
        return "May " + permissions.stream().map(Permission::words).collect(Collectors.joining("; "));
    }

    public Set<Permission> permissions() {
        return permissions;
    }
}
