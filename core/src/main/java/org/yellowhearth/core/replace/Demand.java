package org.yellowhearth.core.replace;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Probe;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.circuit.Transient.Course;
import org.yellowhearth.core.circuit.Transient.Warmth;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * What a place asks of the capacitor that sits there.
 *
 * @param steadyVolts the most across it in the steady state at nominal mains, or what a person
 *     typed
 * @param worstVolts the most it may ever see
 * @param when in which circumstance
 * @param rippleAmperes the alternating current through it, RMS; none where nothing is known of it
 */
public record Demand(
    OptionalDouble steadyVolts,
    OptionalDouble worstVolts,
    Circumstance when,
    OptionalDouble rippleAmperes) {
  /** When a capacitor sees most. */
  public enum Circumstance implements Coded {
    UNSTATED,
    /** Nobody worked it out: what was typed, and half as much again. */
    TYPED,
    /** In the steady state with the mains a tenth high. */
    HIGH_LINE,
    /** Switched on cold, before valves draw, the mains a tenth high. */
    COLD,
    /** With nothing drawn at all, valves out, the mains a tenth high. */
    LIGHT,
    /** The same, and silicon in the place of the rectifier. */
    SILICON
  }

  /**
   * The mains may be so much above what it is called (EN 50160 allows 230 V ± 10 %, from memory).
   */
  public static final double HIGH = 1.1;

  /** What a person typed leaves out cold start and high line. */
  static final double TYPED_MARGIN = 1.5;

  private static final double SECONDS = 1.5;
  private static final double HARDLY = 1e-3;
  private static final Demand NOTHING =
      new Demand(
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          Circumstance.UNSTATED,
          OptionalDouble.empty());

  /** What is known of a place without a supply: what was typed. */
  public static Demand typed(Capacitor part) {
    return part.workingVolts().isPresent()
        ? new Demand(
            part.workingVolts(),
            OptionalDouble.of(TYPED_MARGIN * part.workingVolts().getAsDouble()),
            Circumstance.TYPED,
            OptionalDouble.empty())
        : NOTHING;
  }

  /**
   * What the places of a supply ask of their capacitors.
   *
   * @param supply as drawn
   * @param silicon whether silicon may come in the place of the rectifiers
   * @throws BadCircuitException where the supply cannot be
   * @throws NoSolutionException where it has no steady state
   */
  public static Map<PartRef, Demand> of(Supply supply, boolean silicon, Watcher watcher) {
    Circuit circuit = supply.circuit();
    List<Element.Capacitance> all =
        circuit.elements().stream()
            .filter(Element.Capacitance.class::isInstance)
            .map(Element.Capacitance.class::cast)
            .filter(c -> PartRef.parse(c.name()).isPresent())
            .toList();
    Supply high = high(supply);
    Waveforms nominal = Settled.of(supply).waves();
    Waveforms raised = Settled.of(high).waves();
    double share = silicon ? 1.0 / 3 : 0.5;
    List<Course> cold = start(high, all, s -> watcher.goOn(share * s));
    List<Course> light = start(unloaded(high), all, s -> watcher.goOn(share * (1 + s)));
    List<Course> changed =
        silicon
            ? start(unloaded(withSilicon(high)), all, s -> watcher.goOn(share * (2 + s)))
            : light;
    Map<PartRef, Demand> found = new HashMap<>();
    for (int k = 0; k < all.size(); k++) {
      Element.Capacitance c = all.get(k);
      double[] volts = {
        most(raised, c), most(cold.get(k)), most(light.get(k)), most(changed.get(k))
      };
      Circumstance[] of = {
        Circumstance.HIGH_LINE, Circumstance.COLD, Circumstance.LIGHT, Circumstance.SILICON
      };
      int worst = 0;
      for (int i = 1; i < volts.length; i++) {
        // The plainer circumstance is named where another brings hardly more.
        worst = volts[i] > volts[worst] * (1 + 5e-3) ? i : worst;
      }
      found.put(
          PartRef.of(c.name()),
          new Demand(
              OptionalDouble.of(most(nominal, c)),
              OptionalDouble.of(volts[worst]),
              of[worst],
              OptionalDouble.of(nominal.current(c.name()).rippleRms())));
    }
    return found;
  }

  private static double most(Waveforms w, Element.Capacitance c) {
    return Math.max(w.voltage(c.a(), c.b()).most(), -w.voltage(c.a(), c.b()).least());
  }

  private static double most(Course c) {
    return Math.max(c.greatest(), -c.lowest());
  }

  private static List<Course> start(Supply supply, List<Element.Capacitance> all, Watcher watcher) {
    Warmth valvesCold = (d, _) -> d instanceof Device.Triode || d instanceof Device.Pentode ? 0 : 1;
    return Transient.of(supply.circuit())
        .coldStart(
            0,
            SECONDS,
            valvesCold,
            all.stream().map(c -> (Probe) new Probe.Voltage(c.a(), c.b())).toList(),
            watcher);
  }

  /** A supply at the highest mains that may be. */
  static Supply high(Supply supply) {
    double volts = Math.max(supply.mains().volts(), HIGH * supply.mains().nominalVolts());
    return supply.tuned((knob, now) -> knob.which() == Parameter.Which.MAINS_VOLTS ? volts : now);
  }

  /** A supply that feeds next to nothing. */
  static Supply unloaded(Supply supply) {
    return supply.tuned((knob, now) ->
        knob.which() != Parameter.Which.LOAD
            ? now
            : supply.loadInOhms(knob.element()) ? now / HARDLY : now * HARDLY);
  }

  /** A supply with silicon in the place of every rectifier. */
  static Supply withSilicon(Supply supply) {
    Supply now = supply;
    for (String id : Set.copyOf(supply.sectionIds())) {
      now = withSilicon(now, id, 0);
    }
    return now;
  }

  /**
   * A supply with silicon in the place of one rectifier, and so many ohms in the way of each of its
   * legs.
   */
  static Supply withSilicon(Supply supply, String rectifier, double legOhms) {
    RectifierModel model = RectifierModel.of(RectifierTechnology.SILICON).behind(legOhms);
    return new Supply(
        supply.mains(),
        supply.primary(),
        supply.sections().stream()
            .map(s ->
                switch (s) {
                  case Section.Rectify r when r.id().equals(rectifier) ->
                      (Section)
                          new Section.Rectify(
                              r.id(),
                              r.winding(),
                              r.scheme(),
                              model,
                              r.negative(),
                              r.to(),
                              r.common(),
                              Section.Rectify.whole(r.scheme()));
                  case Section.Doubler d when d.id().equals(rectifier) ->
                      new Section.Doubler(
                          d.id(), d.winding(), d.cascade(), model, d.to(), d.first(), d.second());
                  default -> s;
                })
            .toList());
  }

  /** The rectifier before whose first capacitor nothing but itself lies, if this part is one. */
  static Optional<Section> rectifierBefore(Supply supply, PartRef part) {
    String name = part.toString();
    return supply.sections().stream()
        .filter(s ->
            switch (s) {
              case Section.Rectify r ->
                  supply.sections().stream()
                      .anyMatch(f ->
                          f instanceof Section.Filter x
                              && x.shunt().filter(c -> c.part().equals(name)).isPresent()
                              && x.from().equals(r.to())
                              && x.to().equals(r.to()));
              case Section.Doubler d ->
                  d.first().part().equals(name) || d.second().part().equals(name);
              default -> false;
            })
        .findFirst();
  }
}
