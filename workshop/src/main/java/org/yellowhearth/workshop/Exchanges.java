package org.yellowhearth.workshop;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.SubstitutionRules;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.knowledge.words.Describe;

/**
 * Parts that were exchanged without having been chosen in Replace first: {@code C2 replaced with
 * 33u 450V}. What is in is what was chosen from then on, and the fitting sheet goes on from there.
 */
final class Exchanges {
  /** Where the new part came from, as its line in no drawer and no catalogue. */
  private static final String AT_THE_BENCH = "at-the-bench";

  private static final double USUAL_CAPACITOR_TOLERANCE = 0.2;
  private static final double USUAL_RESISTOR_TOLERANCE = 0.05;
  private static final double USUAL_WATTS = 0.5;

  private final DeskModel model;

  Exchanges(DeskModel model) {
    this.model = model;
  }

  /** Writes it down. */
  void made(BenchEntry.Exchange exchange, Runnable after) {
    model.made(() -> {
      Job job = model.job();
      PartRef ref = exchange.old().ref();
      Optional<Choice> before = job.item(Choice.idOf(ref)).map(Choice.class::cast);
      Choice chosen =
          exchange
              .fitted()
              .map(p -> Choice.one(ref, taken(exchange.old(), p)))
              .map(c -> before.map(b -> c.with(b.way())).orElse(c))
              .or(() -> before)
              .orElseThrow();
      Fitting fitting =
          job.item(Fitting.idOf(ref))
              .map(Fitting.class::cast)
              .orElse(Fitting.of(ref))
              .with(f -> {
                f.removed = true;
                f.fitted = true;
              });
      List<Edit> edits =
          Stream.<Item>of(chosen, fitting)
              .filter(i -> !job.item(i.id()).equals(Optional.of(i)))
              .map(i -> (Edit) new Edit.ItemChanged(job.item(i.id()), Optional.of(i)))
              .toList();
      if (edits.isEmpty()) {
        after.run();
      } else {
        model.act(BenchLineModel.together(edits), after);
      }
    });
  }

  /** What is in, as a ware: what was not said of it is as usual for such a part. */
  private Choice.Taken taken(Part old, Part fitted) {
    Ware ware =
        switch (fitted) {
          case Capacitor c -> capacitor(old, c);
          case Resistor r -> resistor(old, r);
          default -> new DeviceWare(fitted.marking(), "");
        };
    return new Choice.Taken(
        AT_THE_BENCH,
        new Describe(model.words(), model.job()).part(fitted),
        Choice.Whence.CATALOGUE,
        ware);
  }

  private Ware capacitor(Part old, Capacitor c) {
    return new CapacitorWare(
        kind(old, c),
        c.farads(),
        c.tolerance().map(Tolerance::above).orElse(USUAL_CAPACITOR_TOLERANCE),
        c.ratedVolts().orElseThrow(),
        c.ratedForMains(),
        SafetyClass.UNSTATED,
        Leads.UNSTATED,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty());
  }

  private static Ware resistor(Part old, Resistor r) {
    double watts =
        r.watts().orElse(old instanceof Resistor o ? o.watts().orElse(USUAL_WATTS) : USUAL_WATTS);
    return new ResistorWare(
        r.ohms(),
        r.tolerance().map(Tolerance::above).orElse(USUAL_RESISTOR_TOLERANCE),
        watts,
        Leads.UNSTATED,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty());
  }

  /** As it was said, else what usually follows the kind of the old one. */
  private String kind(Part old, Capacitor fitted) {
    return fitted.kind().equals(Capacitor.UNSTATED_KIND) && old instanceof Capacitor o
        ? model.knowledge().renew().heirs(model.knowledge().kind(o.kind())).stream()
            .findFirst()
            .map(SubstitutionRules.Heir::kind)
            .orElse(o.kind())
        : fitted.kind();
  }
}
