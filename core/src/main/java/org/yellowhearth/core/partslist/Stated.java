package org.yellowhearth.core.partslist;

import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Tolerance;

/** What a line says of a capacitor; what it leaves out stays empty. */
public record Stated(
    OptionalDouble farads,
    Optional<Tolerance> tolerance,
    OptionalDouble ratedVolts,
    boolean ratedForMains,
    Optional<String> kind,
    Optional<Role> role,
    Optional<Polarity> polarity,
    OptionalDouble workingVolts,
    Optional<CanMark> canMark,
    Optional<String> dateCode) {
  /** Nothing said yet. */
  public static final Stated NOTHING =
      new Stated(
          OptionalDouble.empty(),
          Optional.empty(),
          OptionalDouble.empty(),
          false,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          OptionalDouble.empty(),
          Optional.empty(),
          Optional.empty());

  /** A new part of the census; empty where the capacitance was not said. */
  public Optional<Capacitor> asPart(PartRef ref, String marking, String remark) {
    return farads.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Capacitor(
                ref,
                marking,
                kind.orElse(Capacitor.UNSTATED_KIND),
                farads.getAsDouble(),
                tolerance,
                ratedVolts,
                ratedForMains,
                role.orElse(Role.UNSTATED),
                polarity.orElse(Polarity.UNSTATED),
                workingVolts,
                canMark.orElse(CanMark.UNSTATED),
                dateCode.orElse(""),
                remark));
  }

  /**
   * A part with what was said put in the place of what was known; the marking is kept where it did
   * not change.
   */
  public Capacitor correcting(Capacitor part, String marking) {
    boolean marked = farads.isPresent() || ratedVolts.isPresent() || tolerance.isPresent();
    return new Capacitor(
        part.ref(),
        marked ? marking : part.marking(),
        kind.orElse(part.kind()),
        farads.orElse(part.farads()),
        tolerance.or(part::tolerance),
        ratedVolts.isPresent() ? ratedVolts : part.ratedVolts(),
        ratedVolts.isPresent() ? ratedForMains : part.ratedForMains(),
        role.orElse(part.role()),
        polarity.orElse(part.polarity()),
        workingVolts.isPresent() ? workingVolts : part.workingVolts(),
        canMark.orElse(part.canMark()),
        dateCode.orElse(part.dateCode()),
        part.remark());
  }

  Stated withFarads(double value) {
    return new Stated(
        OptionalDouble.of(value),
        tolerance,
        ratedVolts,
        ratedForMains,
        kind,
        role,
        polarity,
        workingVolts,
        canMark,
        dateCode);
  }

  Stated withTolerance(Tolerance value) {
    return new Stated(
        farads,
        Optional.of(value),
        ratedVolts,
        ratedForMains,
        kind,
        role,
        polarity,
        workingVolts,
        canMark,
        dateCode);
  }

  Stated withRatedVolts(OptionalDouble value, boolean mains) {
    return new Stated(
        farads, tolerance, value, mains, kind, role, polarity, workingVolts, canMark, dateCode);
  }

  Stated withKind(String value) {
    return new Stated(
        farads,
        tolerance,
        ratedVolts,
        ratedForMains,
        Optional.of(value),
        role,
        polarity,
        workingVolts,
        canMark,
        dateCode);
  }

  Stated withRole(Role value) {
    return new Stated(
        farads,
        tolerance,
        ratedVolts,
        ratedForMains,
        kind,
        Optional.of(value),
        polarity,
        workingVolts,
        canMark,
        dateCode);
  }

  Stated withPolarity(Polarity value) {
    return new Stated(
        farads,
        tolerance,
        ratedVolts,
        ratedForMains,
        kind,
        role,
        Optional.of(value),
        workingVolts,
        canMark,
        dateCode);
  }

  Stated withWorkingVolts(double value) {
    return new Stated(
        farads,
        tolerance,
        ratedVolts,
        ratedForMains,
        kind,
        role,
        polarity,
        OptionalDouble.of(value),
        canMark,
        dateCode);
  }

  Stated withDateCode(String value) {
    return new Stated(
        farads,
        tolerance,
        ratedVolts,
        ratedForMains,
        kind,
        role,
        polarity,
        workingVolts,
        canMark,
        Optional.of(value));
  }

  Stated withCanMark(CanMark value) {
    return new Stated(
        farads,
        tolerance,
        ratedVolts,
        ratedForMains,
        kind,
        role,
        polarity,
        workingVolts,
        Optional.of(value),
        dateCode);
  }
}
