package org.yellowhearth.core.firstpower;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * Which series lamp suits a set: the smallest through which it still comes to life, so that it
 * saves as much as it can when something is wrong.
 *
 * @param watts that the set takes without a lamp
 * @param tried every lamp that is sold, what it leaves the set and how it glows
 * @param best the smallest that leaves enough; none where even the largest does not
 */
public record LampChoice(double watts, List<Tried> tried, Optional<Tried> best) {
  /** Ratings that filament and halogen lamps are sold in (common practice). */
  static final List<Double> WATTS =
      List.of(15.0, 25.0, 40.0, 60.0, 75.0, 100.0, 150.0, 200.0, 300.0, 500.0);

  /**
   * With so much of its mains a valve set plays, if faintly (common practice: a lamp of one and a
   * half to three times the set's watts).
   */
  static final double ENOUGH = 0.75;

  /**
   * What its rails come to at least: behind a lamp a rectifier without a transformer gets its short
   * pulses of current only in part, although a meter shows most of the mains (our own bound).
   */
  static final double RAILS_ENOUGH = 0.6;

  /**
   * A lamp.
   *
   * @param watts what it is rated for
   * @param left share of the mains that a sound set gets through it
   * @param rails the least share of its voltage that a rectified rail comes to
   * @param glow what it turns to heat then, against its rating
   * @param shortAmperes what it lets through into a dead short
   */
  public record Tried(double watts, double left, double rails, double glow, double shortAmperes) {}

  public LampChoice {
    tried = List.copyOf(tried);
  }

  /** The choice for a supply at its nominal mains. */
  public static LampChoice of(Supply supply, TurnedUp.Loads loads, Watcher watcher) {
    double volts = supply.mains().nominalVolts();
    List<Tried> all = new ArrayList<>();
    for (int k = 0; k < WATTS.size(); k++) {
      double w = WATTS.get(k);
      PowerUp.Through full = PowerUp.Through.of(supply, loads, Lamp.cold(w, volts));
      all.add(new Tried(w, full.heaters(), full.rails(), full.glow(), w / volts));
      if (!watcher.goOn((k + 1.0) / WATTS.size())) {
        break;
      }
    }
    PowerUp.Rung plain =
        PowerUp.of(
                supply,
                new PowerUp.Setup(Optional.empty(), loads, List.of(), List.of(1.0)),
                Map.of(),
                1,
                Watcher.NOBODY)
            .rungs()
            .getFirst();
    return new LampChoice(
        plain.watts(),
        all,
        all.stream().filter(t -> t.left() >= ENOUGH && t.rails() >= RAILS_ENOUGH).findFirst());
  }
}
