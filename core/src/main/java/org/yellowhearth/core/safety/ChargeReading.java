package org.yellowhearth.core.safety;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/** What the hearth shows at one moment, for the set and for each of its stores. */
public record ChargeReading(ChargeState state, List<StoreReading> stores) {
  /** Nothing is known. */
  public static final ChargeReading UNKNOWN = new ChargeReading(ChargeState.UNKNOWN, List.of());

  public ChargeReading {
    stores = List.copyOf(stores);
  }

  /**
   * One store at one moment.
   *
   * @param known whether it was measured, or seen under power, at all
   * @param safeVolts the most it can hold now
   * @param likelyVolts what it holds if every resistor is as it is said to be
   * @param highestVolts the most it can come back to from now on
   * @param touchSafeIn time to touch-safe on the safe side; zero when it is, empty where nothing
   *     proven drains it
   * @param meterSafeIn time to about 1 V on the safe side
   * @param likelyTouchSafeIn time to touch-safe if every resistor is as it is said to be
   * @param likelyMeterSafeIn the same to about 1 V
   * @param clipOhms the discharge resistor that is clipped on
   */
  public record StoreReading(
      Store store,
      boolean known,
      double safeVolts,
      double likelyVolts,
      double highestVolts,
      Optional<Duration> touchSafeIn,
      Optional<Duration> meterSafeIn,
      Optional<Duration> likelyTouchSafeIn,
      Optional<Duration> likelyMeterSafeIn,
      OptionalDouble clipOhms) {
    /** Whether it may be touched now and later without more ado. */
    public boolean touchSafe() {
      return known && touchSafeIn.filter(Duration::isZero).isPresent();
    }

    /** What it can do to a person now. */
    public HazardClass hazard() {
      return HazardClass.of(highestVolts, store.highFarads() * highestVolts * highestVolts / 2);
    }
  }

  /** The store that can hold most. */
  public Optional<StoreReading> worst() {
    return stores.stream().max(Comparator.comparingDouble(StoreReading::highestVolts));
  }

  /** The most that any store can hold now. */
  public double volts() {
    return stores.stream().mapToDouble(s -> Math.abs(s.safeVolts)).max().orElse(0);
  }

  /** The most that any store can come back to. */
  public double highestVolts() {
    return worst().map(StoreReading::highestVolts).orElse(0.0);
  }

  /** Whether every store is known to be touch-safe and the set is not under power. */
  public boolean touchSafe() {
    return state != ChargeState.LIT
        && state != ChargeState.UNKNOWN
        && stores.stream().allMatch(StoreReading::touchSafe);
  }

  /** Time until every store is touch-safe on the safe side; empty where one never is. */
  public Optional<Duration> touchSafeIn() {
    return last(StoreReading::touchSafeIn);
  }

  /** Time until every store is meter-safe on the safe side; empty where one never is. */
  public Optional<Duration> meterSafeIn() {
    return last(StoreReading::meterSafeIn);
  }

  /** Time until every store is touch-safe if every resistor is as it is said to be. */
  public Optional<Duration> likelyTouchSafeIn() {
    return last(StoreReading::likelyTouchSafeIn);
  }

  /** Time until every store is meter-safe if every resistor is as it is said to be. */
  public Optional<Duration> likelyMeterSafeIn() {
    return last(StoreReading::likelyMeterSafeIn);
  }

  private Optional<Duration> last(Function<StoreReading, Optional<Duration>> time) {
    return state == ChargeState.LIT
            || state == ChargeState.UNKNOWN
            || stores.stream().anyMatch(s -> time.apply(s).isEmpty())
        ? Optional.empty()
        : stores.stream().map(s -> time.apply(s).orElseThrow()).max(Comparator.naturalOrder());
  }
}
