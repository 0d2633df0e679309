package org.yellowhearth.knowledge.json;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.StreamSupport;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.StoredNames;

/**
 * One value of a JSON file that knows where it stands, so that every refusal names line and
 * pointer.
 */
public final class JsonValue {
  private final JsonNode node;
  private final String pointer;
  private final Map<String, Integer> lines;

  JsonValue(JsonNode node, String pointer, Map<String, Integer> lines) {
    this.node = node;
    this.pointer = pointer;
    this.lines = lines;
  }

  /** A refusal at this place. */
  public BadFileException bad(String problem) {
    return new BadFileException(problem, lines.getOrDefault(pointer, 1), pointer);
  }

  private BadFileException expected(String what) {
    String found =
        switch (node.getNodeType()) {
          case OBJECT -> "an object";
          case ARRAY -> "a list";
          case STRING -> "the text \"" + shortened(node.textValue()) + "\"";
          case NUMBER -> "the number " + node.asText();
          case BOOLEAN -> node.asText();
          case NULL -> "null";
          case BINARY, MISSING, POJO -> "something else";
        };
    return bad("expected " + what + ", found " + found);
  }

  private static String shortened(String text) {
    return text.length() <= 40 ? text : text.substring(0, 40) + "…";
  }

  /** This value as an object that has no fields but these. */
  public JsonValue object(String... known) {
    if (!node.isObject()) {
      throw expected("an object");
    }
    Set<String> allowed = new TreeSet<>(List.of(known));
    node.fieldNames()
        .forEachRemaining(name -> {
          if (!allowed.contains(name)) {
            throw child(name)
                .bad(
                    "unknown field \""
                        + shortened(name)
                        + "\"; expected one of "
                        + String.join(", ", allowed));
          }
        });
    return this;
  }

  /** Whether this object gives no other fields than these. */
  public boolean hasOnly(String... names) {
    Set<String> allowed = Set.of(names);
    return node.isObject()
        && StreamSupport.stream(((Iterable<String>) node::fieldNames).spliterator(), false)
            .allMatch(allowed::contains);
  }

  private JsonValue child(String name) {
    return new JsonValue(
        node.get(name), pointer + "/" + name.replace("~", "~0").replace("/", "~1"), lines);
  }

  /** A field that must be there. */
  public JsonValue field(String name) {
    return optional(name).orElseThrow(() -> bad("field \"" + name + "\" is missing"));
  }

  /** A field that may be missing; one that is null counts as missing. */
  public Optional<JsonValue> optional(String name) {
    if (!node.isObject()) {
      throw expected("an object");
    }
    return node.hasNonNull(name) ? Optional.of(child(name)) : Optional.empty();
  }

  /** This value as a list of at most so many. */
  public List<JsonValue> list(int most) {
    if (!node.isArray()) {
      throw expected("a list");
    }
    if (node.size() > most) {
      throw bad("the list has " + node.size() + " entries; expected at most " + most);
    }
    List<JsonValue> values = new ArrayList<>();
    for (int i = 0; i < node.size(); i++) {
      values.add(new JsonValue(node.get(i), pointer + "/" + i, lines));
    }
    return values;
  }

  /** A list in a field, empty where the field is missing. */
  public List<JsonValue> list(String name, int most) {
    return optional(name).map(v -> v.list(most)).orElse(List.of());
  }

  /** This value as text without control characters, of at most so many characters. */
  public String text(int longest) {
    if (!node.isTextual()) {
      throw expected("text");
    }
    String text = node.textValue();
    if (text.length() > longest) {
      throw bad("the text has " + text.length() + " characters; expected at most " + longest);
    }
    if (text.codePoints().anyMatch(c -> Character.isISOControl(c) && c != '\n' && c != '\t')) {
      throw bad("the text contains control characters");
    }
    return text;
  }

  /** Text in a field, empty where the field is missing. */
  public String text(String name, int longest) {
    return optional(name).map(v -> v.text(longest)).orElse("");
  }

  /** This value as a finite number within bounds, both included. */
  public double number(double low, double high) {
    if (!node.isNumber()) {
      throw expected("a number");
    }
    double value = node.doubleValue();
    if (!(value >= low && value <= high)) {
      throw bad(
          String.format(
              Locale.ROOT, "%s is out of range; expected %s to %s", node.asText(), low, high));
    }
    return value;
  }

  /** A number above zero in a field that may be missing. */
  public OptionalDouble positive(String name, double high) {
    return optional(name)
        .map(v -> {
          double value = v.number(-Double.MAX_VALUE, high);
          if (value <= 0) {
            throw v.bad(v.node.asText() + " is out of range; expected a number above zero");
          }
          return OptionalDouble.of(value);
        })
        .orElse(OptionalDouble.empty());
  }

  /** This value as a whole number within bounds. */
  public int integer(int low, int high) {
    double value = number(low, high);
    if (value != Math.rint(value)) {
      throw expected("a whole number");
    }
    return (int) value;
  }

  public boolean bool() {
    if (!node.isBoolean()) {
      throw expected("true or false");
    }
    return node.booleanValue();
  }

  /** This value as the constant of an enum with this code. */
  public <E extends Enum<E> & Coded> E code(Class<E> type) {
    return type.cast(codeOf(type));
  }

  /** This value as the constant with this code of an enum that is only known at run time. */
  Object codeOf(Class<?> type) {
    String text = node.isTextual() ? node.textValue() : "";
    List<Coded> constants = Arrays.stream(type.getEnumConstants()).map(Coded.class::cast).toList();
    return constants.stream()
        .filter(c -> StoredNames.of(c).contains(text))
        .findFirst()
        .orElseThrow(() ->
            expected("one of " + String.join(", ", constants.stream().map(Coded::code).toList())));
  }

  /** The constant in a field, or what it usually is. */
  public <E extends Enum<E> & Coded> E code(String name, E usual) {
    return optional(name).map(v -> v.code(usual.getDeclaringClass())).orElse(usual);
  }
}
