package org.yellowhearth.core.job;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Reading;

/**
 * One edit of a job. It carries what was before and after, so that it can be told as a story and
 * taken back.
 */
public sealed interface Edit {
  /** The set came in, with what was known of it. */
  record Arrived(SetPlate plate, Policy policy) implements Edit {}

  record PlateChanged(SetPlate before, SetPlate after) implements Edit {}

  record PolicyChanged(Policy before, Policy after) implements Edit {}

  /** An aspect of the set was filled in or corrected; both are of one type. */
  record AspectChanged(Aspect before, Aspect after) implements Edit {
    public AspectChanged {
      if (before.getClass() != after.getClass()) {
        throw new IllegalArgumentException("an aspect is changed into one of its own type");
      }
    }
  }

  /** An item was added (no before), changed, or taken away (no after). */
  record ItemChanged(Optional<Item> before, Optional<Item> after) implements Edit {
    public ItemChanged {
      boolean same =
          before.isEmpty()
              || after.isEmpty()
              || (before.get().getClass() == after.get().getClass()
                  && before.get().id().equals(after.get().id()));
      if (!same || (before.isEmpty() && after.isEmpty())) {
        throw new IllegalArgumentException("an item is changed into one of its own type and id");
      }
    }

    /** The item it is about, as it was last. */
    public Item item() {
      return after.or(() -> before).orElseThrow();
    }
  }

  /** A part joined the census, with what had been read of it where it comes back. */
  record PartAdded(Part part, List<Reading> readings) implements Edit {
    public PartAdded {
      readings = List.copyOf(readings);
    }

    public PartAdded(Part part) {
      this(part, List.of());
    }
  }

  record PartChanged(Part before, Part after) implements Edit {}

  /** A part left the census; its readings go with it and come back with it. */
  record PartRemoved(Part part, List<Reading> readings) implements Edit {
    public PartRemoved {
      readings = List.copyOf(readings);
    }
  }

  record ReadingKept(Reading reading) implements Edit {}

  /** A reading no longer counts; it stays in the journal. */
  record ReadingWithdrawn(Reading reading) implements Edit {}

  record NoteWritten(String text) implements Edit {}

  /**
   * Several edits that stand or fall together: an import, a change of many parts, a can with its
   * sections.
   */
  record Together(List<Edit> edits) implements Edit {
    public Together {
      edits = List.copyOf(edits);
      if (edits.isEmpty()
          || edits.stream().anyMatch(e -> !e.canBeUndone() || e instanceof Together)) {
        throw new IllegalArgumentException(
            "together stand plain edits that can be undone, at least one");
      }
    }
  }

  /** Something that happened to the set itself: corrected by the next event, never undone. */
  sealed interface Event extends Edit
      permits PowerSwitched, VoltsMeasured, ClipPut, ClipTaken, Answered, Reforming, PoweringUp {}

  /** The set was put under power, or switched off and unplugged. */
  record PowerSwitched(Power power) implements Event {}

  /**
   * A meter was put across a store of charge.
   *
   * @param rail the id of the rail, or {@link #PICTURE_TUBE}
   * @param volts what it showed, either way round
   * @param asFound whether the set had stood unplugged for a day or more and nobody had discharged
   *     anything before; else the dielectrics may still give back what they soaked at
   */
  record VoltsMeasured(String rail, double volts, boolean asFound) implements Event {
    public VoltsMeasured(String rail, double volts) {
      this(rail, volts, false);
    }

    public VoltsMeasured {
      if (!(Math.abs(volts) <= 100_000)) {
        throw new IllegalArgumentException(volts + " V was not measured here");
      }
    }
  }

  /** A discharge resistor was clipped across a store of charge and left there. */
  record ClipPut(String rail, double ohms) implements Event {
    public ClipPut {
      if (!(ohms >= 0.1 && ohms <= 1e10)) {
        throw new IllegalArgumentException(
            "a discharge resistor of " + ohms + " ohms is out of range; expected 0.1 to 1e10");
      }
    }
  }

  /** The discharge resistor came off again. */
  record ClipTaken(String rail) implements Event {}

  /**
   * The person was asked before something that could hurt, and went on.
   *
   * @param volts what the set could hold at that moment, where it was known
   * @param answer what the person said, or the reason given
   */
  record Answered(Question question, OptionalDouble volts, String answer) implements Event {}

  /** What is asked before something that could hurt. */
  enum Question implements Coded {
    READ_WHILE_LIT,
    READ_WHILE_BANKED,
    REMOVE_WHILE_LIT,
    RAIL_WHILE_CHARGED,
    POWER_UNCHECKED
  }

  /** Stands for the anode of the picture tube among the rails. */
  String PICTURE_TUBE = "picture-tube";

  /** Whether the set is under power. */
  enum Power implements Coded {
    LIT,
    OFF
  }

  /**
   * Whether a person may take it back. Arrival begins the job; events of the real world are
   * corrected, not undone.
   */
  default boolean canBeUndone() {
    return switch (this) {
      case Arrived _, Event _ -> false;
      case PlateChanged _,
          PolicyChanged _,
          AspectChanged _,
          ItemChanged _,
          PartAdded _,
          PartChanged _,
          PartRemoved _,
          ReadingKept _,
          ReadingWithdrawn _,
          NoteWritten _,
          Together _ ->
          true;
    };
  }
}
