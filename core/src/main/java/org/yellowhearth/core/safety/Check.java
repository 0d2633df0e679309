package org.yellowhearth.core.safety;

import java.util.Optional;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * Something to be checked before this very set gets power.
 *
 * @param code names it within its job
 * @param expected what a meter should show; empty where there is only looking
 * @param working where the expected figures come from
 * @param automatic what the program itself can tell of it now; empty where the person must look
 * @param result what the person found; empty while nobody has
 */
public record Check(
    String code,
    Message words,
    Optional<Range> expected,
    Optional<Message> working,
    Optional<Boolean> automatic,
    Optional<CheckResult> result) {
  /** What checks can say. */
  public enum CheckWords implements MessageKey {
    MAINS_SETTING,
    CORD,
    PLUG,
    FUSE,
    SWITCH,
    EARTH, //
    PRIMARY,
    PRIMARY_WORKING,
    SECONDARY,
    CHOKE,
    CHOKE_WORKING,
    INSULATION,
    INSULATION_WORKING,
    EXPOSED_METAL, //
    RAIL,
    RAIL_WORKING,
    RAIL_OPEN,
    RAIL_OPEN_WORKING, //
    HEAT_SINKS,
    JUMPERS,
    JUMPERS_ON,
    DRY,
    DRY_UNTIL,
    SELENIUM,
    PICTURE_TUBE,
    POLE
  }

  /**
   * What a meter should show.
   *
   * @param high infinite where there is no upper bound
   */
  public record Range(double low, double high, Unit unit) {
    /** Whether a figure lies within. */
    public boolean holds(double figure) {
      return Edge.within(figure, low, high);
    }

    public Quantity lowest() {
      return Quantity.of(low, unit);
    }

    /** The upper bound, where there is one. */
    public Optional<Quantity> highest() {
      return Double.isInfinite(high) ? Optional.empty() : Optional.of(Quantity.of(high, unit));
    }
  }

  /** Where a check stands. */
  public enum State {
    OPEN,
    PASSED,
    FAILED,
    OVERRIDDEN
  }

  /**
   * Where it stands: a written reason counts over what was measured, and what was measured over
   * what the program thinks.
   */
  public State state() {
    if (result.isPresent()) {
      return switch (result.get().outcome()) {
        case OVERRIDDEN -> State.OVERRIDDEN;
        case FAILED -> State.FAILED;
        case PASSED -> automatic.orElse(true) ? State.PASSED : State.FAILED;
      };
    }
    return automatic.map(good -> good ? State.PASSED : State.FAILED).orElse(State.OPEN);
  }

  /** Whether it keeps the set from power. */
  public boolean blocks() {
    return state() == State.OPEN || state() == State.FAILED;
  }

  /** How a measured figure ends the check: within what is expected or not. */
  public CheckResult.Outcome outcome(double measured) {
    return expected.map(r -> r.holds(measured)).orElse(true)
        ? CheckResult.Outcome.PASSED
        : CheckResult.Outcome.FAILED;
  }
}
