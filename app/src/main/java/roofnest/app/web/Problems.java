package roofnest.app.web;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.servlet.ModelAndView;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;

/**
 * Errors, mapped once: a page in plain words for a browser, an RFC 9457 problem for a script. Nothing of the inside is
 * shown; what was not foreseen is logged.
 */
@ControllerAdvice
public class Problems {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    private final DatabaseAway away;

    Problems(DatabaseAway away) {
        this.away = away;
    }

    private static final String QUICKER = "Somebody else was quicker";

    /** What the other person did, by the constraint that two at once ran into. */
    private static final Map<String, String> AT_ONCE = Map.ofEntries(
            Map.entry("camera_name_in_household", "Another camera of this house was given this name at the same moment."),
            Map.entry("one_open_run_a_camera", "Somebody else began a run of this camera at the same moment."),
            Map.entry("one_open_run_a_hub", "Somebody else began a run of this hub at the same moment."),
            Map.entry("one_open_visit_a_household", "Somebody else began this visit at the same moment."),
            Map.entry("one_open_rejoin_a_household", "Somebody else began the rejoining at the same moment."),
            Map.entry("network_by_name", "Somebody else wrote down a network of this name at the same moment."),
            Map.entry("network_for_cameras", "Somebody else chose the network for the cameras at the same moment."),
            Map.entry("quotation_open_once", "Somebody else issued a quotation of this job at the same moment."),
            Map.entry("bill_cancels_id_key", "Somebody else cancelled this bill at the same moment."),
            Map.entry("variant_name_in_household", "Somebody else kept a variant of this name at the same moment."),
            Map.entry("person_email_key", "Somebody else added a person with this address at the same moment."));

    @ExceptionHandler
    Object noSuchPage(NoSuchPage e, HttpServletRequest request) {
        return answer(request, HttpStatus.NOT_FOUND, "There is nothing at this address",
                "It was moved, taken out, or belongs to somebody else. Go back to the households and look for it there.");
    }

    @ExceptionHandler
    Object stale(StaleEdit e, HttpServletRequest request) {
        if (forScript(request)) {
            ProblemDetail problem = problem(request, HttpStatus.CONFLICT, "Somebody else saved this meanwhile", e.getMessage());
            problem.setProperty("version", e.currentVersion());
            return script(problem);
        }
        return answer(request, HttpStatus.CONFLICT, "Somebody else saved this meanwhile",
                e.getMessage() + " Nothing of yours was saved. Open it again to see theirs, then make your change.");
    }

    @ExceptionHandler
    Object conflict(Conflict e, HttpServletRequest request) {
        return answer(request, HttpStatus.CONFLICT, QUICKER,
                e.getMessage() + " Nothing of yours was saved. Open it again to see how it stands.");
    }

    /** Two who did the same at the same moment, told apart by the database alone. */
    @ExceptionHandler
    Object atOnce(DataIntegrityViolationException e, HttpServletRequest request) {
        String said = String.valueOf(e.getMostSpecificCause().getMessage());
        Optional<String> words
                = AT_ONCE.entrySet().stream().filter(entry -> said.contains(entry.getKey())).map(Map.Entry::getValue).findFirst();
        if (said.contains("act_pkey")) {
            // The same act, sent twice at the same moment: the other one was carried out.
            return ResponseEntity.noContent().header("X-Act-Known", "true").build();
        }
        if (words.isEmpty()) {
            LOG.error("Unforeseen constraint at {} {}", request.getMethod(), request.getRequestURI(), e);
        }
        return answer(request, HttpStatus.CONFLICT, QUICKER,
                words.orElse("Somebody else changed or took out the same thing at the same moment.")
                        + " Nothing of yours was saved. Open it again to see how it stands.");
    }

    @ExceptionHandler
    Object tooManyAtOnce(ConcurrencyFailureException e, HttpServletRequest request) {
        return answer(request, HttpStatus.CONFLICT, QUICKER,
                "Somebody else was changing the same thing at the same moment. Nothing of yours was saved. Try once more.");
    }

    @ExceptionHandler
    Object handsFull(HandsFull e, HttpServletRequest request) {
        return answer(request, HttpStatus.SERVICE_UNAVAILABLE, "Too many files at once",
                "Others are sending pictures at this moment. Nothing was changed; try again in half a minute.");
    }

    @ExceptionHandler
    Object badInput(BadInput e, HttpServletRequest request) {
        return answer(request, HttpStatus.UNPROCESSABLE_CONTENT, "That cannot be taken", e.getMessage() + " Nothing was changed.");
    }

    @ExceptionHandler({HttpMessageNotReadableException.class, TypeMismatchException.class})
    Object unreadable(Exception e, HttpServletRequest request) {
        return answer(request, HttpStatus.BAD_REQUEST, "That request cannot be read",
                "Something in it is not of the form it should be. Nothing was changed.");
    }

    @ExceptionHandler
    Object other(Exception e, HttpServletRequest request, HttpServletResponse response) throws IOException {
        if (DatabaseAway.isAway(e) || DatabaseAway.takesNothing(e)) {
            away.answer(request, response, e);
            return null;
        }
        if (e instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            return answer(request, known.getStatusCode(), "That request cannot be answered",
                    "Something in it is missing or too big. Nothing was changed. Go back and try again.");
        }
        LOG.error("Unforeseen at {} {}", request.getMethod(), request.getRequestURI(), e);
        return answer(request, HttpStatus.INTERNAL_SERVER_ERROR, "Something went wrong on our side",
                "It was noted in the log. What you had saved before is kept; the last step was not carried out. Go back and "
                        + "try it once more.");
    }

    /** A page in plain words for a browser, a problem for a script. */
    public static Object answer(HttpServletRequest request, HttpStatusCode status, String title, String detail) {
        if (forScript(request)) {
            return script(problem(request, status, title, detail));
        }
        note(request, title, detail);
        ModelAndView page = new ModelAndView("problem", HttpStatus.valueOf(status.value()));
        page.addObject("title", title);
        page.addObject("detail", detail);
        page.addObject("number", number(request));
        return page;
    }

    private static boolean forScript(HttpServletRequest request) {
        String accept = request.getHeader("Accept");
        return request.getRequestURI().startsWith("/api/") || accept != null
                && (accept.contains(MediaType.APPLICATION_PROBLEM_JSON_VALUE) || !accept.contains(MediaType.TEXT_HTML_VALUE));
    }

    private static ProblemDetail problem(HttpServletRequest request, HttpStatusCode status, String title, String detail) {
        note(request, title, detail);
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setTitle(title);
        problem.setProperty("request", number(request));
        return problem;
    }

    private static Object script(ProblemDetail problem) {
        return ResponseEntity.status(problem.getStatus()).contentType(MediaType.APPLICATION_PROBLEM_JSON).body(problem);
    }

    private static void note(HttpServletRequest request, String title, String detail) {
        request.setAttribute(RequestNumber.REASON, title + ": " + detail);
    }

    /** The request's own number stands on the page and in the log, so that one is found from the other. */
    private static String number(HttpServletRequest request) {
        return String.valueOf(request.getAttribute(RequestNumber.ATTRIBUTE));
    }
}
