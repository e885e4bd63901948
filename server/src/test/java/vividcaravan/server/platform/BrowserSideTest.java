package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import vividcaravan.server.Door;
import vividcaravan.server.RunningProduct;

/** Whatever page the browser's side knows can be opened by its address. */
@ExtendWith(RunningProduct.class)
class BrowserSideTest {

    private static final Pattern ADDRESS = Pattern.compile("path: '(/[^':]*)");

    static Set<String> addresses() throws IOException {
        Set<String> found = new TreeSet<>();
        for (String file : new String[] {"router.ts", "places/pages.ts"}) {
            String text = Files.readString(Path.of("..", "web", "src").resolve(file));
            ADDRESS.matcher(text).results().map(match -> match.group(1)).forEach(found::add);
        }
        return found;
    }

    static Stream<String> pages() throws IOException {
        return addresses().stream().filter(address -> address.length() > 1);
    }

    @ParameterizedTest
    @MethodSource("pages")
    void isServed(String address) {
        Door.Answer answer = RunningProduct.door().get(address);

        assertThat(answer.status()).isEqualTo(200);
        assertThat(answer.text()).contains("<div id=\"app\">");
    }
}
