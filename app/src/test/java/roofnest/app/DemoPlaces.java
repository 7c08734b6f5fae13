package roofnest.app;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Optional;

import jakarta.servlet.http.Cookie;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.stereotype.Component;

import roofnest.app.firm.FirmRepository;
import roofnest.app.firm.Fresh;
import roofnest.app.firm.Staff;
import roofnest.app.records.HouseholdRef;
import roofnest.app.records.HouseholdRepository;
import roofnest.app.records.MailRepository;
import roofnest.app.records.NetworkRepository;
import roofnest.app.secrets.SecretStore;

/** Finds the demo world's people and places for tests, and makes fresh households for those that change them. */
@Component
public class DemoPlaces {
    private final JdbcClient jdbc;
    private final FirmRepository firms;
    private final NetworkRepository networks;
    private final SecretStore secrets;
    private final HouseholdRepository households;

    private final MailRepository mails;
    private final SessionRepository<?> sessions;

    DemoPlaces(JdbcClient jdbc, FirmRepository firms, NetworkRepository networks, SecretStore secrets, HouseholdRepository households,
            MailRepository mails, SessionRepository<?> sessions) {
        this.mails = mails;
        this.sessions = sessions;
        this.households = households;
        this.jdbc = jdbc;
        this.networks = networks;
        this.secrets = secrets;
        this.firms = firms;
    }

    public Staff staff(String name) {
        String firm = name.equals("petra") ? "marramlane" : "ladderhall";
        return firms.findByEmail(name + "@" + firm + ".example").orElseThrow();
    }

    public long household(String name) {
        return jdbc.sql("select id from household where name = :name").param("name", name).query(Long.class).single();
    }

    public HouseholdRef ref(String household, String staff) {
        return new HouseholdRef(household(household), staff(staff));
    }

    public long camera(String household) {
        return jdbc.sql("select min(id) from camera where household_id = :id").param("id", household(household)).query(Long.class).single();
    }

    public long count(String table) {
        return jdbc.sql("select count(*) from " + table).query(Long.class).single();
    }

    /** The Wi-Fi password that the rules judge by, of the network that cameras join. */
    public Optional<String> wifiPassword(long household) {
        return networks.find(household).flatMap(network -> secrets.wifiPasswordForRules(household, network.id()));
    }

    /** What the newest mail of a household links to. */
    public String mailedLink(long household) {
        return mails.of(household, true).get(0).link();
    }

    /** Of a session in which somebody has just proved who they are. */
    public Cookie justProved() {
        return justProved(sessions, 0);
    }

    public Cookie proved(long minutesAgo) {
        return justProved(sessions, minutesAgo);
    }

    private static <S extends Session> Cookie justProved(SessionRepository<S> sessions, long minutesAgo) {
        S session = sessions.createSession();
        session.setAttribute(Fresh.PROVED_AT, System.currentTimeMillis() - minutesAgo * 60_000);
        sessions.save(session);
        return new Cookie("roofnest", Base64.getEncoder().encodeToString(session.getId().getBytes(StandardCharsets.UTF_8)));
    }

    /** Says that a household was changed, after a test wrote into its tables by hand. */
    public void touched(long household) {
        jdbc.sql("update household set changes = changes + 1 where id = :id").param("id", household).update();
    }

    /** For what a test reads or writes by hand; what the firm's households come to is counted anew afterwards. */
    public JdbcClient jdbc() {
        households.bringBack(0);
        return jdbc;
    }
}
