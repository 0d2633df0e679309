package org.yellowhearth.core.job;

import java.time.Year;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import org.yellowhearth.core.message.Coded;

/**
 * What the set is: the plate across the top of the window.
 *
 * @param place where it lives, for example the mess room
 * @param made the year it was made in, or its first likely year
 * @param complaint what is wrong with it, in the words of whoever brought it
 * @param endState what the owner wants it to be at the end, in one sentence
 */
public record SetPlate(
    String name,
    Kind kind,
    Technology technology,
    String place,
    OptionalInt made,
    Optional<Mains> mains,
    Chassis chassis,
    Purpose purpose,
    Dialect dialect,
    String complaint,
    String endState) {
  public static final int FIRST_YEAR = 1900;
  public static final int LAST_YEAR = 2000;

  /** What sort of set it is. */
  public enum Kind implements Coded {
    RADIO_RECEIVER,
    TELEVISION,
    TRANSMITTER,
    AMPLIFIER,
    TEST_INSTRUMENT,
    POWER_SUPPLY,
    OTHER,
    OSCILLOSCOPE,
    COUNTER,
    MONITOR,
    TAPE_RECORDER,
    ORGAN,
    CHIME
  }

  /** What it is built of. */
  public enum Technology implements Coded {
    VALVE,
    HYBRID,
    TRANSISTOR
  }

  /** How its chassis stands to the mains. */
  public enum Chassis implements Coded {
    UNKNOWN,
    ISOLATED,
    LIVE,
    FLOATING_HIGH_VOLTAGE,
    PRIMARY_SIDE,
    BATTERY
  }

  /** Whether it will be used or kept for show. */
  public enum Purpose implements Coded {
    USE,
    MUSEUM
  }

  /** The workshop words: valve and earth, or tube and ground. */
  public enum Dialect implements Coded {
    BRITISH,
    AMERICAN
  }

  /** The mains it was made for, volts RMS and hertz (0 Hz for direct current). */
  public record Mains(double volts, double hertz) {
    public Mains {
      if (!(volts > 0 && volts <= 1000 && hertz >= 0 && hertz <= 1000)) {
        throw new IllegalArgumentException("not a mains supply: " + volts + " V " + hertz + " Hz");
      }
    }
  }

  public SetPlate {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a set needs a name");
    }
    made.ifPresent(y -> {
      if (y < FIRST_YEAR || y > LAST_YEAR) {
        throw new IllegalArgumentException(
            "year " + y + " is not between " + FIRST_YEAR + " and " + LAST_YEAR);
      }
    });
  }

  /** A plate that says no more than the name. */
  public static SetPlate named(String name) {
    return new SetPlate(
        name,
        Kind.RADIO_RECEIVER,
        Technology.VALVE,
        "",
        OptionalInt.empty(),
        Optional.empty(),
        Chassis.UNKNOWN,
        Purpose.USE,
        Dialect.BRITISH,
        "",
        "");
  }

  /** Its age in whole years, where its year is known. */
  public OptionalDouble age(Year today) {
    return made.isPresent()
        ? OptionalDouble.of(Math.max(0, today.getValue() - made.getAsInt()))
        : OptionalDouble.empty();
  }

  /**
   * This plate with something changed, for example {@code plate.with(p -> p.place = "mess room")}.
   */
  public SetPlate with(Consumer<Draft> change) {
    Draft draft = new Draft(this);
    change.accept(draft);
    return new SetPlate(
        draft.name,
        draft.kind,
        draft.technology,
        draft.place,
        draft.made,
        draft.mains,
        draft.chassis,
        draft.purpose,
        draft.dialect,
        draft.complaint,
        draft.endState);
  }

  /** A plate while it is being changed. */
  public static final class Draft {
    public String name;
    public Kind kind;
    public Technology technology;
    public String place;
    public OptionalInt made;
    public Optional<Mains> mains;
    public Chassis chassis;
    public Purpose purpose;
    public Dialect dialect;
    public String complaint;
    public String endState;

    private Draft(SetPlate plate) {
      name = plate.name;
      kind = plate.kind;
      technology = plate.technology;
      place = plate.place;
      made = plate.made;
      mains = plate.mains;
      chassis = plate.chassis;
      purpose = plate.purpose;
      dialect = plate.dialect;
      complaint = plate.complaint;
      endState = plate.endState;
    }
  }
}
