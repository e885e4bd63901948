package vividcaravan.server.platform;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Tells the OpenAPI document what the records say: a component is always there unless it may be null, and then it says
 * so. The browser's types are made from this.
 */
@Component
class RecordSchemas implements ModelConverter {

    @Override
    public Schema<?> resolve(AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        Schema<?> resolved = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        JavaType java = Json.mapper().constructType(type.getType());
        if (resolved != null && java != null && java.getRawClass().isRecord()) {
            Schema<?> schema = resolved.get$ref() == null
                    ? resolved
                    : context.getDefinedModels().get(resolved.get$ref().replaceFirst(".*/", ""));
            if (schema != null && schema.getProperties() != null) {
                describe(schema, java.getRawClass());
            }
        }
        return resolved;
    }

    @SuppressWarnings("rawtypes") // as the library declares it
    private static void describe(Schema<?> schema, Class<?> type) {
        List<String> required = new ArrayList<>();
        Map<String, Schema> properties = schema.getProperties();
        for (RecordComponent component : type.getRecordComponents()) {
            Schema<?> property = properties.get(component.getName());
            if (property == null) {
                continue;
            }
            if (component.getAnnotatedType().isAnnotationPresent(Nullable.class) || isMissingInCore(type, component)) {
                properties.put(component.getName(), nullable(property));
            } else {
                required.add(component.getName());
            }
        }
        schema.setRequired(required.isEmpty() ? null : required);
    }

    /** The core stands on the JDK alone, which has no annotation for it: a figure that may be missing is boxed there. */
    private static boolean isMissingInCore(Class<?> type, RecordComponent component) {
        return type.getPackageName().startsWith("vividcaravan.core")
                && Number.class.isAssignableFrom(component.getType());
    }

    private static Schema<?> nullable(Schema<?> property) {
        if (property.get$ref() != null) {
            return new Schema<>().anyOf(List.of(new Schema<>().$ref(property.get$ref()), nothing()));
        }
        if (property.getTypes() != null) {
            property.setTypes(new TreeSet<>(property.getTypes()));
            property.getTypes().add("null");
        }
        return property;
    }

    private static Schema<?> nothing() {
        Schema<?> nothing = new Schema<>();
        nothing.setTypes(new TreeSet<>(List.of("null")));
        return nothing;
    }
}
