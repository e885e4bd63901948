package vividcaravan.server.tyres;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.alert.AlertKind;

/**
 * One trouble of a tyre that lies off every vehicle.
 *
 * @param number by which it is ended, counted from 1 for each tyre
 * @param kind of the alert that told of it
 * @param isRunSoft whether it was run at 80 % of its target or less
 * @param seenBy user name of the person who saw it; null where readings told of it
 * @param words what it is, as a sentence
 */
public record TyreMark(
        int number, AlertKind kind, boolean isRunSoft, Instant since, @Nullable String seenBy, String words) {

    /** As text in the tyre's row. */
    @Converter
    static final class AsText implements AttributeConverter<List<TyreMark>, String> {

        private static final JsonMapper JSON = new JsonMapper();

        @Override
        public @Nullable String convertToDatabaseColumn(@Nullable List<TyreMark> marks) {
            return marks == null || marks.isEmpty() ? null : JSON.writeValueAsString(marks);
        }

        @Override
        public List<TyreMark> convertToEntityAttribute(@Nullable String text) {
            return text == null ? List.of() : List.of(JSON.readValue(text, TyreMark[].class));
        }
    }
}
