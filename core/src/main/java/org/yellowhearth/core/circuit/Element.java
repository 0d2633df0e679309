package org.yellowhearth.core.circuit;

import java.util.List;
import java.util.stream.Stream;

/**
 * One element of a circuit between named nodes; the node {@code 0} is the reference. All values in
 * SI units. A branch current counts from the first node through the element to the second.
 */
public sealed interface Element
    permits Element.Resistance,
        Element.Capacitance,
        Element.Inductance,
        Element.Source,
        Element.IdealTransformer,
        Device {
  /** A name that stands once in a circuit. */
  String name();

  /** The nodes it touches. */
  List<String> nodes();

  /** A resistance; of zero ohms it is a wire whose current can be asked for. */
  record Resistance(String name, String a, String b, double ohms) implements Element {
    public Resistance {
      Checks.zeroOrMore(name, "resistance in Ω", ohms);
    }

    @Override
    public List<String> nodes() {
      return List.of(a, b);
    }
  }

  /**
   * A capacitor.
   *
   * @param esrOhms resistance in series
   * @param leakOhms resistance from end to end, beside plates and series resistance; what has no
   *     path to discharge has no steady state of its own
   */
  record Capacitance(
      String name, String a, String b, double farads, double esrOhms, double leakOhms)
      implements Element {
    public Capacitance {
      Checks.aboveZero(name, "capacitance in F", farads);
      Checks.zeroOrMore(name, "series resistance in Ω", esrOhms);
      Checks.aboveZero(name, "leakage resistance in Ω", leakOhms);
    }

    @Override
    public List<String> nodes() {
      return List.of(a, b);
    }
  }

  /**
   * A choke.
   *
   * @param ohms resistance of its winding
   * @param lossOhms resistance beside it that stands for the losses of its core
   */
  record Inductance(String name, String a, String b, double henries, double ohms, double lossOhms)
      implements Element {
    public Inductance {
      Checks.aboveZero(name, "inductance in H", henries);
      Checks.zeroOrMore(name, "winding resistance in Ω", ohms);
      Checks.aboveZero(name, "loss resistance in Ω", lossOhms);
    }

    @Override
    public List<String> nodes() {
      return List.of(a, b);
    }
  }

  /**
   * A source of a constant voltage and a sine at the frequency of the circuit: v = dc + peak·sin(ωt
   * + phase), behind a resistance.
   *
   * @param phase in radians
   */
  record Source(
      String name, String a, String b, double dcVolts, double peakVolts, double phase, double ohms)
      implements Element {
    public Source {
      Checks.finite(name, "voltage in V", dcVolts);
      Checks.zeroOrMore(name, "peak in V", peakVolts);
      Checks.finite(name, "phase", phase);
      Checks.zeroOrMore(name, "source resistance in Ω", ohms);
    }

    @Override
    public List<String> nodes() {
      return List.of(a, b);
    }
  }

  /**
   * Windings on one ideal core: volts per turn are the same, and their ampere turns add up to
   * nothing.
   */
  record IdealTransformer(String name, List<Winding> windings) implements Element {
    public IdealTransformer {
      windings = List.copyOf(windings);
      if (windings.size() < 2) {
        throw new BadCircuitException(name, "needs two windings or more");
      }
      windings.forEach(w -> Checks.aboveZero(name, "number of turns", w.turns));
    }

    /**
     * One winding.
     *
     * @param ohms resistance of its copper
     * @param a where its voltage is positive while that of the others is
     */
    public record Winding(String a, String b, double turns, double ohms) {}

    @Override
    public List<String> nodes() {
      return windings.stream().flatMap(w -> Stream.of(w.a, w.b)).toList();
    }
  }
}
