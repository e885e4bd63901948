package vividcaravan.server.door;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.apache.coyote.ActionCode;
import org.springframework.http.HttpStatus;

/** What the web server itself turns away, before any of ours is reached, is answered as a problem too. */
public final class ProblemReport extends ErrorReportValve {

    @Override
    protected void report(Request request, Response response, Throwable thrown) {
        int code = response.getStatus();
        if (code < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        HttpStatus status = HttpStatus.resolve(code);
        String title = status == null ? "Refused" : status.getReasonPhrase();
        byte[] body = ("{\"type\":\"about:blank\",\"title\":\"" + title + "\",\"status\":" + code
                        + ",\"detail\":\"The request cannot be answered as it stands: " + title + ".\",\"errors\":[]}")
                .getBytes(StandardCharsets.UTF_8);
        try {
            response.setContentType("application/problem+json");
            response.setContentLength(body.length);
            response.getOutputStream().write(body);
            response.finishResponse();
        } catch (IOException | IllegalStateException e) {
            // Nobody waits for it any more.
            request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }
}
