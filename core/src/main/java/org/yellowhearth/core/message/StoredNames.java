package org.yellowhearth.core.message;

import java.lang.reflect.AnnotatedElement;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/** Under which names types, fields and constants stand in files: the one that is written first, then those of older versions that are read as well. */
public final class StoredNames {
    private static final Map<AnnotatedElement, List<String>> TYPES = new ConcurrentHashMap<>();
    private static final Map<Enum<?>, List<String>> CONSTANTS = new ConcurrentHashMap<>();

    private StoredNames() {
    }

    /** The names of a type; without a stored one {@code TakeApartStep} is {@code take-apart-step}. */
    public static List<String> of(Class<?> type) {
        return TYPES.computeIfAbsent(type,
                _ -> names(type, type.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT)));
    }

    /** The names of a field. */
    public static List<String> of(RecordComponent component) {
        return names(component, component.getName());
    }

    /** The names of a constant; without a stored one {@code ACROSS_LINE} is {@code across-line}. */
    public static List<String> of(Coded constant) {
        return CONSTANTS.computeIfAbsent((Enum<?>) constant, c -> {
            try {
                return names(c.getDeclaringClass().getField(c.name()), c.name().toLowerCase(Locale.ROOT).replace('_', '-'));
            } catch (NoSuchFieldException e) {
                throw new IllegalStateException("every constant of an enum is a field of it: " + c, e);
            }
        });
    }

    private static List<String> names(AnnotatedElement of, String usual) {
        Stored stored = of.getAnnotation(Stored.class);
        return stored == null
                ? List.of(usual)
                : Stream.concat(Stream.of(stored.value()), Arrays.stream(stored.formerly())).toList();
    }
}
