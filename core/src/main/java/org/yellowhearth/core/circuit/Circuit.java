package org.yellowhearth.core.circuit;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A circuit whose sources are constant or sines of one frequency.
 *
 * @param hertz that frequency
 */
public record Circuit(double hertz, List<Element> elements) {
  /** The node that all voltages are counted from. */
  public static final String REFERENCE = "0";

  public Circuit {
    elements = List.copyOf(elements);
    Checks.aboveZero("the circuit", "frequency in Hz", hertz);
    Set<String> names = new HashSet<>();
    for (Element e : elements) {
      if (!names.add(e.name())) {
        throw new BadCircuitException(e.name(), "stands twice in the circuit");
      }
    }
    connected(elements);
  }

  /** Every node must be reached from the reference; a shut device leaks, and ties. */
  private static void connected(List<Element> elements) {
    Map<String, List<Element>> at = new HashMap<>();
    elements.forEach(
        e -> e.nodes().forEach(n -> at.computeIfAbsent(n, _ -> new ArrayList<>()).add(e)));
    if (!at.containsKey(REFERENCE)) {
      throw new BadCircuitException("the circuit", "nothing is connected to the reference, node 0");
    }
    Set<String> reached = new HashSet<>(Set.of(REFERENCE));
    Deque<String> open = new ArrayDeque<>(List.of(REFERENCE));
    while (!open.isEmpty()) {
      String node = open.pop();
      for (Element e : at.get(node)) {
        tied(e, node).stream().filter(reached::add).forEach(open::push);
      }
    }
    at.keySet().stream()
        .filter(n -> !reached.contains(n))
        .sorted()
        .findFirst()
        .ifPresent(n -> {
          throw new BadCircuitException(
              "node " + n, "has no path to the reference; a floating part needs a leakage to it");
        });
  }

  /**
   * The nodes that an element ties to one of its nodes: a transformer only those of the same
   * winding.
   */
  private static List<String> tied(Element e, String node) {
    return e instanceof Element.IdealTransformer t
        ? t.windings().stream()
            .filter(w -> w.a().equals(node) || w.b().equals(node))
            .map(w -> w.a().equals(node) ? w.b() : w.a())
            .toList()
        : e.nodes();
  }

  /** Its period in seconds. */
  public double period() {
    return 1 / hertz;
  }
}
