package org.yellowhearth.core.finaltest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.trace.Headroom;

/**
 * What a regulator has to spare at the bottom of the ripple, as it was measured and as the model of
 * the supply has it.
 *
 * <p>Method: a ripple is nearly a saw-tooth about the DC that a meter shows, so that its bottom
 * lies half of it below. At the lowest line the DC falls with the line; the ripple, which follows
 * the current, grows with the load. Both bounds are those of {@link Headroom}.
 *
 * @param valley input at the bottom of the ripple
 * @param spare above output and dropout, at the line of the reading
 * @param spareLow the same brought to the lowest line and the highest load
 * @param computed what the model has there, where it could be worked out
 */
public record HeadroomCheck(
    HeadroomReading reading,
    double valley,
    double spare,
    double spareLow,
    OptionalDouble computed,
    HeadroomState state) {
  /**
   * Model and measurement further apart than this, against the input, speak of two different sets.
   */
  static final double APART = 0.1;

  /** Where the plate does not say. */
  public static final double USUAL_MAINS = 230;

  /** What it comes to. */
  public enum HeadroomState implements Coded {
    ENOUGH,
    /** Enough now, too little at the lowest line. */
    TIGHT,
    /** The output dips with every ripple. */
    DIPS
  }

  /** A reading against its regulator. */
  public static HeadroomCheck of(
      HeadroomReading r, SupplyRegulator regulator, double nominalLine, Optional<Headroom> model) {
    double valley = r.inputVolts() - r.ripple() / 2;
    double needs =
        r.outputVolts() + regulator.dropoutVolts().orElse(SupplyRegulator.USUAL_DROPOUT_VOLTS);
    double low =
        r.inputVolts() * Headroom.LOW_LINE * nominalLine / r.lineVolts().orElse(nominalLine)
            - Headroom.HIGH_LOAD * r.ripple() / 2;
    double spare = valley - needs;
    double spareLow = low - needs;
    OptionalDouble computed =
        model
            .filter(Headroom::known)
            .map(h -> OptionalDouble.of(h.spare()))
            .orElse(OptionalDouble.empty());
    return new HeadroomCheck(
        r,
        valley,
        spare,
        spareLow,
        computed,
        spare <= 0
            ? HeadroomState.DIPS
            : spareLow <= 0 ? HeadroomState.TIGHT : HeadroomState.ENOUGH);
  }

  /**
   * The newest reading of each regulator of a job, with what the model has where that was worked
   * out.
   */
  public static List<HeadroomCheck> newest(Job job, double nominalLine, List<Headroom> model) {
    List<HeadroomCheck> all = new ArrayList<>();
    for (SupplyRegulator r : job.items(SupplyRegulator.class)) {
      job.items(HeadroomReading.class).stream()
          .filter(h -> h.regulator().equals(r.name()))
          .max(Comparator.comparing(HeadroomReading::at))
          .ifPresent(h ->
              all.add(
                  of(
                      h,
                      r,
                      nominalLine,
                      model.stream().filter(m -> m.regulator().equals(r.name())).findFirst())));
    }
    return all;
  }

  /** Whether model and measurement do not speak of the same set. */
  public boolean disagrees() {
    return computed.isPresent()
        && Math.abs(computed.getAsDouble() - spareLow) > APART * reading.inputVolts();
  }
}
