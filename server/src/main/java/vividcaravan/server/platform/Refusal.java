package vividcaravan.server.platform;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be done, with the reason in words. Nothing was changed. */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    /**
     * A part of the request that is at fault.
     *
     * @param field the field, or its JSON path
     * @param message what is wrong and what to do
     */
    public record Fault(String field, String message) {}

    private final transient List<Fault> faults;
    private final HttpStatus status;
    private final Integer retryAfterSeconds;

    private Refusal(HttpStatus status, String message, List<Fault> faults, Integer retryAfterSeconds) {
        super(message);
        this.status = status;
        this.faults = List.copyOf(faults);
        this.retryAfterSeconds = retryAfterSeconds;
    }

    public static Refusal badRequest(String message, List<Fault> faults) {
        return new Refusal(HttpStatus.BAD_REQUEST, message, faults, null);
    }

    public static Refusal badRequest(String field, String message) {
        return badRequest(message, List.of(new Fault(field, message)));
    }

    public static Refusal notFound(String message) {
        return new Refusal(HttpStatus.NOT_FOUND, message, List.of(), null);
    }

    public static Refusal conflict(String message) {
        return new Refusal(HttpStatus.CONFLICT, message, List.of(), null);
    }

    public static Refusal conflict(String message, List<Fault> faults) {
        return new Refusal(HttpStatus.CONFLICT, message, faults, null);
    }

    public static Refusal tooLarge(String message) {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, message, List.of(), null);
    }

    public static Refusal unsupported(String message) {
        return new Refusal(HttpStatus.UNSUPPORTED_MEDIA_TYPE, message, List.of(), null);
    }

    public static Refusal unauthorized(String message) {
        return new Refusal(HttpStatus.UNAUTHORIZED, message, List.of(), null);
    }

    public static Refusal tooMany(String message, int retryAfterSeconds) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, message, List.of(), retryAfterSeconds);
    }

    public static Refusal busy(String message) {
        return new Refusal(HttpStatus.SERVICE_UNAVAILABLE, message, List.of(), 1);
    }

    public HttpStatus status() {
        return status;
    }

    public List<Fault> faults() {
        return faults;
    }

    public Integer retryAfterSeconds() {
        return retryAfterSeconds;
    }
}
