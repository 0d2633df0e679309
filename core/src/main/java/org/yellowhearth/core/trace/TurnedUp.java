package org.yellowhearth.core.trace;

import java.util.Set;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;

/**
 * A supply on a variable transformer, everything warm as far as it gets there.
 *
 * <p>The temperature of a filament follows its voltage with the power 0.4 (its heat is radiated
 * with the fourth power of its temperature, and its resistance grows with it: V²/T ∝ T⁴), and what
 * it emits follows Richardson's law as in {@link WarmUp}; heaters are taken to hang on the same
 * transformer. Currents stated in amperes or watts are shares of the emission too.
 */
public final class TurnedUp {
  private static final double WARMTH_OF_VOLTS = 0.4;

  /** A cold diode still lets through what its insulation does. */
  private static final double LEAST = 1e-6;

  /**
   * Where nothing is drawn the engine still lets so much of the load draw: less would tell no other
   * voltage and never settle.
   */
  private static final double NOTHING = 1e-3;

  private TurnedUp() {}

  /** What hangs on a supply. */
  public enum Loads {
    /** Nothing: the valves are out, the plug-ins unplugged. */
    OUT,
    /** What cathodes draw, as warm as they are. */
    VALVES,
    /** What draws as soon as there is voltage. */
    SEMICONDUCTORS
  }

  /** What a cathode emits at a share of its heater voltage, 0 to 1 of what is drawn of it. */
  public static double emission(double share) {
    return share > 0 ? WarmUp.emission(Math.pow(share, WARMTH_OF_VOLTS)) : 0;
  }

  /** Whether a section rectifies with a valve. */
  public static boolean vacuum(Section s) {
    return switch (s) {
      case Section.Rectify r -> r.model() instanceof RectifierModel.Vacuum;
      case Section.Doubler d -> d.model() instanceof RectifierModel.Vacuum;
      default -> false;
    };
  }

  /**
   * A supply at a setting of the transformer.
   *
   * @param share of the nominal mains at the plug
   * @param heaters share of their voltage that the heaters get
   * @param loads what it feeds; its rectifiers are always in
   */
  public static Supply at(Supply supply, double share, double heaters, Loads loads) {
    double emits = Math.max(LEAST, emission(heaters));
    double drawn =
        switch (loads) {
          case OUT -> NOTHING;
          case VALVES -> Math.max(NOTHING, emits);
          case SEMICONDUCTORS -> 1;
        };
    Set<String> rectifiers =
        Set.copyOf(supply.sections().stream().filter(TurnedUp::vacuum).map(Section::id).toList());
    return supply.tuned((knob, now) ->
        switch (knob.which()) {
          case MAINS_VOLTS -> share * supply.mains().nominalVolts();
          case CONDUCTANCE -> rectifiers.contains(knob.element()) ? now * emits : now;
          case EMISSION -> now * drawn;
          case LOAD -> supply.loadInOhms(knob.element()) ? now / drawn : now * drawn;
          default -> now;
        });
  }
}
