package vividcaravan.server.platform;

import java.net.URI;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Stream;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import vividcaravan.core.alert.AlertRefused;

/** The one place where what went wrong becomes an RFC 9457 problem. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    private final Storage storage;

    Problems(Storage storage) {
        this.storage = storage;
    }

    @ExceptionHandler(Refusal.class)
    ResponseEntity<ProblemDetail> refused(Refusal refusal) {
        HttpHeaders headers = new HttpHeaders();
        if (refusal.retryAfterSeconds() != null) {
            headers.set(HttpHeaders.RETRY_AFTER, refusal.retryAfterSeconds().toString());
        }
        return answer(refusal.status(), refusal.getMessage(), refusal.faults(), headers);
    }

    @ExceptionHandler(AlertRefused.class)
    ResponseEntity<ProblemDetail> refused(AlertRefused refused) {
        return answer(HttpStatus.CONFLICT, refused.getMessage(), List.of(), new HttpHeaders());
    }

    @ExceptionHandler(MethodArgumentTypeMismatchException.class)
    ResponseEntity<ProblemDetail> mistyped(MethodArgumentTypeMismatchException e) {
        String message = "\"" + e.getValue() + "\" cannot be read here. See /api/v1/openapi.json for what is allowed.";
        return answer(
                HttpStatus.BAD_REQUEST, message, List.of(new Refusal.Fault(e.getName(), message)), new HttpHeaders());
    }

    @ExceptionHandler(InvalidParameterException.class)
    ResponseEntity<ProblemDetail> undecodable(InvalidParameterException e) {
        return answer(
                HttpStatus.BAD_REQUEST,
                "The parameters cannot be read. Encode them as UTF-8 with percent signs.",
                List.of(),
                new HttpHeaders());
    }

    @ExceptionHandler(AccessDeniedException.class)
    ResponseEntity<ProblemDetail> denied(AccessDeniedException e) {
        return answer(
                HttpStatus.FORBIDDEN, "Your role does not allow this. Ask a manager.", List.of(), new HttpHeaders());
    }

    /** Two did the same at once, and the database let only one. */
    @ExceptionHandler(DataIntegrityViolationException.class)
    ResponseEntity<ProblemDetail> clashing(DataIntegrityViolationException e) {
        LOG.info("A request clashed with another: {}", String.valueOf(e.getMessage()));
        return answer(
                HttpStatus.CONFLICT,
                "This clashes with what was stored just now; nothing of it was kept. Load the page again and look.",
                List.of(),
                new HttpHeaders());
    }

    @ExceptionHandler(ConcurrencyFailureException.class)
    ResponseEntity<ProblemDetail> waitedTooLong(ConcurrencyFailureException e) {
        return refused(Refusal.busy("Somebody else is changing the same just now. Send this again in a second."));
    }

    @ExceptionHandler(WriteFailed.class)
    ResponseEntity<ProblemDetail> failed(WriteFailed e) {
        return broken(e.reference());
    }

    @ExceptionHandler(Exception.class)
    @Nullable
    ResponseEntity<ProblemDetail> unexpected(Exception e) {
        if (isGone(e)) {
            return null;
        }
        if (storage.isOutOfReach(e)) {
            LOG.error("The database is out of reach", e);
            return refused(Refusal.busy("The database is out of reach just now. Send this again in a while."));
        }
        String reference = Integer.toHexString(ThreadLocalRandom.current().nextInt(0x1000_0000, Integer.MAX_VALUE));
        LOG.error("A request failed in a way nobody planned for, {}", reference, e);
        return broken(reference);
    }

    private static ResponseEntity<ProblemDetail> broken(String reference) {
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something broke on our side; nothing was changed. The server's log says more at " + reference + ".",
                List.of(),
                new HttpHeaders());
    }

    /** Whoever asked has hung up, so there is nobody to be answered and nothing to be mended. */
    private static boolean isGone(Exception e) {
        return e instanceof AsyncRequestNotUsableException
                || e.getClass().getSimpleName().equals("ClientAbortException");
    }

    /** The guard before us turned a name or a sign in the request down; found out only once somebody asked for it. */
    @ExceptionHandler(RequestRejectedException.class)
    ResponseEntity<ProblemDetail> rejected(RequestRejectedException e) {
        return answer(
                HttpStatus.BAD_REQUEST,
                "The request has signs in it that are not taken. Send JSON as application/json.",
                List.of(),
                new HttpHeaders());
    }

    @ExceptionHandler(IllegalArgumentException.class)
    ResponseEntity<ProblemDetail> unfit(IllegalArgumentException e) {
        // A content type with a wildcard is found out by nobody before it is compared.
        boolean isContentType = String.valueOf(e.getMessage()).contains("Content-Type");
        return isContentType
                ? answer(
                        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
                        "Send JSON as application/json.",
                        List.of(),
                        new HttpHeaders())
                : unexpected(e);
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        boolean isTooLarge = causes(e).anyMatch(BodyStreams.TooLarge.class::isInstance);
        List<Refusal.Fault> faults = causes(e)
                .filter(DatabindException.class::isInstance)
                .map(cause -> ((DatabindException) cause).getPath())
                .filter(path -> !path.isEmpty())
                .map(Problems::fault)
                .limit(1)
                .toList();
        HttpStatus answered = isTooLarge ? HttpStatus.CONTENT_TOO_LARGE : HttpStatus.BAD_REQUEST;
        String detail = isTooLarge
                ? "The body is larger than is taken here. Send it in parts."
                : faults.isEmpty()
                        ? "The body could not be read as JSON of the expected shape."
                        : faults.get(0).message();
        return handleExceptionInternal(e, of(answered, detail, faults), headers, answered, request);
    }

    /** Whoever hung up in the middle of an answer gets no other, and fills no log. */
    @Override
    protected @Nullable ResponseEntity<Object> handleExceptionInternal(
            Exception e, @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (request instanceof ServletWebRequest web
                && web.getResponse() != null
                && web.getResponse().isCommitted()) {
            LOG.debug("The answer had begun", e);
            return null;
        }
        return super.handleExceptionInternal(e, body, headers, status, request);
    }

    private static Stream<Throwable> causes(Throwable thrown) {
        return Stream.iterate(thrown, Objects::nonNull, Throwable::getCause).limit(20);
    }

    private static Refusal.Fault fault(List<JacksonException.Reference> path) {
        StringBuilder field = new StringBuilder();
        for (JacksonException.Reference step : path) {
            if (step.getPropertyName() == null) {
                field.append('[').append(step.getIndex()).append(']');
            } else {
                field.append(field.isEmpty() ? "" : ".").append(step.getPropertyName());
            }
        }
        return new Refusal.Fault(
                field.toString(),
                "\"" + field + "\" cannot be read as it stands. See /api/v1/openapi.json for what is allowed.");
    }

    private static ResponseEntity<ProblemDetail> answer(
            HttpStatus status, String detail, List<Refusal.Fault> faults, HttpHeaders headers) {
        headers.setContentType(MediaType.APPLICATION_PROBLEM_JSON);
        return new ResponseEntity<>(of(status, detail, faults), headers, status);
    }

    static ProblemDetail of(HttpStatus status, String detail, List<Refusal.Fault> faults) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setType(URI.create("about:blank"));
        problem.setProperties(Map.of("errors", faults));
        return problem;
    }
}
