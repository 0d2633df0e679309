package org.yellowhearth.core.trace;

import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Surroundings;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.Impedance;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;

/**
 * What lies around a part, from the description of the supply; neighbours as measured, else as
 * marked.
 */
public final class SupplySurroundings implements Surroundings {
  private static final double NOTHING_OHMS = 1e12;

  private final List<Element> elements;
  private final Map<String, Element.Capacitance> capacitors = new HashMap<>();
  private final Map<At, Optional<Impedance>> known = Collections.synchronizedMap(new HashMap<>());

  private record At(PartRef part, double hertz) {}

  private SupplySurroundings(List<Element> elements) {
    this.elements = elements;
    elements.forEach(e -> {
      if (e instanceof Element.Capacitance c) {
        capacitors.put(c.name(), c);
      }
    });
  }

  /** The surroundings of the parts of a job. */
  public static Surroundings of(Job job, Knowledge knowledge) {
    if (job.items(SupplySection.class).isEmpty()) {
      return UNKNOWN;
    }
    return SupplyModel.of(job, knowledge, SupplyModel.View.AS_IT_IS, OptionalDouble.empty())
        .supply()
        .flatMap(s -> {
          try {
            return Optional.<Surroundings>of(new SupplySurroundings(s.circuit().elements()));
          } catch (BadCircuitException _) {
            // Trace says why the supply cannot be; here it only tells nothing.
            return Optional.empty();
          }
        })
        .orElse(UNKNOWN);
  }

  @Override
  public Optional<Impedance> around(PartRef part, double hertz) {
    return known.computeIfAbsent(new At(part, hertz), at -> workedOut(at.part, at.hertz));
  }

  private Optional<Impedance> workedOut(PartRef part, double hertz) {
    Element.Capacitance c = capacitors.get(part.toString());
    if (c == null) {
      return Optional.empty();
    }
    List<Element> others = elements.stream().filter(e -> !e.equals(c)).toList();
    try {
      return Optional.of(Impedance.between(others, c.a(), c.b(), hertz));
    } catch (BadCircuitException _) {
      // Nothing else hangs on it.
      return Optional.of(new Impedance(NOTHING_OHMS, 0));
    }
  }
}
