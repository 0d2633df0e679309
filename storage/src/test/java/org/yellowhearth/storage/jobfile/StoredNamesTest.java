package org.yellowhearth.storage.jobfile;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Stored;
import org.yellowhearth.core.message.StoredNames;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.RecordJson;

/**
 * What stands in files has names of its own. The ledger holds every type, field and word that a
 * released version wrote; each must still be read. What is new is written into it by hand, at the
 * end of its part; nothing is ever taken out.
 */
public class StoredNamesTest {
  private static final Path LEDGER =
      Path.of(
          System.getProperty("hearth.root"),
          "storage/src/test/resources/org/yellowhearth/storage/jobfile/stored-names.txt");

  /** Everything that is read at present, a line each, with the names of older versions. */
  private static Set<String> readable() {
    Set<String> lines = new TreeSet<>();
    for (Class<?> root :
        List.of(
            Aspect.class,
            Item.class,
            Reforming.class,
            PoweringUp.class,
            Part.class,
            Stock.Act.class)) {
      RecordJson.records(root)
          .filter(t -> t != Capacitor.class)
          .forEach(t -> type(StoredNames.of(root).getFirst(), t, lines));
    }
    for (Class<?> event :
        List.of(
            Edit.VoltsMeasured.class,
            Edit.ClipPut.class,
            Edit.ClipTaken.class,
            Edit.Answered.class)) {
      fields("event", event, lines);
    }
    codes("power", Edit.Power.class, lines);
    for (RecordComponent c : SetPlate.class.getRecordComponents()) {
      field("set", c, lines);
    }
    for (RecordComponent c : Policy.class.getRecordComponents()) {
      field("policy", c, lines);
    }
    for (RecordComponent c : Capacitor.class.getRecordComponents()) {
      field("capacitor", c, lines);
    }
    for (RecordComponent c : Conditions.class.getRecordComponents()) {
      field("reading", c, lines);
    }
    codes("reading.bounds.side", Bound.End.class, lines);
    codes("reading.qualifiers", Qualifier.class, lines);
    Stream.of(org.yellowhearth.core.reading.Figure.values())
        .forEach(f -> lines.add("reading." + JobFormat.field(f)));
    return lines;
  }

  private static void type(String root, Class<?> type, Set<String> lines) {
    for (String tag : StoredNames.of(type)) {
      lines.add(root + " " + tag);
      fields(root + " " + tag, type, lines);
    }
  }

  private static void fields(String path, Class<?> record, Set<String> lines) {
    for (RecordComponent c : record.getRecordComponents()) {
      field(path, c, lines);
    }
  }

  private static void field(String path, RecordComponent c, Set<String> lines) {
    for (String name : StoredNames.of(c)) {
      String here = path + "." + name;
      lines.add(here);
      value(here, c.getGenericType(), lines);
    }
  }

  private static void value(String path, Type type, Set<String> lines) {
    if (type instanceof ParameterizedType p) {
      for (Type argument : p.getActualTypeArguments()) {
        value(path, argument, lines);
      }
    } else if (type instanceof Class<?> c) {
      if (c.isEnum() && Coded.class.isAssignableFrom(c)) {
        codes(path, c, lines);
      } else if (c.isSealed()) {
        RecordJson.records(c).forEach(t -> type(path, t, lines));
      } else if (c.isRecord()
          && c.getName().startsWith("org.yellowhearth")
          && !c.getSimpleName().equals("PartRef")) {
        fields(path, c, lines);
      }
    }
  }

  private static void codes(String path, Class<?> type, Set<String> lines) {
    for (Object constant : type.getEnumConstants()) {
      StoredNames.of((Coded) constant).forEach(code -> lines.add(path + " = " + code));
    }
  }

  @Test
  public void everythingThatWasEverWrittenIsStillRead() throws IOException {
    Set<String> now = readable();
    List<String> ledger =
        Files.readAllLines(LEDGER).stream()
            .filter(l -> !l.isBlank() && !l.startsWith("#"))
            .toList();
    assertThat(ledger).doesNotHaveDuplicates();
    assertThat(ledger.size()).isGreaterThan(1400);
    Set<String> gone = new TreeSet<>(ledger);
    gone.removeAll(now);
    assertThat(String.join("\n", gone))
        .as(
            "names that files may hold and that are read no more: give what was renamed its @Stored name")
        .isEmpty();
    Set<String> come = new TreeSet<>(now);
    come.removeAll(ledger);
    assertThat(String.join("\n", come))
        .as("new names: right for ever? Then add them to " + LEDGER)
        .isEmpty();
  }

  /**
   * What was renamed is written under its stored name, and read under that and every former one.
   */
  @Stored(value = "lamp-socket", formerly = "bulb-holder")
  public record Renamed(
      @Stored(value = "watts", formerly = "power") OptionalDouble mostPower, Shade shade) {}

  public enum Shade implements Coded {
    UNSTATED,
    @Stored(
        value = "dark",
        formerly = {"soot", "black"})
    DEEP
  }

  @Test
  public void aRenamedThingKeepsItsStoredName() {
    Renamed r = new Renamed(OptionalDouble.of(40), Shade.DEEP);
    ObjectNode written = RecordJson.write(r);
    assertThat(written.toString()).isEqualTo("{\"watts\":40.0,\"shade\":\"dark\"}");
    assertThat(RecordJson.tag(Renamed.class)).isEqualTo("lamp-socket");
    for (Map.Entry<String, Renamed> old :
        Map.of(
                written.toString(),
                r,
                "{\"power\":40,\"shade\":\"black\"}",
                r,
                "{\"power\":40,\"shade\":\"soot\"}",
                r,
                "{}",
                new Renamed(OptionalDouble.empty(), Shade.UNSTATED))
            .entrySet()) {
      assertThat(RecordJson.read(JsonText.read(old.getKey()), Renamed.class))
          .isEqualTo(old.getValue());
    }
    assertThat(
            Stream.of("deep", "DEEP")
                .map(no -> Optional.of(no).filter(n -> StoredNames.of(Shade.DEEP).contains(n)))
                .flatMap(Optional::stream)
                .collect(Collectors.toSet()))
        .as("the Java name means nothing in a file")
        .isEmpty();
  }

  /** Writes the lines that are new, for whoever adds them: {@code java … StoredNamesTest}. */
  public static void main(String[] args) {
    readable().forEach(System.out::println);
  }
}
