package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.DoubleStream;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Fault.Mode;

/**
 * One way in which a part goes bad, from slightly to wholly. Between its steps what the supply does
 * is taken to move evenly.
 *
 * @param part the element, or the section it belongs to
 * @param weight how often a part of its sort goes bad this way rather than another
 */
record FaultLine(String part, double weight, List<Fault> steps) {
  private static final double OPEN_TIMES = 1e4;

  /** What an open joint, winding or resistor has, the same for all (our own reading). */
  private static final double OPEN_OHMS = 1e9;

  /** A valve or rectifier that conducts nothing still has a law. */
  private static final double NOTHING = 1e-6;

  private static final double SHORT_OHMS = 0.3;

  /** What is left of a mains that does not come in. */
  private static final double NO_MAINS = 1e-5;

  FaultLine {
    steps = List.copyOf(steps);
  }

  /** Every way in which the parts of a supply go bad. */
  static List<FaultLine> of(Supply supply) {
    Set<String> sections = supply.sectionIds();
    List<FaultLine> lines = new ArrayList<>();
    Parameter.all(supply)
        .forEach(
            (knob, now) -> of(supply, knob, now, Parameter.whole(knob.element(), sections), lines));
    return lines;
  }

  private static void of(
      Supply supply, Parameter knob, double now, String part, List<FaultLine> lines) {
    switch (knob.which()) {
      case CAPACITANCE -> {
        add(
            lines,
            knob,
            part,
            0.33,
            Mode.CAPACITANCE_LOW,
            now,
            0.75,
            0.55,
            0.35,
            0.2,
            0.1,
            0.04,
            0.015);
        add(lines, knob, part, 0.07, Mode.OPEN, 1, Supply.OPEN_FARADS);
      }
      case SERIES_RESISTANCE ->
          add(lines, knob, part, 0.18, Mode.LOSSY, Math.max(now, 1e-3), 3, 8, 20, 50, 120);
      case LEAKAGE_RESISTANCE -> {
        add(
            lines,
            knob,
            part,
            0.3,
            Mode.LEAKY,
            1,
            DoubleStream.of(3e5, 1e5, 3e4, 1e4, 3e3, 1e3, 300, 100, 30, 10)
                .filter(o -> o < now)
                .toArray());
        add(lines, knob, part, 0.12, Mode.SHORTED, 1, 2, SHORT_OHMS);
      }
      case RESISTANCE -> {
        add(lines, knob, part, 0.4, Mode.DRIFTED_HIGH, now, 1.35, 2, 4, 20);
        add(lines, knob, part, 0.3, Mode.OPEN, 1, OPEN_OHMS);
        add(lines, knob, part, 0.3, Mode.DRIFTED_LOW, now, 0.65, 0.3, 0.05);
      }
      case INDUCTANCE -> add(lines, knob, part, 0.5, Mode.TURNS_SHORTED, now, 0.5, 0.2, 0.05);
      case WINDING_RESISTANCE -> {
        if (!part.equals(Parameter.MAINS)) {
          add(lines, knob, part, 0.5, Mode.OPEN, 1, OPEN_OHMS);
        }
      }
      case CONDUCTANCE -> conductance(supply, knob, part, lines);
      case LOAD -> {
        boolean ohms =
            supply.sections().stream()
                .anyMatch(s ->
                    s instanceof Section.Load l
                        && l.id().equals(knob.element())
                        && l.kind() == Section.Load.Kind.RESISTANCE);
        add(lines, knob, part, 0.5, Mode.DRAWS_MUCH, now, taking(ohms, 1.4, 2, 3.5, 7));
        add(lines, knob, part, 0.35, Mode.DRAWS_LITTLE, now, taking(ohms, 0.7, 0.5, 0.25));
        add(lines, knob, part, 0.15, Mode.DRAWS_NOTHING, now, taking(ohms, 0));
      }
      case EMISSION -> {
        add(lines, knob, part, 0.5, Mode.WEAK, 1, 0.7, 0.45, 0.2);
        add(lines, knob, part, 0.2, Mode.DRAWS_NOTHING, 1, NOTHING);
        add(lines, knob, part, 0.3, Mode.DRAWS_MUCH, 1, 1.4, 2.2, 4);
      }
      case MAINS_VOLTS -> {
        add(lines, knob, part, 0.6, Mode.NO_MAINS, now, NO_MAINS);
        add(lines, knob, part, 0.2, Mode.WRONG_SETTING, now, 0.5);
        add(lines, knob, part, 0.2, Mode.WRONG_SETTING, now, 2);
      }
      case HELD_VOLTS -> {
        add(lines, across(knob), part, 0.25, Mode.SHORTED, 1, SHORT_OHMS);
        add(lines, knob, part, 0.4, Mode.HOLDS_HIGH, now, 1.07, 1.2, 1.5, 3);
        add(lines, knob, part, 0.4, Mode.HOLDS_LOW, now, 0.93, 0.8, 0.5, 0.1);
      }
      case OUTPUT_RESISTANCE -> add(lines, knob, part, 0.2, Mode.OPEN, 1, 1e6);
      case OTHER_WATTS -> add(lines, knob, part, 0.5, Mode.TURNS_SHORTED, now, 1.5, 2.2, 4);
      case WINDING_VOLTS,
          DROP,
          DROPOUT,
          CURRENT_LIMIT,
          SATURATION_CURRENT,
          EMISSION_COEFFICIENT,
          JUNCTION_RESISTANCE,
          ARC_DROP,
          PERVEANCE,
          AMPLIFICATION,
          ANODE_SHARE,
          KNEE,
          START_VOLTS,
          CORE_QUALITY,
          PASS_RESISTANCE -> {}
    }
  }

  private static void conductance(
      Supply supply, Parameter knob, String part, List<FaultLine> lines) {
    boolean leg = !knob.element().equals(part);
    Optional<RectifierTechnology> made =
        supply.sections().stream()
            .filter(x -> x.id().equals(part))
            .flatMap(x -> x.rectifier().stream())
            .map(RectifierModel::technology)
            .findFirst();
    boolean wears = made.filter(RectifierTechnology::wears).isPresent();
    made.filter(_ -> supply.circuit().elements().stream().anyMatch(e -> named(e, knob)))
        .ifPresent(t -> back(t, knob, part, lines));
    if (leg) {
      add(lines, knob, part, wears ? 0.1 : 0.2, Mode.LEG_OPEN, 1, NOTHING);
    } else {
      add(lines, knob, part, wears ? 0.15 : 0.4, Mode.OPEN, 1, NOTHING);
    }
    if (wears && leg) {
      add(lines, knob, part, 0.1, Mode.LEG_WEAK, 1, 0.6, 0.45, 0.2);
    } else if (wears) {
      add(lines, knob, part, 0.25, Mode.WEAK, 1, 0.7, 0.5, 0.3, 0.1);
    }
  }

  private static boolean named(Element e, Parameter knob) {
    return e instanceof Device && e.name().equals(knob.element());
  }

  private static Parameter across(Parameter knob) {
    return new Parameter(knob.element(), Parameter.Which.LEAKAGE_RESISTANCE);
  }

  /**
   * What goes back through a path that should conduct one way only: a diode shorts as often as it
   * opens, selenium leaks before it does, a valve flashes over rarely (common practice).
   */
  private static void back(
      RectifierTechnology technology, Parameter knob, String part, List<FaultLine> lines) {
    if (technology.replacedOnSight()) {
      add(lines, across(knob), part, 0.1, Mode.LEAKY, 1, 3e4, 1e4, 3e3, 1e3, 300);
    }
    boolean bulb = technology.wears() && !technology.replacedOnSight();
    add(lines, across(knob), part, bulb ? 0.05 : 0.2, Mode.SHORTED, 1, SHORT_OHMS);
  }

  private static double[] taking(boolean ohms, double... times) {
    return ohms ? DoubleStream.of(times).map(t -> t == 0 ? OPEN_TIMES : 1 / t).toArray() : times;
  }

  private static void add(
      List<FaultLine> lines,
      Parameter knob,
      String part,
      double weight,
      Mode mode,
      double now,
      double... times) {
    if (times.length > 0) {
      lines.add(
          new FaultLine(
              part,
              weight,
              DoubleStream.of(times).mapToObj(t -> new Fault(knob, mode, t * now)).toList()));
    }
  }
}
