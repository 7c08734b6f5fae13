package roofnest.load;

import static io.gatling.javaapi.core.CoreDsl.StringBody;

import static io.gatling.javaapi.core.CoreDsl.bodyBytes;
import static io.gatling.javaapi.core.CoreDsl.css;
import static io.gatling.javaapi.core.CoreDsl.exec;
import static io.gatling.javaapi.core.CoreDsl.global;
import static io.gatling.javaapi.core.CoreDsl.listFeeder;
import static io.gatling.javaapi.core.CoreDsl.percent;
import static io.gatling.javaapi.core.CoreDsl.rampUsers;
import static io.gatling.javaapi.core.CoreDsl.randomSwitch;
import static io.gatling.javaapi.core.CoreDsl.regex;
import static io.gatling.javaapi.core.CoreDsl.scenario;
import static io.gatling.javaapi.http.HttpDsl.ByteArrayBodyPart;
import static io.gatling.javaapi.http.HttpDsl.header;
import static io.gatling.javaapi.http.HttpDsl.http;
import static io.gatling.javaapi.http.HttpDsl.status;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

import io.gatling.javaapi.core.ChainBuilder;
import io.gatling.javaapi.core.ScenarioBuilder;
import io.gatling.javaapi.core.Simulation;
import io.gatling.javaapi.http.HttpProtocolBuilder;

/**
 * Many installers at once, each at a house of their own, with the mix of a working day: they read pages, drag a camera, begin a run and
 * answer its steps, write into the log and look at what is proved. Each house is a copy of the demo's first.
 */
public final class Installers extends Simulation {
    private static final int INSTALLERS = Integer.getInteger("installers", 200);
    private static final Duration WORK = Duration.ofSeconds(Integer.getInteger("seconds", 600));
    private static final Duration ARRIVING = Duration.ofSeconds(Integer.getInteger("arriving", 90));
    /** Between two taps, seconds: somebody reads, walks, waits for a light. */
    private static final int LEAST_THOUGHT = 5;
    private static final int MOST_THOUGHT = 15;
    private static final int P95_MS = 300;

    private static final String POSE
            = "{\"x\":#{east},\"y\":0.4,\"heightM\":2.6,\"headingDeg\":180,\"tiltDeg\":15,\"version\":0,\"look\":{}}";

    private final HttpProtocolBuilder protocol = http.baseUrl(System.getProperty("site", "http://127.0.0.1:8420"))
            .acceptHeader("text/html").disableFollowRedirect().disableWarmUp();

    private final ChainBuilder signIn = exec(
            http("sign-in page").get("/sign-in").check(css("input[name=_csrf]", "value").saveAs("csrf")),
            http("sign in").post("/sign-in").formParam("_csrf", "#{csrf}").formParam("email", "#{email}")
                    .formParam("password", "weir steps nine").check(status().is(302), header("Location").is("/")),
            http("alive").get("/alive").check(regex("\"csrf\":\"([^\"]+)\"").saveAs("csrf")));

    /** A house of one's own, carried in as from another firm. */
    private final ChainBuilder ownHouse = exec(
            http("carry out").get("/households/1/carry.zip").check(status().is(200), bodyBytes().saveAs("zip")),
            http("carry in").post("/carry").formParam("_csrf", "#{csrf}")
                    .bodyPart(ByteArrayBodyPart("file", "#{zip}").fileName("house.zip").contentType("application/zip"))
                    .check(status().is(302), header("Location").transform(to -> to.replace("/sheet", "")).saveAs("house")),
            http("survey").get("#{house}/survey").check(css("#pose-form", "data-base").saveAs("eye"),
                    css("#pose-form", "data-base").transform(base -> base.replaceAll(".*/", "")).saveAs("camera")))
            .exec(session -> session.remove("zip"));

    private static ChainBuilder look(String page) {
        return exec(http(page).get("#{house}/" + page).check(status().is(200)));
    }

    private final ChainBuilder drag = look("survey").repeat(5, "n").on(exec(session -> session.set("east", 0.4 + session.getInt("n") * 0.2))
            .exec(http("drag").post("#{eye}/try").header("X-CSRF-TOKEN", "#{csrf}").header("Content-Type", "application/json")
                    .body(StringBody(POSE))
                    .check(status().is(200)))
            .pause(Duration.ofMillis(400)));

    private final ChainBuilder note = exec(http("write into the log").post("#{house}/care/log").formParam("_csrf", "#{csrf}")
            .formParam("kind", "NOTE").formParam("on", LocalDate.now().toString()).formParam("words", "Hinge oiled, leaves cleared.")
            .check(status().is(302)));

    private final ChainBuilder run = exec(
            http("begin a run").post("#{house}/pair/runs").formParam("_csrf", "#{csrf}").formParam("camera", "#{camera}")
                    .formParam("way", "HOTSPOT").formParam("phone", "THROUGH_SETTINGS").formParam("atPlace", "false")
                    .formParam("bench", "false").check(status().is(302), header("Location").saveAs("run")))
            .repeat(4).on(exec(session -> session.removeAll("answer", "step")).exec(http("a step of a run").get("#{run}").check(
                    status().is(200),
                    css("button.answer", "value").optional().saveAs("answer"),
                    css("form input[name=step]", "value").optional().saveAs("step")))
                    .pause(LEAST_THOUGHT, MOST_THOUGHT)
                    .doIf(session -> session.contains("answer") && session.contains("step")).then(exec(http("answer").post("#{run}/answer")
                            .formParam("_csrf", "#{csrf}").formParam("step", "#{step}").formParam("answer", "#{answer}")
                            .check(status().is(302)))));

    private final ScenarioBuilder day = scenario("an installer's day")
            .feed(listFeeder(List.of(Map.of("email", "tamsin@ladderhall.example"), Map.of("email", "jory@ladderhall.example"))).circular())
            .exec(signIn).exec(ownHouse)
            .during(WORK).on(exec(randomSwitch().on(
                    percent(14).then(exec(http("front page").get("/").check(status().is(200)))), percent(12).then(look("brief")),
                    percent(10).then(drag), percent(8).then(look("ready")), percent(4).then(look("ready/hours")),
                    percent(8).then(look("pair")), percent(6).then(run), percent(8).then(look("mount")), percent(6).then(look("tune")),
                    percent(6).then(look("share")), percent(8).then(look("prove")), percent(4).then(look("care")), percent(6).then(note)))
                    .pause(LEAST_THOUGHT, MOST_THOUGHT));

    {
        setUp(day.injectOpen(rampUsers(INSTALLERS).during(ARRIVING))).protocols(protocol)
                .assertions(global().failedRequests().count().is(0L), global().responseTime().percentile(95).lt(P95_MS));
    }
}
