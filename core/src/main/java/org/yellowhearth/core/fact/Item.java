package org.yellowhearth.core.fact;

/**
 * Something of which a job has any number: a paper, a photograph, a rail, the result of a check.
 */
public sealed interface Item
    permits Paper,
        Observation,
        Photograph,
        Pin,
        TakeApartStep,
        Wish,
        EstimateLine,
        Consent,
        DryingHold,
        Rail,
        CheckResult,
        Jumper,
        LimitChange,
        OfPart,
        SupplySection,
        SupplyEvidence,
        BenchTask,
        CanWork,
        RectifierSwap,
        PowerUpPlan,
        FunctionCheck,
        LoadTest,
        AccuracyTest,
        BurnIn,
        BurnReading,
        CalibrationHold,
        OwnTask,
        AgendaMark,
        Adjustment,
        HeadroomReading,
        ProofFigure,
        FaultTrail {
  /** Names it within its job; ids made later sort later. */
  String id();

  /** Refuses an id that could not stand in a file. */
  static void requireId(String id) {
    if (!id.matches("[A-Za-z0-9-]{1,64}")) {
      throw new IllegalArgumentException(
          "an id is letters, digits and hyphens, not \"" + id + "\"");
    }
  }
}
