package roofnest.app.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import jakarta.servlet.FilterChain;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.resource.ResourceUrlProvider;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/**
 * While the database is away, or takes nothing, there is one page that needs neither it nor a session: it says what is known,
 * asks again by itself, and gives back what was typed. It stands before everything else, for the session is in the database too.
 */
@Component
@Order(Integer.MIN_VALUE + 10)
public class DatabaseAway extends OncePerRequestFilter {
    static final int RETRY_S = 5;
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseAway.class);
    private static final List<String> GONE = List.of("08", "57P0", "53300");
    /** Disk full; read-only, as a copy is. */
    private static final List<String> TAKES_NOTHING = List.of("53100", "25006");

    /** By this the session store's own filter knows that it was here already, and looks nobody up. */
    private static final String SESSION_LOOKED_UP = SessionRepositoryFilter.class.getName() + ".FILTERED";

    private final ITemplateEngine templates;
    private final ObjectProvider<ResourceUrlProvider> files;

    DatabaseAway(ITemplateEngine templates, ObjectProvider<ResourceUrlProvider> files) {
        this.templates = templates;
        this.files = files;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isFile(request.getRequestURI())) {
            request.setAttribute(SESSION_LOOKED_UP, true);
        }
        try {
            chain.doFilter(request, response);
        } catch (ServletException | RuntimeException thrown) {
            boolean ours = isAway(thrown) || takesNothing(thrown);
            if (ours) {
                // A refusal that was being made when the line broke leaves its exception here; the server would put its own page over ours.
                request.removeAttribute(RequestDispatcher.ERROR_EXCEPTION);
            }
            boolean said = response.getStatus() >= HttpServletResponse.SC_BAD_REQUEST || Answered.isWhole(request);
            if (ours && response.isCommitted() && said) {
                LOG.warn("the session was not kept after the answer {} at {}: {}", response.getStatus(), request.getMethod(),
                        thrown.getMessage());
                return;
            }
            if (!ours || response.isCommitted()) {
                throw thrown;
            }
            answer(request, response, thrown);
        }
    }

    /** The page of a refusal looks its reader up anew, so the database may go away under that too. */
    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }

    /** What was asked for, also when it is its refusal that is being told. */
    private static String asked(HttpServletRequest request) {
        return request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI) instanceof String first ? first : request.getRequestURI();
    }

    /** Files that pages load are everybody's. */
    private static boolean isFile(String path) {
        return path.startsWith("/css/") || path.startsWith("/js/") || path.startsWith("/vendor/") || path.startsWith("/icon")
                || path.equals("/sw.js");
    }

    /** Whether the database could not be reached, or went away in the middle. */
    public static boolean isAway(Throwable thrown) {
        return said(thrown, GONE) || causes(thrown).stream()
                .anyMatch(each -> each instanceof SQLTransientConnectionException || each instanceof SQLNonTransientConnectionException
                // Neither its last word nor taking it back reached the database: the line broke under the commit.
                        || each instanceof TransactionSystemException && each.getCause() instanceof SQLException);
    }

    /** Whether it can be read and keeps nothing. */
    public static boolean takesNothing(Throwable thrown) {
        return said(thrown, TAKES_NOTHING);
    }

    private static boolean said(Throwable thrown, List<String> states) {
        return causes(thrown).stream().filter(SQLException.class::isInstance).map(each -> ((SQLException) each).getSQLState())
                .anyMatch(state -> state != null && states.stream().anyMatch(state::startsWith));
    }

    private static List<Throwable> causes(Throwable thrown) {
        Deque<Throwable> open = new ArrayDeque<>(List.of(thrown));
        List<Throwable> causes = new ArrayList<>();
        while (!open.isEmpty()) {
            Throwable each = open.pop();
            if (causes.contains(each)) {
                continue;
            }
            causes.add(each);
            if (each.getCause() != null) {
                open.push(each.getCause());
            }
            // A change that could not even be taken back says first that, and then what broke it.
            if (each instanceof TransactionSystemException rollback && rollback.getApplicationException() != null) {
                open.push(rollback.getApplicationException());
            }
        }
        return causes;
    }

    /** Answers with the page, or with a problem for a script, and says in the log that it did. */
    void answer(HttpServletRequest request, HttpServletResponse response, Exception thrown) throws IOException {
        boolean away = !takesNothing(thrown);
        LOG.error("{} at {}: {}", away ? "the database is away" : "the database takes nothing", request.getMethod(), thrown.getMessage());
        LOG.debug("what broke", thrown);
        response.resetBuffer();
        response.setContentLengthLong(-1);
        response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
        response.setHeader(HttpHeaders.RETRY_AFTER, String.valueOf(RETRY_S));
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        boolean reading = request.getMethod().equals("GET");
        String title = away ? "The database is away" : "Nothing can be kept at the moment";
        String known = (away ? "Roof Nest is here, and its database does not answer. What was saved before is safe."
                : "The database can be read and takes no changes: its disk is full, or it is a copy.")
                + (reading ? "" : " " + outcome(request));
        String accept = String.valueOf(request.getHeader(HttpHeaders.ACCEPT));
        if (!accept.contains(MediaType.TEXT_HTML_VALUE) || request.getRequestURI().startsWith("/api/")) {
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            write(response, "{\"title\":\"" + title + "\",\"status\":503,\"detail\":\"" + known + "\"}");
            return;
        }
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        Typed typed = reading ? new Typed(List.of(), false) : Typed.of(request);
        ResourceUrlProvider urls = files.getIfAvailable();
        write(response, templates.process("away", new Context(Locale.ENGLISH, Map.of("title", title, "known", known,
                "again", away && reading ? RETRY_S : 0, "action", asked(request), "reading", reading, "typed", typed.fields(),
                "left", typed.left(),
                "styles", List.of("/vendor/bootstrap.min.css", "/css/roofnest.css").stream().map(path -> named(urls, path)).toList()))));
    }

    private static String named(ResourceUrlProvider urls, String path) {
        String found = urls == null ? null : urls.getForLookupPath(path);
        return found == null ? path : found;
    }

    /** Part of an answer may have been written already, by the one or the other. */
    private static void write(HttpServletResponse response, String text) throws IOException {
        try {
            response.getWriter().write(text);
        } catch (IllegalStateException asBytes) {
            response.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
        }
    }

    /** Before a handler was found nothing can have been done; later it may have been, up to the last word of the database. */
    private static String outcome(HttpServletRequest request) {
        return request.getAttribute(HandlerMapping.BEST_MATCHING_HANDLER_ATTRIBUTE) == null ? "What you sent was not carried out."
                : "Whether what you sent was carried out is not known: look first, and send it again only if it is not there.";
    }
}
