package org.yellowhearth.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.arrival.Estimate;
import org.yellowhearth.core.arrival.MainsFit;
import org.yellowhearth.core.arrival.Pert;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.core.safety.DischargePlan;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.core.safety.Store;
import org.yellowhearth.knowledge.words.Words;

/** What arrival and safety compute of a set as a whole. */
final class ComputedSet {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;
  private static final double MILLIS = 1000;

  private final Knowledge knowledge;
  private final ZonedDateTime now;
  private final Words words;

  ComputedSet(Knowledge knowledge, ZonedDateTime now, Words words) {
    this.knowledge = knowledge;
    this.now = now;
    this.words = words;
  }

  ObjectNode of(Job job, ChargeReading hearth) {
    ObjectNode node = JSON.objectNode();
    ages(job, node);
    ArrayNode mains = node.putArray("mains");
    MainsFit.of(job).forEach(p -> mains.add(point(p)));
    node.set("estimate", estimate(Estimate.of(job)));
    ArrayNode stores = node.putArray("stores");
    hearth.stores().forEach(s -> stores.add(store(s)));
    ArrayNode cautions = node.putArray("cautions");
    SetCautions.of(job, knowledge).forEach(c -> cautions.add(caution(c)));
    ArrayNode checks = node.putArray("checks");
    Checks.of(job, now.toInstant()).forEach(c -> checks.add(check(c)));
    return node;
  }

  private void ages(Job job, ObjectNode node) {
    Ages.first(job).ifPresent(y -> node.put("ageYears", now.getYear() - y));
    ArrayNode dated = node.putArray("dated");
    for (Ages.Dated d : Ages.of(job, now.toLocalDate())) {
      ObjectNode one =
          dated
              .addObject()
              .put("ref", d.part().ref().toString())
              .put("code", d.part().dateCode())
              .put("year", d.dating().best().year());
      d.dating().best().week().ifPresent(w -> one.put("week", w));
      d.dating().best().month().ifPresent(m -> one.put("month", m.getValue()));
      one.put("ageYears", d.years())
          .put("settled", d.dating().settled().code())
          .put("standing", d.standing().code());
    }
  }

  private ObjectNode point(MainsFit.Point p) {
    ObjectNode node =
        JSON.objectNode().put("severity", p.severity().code()).put("words", words.say(p.words()));
    p.remedy().forEach(r -> node.put("remedy", words.say(r)));
    p.working().forEach(w -> node.put("working", words.say(w)));
    return node;
  }

  private static ObjectNode estimate(Estimate e) {
    ObjectNode node = JSON.objectNode().put("advice", e.advice().code());
    for (Map.Entry<Phase, Estimate.Sum> phase : e.phases().entrySet()) {
      node.set(phase.getKey().code(), sum(phase.getValue()));
    }
    node.set("whole", sum(e.whole()));
    return node;
  }

  private static ObjectNode sum(Estimate.Sum sum) {
    ObjectNode node = JSON.objectNode();
    node.set("hours", pert(sum.hours()));
    node.set("money", pert(sum.money()));
    return node;
  }

  private static ObjectNode pert(Pert p) {
    return JSON.objectNode()
        .put("mean", p.mean())
        .put("deviation", p.deviation())
        .put("from", p.from())
        .put("to", p.to());
  }

  private static ObjectNode store(ChargeReading.StoreReading s) {
    Store store = s.store();
    ObjectNode node =
        JSON.objectNode()
            .put("id", store.id())
            .put("name", store.name())
            .put("litVolts", store.litVolts())
            .put("likelyFarads", store.likelyFarads())
            .put("highFarads", store.highFarads())
            .put("absorption", store.absorption())
            .put("known", s.known())
            .put("safeVolts", s.safeVolts())
            .put("likelyVolts", s.likelyVolts())
            .put("highestVolts", s.highestVolts())
            .put("hazard", s.hazard().code());
    seconds(node, "touchSafeInSeconds", s.touchSafeIn());
    seconds(node, "meterSafeInSeconds", s.meterSafeIn());
    seconds(node, "likelyTouchSafeInSeconds", s.likelyTouchSafeIn());
    seconds(node, "likelyMeterSafeInSeconds", s.likelyMeterSafeIn());
    DischargePlan plan =
        DischargePlan.suggested(store.highFarads(), store.litVolts(), store.absorption());
    ObjectNode discharge =
        node.putObject("discharge")
            .put("ohms", plan.ohms())
            .put("energyJoules", plan.energy())
            .put("hazard", plan.hazard().code())
            .put("peakAmperes", plan.peakAmperes())
            .put("secondsTo60Volts", plan.secondsTo(60))
            .put("secondsTo1Volt", plan.secondsTo(1))
            .put("reboundVolts", plan.reboundVolts());
    ComputedFigures.put(discharge, "pulseWatts", plan.pulseWatts());
    ComputedFigures.put(discharge, "forgottenWatts", plan.forgottenWatts());
    return node;
  }

  private static void seconds(ObjectNode node, String name, Optional<Duration> time) {
    time.ifPresent(t -> node.put(name, t.toMillis() / MILLIS));
  }

  private ObjectNode caution(CautionRule c) {
    ObjectNode node =
        JSON.objectNode()
            .put("id", c.id())
            .put("danger", c.danger())
            .put("hazard", words.term("Danger." + c.id()))
            .put("precaution", words.term("Precaution." + c.id()));
    ArrayNode shown = node.putArray("shown");
    c.stages().stream().map(Coded::code).forEach(shown::add);
    return node;
  }

  private ObjectNode check(Check c) {
    ObjectNode node =
        JSON.objectNode()
            .put("code", c.code())
            .put("words", words.say(c.words()))
            .put("state", c.state().name().toLowerCase(Locale.ROOT));
    c.expected()
        .ifPresent(r -> {
          ObjectNode expected = node.putObject("expected").put("from", r.low());
          r.highest().ifPresent(h -> expected.put("to", h.value()));
          expected.put("unit", r.unit().symbol());
        });
    c.working().ifPresent(w -> node.put("working", words.say(w)));
    return node;
  }
}
