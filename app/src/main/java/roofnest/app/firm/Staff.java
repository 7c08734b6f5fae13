package roofnest.app.firm;

import java.util.Collection;
import java.util.List;

import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * Somebody of a firm, as signed in. The password hash is only held while signing in is being checked.
 *
 * @param blocked whether they are not let in any more
 */
public record Staff(long id, long firmId, String firmName, String email, String name, Role role, String password, boolean blocked)
        implements
            UserDetails {
    Staff signedIn() {
        return new Staff(id, firmId, firmName, email, name, role, "", blocked);
    }

    public boolean may(Role.Permission permission) {
        return role.permissions().contains(permission);
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return role.permissions().stream().map(permission -> new SimpleGrantedAuthority(permission.name())).toList();
    }

    @Override
    public String getPassword() {
        return password;
    }

    @Override
    public String getUsername() {
        return email;
    }

    static List<Role> roles() {
        return List.of(Role.values());
    }

    @Override
    public String toString() {
        return "Staff[" + email + ", " + role + "]";
    }
}
