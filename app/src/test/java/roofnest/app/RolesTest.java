package roofnest.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;

import roofnest.app.firm.Role;
import roofnest.app.firm.Staff;

/** Who may do what, by role: the table in {@code docs/roles.md}, every route as every role, and what is refused whatever the route. */
@AppTest
class RolesTest {
    private static final Path TABLE = Path.of("../docs/roles.md");
    private static final Map<Role, String> PEOPLE
            = Map.of(Role.OWNER, "tamsin", Role.INSTALLER, "jory", Role.APPRENTICE, "wynn", Role.OFFICE, "odile");

    @Autowired private Routes routes;
    @Autowired private DemoPlaces demo;

    /** Told apart from what a handler refuses for other reasons by the page's own words. */
    private static boolean refusedForRole(MockHttpServletResponse response) {
        return response.getStatus() == 403
                && new String(response.getContentAsByteArray(), StandardCharsets.UTF_8).contains("Your role does not allow this");
    }

    @Test
    void every_route_that_needs_a_permission_refuses_the_roles_without_it_and_no_other() throws Exception {
        SoftAssertions softly = new SoftAssertions();
        int walked = 0;
        for (Routes.Route route : routes.all()) {
            boolean special = route.needs() != Role.Permission.EDIT;
            for (Role role : Role.values()) {
                boolean may = role.permissions().contains(route.needs());
                // What may be done is done: only one role of those that may is let do it here, and none where it would end the test.
                if (may && (!special || role != Role.INSTALLER || route.pattern().startsWith("/people"))) {
                    continue;
                }
                Staff staff = demo.staff(PEOPLE.get(role));
                softly.assertThat(refusedForRole(routes.call(route, staff, "Merrin"))).as("%s as %s", route, role.words()).isEqualTo(!may);
                walked++;
            }
        }
        softly.assertAll();
        assertThat(walked).isGreaterThan(60);
    }

    @Test
    void the_table_says_what_is_so() throws Exception {
        StringBuilder table = new StringBuilder();
        List<String> roles = Arrays.stream(Role.values()).map(Role::words).toList();
        table.append("| permission | ").append(String.join(" | ", roles)).append(" |\n|---|").append("---|".repeat(roles.size()))
                .append('\n');
        for (Role.Permission permission : Role.Permission.values()) {
            table.append("| ").append(permission.words()).append(" | ").append(Arrays.stream(Role.values())
                    .map(role -> role.permissions().contains(permission) ? "yes" : "no").collect(Collectors.joining(" | "))).append(" |\n");
        }
        table.append("\n| act | needs | asked for by whoever may not |\n|---|---|---|\n");
        routes.all().stream().filter(route -> route.needs() != Role.Permission.EDIT)
                .sorted(Comparator.comparing(Routes.Route::pattern).thenComparing(route -> route.method().name()))
                .forEach(route -> table.append("| `").append(route.method()).append(' ').append(route.pattern()).append("` | ")
                        .append(route.needs().words()).append(" | ").append(route.act().isEmpty() ? "" : "“" + route.act() + "”")
                        .append(" |\n"));
        String written = Files.readString(TABLE);
        String marked
                = written.substring(written.indexOf("<!-- table -->\n") + "<!-- table -->\n".length(), written.indexOf("<!-- end -->"));
        assertThat(marked).as("put this between the marks of docs/roles.md").isEqualTo(table.toString());
    }
}
