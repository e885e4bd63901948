package vividcaravan.server.platform;

import java.net.URI;
import java.util.List;
import java.util.Map;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import vividcaravan.core.alert.AlertRefused;

/** The one place where what went wrong becomes an RFC 9457 problem. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

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

    @ExceptionHandler(Exception.class)
    ResponseEntity<ProblemDetail> unexpected(Exception e) {
        LOG.error("A request failed in a way nobody planned for", e);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something broke on our side; nothing was changed. The log of the server says more.",
                List.of(),
                new HttpHeaders());
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "The body could not be read as JSON of the expected shape.");
        problem.setProperty("errors", List.of());
        return handleExceptionInternal(e, problem, headers, HttpStatus.BAD_REQUEST, request);
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
