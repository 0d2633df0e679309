package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/**
 * Parts of one type in a set, as those of two channels, are like each other: the odd one out is
 * found, whatever limits say of each by itself. What is compared: gain, emission, capacitance and
 * series resistance, and the voltages at the same pin. The factors are common practice, rough.
 */
final class Siblings {
  /** Beyond this factor the odd one is bad, and beyond its root doubtful. */
  private static final double FAR = 2.5;

  /** Series resistances of good ones scatter more. */
  private static final double ESR_FAR = 9;

  /** Voltages of a pin that differ by this share, and by so many volts, are looked into. */
  private static final double PIN_SHARE = 0.25;

  private static final double PIN_VOLTS = 2;

  private static final String SOURCE = "siblings";

  /** What a part is compared in: a figure of its own, or the pin of a voltage. */
  private record Compared(Object type, Optional<Figure> figure, String pin) {}

  private final Map<Compared, double[]> read = new HashMap<>();
  private final Map<PartRef, Map<String, Double>> pins = new HashMap<>();

  /** The parts of a job. */
  Siblings(Job job) {
    job.items(SupplyReading.class).stream()
        .filter(r -> r.kind() == SupplyReading.Kind.DIRECT && r.point().contains("."))
        .forEach(r ->
            PartRef.parse(r.point().substring(0, r.point().indexOf('.')))
                .ifPresent(ref ->
                    pins.computeIfAbsent(ref, _ -> new HashMap<>())
                        .put(r.point().substring(r.point().indexOf('.') + 1), r.volts())));
    Map<Compared, List<Double>> all = new HashMap<>();
    for (Part p : job.census()) {
      type(p)
          .ifPresent(type -> {
            List<Reading> readings = job.readingsOf(p.ref());
            for (Figure f : figures(p)) {
              newest(readings, f)
                  .ifPresent(v ->
                      all.computeIfAbsent(
                              new Compared(type, Optional.of(f), ""), _ -> new ArrayList<>())
                          .add(v));
            }
            pins.getOrDefault(p.ref(), Map.of())
                .forEach((pin, volts) ->
                    all.computeIfAbsent(
                            new Compared(type, Optional.empty(), pin), _ -> new ArrayList<>())
                        .add(volts));
          });
    }
    all.forEach((what, values) ->
        read.put(what, values.stream().mapToDouble(Double::doubleValue).sorted().toArray()));
  }

  /** What sets a part apart from its like. */
  List<Finding> judge(Part part, List<Reading> readings) {
    List<Finding> findings = new ArrayList<>();
    type(part)
        .ifPresent(type -> {
          for (Figure f : figures(part)) {
            newest(readings, f)
                .ifPresent(own ->
                    middle(
                            read.getOrDefault(
                                new Compared(type, Optional.of(f), ""), new double[0]),
                            own)
                        .ifPresent(of -> figure(f, own, of).ifPresent(findings::add)));
          }
          pins.getOrDefault(part.ref(), Map.of())
              .forEach((pin, own) -> {
                double[] all =
                    read.getOrDefault(new Compared(type, Optional.empty(), pin), new double[0]);
                if (all.length > 2) {
                  middle(all, own).ifPresent(of -> pin(pin, own, of).ifPresent(findings::add));
                }
              });
        });
    return findings;
  }

  /** What makes parts alike; empty where nothing is known to. */
  private static Optional<Object> type(Part part) {
    return switch (part) {
      case Transistor t -> named(t.marking());
      case Valve v -> named(v.marking());
      case Capacitor c -> Optional.of(List.of(c.kind(), c.farads(), c.ratedVolts()));
      default -> Optional.empty();
    };
  }

  private static Optional<Object> named(String marking) {
    return marking.isBlank()
        ? Optional.empty()
        : Optional.of(marking.strip().toLowerCase(Locale.ROOT));
  }

  private static List<Figure> figures(Part part) {
    return switch (part) {
      case Transistor _ -> List.of(Figure.GAIN);
      case Valve _ -> List.of(Figure.EMISSION, Figure.CONDUCTANCE);
      case Capacitor _ -> List.of(Figure.CAPACITANCE, Figure.ESR);
      default -> List.of();
    };
  }

  /** What the newest reading alone shows; an ESR in place counts too where it is high. */
  private static OptionalDouble newest(List<Reading> readings, Figure figure) {
    return readings.reversed().stream()
        .filter(r -> figure == Figure.ESR || r.conditions().connection().alone())
        .flatMapToDouble(r -> r.figures().get(figure).stream())
        .findFirst();
  }

  /** The middle of all, of two the other; empty where it is alone. */
  private static OptionalDouble middle(double[] all, double own) {
    int many = all.length;
    if (many > 2) {
      return OptionalDouble.of((all[(many - 1) / 2] + all[many / 2]) / 2);
    }
    return Arrays.stream(all).filter(v -> v != own).findFirst();
  }

  /** A gain, emission or capacitance far below its like, or a series resistance far above. */
  private static Optional<Finding> figure(Figure figure, double own, double middle) {
    boolean esr = figure == Figure.ESR;
    double apart = esr ? own / middle : middle / own;
    double far = esr ? ESR_FAR : FAR;
    if (!(apart > Math.sqrt(far))) {
      return Optional.empty();
    }
    boolean bad = apart > far && figure != Figure.CAPACITANCE && !esr;
    double limit = esr ? middle * Math.sqrt(far) : middle / (bad ? far : Math.sqrt(far));
    Quantity of = figure.quantity(limit);
    return Optional.of(
        Finding.of(
            Criterion.SIBLINGS,
            bad ? Outcome.BAD : Outcome.DOUBTFUL,
            figure.quantity(own),
            esr ? Limit.atMost(of) : Limit.atLeast(of),
            SOURCE,
            Message.of(
                AssessWords.SIBLING_APART,
                figure.term(),
                figure.quantity(own),
                figure.quantity(middle)),
            Message.of(AssessWords.SIBLING_WORKING, figure.quantity(middle), of)));
  }

  private static Optional<Finding> pin(String pin, double own, double middle) {
    double off = Math.abs(own - middle);
    return off > PIN_VOLTS && off > PIN_SHARE * Math.abs(middle)
        ? Optional.of(
            new Finding(
                Criterion.SIBLINGS,
                Outcome.DOUBTFUL,
                Optional.of(Quantity.volts(own)),
                Optional.empty(),
                SOURCE,
                Message.of(
                    AssessWords.SIBLING_PIN, pin, Quantity.volts(own), Quantity.volts(middle)),
                Optional.empty()))
        : Optional.empty();
  }
}
