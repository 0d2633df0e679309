package org.yellowhearth.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Year;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.assess.Assessor;
import org.yellowhearth.core.circuit.SpiceText;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.ModelValue;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.Suspicion;
import org.yellowhearth.records.words.FaultText;
import org.yellowhearth.records.words.Words;

/** What the described supply of a set does, as drawn and as it is. */
final class ComputedSupply {
    private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

    private final Knowledge knowledge;
    private final ZonedDateTime now;
    private final Words words;

    ComputedSupply(Knowledge knowledge, ZonedDateTime now, Words words) {
        this.knowledge = knowledge;
        this.now = now;
        this.words = words;
    }

    /** Nothing where no supply is described. */
    ObjectNode of(Job job) {
        ObjectNode node = JSON.objectNode();
        if (!job.items(SupplySection.class).isEmpty()) {
            node.set("asDrawn", view(job, SupplyModel.View.AS_DRAWN));
            node.set("asItIs", view(job, SupplyModel.View.AS_IT_IS));
            suspects(job).ifPresent(s -> node.set("suspects", s));
        }
        return node;
    }

    /** What the readings point at, by one fault or two; nothing without readings. */
    private Optional<ObjectNode> suspects(Job job) {
        Map<PartRef, Double> chances = new HashMap<>();
        new Assessor(knowledge).assessAll(job, now.toLocalDate()).forEach(a -> chances.put(a.part().ref(), a.risk().chance()));
        Optional<Suspicion> suspicion = Suspicion.of(job, knowledge, job.plate().age(Year.of(now.getYear())),
                ref -> chances.getOrDefault(ref, 0.1)).filter(s -> !s.used().isEmpty());
        return suspicion.flatMap(s -> Diagnosis.of(s.question(), Transient.Watcher.NOBODY).map(d -> {
            FaultText text = new FaultText(words);
            ObjectNode node = JSON.objectNode();
            ArrayNode readings = node.putArray("readings");
            s.used().forEach(r -> readings.add(r.id()));
            ArrayNode all = node.putArray("explanations");
            d.doubles().forEach(e -> {
                ObjectNode one = all.addObject();
                ArrayNode parts = one.putArray("parts");
                e.parts().forEach(parts::add);
                one.put("words", text.of(e, "nothing")).put("probability", e.probability()).put("misfit", e.misfit()).put("alike",
                        e.alike());
                ArrayNode predicted = one.putArray("predictedVolts");
                e.predicted().forEach(predicted::add);
            });
            ArrayNode next = node.putArray("next");
            d.next().forEach(n -> {
                ObjectNode step = next.addObject().put("way", n.way().code()).put("at", n.at()).put("bits", n.bits())
                        .put("minutes", n.minutes());
                n.kind().ifPresent(k -> step.put("kind", k.code()));
            });
            return node;
        }));
    }

    private ObjectNode view(Job job, SupplyModel.View view) {
        SupplyModel model = SupplyModel.of(job, knowledge, view, job.plate().age(Year.of(now.getYear())));
        ObjectNode node = JSON.objectNode();
        ArrayNode values = node.putArray("values");
        model.values().forEach(v -> values.add(value(v)));
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
        figures.points().forEach(p -> points.putObject(p.name()).put("dcVolts", p.dcVolts())
                .put("ripplePeakToPeakVolts", p.ripplePeakToPeak()).put("rippleRmsVolts", p.rippleRms())
                .put("rippleAverageRespondingVolts", p.rippleAverage()));
        ObjectNode elements = node.putObject("elements");
        figures.parts().forEach(l -> {
            ObjectNode e = elements.putObject(l.element()).put("meanAmperes", l.meanAmperes()).put("rmsAmperes", l.rmsAmperes())
                    .put("peakAmperes", l.peakAmperes()).put("mostVolts", l.mostVolts()).put("inverseVolts", l.inverseVolts());
            ComputedFigures.put(e, "watts", l.watts());
        });
        figures.waveforms().ifPresent(w -> node.put("iterations", w.iterations()).put("moments", w.moments()));
        Inrush.of(supply, model.points(), Transient.Watcher.NOBODY).ifPresent(i -> {
            ObjectNode inrush = node.putObject("coldStart").put("rectifier", i.rectifier()).put("peakAmperes", i.peakAmperes())
                    .put("worstPhaseDegrees", i.worstPhaseDegrees());
            ObjectNode rails = inrush.putObject("points");
            i.rails().forEach(r -> {
                ObjectNode rail = rails.putObject(r.name()).put("highestVolts", r.highestVolts());
                ComputedFigures.put(rail, "secondsToNineTenths", r.secondsToNineTenths());
            });
        });
        ArrayNode spice = node.putArray("spice");
        SpiceText.cards(supply.circuit()).forEach(spice::add);
        return node;
    }

    private ObjectNode value(ModelValue v) {
        ObjectNode node = JSON.objectNode().put("section", v.section()).put("element", v.element()).put("which",
                v.which().code());
        v.part().ifPresent(p -> node.put("part", p.toString()));
        return node.put("value", v.value().value()).put("unit", v.value().unit().symbol()).put("origin", v.origin().code())
                .put("words", words.word(v.which()) + " " + v.value() + ", " + words.word(v.origin()));
    }
}
