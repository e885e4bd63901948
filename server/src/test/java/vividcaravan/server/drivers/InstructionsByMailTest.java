package vividcaravan.server.drivers;

import static org.assertj.core.api.Assertions.assertThat;
import static vividcaravan.server.Door.array;
import static vividcaravan.server.Door.reading;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import vividcaravan.server.Browser;
import vividcaravan.server.Door;
import vividcaravan.server.OwnProduct;
import vividcaravan.server.Patience;

/** An instruction by mail, through a real SMTP server that is away at first: it arrives, once, also over a restart. */
class InstructionsByMailTest {

    private static final String PASSWORD = "four words in a row";
    private static final Pattern SECRET = Pattern.compile("/join#(\\S+)");

    @TempDir
    Path folder;

    private static GreenMail mailServer(int port) {
        return new GreenMail(new ServerSetup(port, "localhost", ServerSetup.PROTOCOL_SMTP));
    }

    private static Browser joined(Door door) {
        door.postJson("/api/v1/invitations", "{ \"email\": \"o.tansley@example.org\", \"role\": \"DRIVER\" }");
        String secret = door.get("/api/v1/outbox").json().at("/items/0/text").asString();
        Matcher link = SECRET.matcher(secret);
        assertThat(link.find()).as(secret).isTrue();
        Browser browser = new Browser(door.withToken(null));
        browser.get("/api/v1/session");
        browser.send(
                "POST",
                "/api/v1/join",
                "{ \"secret\": \"%s\", \"userName\": \"tansley\", \"displayName\": \"O. Tansley\", \"password\": \"%s\" }"
                        .formatted(link.group(1), PASSWORD));
        Browser driver = new Browser(door.withToken(null));
        driver.signIn("tansley", PASSWORD);
        return driver;
    }

    @Test
    void arrivesOnceAlsoWhereTheMailServerIsAwayAndTheProductIsStartedAgain() throws Exception {
        GreenMail first = mailServer(0);
        first.start();
        int port = first.getSmtp().getPort();
        first.stop();
        try (OwnProduct product = OwnProduct.in(
                folder,
                Instant.parse("2026-11-20T06:00:00Z"),
                "--vivid.public-url=http://tyres.example.org",
                "--vivid.mail.host=localhost",
                "--vivid.mail.port=" + port,
                "--vivid.mail.security=NONE",
                "--vivid.mail.from=yard@example.org")) {
            Door door = product.door();
            Browser driver = joined(door);
            driver.send(
                    "PUT",
                    "/api/v1/session/preferences",
                    "{ \"pressureUnit\": \"BAR\", \"temperatureUnit\": \"CELSIUS\", \"theme\": \"SYSTEM\","
                            + " \"language\": \"DE\" }");
            Door.Truck truck = door.newTruck();
            door.putJson("/api/v1/accounts/tansley/vehicles", "{ \"vehicles\": [ \"" + truck.ref() + "\" ] }");
            Instant begin = product.now().minusSeconds(600);
            door.readings(array(IntStream.range(0, 6)
                    .mapToObj(minute -> reading(truck.left(), begin.plusSeconds(minute * 60L), 700, 20))
                    .toList()));
            String instructions = "/api/v1/alerts/"
                    + door.alertsOf(truck.ref()).get(0).get("id").asString() + "/instructions";

            door.postJson("/api/v1/invitations", "{ \"email\": \"waits@example.org\", \"role\": \"VIEWER\" }");
            door.postJson(instructions, "{ \"driver\": \"tansley\" }");

            Patience.until("the trouble is told", () -> !product.door()
                    .get(instructions)
                    .json()
                    .at("/told/0/deliveries/1/trouble")
                    .asString("")
                    .isEmpty());
            product.restart();
            GreenMail server = mailServer(port);
            server.start();
            try {
                product.pass(Duration.ofHours(2));
                Patience.until("the mail is sent", () -> product.door()
                        .get(instructions)
                        .json()
                        .at("/told/0/deliveries/1/state")
                        .asString("")
                        .equals("SENT"));
                assertThat(List.of(server.getReceivedMessages()).get(0).getSubject())
                        .as("a call goes before letters, however long they wait")
                        .contains(truck.ref());
                product.restart();
                product.pass(Duration.ofHours(2));
                product.door()
                        .postJson("/api/v1/invitations", "{ \"email\": \"last@example.org\", \"role\": \"VIEWER\" }");
                Patience.until(
                        "what came after it is sent",
                        () -> received(server, "last@example.org").size() == 1);

                List<MimeMessage> mails = received(server, "o.tansley@example.org").stream()
                        .filter(mail -> subject(mail).contains(truck.ref()))
                        .toList();
                assertThat(mails).hasSize(1);
                assertThat(mails.get(0).getContent().toString())
                        .contains(truck.ref() + ", Achse 1 von vorn, linke Seite");
            } finally {
                server.stop();
            }
        }
    }

    private static List<MimeMessage> received(GreenMail server, String recipient) {
        return Arrays.stream(server.getReceivedMessages())
                .filter(mail -> recipients(mail).contains(recipient))
                .toList();
    }

    private static String subject(MimeMessage mail) {
        try {
            return mail.getSubject();
        } catch (jakarta.mail.MessagingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String recipients(MimeMessage mail) {
        try {
            return Arrays.toString(mail.getAllRecipients());
        } catch (jakarta.mail.MessagingException e) {
            throw new IllegalStateException(e);
        }
    }
}
