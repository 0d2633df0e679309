package org.yellowhearth.core.reform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * What really happens to a capacitor in its set while the variable transformer is turned up: behind
 * a valve rectifier nothing at first, and then nearly everything at once.
 *
 * <p>The rails are those of the supply engine in its steady state at each setting, valves warm as
 * far as they get ({@link TurnedUp}).
 *
 * @param rungs from the lowest mains to the whole
 */
public record InSet(List<Rung> rungs) {
  private static final int RUNGS = 10;

  /** Below this share of its emission a rectifier gives less than an old capacitor leaks. */
  private static final double CONDUCTS = 0.02;

  /**
   * The set at one setting of the transformer, everything warm as far as it gets.
   *
   * @param share of the nominal mains
   * @param mainsVolts what the transformer is set to
   * @param emission what valves emit of what is drawn of them at full mains, 0 to 1
   * @param volts across the capacitor
   * @param ohms what it is fed through, as the rail gives way when it leaks
   */
  public record Rung(double share, double mainsVolts, double emission, double volts, double ohms) {
    /** Whether a valve rectifier conducts enough here to form anything. */
    public boolean conducts() {
      return emission >= CONDUCTS;
    }
  }

  public InSet {
    rungs = List.copyOf(rungs);
  }

  /** Whether a vacuum rectifier feeds anything in it: only then is there a threshold. */
  public static boolean behindValve(Supply supply) {
    return supply.sections().stream().anyMatch(TurnedUp::vacuum);
  }

  /**
   * Turns the mains of a supply up with a capacitor in it.
   *
   * @param part the capacitor's name in the supply
   * @param leakAmperes what it leaks at the rail of full mains; at less as a resistance would
   * @return empty where the supply does not hold that part, or nothing can be worked out
   */
  public static Optional<InSet> of(Supply supply, String part, double leakAmperes) {
    try {
      Optional<List<String>> ends =
          supply.circuit().elements().stream()
              .filter(e -> e instanceof Element.Capacitance && e.name().equals(part))
              .map(Element::nodes)
              .findFirst();
      if (ends.isEmpty()) {
        return Optional.empty();
      }
      double leakOhms = volts(at(supply, 1), ends.get()) / leakAmperes;
      List<Rung> rungs = new ArrayList<>();
      for (int k = 1; k <= RUNGS; k++) {
        double share = (double) k / RUNGS;
        Supply at = at(supply, share);
        double open = volts(at, ends.get());
        double leaking = volts(at.with(leak(ends.get(), leakOhms)), ends.get());
        rungs.add(
            new Rung(
                share,
                share * supply.mains().nominalVolts(),
                TurnedUp.emission(share),
                leaking,
                leaking > 0 ? Math.max(1, leakOhms * (open / leaking - 1)) : leakOhms));
      }
      return Optional.of(new InSet(rungs));
    } catch (BadCircuitException | NoSolutionException _) {
      return Optional.empty();
    }
  }

  private static double volts(Supply at, List<String> ends) {
    return Math.abs(Settled.of(at).waves().voltage(ends.get(0), ends.get(1)).mean());
  }

  private static Section leak(List<String> ends, double ohms) {
    return new Section.Resist("leak", "leak", ends.get(0), ends.get(1), ohms);
  }

  private static Supply at(Supply supply, double share) {
    return TurnedUp.at(supply, share, share, TurnedUp.Loads.VALVES);
  }
}
