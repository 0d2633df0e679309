package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.supply.Converter;
import org.yellowhearth.core.supply.Converter.Ripple;
import org.yellowhearth.core.supply.Section;

/**
 * A switching converter beside the engine's solution of its reservoir: whether and when its
 * controller starts, and what the filter capacitors of its outputs carry.
 *
 * @param inputWatts what it takes from its reservoir
 * @param lowestBus the reservoir at the bottom of its ripple
 * @param start its start-up, where the parts of that are stated
 */
public record ConverterFigures(
    String name, double inputWatts, double lowestBus, Optional<Start> start, List<Output> outputs) {
  static final double USUAL_EFFICIENCY = 0.75;
  private static final double USUAL_HERTZ = 50_000;
  private static final double USUAL_DUTY = 0.4;
  private static final double USUAL_ON = 16;
  private static final double USUAL_OFF = 10;
  private static final double USUAL_IDLE = 0.0005;
  private static final double USUAL_RUN = 0.015;
  private static final double USUAL_TAKEOVER = 0.01;

  public ConverterFigures {
    outputs = List.copyOf(outputs);
  }

  /**
   * The start of its controller.
   *
   * @param seconds until it starts; none where it never does
   * @param farads what its capacitor has
   * @param leastFarads what it needs so that the start does not fall back
   */
  public record Start(OptionalDouble seconds, double farads, double leastFarads) {
    /** Whether it starts and goes on. */
    public boolean holds() {
      return seconds.isPresent() && farads >= leastFarads;
    }
  }

  /**
   * An output.
   *
   * @param capacitor its filter capacitor as the model takes it, with its series resistance at the
   *     switching frequency
   * @param watts what that capacitor turns to heat
   */
  public record Output(
      String name,
      double volts,
      double amperes,
      Section.Cap capacitor,
      Ripple ripple,
      double watts) {}

  /** Every converter of a job whose capacitors are known; in the view of the figures. */
  public static List<ConverterFigures> of(
      Job job,
      Knowledge knowledge,
      SupplyModel.View view,
      Function<Part, Belief> now,
      SupplyFigures figures) {
    List<ConverterFigures> all = new ArrayList<>();
    for (SupplyConverter c : job.items(SupplyConverter.class)) {
      KnownValues known = new KnownValues(job, knowledge, view, now);
      figures.parts().stream()
          .filter(l -> l.element().equals(c.name()))
          .findFirst()
          .ifPresent(taken -> {
            double lowest =
                figures.waveforms().map(w -> w.voltage(c.from()).least()).orElse(taken.mostVolts());
            double mean =
                figures.waveforms().map(w -> w.voltage(c.from()).mean()).orElse(taken.mostVolts());
            List<Output> outputs = new ArrayList<>();
            for (SupplyOutput o : job.items(SupplyOutput.class)) {
              if (o.converter().equals(c.name())) {
                output(c, o, known).ifPresent(outputs::add);
              }
            }
            all.add(
                new ConverterFigures(
                    c.name(), taken.watts().orElse(0), lowest, start(c, mean, known), outputs));
          });
    }
    return all;
  }

  private static Optional<Start> start(SupplyConverter c, double bus, KnownValues known) {
    if (c.startOhms().isEmpty() || (c.startCap().isEmpty() && c.startFarads().isEmpty())) {
      return Optional.empty();
    }
    double on = c.onVolts().orElse(USUAL_ON);
    double off = Math.min(c.offVolts().orElse(USUAL_OFF), 0.99 * on);
    return known
        .cap(c.id(), c.name() + "-start", c.startCap(), c.startFarads())
        .map(cap ->
            new Start(
                Converter.startSeconds(
                    bus,
                    c.startOhms().getAsDouble(),
                    cap.farads(),
                    on,
                    c.idleAmperes().orElse(USUAL_IDLE),
                    cap.leakOhms()),
                cap.farads(),
                Converter.leastStartFarads(
                    c.runAmperes().orElse(USUAL_RUN),
                    c.takeoverSeconds().orElse(USUAL_TAKEOVER),
                    on,
                    off)));
  }

  private static Optional<Output> output(SupplyConverter c, SupplyOutput o, KnownValues known) {
    if (o.capacitor().isEmpty() && o.farads().isEmpty()) {
      return Optional.empty();
    }
    double hertz = c.hertz().orElse(USUAL_HERTZ);
    return known
        .switching(o, hertz)
        .map(cap -> {
          double duty = c.duty().orElse(USUAL_DUTY);
          Ripple ripple =
              c.shape() == SupplyConverter.Shape.FORWARD && o.henries().isPresent()
                  ? Converter.forward(
                      Math.abs(o.volts()),
                      duty,
                      hertz,
                      o.henries().getAsDouble(),
                      cap.farads(),
                      cap.esrOhms())
                  : Converter.flyback(o.amperes(), duty, hertz, cap.farads(), cap.esrOhms());
          return new Output(
              o.name(),
              o.volts(),
              o.amperes(),
              cap,
              ripple,
              ripple.capacitorAmperes() * ripple.capacitorAmperes() * cap.esrOhms());
        });
  }
}
