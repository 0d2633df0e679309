package org.yellowhearth.core.practice;

import java.util.LinkedHashMap;
import java.util.Map;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.FormingCapacitor.Flaw;
import org.yellowhearth.core.reform.FormingCapacitor.Heat;
import org.yellowhearth.core.reform.FormingCapacitor.Make;
import org.yellowhearth.core.reform.FormingCapacitor.Oxide;

/**
 * The electrolytics of a practice set as the stand-in leakage meter finds them: what is hidden
 * decides whether they come up.
 */
public final class FormingParts {
  private static final double STEEPNESS = 22;
  private static final double COULOMBS = 430;
  private static final double LEAST = 0.03;
  private static final double THINNED_TO = 0.65;

  /**
   * What stays of a sound or healed one, and of one that does not heal, as a share of what its
   * leakage may be.
   */
  private static final double HEALED = 0.1;

  private static final double STAYS = 1.8;
  private static final double HERTZ = 100;

  private FormingParts() {}

  /** What hangs on the channels, in the order of the census. */
  public static Map<PartRef, Make> of(Exercise exercise, Knowledge knowledge) {
    Map<PartRef, Make> all = new LinkedHashMap<>();
    for (Part p : exercise.parts()) {
      if (p instanceof Capacitor c && knowledge.kind(c.kind()).wear().reforms()) {
        all.put(c.ref(), make(c, exercise.truth(c.ref())));
      }
    }
    return all;
  }

  private static Make make(Capacitor c, Truth truth) {
    double rated = c.ratedVolts().orElse(c.workingVolts().orElse(100));
    double allowed = allowed(rated, truth);
    boolean thin = truth.ailment() == Ailment.UNFORMED || truth.ailment() == Ailment.HOPELESS;
    double stays =
        switch (truth.ailment()) {
          case HOPELESS -> STAYS * allowed / rated;
          case SHORTED, REVERSED, LEAKY -> 1 / truth.leakOhms();
          default -> HEALED * allowed / rated;
        };
    Oxide oxide =
        new Oxide(
            (thin ? THINNED_TO : 1) * rated,
            LEAST * allowed,
            STEEPNESS,
            1 / (COULOMBS * truth.value() * rated * LEAST),
            1);
    double esr = truth.dissipation() / (2 * Math.PI * HERTZ * truth.value());
    return new Make(
        truth.value(), esr, rated, oxide, new Heat(10, 60), new Flaw(stays, 0, 1.3 * rated));
  }

  /** What its leakage may be at its rating: what is sound was made with a fifth of it. */
  private static double allowed(double rated, Truth truth) {
    double sound =
        switch (truth.ailment()) {
          case UNFORMED -> truth.leakOhms() * Truth.THINNED;
          case HOPELESS -> truth.leakOhms() * Truth.HOPELESS;
          default -> truth.leakOhms();
        };
    return rated / sound * Truth.SOUND_SHARE;
  }
}
