package org.yellowhearth.storage.jobfile;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Instant;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Contact;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reading.ReadingParser;
import org.yellowhearth.knowledge.json.JsonValue;

/** Writes and reads the readings of a job file. */
final class ReadingFile {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final double LARGEST = 1e15;
  private static final int LONGEST_NAME = JobFormat.LONGEST_NAME;
  private static final int MOST_REPEATS = 100;
  private static final String[] FIELDS =
      Stream.concat(
              Stream.of(Figure.values()).map(JobFormat::field),
              Stream.of(
                  "id",
                  "part",
                  "at",
                  "typed",
                  "bounds",
                  "qualifiers",
                  "repeats",
                  "frequencyHertz",
                  "mode",
                  "connection",
                  "testVolts",
                  "testAmperes",
                  "minutesAtVoltage",
                  "celsius",
                  "secondsOn",
                  "leadOhms",
                  "uncertainty",
                  "contact",
                  "instrument"))
          .toArray(String[]::new);

  private ReadingFile() {}

  static ObjectNode write(Reading r) {
    ObjectNode node =
        JSON.objectNode()
            .put("id", r.id())
            .put("part", r.part().toString())
            .put("at", r.at().toString());
    JobWriter.text(node, "typed", r.typed());
    figures(node, r.figures());
    Conditions c = r.conditions();
    JobWriter.number(node, "frequencyHertz", c.frequencyHertz());
    node.put("mode", c.mode().code()).put("connection", c.connection().code());
    JobWriter.number(node, "testVolts", c.testVolts());
    JobWriter.number(node, "testAmperes", c.testAmperes());
    JobWriter.number(node, "minutesAtVoltage", c.minutesAtVoltage());
    JobWriter.number(node, "celsius", c.celsius());
    JobWriter.number(node, "secondsOn", c.secondsOn());
    JobWriter.number(node, "leadOhms", c.leadOhms());
    JobWriter.number(node, "uncertainty", c.uncertainty());
    if (c.contact() != Contact.UNSTATED) {
      node.put("contact", c.contact().code());
    }
    JobWriter.text(node, "instrument", c.instrument());
    return node;
  }

  private static void figures(ObjectNode node, Figures f) {
    for (Figure figure : Figure.values()) {
      JobWriter.number(node, JobFormat.field(figure), f.get(figure));
    }
    if (!f.bounds().isEmpty()) {
      ObjectNode bounds = node.putObject("bounds");
      f.bounds()
          .forEach((figure, b) ->
              JobWriter.number(
                  bounds.putObject(JobFormat.field(figure)).put("side", b.side().code()),
                  "range",
                  b.range()));
    }
    if (!f.qualifiers().isEmpty()) {
      ArrayNode qualifiers = node.putArray("qualifiers");
      f.qualifiers().forEach(q -> qualifiers.add(q.code()));
    }
    if (!f.repeats().isEmpty()) {
      ObjectNode repeats = node.putObject("repeats");
      f.repeats()
          .forEach((figure, all) -> {
            ArrayNode list = repeats.putArray(JobFormat.field(figure));
            all.forEach(list::add);
          });
    }
  }

  /**
   * Reads a reading.
   *
   * @param usual the moment of one that gives none
   * @param sorts the sort of a part by its reference, for readings that give only the line as typed
   */
  static Reading read(JsonValue v, Instant usual, Function<PartRef, Sort> sorts) {
    v.object(FIELDS);
    PartRef part = PartFile.ref(v.field("part"));
    Instant at = v.optional("at").map(JobReader::instant).orElse(usual);
    String typed = v.text("typed", LONGEST_NAME * 2);
    String id = v.optional("id").map(JobReader::id).orElse("");
    Figures figures = figures(v);
    if (!figures.isEmpty()) {
      if (figures.has(Figure.DISSIPATION) && figures.has(Figure.QUALITY)) {
        throw v.bad("a reading gives dissipation or quality, not both");
      }
      return new Reading(id, part, at, figures, conditions(v), typed);
    }
    if (typed.isEmpty()) {
      throw v.bad("a reading needs at least one figure, or the line as typed");
    }
    return typed(v, id, part, at, typed, sorts);
  }

  private static Figures figures(JsonValue v) {
    Map<Figure, Double> values = new EnumMap<>(Figure.class);
    for (Figure figure : Figure.values()) {
      v.optional(JobFormat.field(figure)).ifPresent(x -> values.put(figure, figure(x, figure)));
    }
    Map<Figure, Bound> bounds = new EnumMap<>(Figure.class);
    v.optional("bounds")
        .ifPresent(b ->
            byFigure(b)
                .forEach((figure, x) -> {
                  x.object("side", "range");
                  OptionalDouble range =
                      x.optional("range")
                          .map(r -> OptionalDouble.of(figure(r, figure)))
                          .orElse(OptionalDouble.empty());
                  bounds.put(figure, new Bound(x.field("side").code(Bound.End.class), range));
                }));
    Map<Figure, List<Double>> repeats = new EnumMap<>(Figure.class);
    v.optional("repeats")
        .ifPresent(r ->
            byFigure(r)
                .forEach((figure, x) -> {
                  List<Double> all =
                      x.list(MOST_REPEATS).stream().map(one -> figure(one, figure)).toList();
                  if (all.isEmpty() || !values.containsKey(figure)) {
                    throw x.bad("repeats are the single values of a figure that the reading gives");
                  }
                  repeats.put(figure, all);
                }));
    Set<Qualifier> qualifiers = EnumSet.noneOf(Qualifier.class);
    v.list("qualifiers", Qualifier.values().length)
        .forEach(q -> qualifiers.add(q.code(Qualifier.class)));
    return new Figures(values, bounds, qualifiers, repeats);
  }

  private static double figure(JsonValue v, Figure figure) {
    double value = v.number(-LARGEST, LARGEST);
    if (!figure.mayBe(value)) {
      throw v.bad(
          "no meter shows such a figure" + (figure.mayBe(0) ? "" : "; expected one above zero"));
    }
    return value;
  }

  private static Map<Figure, JsonValue> byFigure(JsonValue v) {
    v.object(Stream.of(Figure.values()).map(JobFormat::field).toArray(String[]::new));
    Map<Figure, JsonValue> found = new EnumMap<>(Figure.class);
    for (Figure figure : Figure.values()) {
      v.optional(JobFormat.field(figure)).ifPresent(x -> found.put(figure, x));
    }
    return found;
  }

  /** A hand-written reading that gives only the line as typed at the bench. */
  private static Reading typed(
      JsonValue v,
      String id,
      PartRef part,
      Instant at,
      String typed,
      Function<PartRef, Sort> sorts) {
    List<Token> words = Token.of(typed);
    boolean named =
        !words.isEmpty() && PartRef.parse(words.getFirst().text()).filter(part::equals).isPresent();
    ReadingParser parser = new ReadingParser(sorts.apply(part));
    return JobReader.understood(
        v.field("typed"),
        () -> {
          parser.read(named ? words.subList(1, words.size()) : words);
          return new Reading(id, part, at, parser.figures(), parser.conditions(), typed);
        });
  }

  private static Conditions conditions(JsonValue v) {
    return new Conditions(
        v.positive("frequencyHertz", 1e9),
        v.code("mode", Mode.UNSTATED),
        v.code("connection", Connection.OUT_OF_CIRCUIT),
        v.positive("testVolts", 100_000),
        v.positive("testAmperes", 1000),
        v.positive("minutesAtVoltage", 1e6),
        within(v, "celsius", -60, 150),
        within(v, "secondsOn", 0, 1e9),
        within(v, "leadOhms", 0, 1e6),
        v.positive("uncertainty", 1),
        v.code("contact", Contact.UNSTATED),
        v.text("instrument", LONGEST_NAME));
  }

  private static OptionalDouble within(JsonValue v, String name, double low, double high) {
    return v.optional(name)
        .map(t -> OptionalDouble.of(t.number(low, high)))
        .orElse(OptionalDouble.empty());
  }
}
