package roofnest.app.firm;

import java.io.Serial;

import org.springframework.security.access.AccessDeniedException;

/** An act that is refused for what it would change, and not for where it was asked: its words say what was wanted. */
public class NotForThisRole extends AccessDeniedException {
    @Serial private static final long serialVersionUID = 1;

    private final Role.Permission permission;

    private NotForThisRole(Role.Permission permission, String act) {
        super(act);
        this.permission = permission;
    }

    public Role.Permission permission() {
        return permission;
    }

    /**
     * @param act what is wanted, as somebody would ask for it
     * @throws NotForThisRole when this person may not
     */
    public static void unless(Staff staff, Role.Permission permission, String act) {
        if (!staff.may(permission)) {
            throw new NotForThisRole(permission, act);
        }
    }
}
