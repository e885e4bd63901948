package vividcaravan.server.platform;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import vividcaravan.core.axles.Position;
import vividcaravan.core.limits.Basis;
import vividcaravan.core.limits.LimitName;
import vividcaravan.core.limits.LimitOverrides;
import vividcaravan.core.limits.LimitPolicy;

/**
 * Types of the core in JSON, and in the document that describes it: limits as an object by their names, whichever there
 * are; a position as its code.
 */
@Component
class CoreAsJson implements JsonMapperBuilderCustomizer, ModelConverter {

    /** How some limits are read and written. */
    private abstract static class Some {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        static LimitOverrides read(Map<String, ?> byField) {
            return LimitOverrides.read(byField);
        }

        @JsonValue
        abstract Map<String, Object> byField();
    }

    /** A position as its code. */
    private abstract static class Code {
        @JsonCreator
        static Position parse(String code) {
            return Position.parse(code);
        }

        @JsonValue
        abstract String code();
    }

    /** How all limits are written. */
    private abstract static class All {
        @JsonValue
        abstract Map<String, Object> byField();
    }

    @Override
    public void customize(JsonMapper.Builder mapper) {
        mapper.addMixIn(LimitOverrides.class, Some.class)
                .addMixIn(LimitPolicy.class, All.class)
                .addMixIn(Position.class, Code.class);
    }

    @Override
    public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        Class<?> raw = Json.mapper().constructType(type.getType()).getRawClass();
        if (raw == Position.class) {
            return text();
        }
        if (raw != LimitOverrides.class && raw != LimitPolicy.class) {
            return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        }
        context.defineModel(raw.getSimpleName(), schema(raw == LimitPolicy.class));
        return new Schema<>().$ref("#/components/schemas/" + raw.getSimpleName());
    }

    private static Schema<?> text() {
        Schema<?> text = new Schema<>();
        text.setTypes(new TreeSet<>(List.of("string")));
        return text;
    }

    private static Schema<?> schema(boolean areAllThere) {
        Schema<?> schema = new Schema<>();
        schema.setTypes(new TreeSet<>(List.of("object")));
        for (LimitName name : LimitName.values()) {
            schema.addProperty(name.field(), property(name, areAllThere));
        }
        if (areAllThere) {
            schema.setRequired(
                    Arrays.stream(LimitName.values()).map(LimitName::field).toList());
        }
        return schema;
    }

    private static Schema<Object> property(LimitName name, boolean isThere) {
        Schema<Object> property = new Schema<>();
        List<String> types = new ArrayList<>(List.of(name == LimitName.BASIS ? "string" : "number"));
        if (name == LimitName.BASIS) {
            Arrays.stream(Basis.values()).map(Enum::name).forEach(property::addEnumItemObject);
        } else {
            property.setFormat("double");
        }
        if (!isThere) {
            types.add("null");
        }
        property.setTypes(new TreeSet<>(types));
        return property;
    }
}
