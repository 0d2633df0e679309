package org.yellowhearth.knowledge.json;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.StoredNames;
import org.yellowhearth.core.part.PartRef;

/**
 * Writes plain records as JSON objects and reads them back strictly: every component is a field of
 * its own name, empty ones are left out, and whatever the record's own constructor refuses is
 * refused with line and pointer.
 */
public final class RecordJson {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final double LARGEST = 1e15;
  private static final int LONGEST = 10_000;
  private static final int MOST = 10_000;

  /** Names the type where a component may be one of several. */
  private static final String TYPE = "is";

  /** A word for nothing said is what a field that is left out means. */
  private static final Set<String> UNSAID = Set.of("unseen", "unstated", "undecided");

  private RecordJson() {}

  /** The name of a type in files. */
  public static String tag(Class<?> type) {
    return StoredNames.of(type).getFirst();
  }

  /** A record of one of the permitted types of a sealed interface, with its type in a field. */
  public static ObjectNode writeTagged(String field, Record value) {
    ObjectNode node = JSON.objectNode().put(field, tag(value.getClass()));
    node.setAll(write(value));
    return node;
  }

  /**
   * Reads what {@link #writeTagged} wrote.
   *
   * @param besides fields that stand there and are read elsewhere
   */
  public static <T> T readTagged(JsonValue v, String field, Class<T> sealed, String... besides) {
    JsonValue named = v.field(field);
    String tag = named.text(LONGEST);
    List<Class<?>> types = records(sealed).toList();
    Class<?> type =
        types.stream()
            .filter(t -> StoredNames.of(t).contains(tag))
            .findFirst()
            .orElseThrow(() ->
                named.bad(
                    "expected one of "
                        + String.join(
                            ", ", types.stream().map(RecordJson::tag).sorted().toList())));
    return sealed.cast(
        read(v, type, Stream.concat(Stream.of(field), Stream.of(besides)).toArray(String[]::new)));
  }

  /** The records a sealed interface permits, those of sealed interfaces under it too. */
  public static Stream<Class<?>> records(Class<?> sealed) {
    return Stream.of(sealed.getPermittedSubclasses())
        .flatMap(t -> t.isInterface() ? records(t) : Stream.of(t));
  }

  /** A record as an object. */
  public static ObjectNode write(Record value) {
    ObjectNode node = JSON.objectNode();
    for (RecordComponent c : value.getClass().getRecordComponents()) {
      JsonNode written = node(get(c, value));
      if (c.getType().isInterface() && written instanceof ObjectNode o) {
        o.put(TYPE, tag(get(c, value).getClass()));
      }
      if (!written.isNull()) {
        node.set(StoredNames.of(c).getFirst(), written);
      }
    }
    return node;
  }

  private static Object get(RecordComponent component, Object value) {
    try {
      return component.getAccessor().invoke(value);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("a public record can be read: " + component, e);
    }
  }

  private static JsonNode node(Object value) {
    return switch (value) {
      case String s -> s.isEmpty() ? JSON.nullNode() : JSON.textNode(s);
      case Boolean b -> b ? JSON.booleanNode(true) : JSON.nullNode();
      case Integer i -> JSON.numberNode(i);
      case Double d -> JSON.numberNode(d);
      case OptionalInt i -> i.isPresent() ? JSON.numberNode(i.getAsInt()) : JSON.nullNode();
      case OptionalDouble d -> d.isPresent() ? JSON.numberNode(d.getAsDouble()) : JSON.nullNode();
      case Optional<?> o -> o.<JsonNode>map(RecordJson::node).orElse(JSON.nullNode());
      case Coded c -> JSON.textNode(c.code());
      case PartRef ref -> JSON.textNode(ref.toString());
      case Instant at -> JSON.textNode(at.toString());
      case LocalDateTime at -> JSON.textNode(at.toString());
      case Collection<?> all -> {
        ArrayNode list = JSON.arrayNode();
        all.forEach(one -> list.add(node(one)));
        yield list.isEmpty() ? JSON.nullNode() : list;
      }
      case Record r -> write(r);
      default -> throw new IllegalArgumentException("not written into files: " + value.getClass());
    };
  }

  /** Reads a record of this type; the object may also have the other fields named. */
  public static <T> T read(JsonValue v, Class<T> type, String... besides) {
    RecordComponent[] components = type.getRecordComponents();
    List<String> known =
        new ArrayList<>(
            Arrays.stream(components).flatMap(c -> StoredNames.of(c).stream()).toList());
    known.addAll(List.of(besides));
    v.object(known.toArray(String[]::new));
    Object[] values = Arrays.stream(components).map(c -> component(v, c)).toArray();
    Class<?>[] types =
        Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
    try {
      return type.getDeclaredConstructor(types).newInstance(values);
    } catch (InvocationTargetException e) {
      throw v.bad(String.valueOf(e.getCause().getMessage()));
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("a public record can be made: " + type, e);
    }
  }

  private static Object component(JsonValue v, RecordComponent c) {
    List<String> names = StoredNames.of(c);
    Optional<JsonValue> given = names.stream().flatMap(n -> v.optional(n).stream()).findFirst();
    Class<?> type = c.getType();
    if (type == Optional.class) {
      return given.map(g -> value(g, argument(c.getGenericType())));
    }
    if (type == OptionalDouble.class) {
      return given
          .map(g -> OptionalDouble.of(g.number(-LARGEST, LARGEST)))
          .orElse(OptionalDouble.empty());
    }
    if (type == OptionalInt.class) {
      return given
          .map(g -> OptionalInt.of(g.integer(-1_000_000, 1_000_000)))
          .orElse(OptionalInt.empty());
    }
    if (type == List.class) {
      return list(given, c);
    }
    if (type == Set.class) {
      return new LinkedHashSet<>(list(given, c));
    }
    if (given.isEmpty() && type == String.class) {
      return "";
    }
    if (given.isEmpty() && type == boolean.class) {
      return false;
    }
    if (given.isEmpty()
        && type.isEnum()
        && UNSAID.contains(((Coded) type.getEnumConstants()[0]).code())) {
      return type.getEnumConstants()[0];
    }
    return value(given.orElseGet(() -> v.field(names.getFirst())), c.getGenericType());
  }

  private static List<Object> list(Optional<JsonValue> given, RecordComponent c) {
    return given.map(g -> g.list(MOST)).orElse(List.of()).stream()
        .map(one -> value(one, argument(c.getGenericType())))
        .toList();
  }

  private static Type argument(Type generic) {
    return ((ParameterizedType) generic).getActualTypeArguments()[0];
  }

  private static Object value(JsonValue v, Type type) {
    Class<?> raw = (Class<?>) type;
    if (raw == String.class) {
      return v.text(LONGEST);
    }
    if (raw == boolean.class) {
      return v.bool();
    }
    if (raw == int.class) {
      return v.integer(-1_000_000, 1_000_000);
    }
    if (raw == double.class) {
      return v.number(-LARGEST, LARGEST);
    }
    if (raw == PartRef.class) {
      return PartRef.parse(v.text(LONGEST))
          .orElseThrow(() -> v.bad("expected a part reference such as C21 or C31a"));
    }
    if (raw == Instant.class) {
      return time(
          v, "a time in UTC such as 2026-11-20T10:15:00Z", () -> Instant.parse(v.text(LONGEST)));
    }
    if (raw == LocalDateTime.class) {
      return time(
          v, "a time such as 2026-11-20T10:15:00", () -> LocalDateTime.parse(v.text(LONGEST)));
    }
    return raw.isEnum() ? v.codeOf(raw) : raw.isSealed() ? readTagged(v, TYPE, raw) : read(v, raw);
  }

  private static <T> T time(JsonValue v, String expected, Supplier<T> reading) {
    try {
      return reading.get();
    } catch (DateTimeException e) {
      throw v.bad("expected " + expected);
    }
  }
}
