package vividcaravan.server.platform;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the servlet container turns away becomes a problem too. */
@RestController
@Hidden
class ErrorPage implements ErrorController {

    @RequestMapping("/error")
    ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer number ? HttpStatus.resolve(number) : null;
        HttpStatus shown = status == null ? HttpStatus.NOT_FOUND : status;
        String detail = shown.is5xxServerError()
                ? "Something broke on our side; nothing was changed. The log of the server says more."
                : "The request cannot be answered as it stands: " + shown.getReasonPhrase() + ".";
        return ResponseEntity.status(shown)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(Problems.of(shown, detail, List.of()));
    }
}
