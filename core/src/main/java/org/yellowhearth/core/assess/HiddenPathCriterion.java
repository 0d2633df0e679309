package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/**
 * What lies in parallel with a resistor that reads low in circuit: 1/(1/R_read − 1/R_known − Σ
 * 1/R_stated). The meter's own voltage decides how a junction or a leaky part shows, so the figure
 * names the place of a fault and not its size.
 */
public final class HiddenPathCriterion {
  /** A reading this much below what is known to lie there needs an explanation. */
  static final double UNEXPLAINED = 0.15;

  private static final String SOURCE = "parallel-path";

  private HiddenPathCriterion() {}

  /**
   * The resistance hidden in parallel with a known one; empty where the reading is not below the
   * known.
   */
  public static OptionalDouble hiddenOhms(double readOhms, double knownOhms) {
    return readOhms >= knownOhms || readOhms <= 0
        ? OptionalDouble.empty()
        : OptionalDouble.of(1 / (1 / readOhms - 1 / knownOhms));
  }

  static List<Finding> judge(Resistor part, Evidence evidence, Job job, List<Part> beside) {
    Optional<Reading> inCircuit =
        evidence.readings().reversed().stream()
            .filter(r -> r.figures().has(Figure.RESISTANCE) && !r.conditions().connection().alone())
            .findFirst();
    if (inCircuit.isEmpty()) {
      return List.of();
    }
    double read = inCircuit.get().figures().get(Figure.RESISTANCE).orElseThrow();
    double known = alone(evidence.readings()).orElse(part.ohms());
    double conductance = beside.stream().mapToDouble(p -> conductance(p, job)).sum();
    double expected = 1 / (1 / known + conductance);
    if (read <= 0 || read >= expected * (1 - UNEXPLAINED)) {
      return List.of();
    }
    double hidden = hiddenOhms(read, expected).orElseThrow();
    String across =
        beside.stream()
            .filter(Capacitor.class::isInstance)
            .map(Part::ref)
            .map(PartRef::toString)
            .collect(Collectors.joining(", "));
    Quantity path = Quantity.ohms(hidden);
    boolean settled = alone(evidence.readings()).isPresent();
    Finding finding =
        new Finding(
            Criterion.HIDDEN_PATH,
            settled ? Outcome.GOOD : Outcome.OPEN,
            Optional.of(path),
            Optional.empty(),
            SOURCE,
            Message.of(AssessWords.HIDDEN_PATH, path),
            Optional.of(
                Message.of(
                    AssessWords.HIDDEN_PATH_WORKING,
                    Quantity.ohms(read),
                    Quantity.ohms(expected),
                    path)));
    return List.of(
        across.isEmpty()
            ? finding.left(Gap.HIDDEN_PATH, path)
            : finding.left(Gap.HIDDEN_PATH_SUSPECT, path, across));
  }

  /** What a capacitor is suspected of because a resistor beside it reads low. */
  static List<Finding> suspect(Job job, List<Part> beside) {
    for (Part p : beside) {
      if (p instanceof Resistor r) {
        List<Reading> readings = job.readingsOf(r.ref());
        OptionalDouble known = alone(readings);
        OptionalDouble read =
            readings.reversed().stream()
                .filter(x -> !x.conditions().connection().alone())
                .flatMapToDouble(x -> x.figures().get(Figure.RESISTANCE).stream())
                .findFirst();
        OptionalDouble hidden =
            read.isPresent()
                ? hiddenOhms(read.getAsDouble(), known.orElse(r.ohms()))
                : OptionalDouble.empty();
        if (hidden.isPresent() && read.getAsDouble() < known.orElse(r.ohms()) * (1 - UNEXPLAINED)) {
          return List.of(
              new Finding(
                  Criterion.HIDDEN_PATH,
                  Outcome.DOUBTFUL,
                  Optional.of(Quantity.ohms(hidden.getAsDouble())),
                  Optional.empty(),
                  SOURCE,
                  Message.of(
                      AssessWords.SUSPECT_ACROSS,
                      r.ref().toString(),
                      Quantity.ohms(hidden.getAsDouble())),
                  Optional.empty()));
        }
      }
    }
    return List.of();
  }

  private static OptionalDouble alone(List<Reading> readings) {
    return readings.reversed().stream()
        .filter(r -> r.conditions().connection().alone())
        .flatMapToDouble(r -> r.figures().get(Figure.RESISTANCE).stream())
        .filter(x -> x > 0)
        .findFirst();
  }

  private static double conductance(Part part, Job job) {
    OptionalDouble measured = alone(job.readingsOf(part.ref()));
    OptionalDouble ohms =
        measured.isPresent()
            ? measured
            : switch (part) {
              case Resistor r -> OptionalDouble.of(r.ohms());
              case Winding w -> w.ohms();
              default -> OptionalDouble.empty();
            };
    return ohms.isPresent() ? 1 / ohms.getAsDouble() : 0;
  }
}
