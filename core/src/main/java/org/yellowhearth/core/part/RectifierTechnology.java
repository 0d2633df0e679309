package org.yellowhearth.core.part;

import org.yellowhearth.core.message.Coded;

/**
 * What rectifies, with all that follows from it: how it conducts, how it ages, whether it wears out
 * and what it gives off when it burns. The figures are those of a class, not of a type: two parts
 * of one type differ by more than two neighbouring classes do (common practice). What it stands,
 * with the sources of that, is in {@code supply-rules.json}.
 */
public enum RectifierTechnology implements Coded {
  /** Taken for silicon where something must be worked out. */
  UNSTATED(Wear.NONE, false),
  /** Hard vacuum: drops what its data sheet says, else 20 V at 0.1 A. */
  VACUUM(Wear.FADES, false),
  /** Mercury vapour or another gas: its drop, as a rule 15 V, hardly moves with its current. */
  GAS(Wear.FADES, false),
  /** An ampere or so: 0.75 V at 0.1 A, 0.93 V at 1 A (common practice). */
  SILICON(Wear.NONE, false),
  /** 0.3 V at 0.1 A (common practice). */
  GERMANIUM(Wear.NONE, false),
  /**
   * About 0.6 V for a plate at a tenth of an ampere when new; its series resistance is three times
   * in thirty years (common practice, wide scatter).
   */
  SELENIUM(Wear.OLD_SCHOOL_REPLACES, true),
  /** About 0.35 V for a plate at a tenth of its rating, 0.6 V at the rating (common practice). */
  COPPER_OXIDE(Wear.OLD_SCHOOL_REPLACES, false);

  /** How a technology conducts. */
  public sealed interface Law permits Vacuum, Arc, Stack {}

  /** The three-halves law, by the drop at a current where nothing else is stated. */
  public record Vacuum(double usualVolts, double usualAmperes) implements Law {}

  /**
   * An arc.
   *
   * @param usualVolts its drop where nothing else is stated
   */
  public record Arc(double saturationAmperes, double emission, double ohms, double usualVolts)
      implements Law {}

  /**
   * Junctions in series, as many as it has plates; one where it is no stack.
   *
   * @param saturationAmperes of each
   * @param emission n of each
   * @param ohms series resistance of each when new
   * @param yearsToGrow after so many years its series resistance has grown by its own value;
   *     infinite where it stays
   */
  public record Stack(double saturationAmperes, double emission, double ohms, double yearsToGrow)
      implements Law {}

  /** How it goes bad. */
  public enum Wear {
    /** Whole, or shorted, or open. */
    NONE,
    /** Its cathode gives less and less. */
    FADES,
    /** Its resistance grows; some workshops replace it on sight. */
    OLD_SCHOOL_REPLACES
  }

  private final Wear wear;
  private final boolean poisonsWhenBurning;

  RectifierTechnology(Wear wear, boolean poisonsWhenBurning) {
    this.wear = wear;
    this.poisonsWhenBurning = poisonsWhenBurning;
  }

  private static Stack junction(double saturationAmperes, double emission, double ohms) {
    return new Stack(saturationAmperes, emission, ohms, Double.POSITIVE_INFINITY);
  }

  /** How it conducts. */
  public Law law() {
    return switch (this) {
      case UNSTATED, SILICON -> junction(1e-8, 1.8, 0.05);
      case VACUUM -> new Vacuum(20, 0.1);
      case GAS -> new Arc(1e-9, 4, 3, 15);
      case GERMANIUM -> junction(3e-6, 1.1, 0.15);
      case SELENIUM -> new Stack(2e-5, 1.8, 1.8, 15);
      case COPPER_OXIDE -> new Stack(1e-4, 1.5, 2.5, Double.POSITIVE_INFINITY);
    };
  }

  /** Whether it conducts less and less with its years; others are whole, shorted or open. */
  public boolean wears() {
    return wear != Wear.NONE;
  }

  /** Whether it is a metal rectifier that some workshops replace on sight. */
  public boolean replacedOnSight() {
    return wear == Wear.OLD_SCHOOL_REPLACES;
  }

  /** Whether its fumes are poison when it burns. */
  public boolean poisonsWhenBurning() {
    return poisonsWhenBurning;
  }

  /** Whether it has a cathode that warms up. */
  public boolean heated() {
    return law() instanceof Vacuum;
  }

  /** Whether it is of the time of the set: what takes its place, by common practice, is silicon. */
  public boolean modern() {
    return this == SILICON;
  }
}
