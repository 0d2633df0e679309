package org.yellowhearth.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.assess.Risk;
import org.yellowhearth.core.assess.Triage;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.Replacement;
import org.yellowhearth.core.replace.ReplacementRules;
import org.yellowhearth.core.safety.Caution;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.Hearth;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.jobfile.JobFile;
import org.yellowhearth.storage.jobfile.JobWriter;

/** All that the program computes of a job, as JSON: figures in SI units, and the same in words. */
final class ComputedFigures {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private final Knowledge knowledge;
  private final ZonedDateTime now;

  ComputedFigures(Knowledge knowledge, ZonedDateTime now) {
    this.knowledge = knowledge;
    this.now = now;
  }

  ObjectNode of(JobFile file) {
    Job job = file.job();
    JudgedJob judged = new Judge(knowledge).of(job, now.toLocalDate());
    Words words = Words.of(job.plate().dialect());
    ObjectNode root = JSON.objectNode().put("format", "yellow-hearth-computed").put("version", 7);
    file.id().ifPresent(id -> root.put("id", id));
    root.put("set", job.plate().name()).put("computedFor", now.toLocalDate().toString());
    ChargeReading hearth = Hearth.of(job, knowledge).at(now.toInstant());
    root.put("hearth", hearth.state().code());
    root.setAll(new ComputedSet(knowledge, now, words).of(job, hearth));
    ObjectNode supply = new ComputedSupply(knowledge, words).of(judged);
    if (!supply.isEmpty()) {
      root.set("supply", supply);
    }
    ArrayNode parts = root.putArray("parts");
    for (Assessment a : judged.assessments()) {
      parts.add(part(job, a, words, hearth.state()));
    }
    return root;
  }

  private ObjectNode part(Job job, Assessment a, Words words, ChargeState hearth) {
    Part part = a.part();
    ObjectNode node = JSON.objectNode().put("ref", part.ref().toString());
    ObjectNode interpreted = JobWriter.part(part);
    interpreted.remove("ref");
    node.set("interpreted", interpreted.put("text", new Describe(words).part(part)));
    ArrayNode readings = node.putArray("readings");
    job.readingsOf(part.ref()).forEach(r -> readings.add(reading(r)));
    ArrayNode findings = node.putArray("findings");
    a.findings().forEach(f -> findings.add(finding(f, words)));
    node.put("verdict", words.word(a.verdict()))
        .put("because", words.say(a.because()))
        .put("measured", a.measured());
    a.next().ifPresent(n -> node.put("nextMeasurement", words.say(n)));
    a.overruled()
        .ifPresent(o ->
            node.putObject("rules")
                .put("verdict", words.word(o.verdict()))
                .put("because", words.say(o.because())));
    node.put("triage", Triage.of(a).heap().code());
    node.set("belief", belief(a.belief()));
    node.set("risk", risk(a.risk(), words));
    node.set("replacement", replacement(new ReplacementRules(knowledge).propose(job, part), words));
    node.set(
        "cautions",
        sentences(
            Caution.forPart(hearth, part, knowledge).stream().map(Caution::words).toList(), words));
    return node;
  }

  /** What every stage takes the part to be. */
  private static ObjectNode belief(Belief belief) {
    ObjectNode node = JSON.objectNode();
    ObjectNode states = node.putObject("states");
    for (State s : State.values()) {
      states.put(s.code(), belief.chance(s));
    }
    ObjectNode values = node.putObject("values");
    new TreeMap<>(belief.values())
        .forEach((which, b) -> {
          ObjectNode value =
              values
                  .putObject(which.code())
                  .put("value", b.value())
                  .put("unit", which.unit().symbol())
                  .put("origin", b.origin().code());
          if (b.spread() > 0) {
            value.put("spread", b.spread());
          }
        });
    return node;
  }

  private static ObjectNode risk(Risk risk, Words words) {
    ObjectNode node =
        JSON.objectNode()
            .put("chance", risk.chance())
            .put("withinYears", Risk.YEARS)
            .put("consequence", risk.consequence())
            .put("score", risk.score());
    ArrayNode factors = node.putArray("factors");
    risk.factors()
        .forEach(
            f -> factors.addObject().put("words", words.say(f.words())).put("times", f.times()));
    return node;
  }

  private static ObjectNode reading(Reading r) {
    ObjectNode node = JobWriter.reading(r);
    node.remove("part");
    Derived d = Derived.of(r.figures(), r.conditions());
    ObjectNode derived = node.putObject("derived");
    put(derived, "seriesCapacitanceFarads", d.seriesFarads());
    put(derived, "esrOhms", d.esrOhms());
    put(derived, "dissipation", d.dissipation());
    d.dissipation().ifPresent(x -> derived.put("quality", 1 / x));
    put(derived, "frequencyHertz", d.hertz());
    put(derived, "impedanceOhms", d.impedanceOhms());
    return node;
  }

  static void put(ObjectNode node, String name, OptionalDouble value) {
    value.ifPresent(v -> node.put(name, v));
  }

  private ObjectNode finding(Finding f, Words words) {
    ObjectNode node =
        JSON.objectNode().put("criterion", f.criterion().code()).put("outcome", f.outcome().code());
    f.measured().ifPresent(q -> node.set("measured", quantity(q)));
    f.limit().ifPresent(l -> node.set("limit", quantity(l.value()).put("side", l.side().code())));
    put(node, "margin", f.margin());
    Source source = knowledge.source(f.source());
    node.putObject("source")
        .put("id", source.id())
        .put("standing", source.standing().code())
        .put("title", source.title());
    node.put("words", words.say(f.words()));
    f.working().ifPresent(w -> node.put("working", words.say(w)));
    return node;
  }

  static ObjectNode quantity(Quantity q) {
    return JSON.objectNode()
        .put("value", q.value())
        .put("unit", q.unit().symbol())
        .put("text", q.toString());
  }

  private static ObjectNode replacement(Replacement replacement, Words words) {
    ObjectNode node = JSON.objectNode();
    Optional<Replacement.Proposed> part = replacement.part();
    part.ifPresent(p ->
        node.put("kind", p.kind())
            .put("capacitanceFarads", p.farads())
            .put("ratedVolts", p.ratedVolts())
            .put("ratedForMains", p.ratedForMains()));
    new Describe(words).replacement(replacement).ifPresent(text -> node.put("text", text));
    node.set("why", sentences(replacement.reasons(), words));
    return node;
  }

  static ArrayNode sentences(List<Message> messages, Words words) {
    ArrayNode array = JSON.arrayNode();
    messages.forEach(m -> array.add(words.say(m)));
    return array;
  }
}
