package org.yellowhearth.core.assess;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.reading.Contact;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Qualifier;
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

  private static final Set<Qualifier> AT_VOLTAGE =
      EnumSet.of(
          Qualifier.OVAL,
          Qualifier.SLANT,
          Qualifier.KNEE,
          Qualifier.FLAT,
          Qualifier.UPRIGHT,
          Qualifier.INDICATOR_OPEN,
          Qualifier.INDICATOR_CLOSED);
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

  /**
   * The newest reading that shows something beside figures, with what later readings did not
   * supersede.
   */
  Optional<Reading> newestQualified() {
    for (int i = readings.size() - 1; i >= 0; i--) {
      Reading r = readings.get(i);
      if (!r.figures().qualifiers().isEmpty()) {
        List<Reading> later = readings.subList(i + 1, readings.size());
        Set<Qualifier> left =
            r.figures().qualifiers().stream()
                .filter(q -> later.stream().noneMatch(l -> supersedes(l, q)))
                .collect(Collectors.toSet());
        return left.isEmpty()
            ? Optional.empty()
            : Optional.of(
                new Reading(
                    r.id(),
                    r.part(),
                    r.at(),
                    new Figures(
                        r.figures().values(), r.figures().bounds(), left, r.figures().repeats()),
                    r.conditions(),
                    r.typed()));
      }
    }
    return Optional.empty();
  }

  /**
   * Whether a later reading settles what was said: alone, and by figures that the fault would have
   * spoilt.
   */
  private static boolean supersedes(Reading later, Qualifier said) {
    Figures f = later.figures();
    boolean alone = later.conditions().connection().alone();
    boolean whole = f.has(Figure.CAPACITANCE) && (f.has(Figure.ESR) || f.dissipation().isPresent());
    return alone
        && switch (said) {
          case CALLED_BAD, CALLED_WEAK, CALLED_GOOD, DRIED_OUT, BOUNCING -> whole;
          case READS_OPEN, READS_SHORT -> f.has(Figure.CAPACITANCE) || f.has(Figure.RESISTANCE);
          case INTERMITTENT ->
              later.conditions().contact() == Contact.FIRM
                  && (whole || f.has(Figure.RESISTANCE) || f.has(Figure.WIPER));
          case SCRATCHY -> f.has(Figure.WIPER);
          case SLANT, KNEE, UPRIGHT, INDICATOR_CLOSED, READS_RESISTOR ->
              f.tells(Figure.INSULATION) || f.tells(Figure.LEAKAGE);
          case OVAL,
              FLAT,
              INDICATOR_OPEN,
              REVERSE_BLOCKS,
              REVERSE_CONDUCTS,
              NO_SHORTS,
              SHORTS,
              NO_GRID_LEAK,
              GRID_LEAK ->
              false;
          case FALLS, RISES, PULSES -> !f.isEmpty();
        };
  }

  /** Whether a tester showed how it holds a voltage, without a figure. */
  boolean shownAtVoltage() {
    return newestQualified()
        .filter(r -> r.figures().qualifiers().stream().anyMatch(AT_VOLTAGE::contains))
        .isPresent();
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
