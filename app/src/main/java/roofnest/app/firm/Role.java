package roofnest.app.firm;

import java.util.EnumSet;
import java.util.Set;

/** What somebody does in the firm, and what that lets them do here. */
public enum Role {
    OWNER("owner", EnumSet.allOf(Permission.class)),
    INSTALLER("installer", EnumSet.of(Permission.EDIT, Permission.REVEAL, Permission.HAND_OVER, Permission.PRICE)),
    APPRENTICE("apprentice", EnumSet.of(Permission.EDIT)),
    OFFICE("office", EnumSet.of(Permission.EDIT, Permission.PRICE));

    /** Things that not everyone may do. */
    public enum Permission { EDIT, REVEAL, HAND_OVER, PRICE, MANAGE_PEOPLE }

    private final String words;
    private final Set<Permission> permissions;

    Role(String words, Set<Permission> permissions) {
        this.words = words;
        this.permissions = permissions;
    }

    public String words() {
        return words;
    }

    public Set<Permission> permissions() {
        return permissions;
    }
}
