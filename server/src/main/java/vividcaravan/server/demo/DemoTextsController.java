package vividcaravan.server.demo;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import vividcaravan.core.alert.DriverAnswer;
import vividcaravan.server.drivers.Instructions;
import vividcaravan.server.platform.QueryParameters;
import vividcaravan.server.platform.Refusal;
import vividcaravan.server.platform.VividProperties;

/** The simulated service of text messages: what it would have sent to drivers, and what they answer. */
@RestController
@RequestMapping("/api/v1/demo/texts")
@PreAuthorize("hasAnyRole('MANAGER', 'TECHNICIAN')")
@Tag(name = "demo")
class DemoTextsController {

    private static final int MOST = 10;

    private final Instructions instructions;
    private final boolean isDemo;

    DemoTextsController(Instructions instructions, VividProperties properties) {
        this.instructions = instructions;
        this.isDemo = properties.demo();
    }

    /** A message to a driver. */
    record DemoText(String id, String driver, String phone, String text, Instant at) {}

    /** An answer that a driver may give, in words after their name. */
    record DemoAnswer(DriverAnswer answer, String words) {}

    record DemoTextList(List<DemoText> items, List<DemoAnswer> answers) {}

    /** What the driver answers. */
    record DemoAnswerRequest(@Nullable DriverAnswer answer) {}

    @GetMapping
    @Operation(operationId = "listDemoTexts", summary = "Text messages that would have been sent to drivers")
    DemoTextList list() {
        List<Instructions.Texted> texted = isDemo ? instructions.texted(MOST) : List.of();
        return new DemoTextList(
                texted.stream()
                        .map(one ->
                                new DemoText(Long.toString(one.id()), one.driver(), one.phone(), one.text(), one.at()))
                        .toList(),
                Arrays.stream(DriverAnswer.values())
                        .map(answer -> new DemoAnswer(answer, answer.words()))
                        .toList());
    }

    @PostMapping("/{id}/answers")
    @Operation(operationId = "answerDemoText", summary = "Answer a text message as its driver would")
    DemoTextList answer(@PathVariable String id, @RequestBody DemoAnswerRequest request) {
        if (!isDemo) {
            throw Refusal.conflict("This is no demo: drivers answer for themselves.");
        }
        if (request.answer() == null) {
            throw Refusal.badRequest("answer", "Say what the driver answers.");
        }
        instructions.answeredByText(QueryParameters.id("text message", id), request.answer());
        return list();
    }
}
