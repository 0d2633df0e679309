package org.yellowhearth.core.supply;

import java.lang.ref.SoftReference;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;

/**
 * A supply in its steady state. A lamp in series with the mains has the resistance of the current
 * that then flows: a resistance is taken, the steady state found, and the resistance moved along
 * the secant of the last two until it is the one of its current.
 *
 * @param supply with its lamp, if there is one, as warm as it gets
 */
public record Settled(Supply supply, Circuit circuit, Waveforms waves) {
  private static final int MOST = 20;
  private static final double NEAR = 1e-6;

  /**
   * How much too far a resistance is for each step that its current asks for; the current falls as
   * it rises, but by less.
   */
  private static final double USUAL_SLOPE = -1.4;

  /** So many are kept, some 50 kB each, and given up where memory is short. */
  private static final int KEPT = 1024;

  /**
   * The last that were asked for, and from where the search for them began: several stages, and
   * each further reading, ask for the same ones. What is found depends on where the search began,
   * in digits that do not count; the same question gets the same digits.
   */
  private static final Map<Asked, SoftReference<Settled>> LAST =
      new LinkedHashMap<>(KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, SoftReference<Settled>> eldest) {
          return size() > KEPT;
        }
      };

  private record Asked(Supply supply, Optional<Supply> from) {}

  /**
   * Lets a supply settle, or gives what an equal one settled to.
   *
   * @throws org.yellowhearth.core.circuit.BadCircuitException where it cannot be
   * @throws NoSolutionException where nothing is found
   */
  public static Settled of(Supply supply) {
    return kept(new Asked(supply, Optional.empty()), () -> worked(supply, Optional.empty()));
  }

  /**
   * The same for one that is another but for a value or a fault: a third of the time.
   *
   * @param other that one, settled
   */
  public static Settled near(Supply supply, Settled other) {
    return supply.equals(other.supply)
        ? other
        : kept(
            new Asked(supply, Optional.of(other.supply)), () -> worked(supply, Optional.of(other)));
  }

  /** The same, for one of many that nobody will ask for again. */
  public static Settled once(Supply supply, Settled other) {
    return worked(supply, Optional.of(other));
  }

  private static Settled worked(Supply supply, Optional<Settled> from) {
    return supply
        .primary()
        .lamp()
        .map(lamp -> warmed(supply, lamp, from))
        .orElseGet(() -> at(supply, from));
  }

  private static Settled kept(Asked asked, Supplier<Settled> worked) {
    synchronized (LAST) {
      Optional<Settled> kept = Optional.ofNullable(LAST.get(asked)).map(SoftReference::get);
      if (kept.isPresent()) {
        return kept.get();
      }
    }
    Settled settled = worked.get();
    synchronized (LAST) {
      LAST.put(asked, new SoftReference<>(settled));
    }
    return settled;
  }

  private static Settled at(Supply supply, Optional<Settled> from) {
    Circuit circuit = supply.circuit();
    return new Settled(
        supply,
        circuit,
        from.isPresent()
            ? SteadyState.of(circuit, from.get().waves.namedStates())
            : SteadyState.of(circuit));
  }

  private static Settled warmed(Supply supply, Lamp lamp, Optional<Settled> from) {
    Optional<Settled> last = from;
    double x = Math.log(from.flatMap(f -> f.supply.primary().lamp()).orElse(lamp).ohms());
    double slope = USUAL_SLOPE;
    double before = Double.NaN;
    double gapBefore = Double.NaN;
    for (int k = 0; k < MOST; k++) {
      Settled now = at(supply.with(supply.primary().with(lamp.at(Math.exp(x)))), last);
      double gap = Math.log(lamp.ohmsAt(now.waves.current(Supply.LAMP).rms())) - x;
      if (Math.abs(gap) < NEAR) {
        return now;
      }
      if (k > 0 && x != before) {
        slope = Math.clamp((gap - gapBefore) / (x - before), 2 * USUAL_SLOPE, USUAL_SLOPE / 2);
      }
      before = x;
      gapBefore = gap;
      x -= gap / slope;
      last = Optional.of(now);
    }
    throw new NoSolutionException(MOST);
  }

  /** What the mains gives, in W: through all sources, and what else hangs on it. */
  public double mainsWatts() {
    double watts = 0;
    for (Element e : circuit.elements()) {
      if (e instanceof Element.Source s) {
        Wave i = waves.current(s.name());
        watts -= waves.voltage(s.a(), s.b()).meanProduct(i) - s.ohms() * i.rms() * i.rms();
      }
    }
    double share = supply.mains().volts() / supply.mains().nominalVolts();
    return supply.primary().shared()
        ? watts
        : watts + supply.primary().otherWatts() * share * share;
  }
}
