package vividcaravan.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.time.Instant;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;

class TableFileTest {

    /** RFC 4180: lines end with CR and LF, and a cell with a comma, a quotation mark or a line break stands in quotation marks. */
    @Test
    void isWrittenAsTheStandardSays() throws IOException {
        StringBuilder text = new StringBuilder();
        try (TableFile out = TableFile.in(text)) {
            out.row("ref", "said", "kPa");
            out.row("LM-31", "\"cold\", he said\nat six", 850.5);
            out.row(Instant.parse("2026-11-20T06:00:00Z"), null, "a,b");
        }

        assertThat(text.toString())
                .isEqualTo("ref,said,kPa\r\nLM-31,\"\"\"cold\"\", he said\nat six\",850.5\r\n"
                        + "2026-11-20T06:00:00Z,,\"a,b\"\r\n");
    }

    @Test
    void whatSomebodyEnteredIsNoFormulaAndWhatWasReckonedStaysANumber() throws IOException {
        StringBuilder text = new StringBuilder();
        List<String> entered = List.of("=1+1", "+1", "-1", "@now", "\t=1", "\r=1", "plain", "a=b", "");
        try (TableFile out = TableFile.in(text)) {
            out.row(entered.toArray());
            out.row(-1.5, -2, null);
        }

        try (CSVParser read = CSVParser.parse(new StringReader(text.toString()), CSVFormat.RFC4180)) {
            List<CSVRecord> rows = read.getRecords();
            assertThat(rows.get(0).stream().toList())
                    .containsExactly("'=1+1", "'+1", "'-1", "'@now", "'\t=1", "'\r=1", "plain", "a=b", "");
            assertThat(rows.get(0).stream().map(HarmlessCell::read)).containsExactlyElementsOf(entered);
            assertThat(rows.get(1).stream().toList()).containsExactly("-1.5", "-2", "");
        }
    }
}
