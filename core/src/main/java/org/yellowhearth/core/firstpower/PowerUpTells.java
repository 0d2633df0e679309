package org.yellowhearth.core.firstpower;

import java.util.EnumSet;
import java.util.Set;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.fact.PowerUpPlan.Warm;
import org.yellowhearth.core.message.Coded;

/** What a step of a ramp tells for the first time. */
public enum PowerUpTells implements Coded {
  /** A bright lamp here is a short before anything could draw current. */
  SHORTS,
  /** The sign of each rail. */
  SIGN,
  /** Heaters begin to glow: each is looked for. */
  HEATERS,
  /** Cathodes draw: rails come down from where nothing loaded them. */
  LOADED,
  /** Enough ripple to tell a dried capacitor. */
  RIPPLE,
  /** Everything at what the drawing says. */
  FULL,
  /** What is live although the set's switch is off. */
  DRAIN;

  private static final double SIGN_VOLTS = 1;
  private static final double RIPPLE_VOLTS = 0.05;

  /** What a step tells that none before it does. */
  public static Set<PowerUpTells> of(PowerUpPlan plan, int step) {
    Set<PowerUpTells> here = all(plan, step);
    for (int k = 0; k < step; k++) {
      here.removeAll(all(plan, k));
    }
    return here;
  }

  private static Set<PowerUpTells> all(PowerUpPlan plan, int step) {
    Set<PowerUpTells> all = EnumSet.noneOf(PowerUpTells.class);
    PowerUpPlan.Step s = plan.steps().get(step);
    if (plan.kind() == PowerUpKind.STATIC_DRAIN) {
      return EnumSet.of(DRAIN);
    }
    add(all, SHORTS, plan.lampWatts().isPresent());
    add(all, SIGN, any(plan, step, Shows.DIRECT, SIGN_VOLTS));
    add(all, RIPPLE, any(plan, step, Shows.ALTERNATING, RIPPLE_VOLTS));
    add(all, HEATERS, s.warm() != Warm.COLD);
    add(all, LOADED, s.warm() == Warm.CONDUCTING && plan.valves());
    add(all, FULL, s.share() >= 0.99 && plan.kind() == PowerUpKind.WHOLE && plan.valves());
    return all;
  }

  private static void add(Set<PowerUpTells> all, PowerUpTells one, boolean told) {
    if (told) {
      all.add(one);
    }
  }

  private static boolean any(PowerUpPlan plan, int step, Shows shows, double volts) {
    return plan.clips().stream()
        .filter(c ->
            c.shows() == shows
                && !c.equals(PowerUpPlan.Clip.BEHIND_LAMP)
                && !c.equals(PowerUpPlan.Clip.HEATERS))
        .anyMatch(c -> Math.abs(plan.band(step, c).expected()) >= volts);
  }
}
