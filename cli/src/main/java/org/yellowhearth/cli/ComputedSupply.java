package org.yellowhearth.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yellowhearth.core.circuit.SpiceText;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.ConverterFigures;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Headroom;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.ModelValue;
import org.yellowhearth.core.trace.RegulatorHeat;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.Suspicion;
import org.yellowhearth.core.trace.WarmUp;
import org.yellowhearth.knowledge.words.FaultText;
import org.yellowhearth.knowledge.words.Words;

/** What the described supply of a set does, as drawn and as it is. */
final class ComputedSupply {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private final Knowledge knowledge;
  private final Words words;

  ComputedSupply(Knowledge knowledge, Words words) {
    this.knowledge = knowledge;
    this.words = words;
  }

  /** Nothing where no supply is described. */
  ObjectNode of(JudgedJob judged) {
    ObjectNode node = JSON.objectNode();
    if (!judged.job().items(SupplySection.class).isEmpty()) {
      node.set("asDrawn", view(judged, SupplyModel.View.AS_DRAWN));
      node.set("asItIs", view(judged, SupplyModel.View.AS_IT_IS));
      suspects(judged).ifPresent(s -> node.set("suspects", s));
    }
    return node;
  }

  /** What the readings point at, by one fault or two; nothing without readings. */
  private Optional<ObjectNode> suspects(JudgedJob judged) {
    Optional<Suspicion> suspicion = judged.suspicion().filter(s -> !s.used().isEmpty());
    return suspicion.flatMap(s ->
        Diagnosis.of(s.question(), Watcher.NOBODY)
            .map(d -> {
              FaultText text = new FaultText(words);
              ObjectNode node = JSON.objectNode();
              ArrayNode readings = node.putArray("readings");
              s.used().forEach(r -> readings.add(r.id()));
              ArrayNode all = node.putArray("explanations");
              List<Diagnosis.Explanation> explanations = d.doubles();
              node.put("unexplained", Diagnosis.unexplained(explanations));
              explanations.forEach(e -> {
                ObjectNode one = all.addObject();
                ArrayNode parts = one.putArray("parts");
                e.parts().forEach(parts::add);
                one.put("words", text.of(e, "nothing"))
                    .put("probability", e.probability())
                    .put("misfit", e.misfit())
                    .put("passes", e.passes())
                    .put("alike", e.alike());
                ArrayNode predicted = one.putArray("predictedVolts");
                e.predicted().forEach(predicted::add);
                ArrayNode hot = one.putArray("hot");
                e.hot()
                    .forEach(h -> {
                      ObjectNode part =
                          hot.addObject()
                              .put("part", h.part())
                              .put("watts", h.watts())
                              .put("soundWatts", h.soundWatts());
                      h.ratedWatts().ifPresent(w -> part.put("ratedWatts", w));
                    });
                one.put("heat", e.heat().name().toLowerCase(Locale.ROOT));
              });
              ArrayNode next = node.putArray("next");
              d.next()
                  .forEach(n -> {
                    ObjectNode step =
                        next.addObject()
                            .put("way", n.way().code())
                            .put("at", n.at())
                            .put("bits", n.bits())
                            .put("minutes", n.minutes());
                    n.kind().ifPresent(k -> step.put("kind", k.code()));
                  });
              return node;
            }));
  }

  private ObjectNode view(JudgedJob judged, SupplyModel.View view) {
    Job job = judged.job();
    SupplyModel model = judged.supply(view);
    ObjectNode node = JSON.objectNode();
    ArrayNode values = node.putArray("values");
    model.values().forEach(v -> values.add(value(v)));
    if (!model.notes().isEmpty()) {
      node.set("notes", ComputedFigures.sentences(model.notes(), words));
    }
    if (model.supply().isEmpty()) {
      node.set("missing", ComputedFigures.sentences(model.missing(), words));
      return node;
    }
    Supply supply = model.supply().get();
    SupplyFigures figures = SupplyFigures.of(supply, model.points());
    if (figures.trouble().isPresent()) {
      node.set("missing", ComputedFigures.sentences(List.of(figures.trouble().get()), words));
      return node;
    }
    node.put("mainsVolts", supply.mains().volts()).put("hertz", supply.mains().hertz());
    ObjectNode points = node.putObject("points");
    figures
        .points()
        .forEach(p ->
            points
                .putObject(p.name())
                .put("dcVolts", p.dcVolts())
                .put("ripplePeakToPeakVolts", p.ripplePeakToPeak())
                .put("rippleRmsVolts", p.rippleRms())
                .put("rippleAverageRespondingVolts", p.rippleAverage()));
    ObjectNode elements = node.putObject("elements");
    figures
        .parts()
        .forEach(l -> {
          ObjectNode e =
              elements
                  .putObject(l.element())
                  .put("meanAmperes", l.meanAmperes())
                  .put("rmsAmperes", l.rmsAmperes())
                  .put("peakAmperes", l.peakAmperes())
                  .put("mostVolts", l.mostVolts())
                  .put("inverseVolts", l.inverseVolts());
          ComputedFigures.put(e, "watts", l.watts());
        });
    ComputedFigures.put(node, "mainsWatts", figures.mainsWatts());
    figures
        .waveforms()
        .ifPresent(w -> node.put("iterations", w.iterations()).put("moments", w.moments()));
    Inrush.of(supply, model.points(), model.ratings(), Watcher.NOBODY)
        .ifPresent(i -> {
          ObjectNode inrush =
              node.putObject("coldStart")
                  .put("rectifier", i.rectifier())
                  .put("peakAmperes", i.peakAmperes())
                  .put("worstPhaseDegrees", i.worstPhaseDegrees());
          ObjectNode rails = inrush.putObject("points");
          i.rails()
              .forEach(r -> {
                ObjectNode rail = rails.putObject(r.name()).put("highestVolts", r.highestVolts());
                ComputedFigures.put(rail, "secondsToNineTenths", r.secondsToNineTenths());
              });
          inrush.set("rectifiers", stresses(i));
        });
    node.set("warmUp", warmUp(WarmUp.of(supply, model.points(), model.cathodes(), Watcher.NOBODY)));
    List<Headroom> headrooms = Headroom.of(supply);
    node.set("regulators", regulators(headrooms, RegulatorHeat.of(job, headrooms)));
    node.set(
        "converters",
        converters(ConverterFigures.of(job, knowledge, view, judged.beliefs(), figures)));
    ArrayNode spice = node.putArray("spice");
    SpiceText.study(supply.circuit(), job.plate().name(), model.points())
        .lines()
        .forEach(spice::add);
    return node;
  }

  private static ArrayNode stresses(Inrush inrush) {
    ArrayNode all = JSON.arrayNode();
    inrush
        .stresses()
        .forEach(s -> {
          ObjectNode one =
              all.addObject()
                  .put("element", s.device())
                  .put("meanAmperes", s.meanAmperes())
                  .put("peakAmperes", s.peakAmperes())
                  .put("inverseVolts", s.inverseVolts())
                  .put("surgeAmperes", s.surgeAmperes())
                  .put("surgeSquareSeconds", s.surgeSquareSeconds());
          ComputedFigures.put(one, "shareOfRating", s.used());
        });
    return all;
  }

  private static ObjectNode warmUp(WarmUp w) {
    ObjectNode node = JSON.objectNode();
    ObjectNode points = node.putObject("points");
    w.rails()
        .forEach(r ->
            ComputedFigures.put(
                points
                    .putObject(r.name())
                    .put("highestVolts", r.highestVolts())
                    .put("steadyVolts", r.steadyVolts()),
                "secondsToNineTenths",
                r.secondsToNineTenths()));
    ArrayNode races = node.putArray("bias");
    w.races()
        .forEach(r -> {
          ObjectNode race = races.addObject().put("stage", r.stage()).put("point", r.bias());
          race.set("cold", start(r.cold()));
          race.set("warm", start(r.warm()));
        });
    return node;
  }

  private static ObjectNode start(WarmUp.Start s) {
    ObjectNode node =
        JSON.objectNode()
            .put("biasFirst", s.biasFirst())
            .put("overdriven", s.overdriven())
            .put("mostTimesSteady", s.mostTimes());
    ComputedFigures.put(node, "drawsAtSeconds", s.drawsAt());
    ComputedFigures.put(node, "biasAtSeconds", s.biasAt());
    return node;
  }

  private static ArrayNode regulators(List<Headroom> headrooms, List<RegulatorHeat> heats) {
    ArrayNode all = JSON.arrayNode();
    headrooms.stream()
        .filter(Headroom::known)
        .forEach(h -> {
          ObjectNode one =
              all.addObject()
                  .put("name", h.regulator())
                  .put("lowestInputVolts", h.lowestInput())
                  .put("spareVolts", h.spare())
                  .put("watts", h.watts());
          h.keeps().ifPresent(k -> one.put("leastShareOfCapacitance", k));
          heats.stream()
              .filter(x -> x.regulator().equals(h.regulator()))
              .findFirst()
              .ifPresent(x ->
                  one.put("junctionCelsius", x.junctionCelsius())
                      .put("mostCelsius", x.mostCelsius()));
        });
    return all;
  }

  private static ArrayNode converters(List<ConverterFigures> converters) {
    ArrayNode all = JSON.arrayNode();
    converters.forEach(c -> {
      ObjectNode one =
          all.addObject()
              .put("name", c.name())
              .put("inputWatts", c.inputWatts())
              .put("lowestBusVolts", c.lowestBus());
      c.start()
          .ifPresent(s -> {
            ObjectNode start =
                one.putObject("start")
                    .put("holds", s.holds())
                    .put("farads", s.farads())
                    .put("leastFarads", s.leastFarads());
            ComputedFigures.put(start, "seconds", s.seconds());
          });
      ArrayNode outputs = one.putArray("outputs");
      c.outputs()
          .forEach(o ->
              outputs
                  .addObject()
                  .put("name", o.name())
                  .put("volts", o.volts())
                  .put("amperes", o.amperes())
                  .put("capacitor", o.capacitor().part())
                  .put("capacitanceFarads", o.capacitor().farads())
                  .put("esrOhms", o.capacitor().esrOhms())
                  .put("capacitorAmperesRms", o.ripple().capacitorAmperes())
                  .put("ripplePeakToPeakVolts", o.ripple().peakToPeak())
                  .put("capacitorWatts", o.watts()));
    });
    return all;
  }

  private ObjectNode value(ModelValue v) {
    ObjectNode node =
        JSON.objectNode()
            .put("section", v.section())
            .put("element", v.element())
            .put("which", v.which().code());
    v.part().ifPresent(p -> node.put("part", p.toString()));
    return node.put("value", v.value().value())
        .put("unit", v.value().unit().symbol())
        .put("origin", v.origin().code())
        .put("words", words.word(v.which()) + " " + v.value() + ", " + words.word(v.origin()));
  }
}
