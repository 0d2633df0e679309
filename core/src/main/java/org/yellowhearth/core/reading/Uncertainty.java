package org.yellowhearth.core.reading;

/**
 * Standard uncertainties of a handheld meter, used until the instrument states its own (common
 * practice): capacitance 2 %, ESR 5 % and 0.1 Ω of leads and clips, dissipation 5 % and 0.005.
 */
public final class Uncertainty {
  private static final double CAPACITANCE = 0.02;
  private static final double ESR = 0.05;
  private static final double LEADS_OHMS = 0.1;
  private static final double DISSIPATION = 0.05;
  private static final double DISSIPATION_FLOOR = 0.005;

  /** Coverage factor: two standard uncertainties, about 95 %. */
  private static final double COVERAGE = 2;

  private Uncertainty() {}

  /**
   * The same with an instrument that states its own standard uncertainty as a fraction of each
   * reading; the leads and the floor of the dissipation stay.
   */
  public static double ofAgreement(
      double readOhms, double computedOhms, double dissipation, double stated) {
    double computed = computedOhms * Math.hypot(stated, stated + DISSIPATION_FLOOR / dissipation);
    return COVERAGE * Math.hypot(stated * readOhms + LEADS_OHMS, computed);
  }

  /**
   * How far, in ohms, the ESR read may lie from the one computed of D, C and f before the figures
   * contradict each other: twice the root of the sum of squares of what each figure contributes.
   */
  public static double ofAgreement(double readOhms, double computedOhms, double dissipation) {
    double read = ESR * readOhms + LEADS_OHMS;
    double computed =
        computedOhms * Math.hypot(CAPACITANCE, DISSIPATION + DISSIPATION_FLOOR / dissipation);
    return COVERAGE * Math.hypot(read, computed);
  }
}
