package org.yellowhearth.core.part;

import org.yellowhearth.core.message.Coded;

/**
 * What a capacitor does in its set. The role decides how much its failure costs and how near its
 * value must be kept.
 */
public enum Role implements Coded {
  UNSTATED(Duty.ORDINARY), //
  RESERVOIR(Duty.SUPPLY), //
  SMOOTHING(Duty.SUPPLY), //
  BIAS_FILTER(Duty.SUPPLY), //
  REGULATOR(Duty.SUPPLY), //
  REGULATOR_INPUT(Duty.SUPPLY), //
  REGULATOR_OUTPUT(Duty.SUPPLY), //
  DECOUPLING(Duty.ORDINARY), //
  SCREEN_DECOUPLING(Duty.ORDINARY), //
  ANODE_DECOUPLING(Duty.ORDINARY), //
  CATHODE_BYPASS(Duty.ORDINARY), //
  COUPLING(Duty.COSTLY), //
  GRID_COUPLING(Duty.COSTLY), //
  OUTPUT_COUPLING(Duty.COSTLY), //
  TONE(Duty.ORDINARY), //
  FEEDBACK(Duty.ORDINARY), //
  TIMING(Duty.EXACT), //
  PROTECTION_TIMING(Duty.COSTLY), //
  TUNED(Duty.EXACT), //
  DEFLECTION(Duty.EXACT), //
  BOOST(Duty.COSTLY), //
  RF_BYPASS(Duty.ORDINARY), //
  BOARD_BYPASS(Duty.ORDINARY), //
  MOTOR(Duty.ORDINARY), //
  METER_DAMPING(Duty.ORDINARY), //
  CROSSOVER(Duty.ORDINARY), //
  CONVERTER_START(Duty.SUPPLY), //
  CONVERTER_INPUT(Duty.SUPPLY), //
  CONVERTER_OUTPUT(Duty.SUPPLY), //
  ACROSS_LINE(Duty.MAINS), //
  LINE_TO_CHASSIS(Duty.MAINS);

  /**
   * How a position is looked at: part of a supply, dear when it fails, exact in value, or across
   * the mains.
   */
  public enum Duty implements Coded {
    ORDINARY,
    SUPPLY,
    COSTLY,
    EXACT,
    MAINS
  }

  private final Duty duty;

  Role(Duty duty) {
    this.duty = duty;
  }

  public Duty duty() {
    return duty;
  }

  /**
   * Whether failure here takes dear things with it, so that precaution applies although it measures
   * well.
   */
  public boolean precaution() {
    return duty == Duty.SUPPLY || duty == Duty.COSTLY;
  }
}
