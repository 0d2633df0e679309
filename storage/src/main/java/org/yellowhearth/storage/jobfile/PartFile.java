package org.yellowhearth.storage.jobfile;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.partslist.MarkingParser;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Stated;
import org.yellowhearth.core.partslist.Thousand;
import org.yellowhearth.knowledge.json.JsonValue;
import org.yellowhearth.knowledge.json.RecordJson;

/**
 * Writes and reads the parts of a job file. A part without a sort is what the letters of its
 * reference say where it gives its marking alone, else a capacitor, as all were before version 3.
 */
final class PartFile {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final int LONGEST_NAME = JobFormat.LONGEST_NAME;

  private final Knowledge knowledge;

  PartFile(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  static ObjectNode write(Part part) {
    if (!(part instanceof Capacitor c)) {
      return RecordJson.writeTagged("sort", (Record) part);
    }
    ObjectNode node = JSON.objectNode().put("ref", c.ref().toString());
    JobWriter.text(node, "marking", c.marking());
    node.put("kind", c.kind()).put("capacitanceFarads", c.farads());
    c.tolerance()
        .ifPresent(t ->
            node.set(
                "tolerance", JSON.objectNode().put("below", t.below()).put("above", t.above())));
    JobWriter.number(node, "ratedVolts", c.ratedVolts());
    if (c.ratedForMains()) {
      node.put("ratedForMains", true);
    }
    node.put("role", c.role().code()).put("polarity", c.polarity().code());
    JobWriter.number(node, "workingVolts", c.workingVolts());
    if (c.canMark() != CanMark.UNSTATED) {
      node.put("canMark", c.canMark().code());
    }
    JobWriter.text(node, "dateCode", c.dateCode());
    JobWriter.text(node, "remark", c.remark());
    return node;
  }

  static PartRef ref(JsonValue v) {
    return PartRef.parse(v.text(LONGEST_NAME))
        .orElseThrow(
            () -> v.bad("expected a part reference of letters and a number, such as C21 or C31a"));
  }

  Part read(JsonValue v) {
    Optional<JsonValue> sort = v.optional("sort");
    boolean capacitor =
        sort.map(said -> said.text(LONGEST_NAME).equals("capacitor"))
            .orElseGet(() -> !otherByItsLetters(v));
    return capacitor ? capacitor(v) : figured(v);
  }

  /**
   * Whether a part that gives its marking alone is no capacitor, by the letters of its reference.
   */
  private boolean otherByItsLetters(JsonValue v) {
    return v.hasOnly("ref", "marking")
        && v.optional("marking").isPresent()
        && new PartsListLine(knowledge.vocabulary(), Thousand.MEGOHM)
            .sort(ref(v.field("ref")), Token.of(v.text("marking", LONGEST_NAME)))
            .filter(s -> s != Sort.CAPACITOR)
            .isPresent();
  }

  /** A part that is no capacitor; one written by hand may give its marking alone. */
  private Part figured(JsonValue v) {
    String marking = v.text("marking", LONGEST_NAME);
    if (marking.isEmpty() || !v.hasOnly("sort", "ref", "marking")) {
      return RecordJson.readTagged(v, "sort", Part.class);
    }
    PartsListLine line = new PartsListLine(knowledge.vocabulary(), Thousand.MEGOHM);
    String sort = v.optional("sort").map(said -> said.text(LONGEST_NAME) + " ").orElse("");
    return JobReader.understood(
        v.field("marking"),
        () -> line.read(ref(v.field("ref")), Token.of(sort + marking), marking, "").getFirst());
  }

  private Capacitor capacitor(JsonValue v) {
    v.object(
        "sort",
        "ref",
        "marking",
        "kind",
        "capacitanceFarads",
        "tolerance",
        "ratedVolts",
        "ratedForMains",
        "role",
        "polarity",
        "workingVolts",
        "canMark",
        "dateCode",
        "remark");
    String marking = v.text("marking", LONGEST_NAME);
    OptionalDouble farads = v.positive("capacitanceFarads", 10);
    if (farads.isEmpty() && marking.isEmpty()) {
      throw v.bad("a part needs capacitanceFarads or a marking that gives it");
    }
    // A file that states the capacitance states everything; else what is not stated is taken from
    // the marking.
    Stated marked = farads.isPresent() ? Stated.NOTHING : marked(v.field("marking"));
    Optional<String> kind = v.optional("kind").map(this::kind).or(marked::kind);
    OptionalDouble rated = v.positive("ratedVolts", 100_000);
    OptionalDouble working = v.positive("workingVolts", 100_000);
    boolean mains = v.optional("ratedForMains").map(JsonValue::bool).orElse(marked.ratedForMains());
    if (mains && rated.isEmpty() && marked.ratedVolts().isEmpty()) {
      throw v.bad("ratedForMains says how ratedVolts is meant; there is none");
    }
    return new Capacitor(
        ref(v.field("ref")),
        marking,
        kind.orElse(Capacitor.UNSTATED_KIND),
        farads.isPresent() ? farads.getAsDouble() : marked.farads().orElseThrow(),
        v.optional("tolerance").map(PartFile::tolerance).or(marked::tolerance),
        rated.isPresent() ? rated : marked.ratedVolts(),
        mains,
        v.code("role", marked.role().orElse(Role.UNSTATED)),
        v.code("polarity", marked.polarity().orElse(Polarity.UNSTATED)),
        working.isPresent() ? working : marked.workingVolts(),
        v.code("canMark", marked.canMark().orElse(CanMark.UNSTATED)),
        v.optional("dateCode").map(d -> d.text(LONGEST_NAME)).or(marked::dateCode).orElse(""),
        v.text("remark", JobFormat.LONGEST_TEXT));
  }

  private Stated marked(JsonValue marking) {
    Stated stated =
        JobReader.understood(
            marking,
            () ->
                MarkingParser.parse(Token.of(marking.text(LONGEST_NAME)), knowledge.vocabulary()));
    if (stated.farads().isEmpty()) {
      throw marking.bad("the marking gives no capacitance; expected for example \"8 MFD 450 V\"");
    }
    return stated;
  }

  private String kind(JsonValue v) {
    String id = v.text(LONGEST_NAME);
    if (!knowledge.kinds().containsKey(id)) {
      throw v.bad(
          "unknown kind of capacitor; expected one of "
              + String.join(", ", knowledge.kinds().keySet().stream().sorted().toList()));
    }
    return id;
  }

  private static Tolerance tolerance(JsonValue v) {
    v.object("below", "above");
    return new Tolerance(v.field("below").number(-1, 0), v.field("above").number(0, 10));
  }
}
