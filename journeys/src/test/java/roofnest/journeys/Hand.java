package roofnest.journeys;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Somebody who is signed in and sends numbered acts, each again and again until it is answered, as a phone does with its outbox. What
 * was answered and what was seen meanwhile is counted.
 */
final class Hand {
    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private static final long BREATH_NS = Duration.ofMillis(100).toNanos();
    private static final int MOST_TRIES = 900;
    private static final Pattern TOKEN = Pattern.compile("name=\"_csrf\"[^>]*value=\"([^\"]+)\"");
    private static final Pattern ALIVE = Pattern.compile("\"csrf\":\"([^\"]+)\"");
    private static final Pattern COOKIE = Pattern.compile("([^=]+)=([^;]*)");

    private final HttpClient client;
    private final String site;
    private final Map<String, String> cookies = new LinkedHashMap<>();
    private final Map<Integer, Integer> seen = new TreeMap<>();
    private final List<String> faults = new ArrayList<>();
    private final List<String> acknowledged = new ArrayList<>();
    private int broken;

    Hand(HttpClient client, String site) {
        this.client = client;
        this.site = site;
    }

    /** Cookies as they were set, to be looked at. */
    private final List<String> set = new ArrayList<>();

    List<String> setCookies() {
        return set;
    }

    /** Words of acts that were answered as carried out. */
    List<String> acknowledged() {
        return acknowledged;
    }

    /** How often each status was seen. */
    Map<Integer, Integer> seen() {
        return seen;
    }

    /** What the server said of faults of its own. */
    List<String> faults() {
        return faults;
    }

    /** How often nobody answered at all. */
    int broken() {
        return broken;
    }

    Hand signedIn(String email) throws IOException, InterruptedException {
        String door = get("/sign-in").body();
        Matcher token = TOKEN.matcher(door);
        if (!token.find()) {
            throw new IOException("no form to sign in by: " + door);
        }
        HttpResponse<String> in = once(post("/sign-in", Map.of("email", email, "password", "weir steps nine", "_csrf", token.group(1))));
        if (in.statusCode() != 302 || in.headers().firstValue("Location").orElse("").contains("sign-in")) {
            throw new IOException("not signed in: " + in.statusCode() + " " + in.headers().map());
        }
        return this;
    }

    /** Enters a note into a house's log. */
    void note(String house, String words) throws InterruptedException {
        act(house + "/care/log", Map.of("kind", "NOTE", "on", LocalDate.now().toString(), "words", words), words);
    }

    /** Sends until somebody answers; a page of the front's that nobody is there counts as none. */
    private void act(String path, Map<String, String> fields, String words) throws InterruptedException {
        String number = UUID.randomUUID().toString();
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            try {
                Optional<String> token = token();
                if (token.isPresent()) {
                    Map<String, String> all = new LinkedHashMap<>(fields);
                    all.put("_csrf", token.get());
                    HttpResponse<String> answer = once(post(path, all).header("X-Act", number));
                    if (answer.statusCode() == 302 || answer.statusCode() == 204) {
                        acknowledged.add(words);
                        return;
                    }
                    if (answer.statusCode() < 500) {
                        throw new IllegalStateException(path + " was refused: " + answer.statusCode() + " " + answer.body());
                    }
                }
            } catch (IOException nobody) {
                broken++;
            }
            LockSupport.parkNanos(BREATH_NS);
        }
        throw new IllegalStateException("nobody answered: " + seen);
    }

    private Optional<String> token() throws IOException, InterruptedException {
        HttpResponse<String> alive = once(HttpRequest.newBuilder(URI.create(site + "/alive")).header("X-Requested-With", "XMLHttpRequest"));
        if (alive.statusCode() >= 500) {
            return Optional.empty();
        }
        Matcher token = ALIVE.matcher(alive.body());
        if (!token.find()) {
            throw new IllegalStateException("no longer signed in: " + alive.statusCode() + " " + alive.body());
        }
        return Optional.of(token.group(1));
    }

    /** Sends once, whatever comes of it. */
    HttpResponse<String> send(String path, Map<String, String> fields) throws IOException, InterruptedException {
        Map<String, String> all = new LinkedHashMap<>(fields);
        all.put("_csrf", token().orElseThrow(() -> new IOException("nobody answers")));
        return once(post(path, all));
    }

    HttpResponse<String> get(String path) throws IOException, InterruptedException {
        return once(HttpRequest.newBuilder(URI.create(site + path)));
    }

    private HttpRequest.Builder post(String path, Map<String, String> fields) {
        String body = fields.entrySet().stream().map(field -> URLEncoder.encode(field.getKey(), StandardCharsets.UTF_8) + "="
                + URLEncoder.encode(field.getValue(), StandardCharsets.UTF_8)).collect(Collectors.joining("&"));
        return HttpRequest.newBuilder(URI.create(site + path)).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body));
    }

    private HttpResponse<String> once(HttpRequest.Builder request) throws IOException, InterruptedException {
        request.timeout(PATIENCE).header("Accept", "text/html");
        if (!cookies.isEmpty()) {
            request.header("Cookie", cookies.entrySet().stream().map(each -> each.getKey() + "=" + each.getValue())
                    .collect(Collectors.joining("; ")));
        }
        HttpResponse<String> answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        seen.merge(answer.statusCode(), 1, Integer::sum);
        if (answer.statusCode() == 500) {
            faults.add(answer.request().method() + " " + answer.uri() + ": " + answer.headers().map() + " " + answer.body());
        }
        for (String line : answer.headers().allValues("Set-Cookie")) {
            set.add(line);
            Matcher cookie = COOKIE.matcher(line);
            if (cookie.lookingAt()) {
                cookies.put(cookie.group(1), cookie.group(2));
            }
        }
        return answer;
    }
}
