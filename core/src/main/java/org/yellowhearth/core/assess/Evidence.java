package org.yellowhearth.core.assess;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;

/**
 * The readings of one part, oldest first; the newest that shows a figure is the one that is judged.
 *
 * @param powerUps how often the set was put under power since the newest of them
 * @param years since the newest of them
 */
record Evidence(List<Reading> readings, int powerUps, double years) {
  /**
   * After so many years what read well is not known to be good now (common practice, as are the
   * next two).
   */
  static final double STALE_YEARS = 2;

  /** So many power-ups after half a year make a reading stale too. */
  static final int STALE_POWER_UPS = 5;

  private static final double HALF_YEAR = 0.5;
  private static final double DAYS_OF_YEAR = 365.25;

  /** The readings of a part as they stand at a moment. */
  static Evidence of(List<Reading> readings, Job job, Instant now) {
    if (readings.isEmpty()) {
      return new Evidence(readings, 0, 0);
    }
    Instant newest = readings.getLast().at();
    int powerUps =
        (int)
            job.events().stream()
                .filter(e -> e.at().isAfter(newest))
                .filter(e ->
                    e.event() instanceof Edit.PowerSwitched(Edit.Power power)
                        && power == Edit.Power.LIT)
                .count();
    return new Evidence(
        readings, powerUps, Math.max(0, ChronoUnit.DAYS.between(newest, now) / DAYS_OF_YEAR));
  }

  Optional<Reading> newest(Figure figure) {
    return newest(r -> r.figures().has(figure));
  }

  /** The newest reading that shows the figure or that it left the range. */
  Optional<Reading> newestTelling(Figure figure) {
    return newest(r -> r.figures().tells(figure));
  }

  /** The newest reading that says anything of losses: ESR, dissipation or Q. */
  Optional<Reading> newestLoss() {
    return newest(r -> r.figures().has(Figure.ESR) || r.figures().dissipation().isPresent());
  }

  /** The newest reading that shows something beside figures. */
  Optional<Reading> newestQualified() {
    return newest(r -> !r.figures().qualifiers().isEmpty());
  }

  /** The newest reading that is as wanted. */
  Optional<Reading> newest(Predicate<Reading> wanted) {
    for (int i = readings.size() - 1; i >= 0; i--) {
      if (wanted.test(readings.get(i))) {
        return Optional.of(readings.get(i));
      }
    }
    return Optional.empty();
  }

  /**
   * Whether it is too long ago, or too much has happened since, to say that the part is good now.
   */
  boolean stale() {
    return !readings.isEmpty()
        && (years >= STALE_YEARS || (powerUps >= STALE_POWER_UPS && years >= HALF_YEAR));
  }

  boolean isEmpty() {
    return readings.isEmpty();
  }
}
