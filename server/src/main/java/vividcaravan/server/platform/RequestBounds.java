package vividcaravan.server.platform;

import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/**
 * The one way in which every field of every request is held to a bound, before anybody reads it: how long a text is, how many
 * elements a list has and that none of them is missing, that a number is one and a time within the calendar. What a field
 * means is asked where it is meant. Bounds other than the usual are said by {@link AtMost} at the field.
 */
@RestControllerAdvice
public class RequestBounds extends RequestBodyAdviceAdapter {

    /** Characters of a text, unless its field says otherwise. */
    public static final int USUAL_TEXT = 1_000;

    private static final int USUAL_LIST = 10_000;
    private static final int MOST_FAULTS = 50;
    private static final int DEEPEST = 20;
    private static final double LARGEST = 1e9;
    private static final Instant EARLIEST = Instant.EPOCH;
    private static final Instant LATEST = Instant.parse("2200-01-01T00:00:00Z");
    private static final LocalDate FIRST_DAY = LocalDate.of(1900, 1, 1);
    private static final LocalDate LAST_DAY = LocalDate.of(2200, 1, 1);

    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return parameter.getParameterType().isRecord();
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        Faults faults = faults(body);
        faults.refuse();
        return body;
    }

    /** What is out of bounds in a request or a part of one; at most 50 faults are named. */
    public static Faults faults(Object request) {
        Faults faults = new Faults();
        new RequestBounds().look("", request, USUAL_TEXT, USUAL_LIST, faults, 0);
        return faults;
    }

    private void look(String field, @Nullable Object value, int text, int list, Faults faults, int depth) {
        if (value == null || faults.size() >= MOST_FAULTS) {
            return;
        }
        if (depth > DEEPEST) {
            fault(field, "is nested too deeply.", faults);
        } else if (value instanceof String string) {
            Texts.fault(string, text, false).ifPresent(fault -> fault(field, fault, faults));
        } else if (value instanceof Double number) {
            if (!(Math.abs(number) <= LARGEST)) {
                fault(field, "must be a number that can be, was " + number + ".", faults);
            }
        } else if (value instanceof Instant time) {
            if (time.isBefore(EARLIEST) || time.isAfter(LATEST)) {
                fault(field, "must lie between 1970 and 2200; write it like 2026-11-20T06:31:07Z.", faults);
            }
        } else if (value instanceof LocalDate day) {
            if (day.isBefore(FIRST_DAY) || day.isAfter(LAST_DAY)) {
                fault(field, "must lie between 1900 and 2200; write it like 2026-11-20.", faults);
            }
        } else if (value instanceof Collection<?> elements) {
            lookAtEach(field, elements, text, list, faults, depth);
        } else if (value instanceof Map<?, ?> map) {
            lookAtEach(field, map.keySet(), text, list, faults, depth);
            lookAtEach(field, map.values(), text, list, faults, depth);
        } else if (value instanceof Record record) {
            lookAtFields(field, record, faults, depth);
        }
    }

    private void lookAtEach(String field, Collection<?> elements, int text, int list, Faults faults, int depth) {
        if (elements.size() > list) {
            fault(field, "may have " + list + " elements, has " + elements.size() + ". Send it in parts.", faults);
            return;
        }
        int index = 0;
        for (Object element : elements) {
            String name = field + "[" + index++ + "]";
            if (element == null) {
                fault(name, "is missing; leave it out or say what it is.", faults);
            }
            look(name, element, text, list, faults, depth + 1);
        }
    }

    private void lookAtFields(String field, Record record, Faults faults, int depth) {
        for (RecordComponent component : record.getClass().getRecordComponents()) {
            if (component.isAnnotationPresent(EachByItself.class)) {
                continue;
            }
            AtMost bound = component.getAnnotation(AtMost.class);
            String name = field.isEmpty() ? component.getName() : field + "." + component.getName();
            look(
                    name,
                    value(record, component),
                    bound == null ? USUAL_TEXT : bound.value(),
                    bound == null ? USUAL_LIST : bound.value(),
                    faults,
                    depth + 1);
        }
    }

    private static @Nullable Object value(Record record, RecordComponent component) {
        try {
            component.getAccessor().setAccessible(true);
            return component.getAccessor().invoke(record);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("a record's component can be read", e);
        }
    }

    private static void fault(String field, String message, Faults faults) {
        if (faults.size() < MOST_FAULTS) {
            faults.add(field, "\"" + field + "\" " + message);
        }
    }
}
