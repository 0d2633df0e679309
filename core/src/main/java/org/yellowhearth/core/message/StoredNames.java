package org.yellowhearth.core.message;

import java.lang.reflect.AnnotatedElement;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Under which names types, fields and constants stand in files: the one that is written first, then
 * those of older versions that are read as well.
 */
public final class StoredNames {
  private static final ClassValue<List<String>> TYPES =
      new ClassValue<>() {
        @Override
        protected List<String> computeValue(Class<?> type) {
          return names(
              type,
              type.getSimpleName().replaceAll("(?<=[a-z])(?=[A-Z])", "-").toLowerCase(Locale.ROOT));
        }
      };

  /** Of an enum, by the Java name of each constant. */
  private static final ClassValue<Map<String, List<String>>> CONSTANTS =
      new ClassValue<>() {
        @Override
        protected Map<String, List<String>> computeValue(Class<?> type) {
          return Arrays.stream(type.getEnumConstants())
              .map(c -> ((Enum<?>) c).name())
              .collect(Collectors.toUnmodifiableMap(name -> name, name -> constant(type, name)));
        }
      };

  private StoredNames() {}

  /** The names of a type; without a stored one {@code TakeApartStep} is {@code take-apart-step}. */
  public static List<String> of(Class<?> type) {
    return TYPES.get(type);
  }

  /** The names of a field. */
  public static List<String> of(RecordComponent component) {
    return names(component, component.getName());
  }

  /** The names of a constant; without a stored one {@code ACROSS_LINE} is {@code across-line}. */
  public static List<String> of(Coded constant) {
    Enum<?> of = (Enum<?>) constant;
    return CONSTANTS.get(of.getDeclaringClass()).get(of.name());
  }

  private static List<String> constant(Class<?> type, String name) {
    try {
      return names(type.getField(name), name.toLowerCase(Locale.ROOT).replace('_', '-'));
    } catch (NoSuchFieldException e) {
      throw new IllegalStateException("every constant of an enum is a field of it: " + name, e);
    }
  }

  private static List<String> names(AnnotatedElement of, String usual) {
    Stored stored = of.getAnnotation(Stored.class);
    return stored == null
        ? List.of(usual)
        : Stream.concat(Stream.of(stored.value()), Arrays.stream(stored.formerly())).toList();
  }
}
