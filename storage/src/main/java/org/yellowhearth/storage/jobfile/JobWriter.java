package org.yellowhearth.storage.jobfile;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.knowledge.json.RecordJson;

/** Writes jobs, and single acts of a journal, as the JSON of {@code docs/job-format.md}. */
public final class JobWriter {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private JobWriter() {}

  /** A whole job: what stands now, and the journal it follows from. */
  public static String write(String id, Job job) {
    ObjectNode root = JSON.objectNode();
    root.put("format", JobFormat.NAME);
    root.put("version", JobFormat.VERSION);
    root.put("id", id);
    root.set("set", plate(job.plate()));
    root.set("policy", policy(job.policy()));
    root.set("parts", array(job.census().stream().map(JobWriter::part).toList()));
    root.set("readings", array(job.readings().stream().map(JobWriter::reading).toList()));
    root.set("aspects", array(job.aspects().stream().map(JobWriter::aspect).toList()));
    root.set("items", array(job.items().stream().map(JobWriter::item).toList()));
    root.set("journal", array(job.journal().stream().map(JobWriter::entry).toList()));
    return root.toPrettyString() + "\n";
  }

  private static ArrayNode array(List<ObjectNode> nodes) {
    return JSON.arrayNode().addAll(nodes);
  }

  private static ObjectNode entry(Entry entry) {
    ObjectNode node = time(JSON.objectNode(), entry.at());
    text(node, "by", entry.by());
    node.setAll(act(entry.act()));
    return node;
  }

  private static ObjectNode time(ObjectNode node, ZonedDateTime at) {
    return node.put("at", at.toInstant().toString()).put("zone", at.getZone().getId());
  }

  /** One act of a journal, without its time. */
  public static ObjectNode act(Act act) {
    return switch (act) {
      case Act.Did did -> edit(did.edit());
      case Act.Undid undo -> JSON.objectNode().put("act", "undo").put("entry", undo.entry());
      case Act.Redid redo -> JSON.objectNode().put("act", "redo").put("entry", redo.entry());
    };
  }

  private static ObjectNode edit(Edit edit) {
    ObjectNode node = JSON.objectNode();
    switch (edit) {
      case Edit.Arrived e ->
          node.put("act", "arrived")
              .setAll(both("set", plate(e.plate()), "policy", policy(e.policy())));
      case Edit.PlateChanged e ->
          node.put("act", "set-changed")
              .setAll(both("before", plate(e.before()), "after", plate(e.after())));
      case Edit.PolicyChanged e ->
          node.put("act", "policy-changed")
              .setAll(both("before", policy(e.before()), "after", policy(e.after())));
      case Edit.PartAdded e ->
          partWithReadings(node.put("act", "part-added"), e.part(), e.readings());
      case Edit.PartRemoved e ->
          partWithReadings(node.put("act", "part-removed"), e.part(), e.readings());
      case Edit.PartChanged e ->
          node.put("act", "part-changed")
              .setAll(both("before", part(e.before()), "after", part(e.after())));
      case Edit.ReadingKept e ->
          node.put("act", "reading-kept").set("reading", reading(e.reading()));
      case Edit.ReadingWithdrawn e ->
          node.put("act", "reading-withdrawn").set("reading", reading(e.reading()));
      case Edit.NoteWritten e -> node.put("act", "note").put("text", e.text());
      case Edit.AspectChanged e ->
          node.put("act", "aspect-changed")
              .setAll(both("before", aspect(e.before()), "after", aspect(e.after())));
      case Edit.ItemChanged e -> {
        node.put("act", "item-changed");
        e.before().ifPresent(i -> node.set("before", item(i)));
        e.after().ifPresent(i -> node.set("after", item(i)));
      }
      case Edit.Together e ->
          node.put("act", "together")
              .set("edits", array(e.edits().stream().map(JobWriter::edit).toList()));
      case Edit.PowerSwitched e -> node.put("act", "power").put("power", e.power().code());
      case Edit.VoltsMeasured e -> node.put("act", "volts").setAll(RecordJson.write(e));
      case Edit.ClipPut e -> node.put("act", "clip").setAll(RecordJson.write(e));
      case Edit.ClipTaken e -> node.put("act", "unclip").setAll(RecordJson.write(e));
      case Edit.Answered e -> node.put("act", "answered").setAll(RecordJson.write(e));
      case Reforming e -> node.setAll(RecordJson.writeTagged("act", (Record) e));
      case PoweringUp e -> node.setAll(RecordJson.writeTagged("act", (Record) e));
    }
    return node;
  }

  private static ObjectNode aspect(Aspect aspect) {
    return RecordJson.writeTagged("aspect", (Record) aspect);
  }

  private static ObjectNode item(Item item) {
    return RecordJson.writeTagged("item", (Record) item);
  }

  private static ObjectNode both(String first, ObjectNode one, String second, ObjectNode other) {
    ObjectNode node = JSON.objectNode();
    node.set(first, one);
    node.set(second, other);
    return node;
  }

  private static void partWithReadings(ObjectNode node, Part part, List<Reading> readings) {
    node.set("part", part(part));
    if (!readings.isEmpty()) {
      node.set("readings", array(readings.stream().map(JobWriter::reading).toList()));
    }
  }

  private static ObjectNode plate(SetPlate p) {
    ObjectNode node = JSON.objectNode();
    node.put("name", p.name())
        .put("kind", p.kind().code())
        .put("technology", p.technology().code());
    text(node, "place", p.place());
    p.made().ifPresent(y -> node.put("made", y));
    p.mains()
        .ifPresent(m ->
            node.set("mains", JSON.objectNode().put("volts", m.volts()).put("hertz", m.hertz())));
    node.put("chassis", p.chassis().code())
        .put("purpose", p.purpose().code())
        .put("dialect", p.dialect().code());
    text(node, "complaint", p.complaint());
    text(node, "endState", p.endState());
    return node;
  }

  private static ObjectNode policy(Policy p) {
    return JSON.objectNode()
        .put("renew", p.renew().code())
        .put("voltage", p.voltage().code())
        .put("capacitance", p.capacitance().code())
        .put("electrolytics", p.electrolytics().code())
        .put("appearance", p.appearance().code())
        .put("tantalum", p.tantalum().code())
        .put("rectifiers", p.rectifiers().code())
        .put("paper", p.paper().code())
        .put("limits", p.limits().code());
  }

  /** A part with every value that the program holds of it. */
  public static ObjectNode part(Part part) {
    return PartFile.write(part);
  }

  /** A reading with every figure and condition. */
  public static ObjectNode reading(Reading reading) {
    return ReadingFile.write(reading);
  }

  static void number(ObjectNode node, String name, OptionalDouble value) {
    value.ifPresent(v -> node.put(name, v));
  }

  static void text(ObjectNode node, String name, String value) {
    if (!value.isEmpty()) {
      node.put(name, value);
    }
  }
}
