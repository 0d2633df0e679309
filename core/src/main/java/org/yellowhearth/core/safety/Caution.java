package org.yellowhearth.core.safety;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/** A hazard of working on one part now, with the usual precaution. */
public record Caution(Level level, Message words) {
  /** How loudly it must be said. */
  public enum Level implements Coded {
    DANGER,
    CARE
  }

  /** What cautions can say. */
  public enum CautionWords implements MessageKey {
    LIT,
    CHARGED,
    CHARGED_LOW,
    POLARITY,
    POSITIVE_EARTH,
    MAINS_PART,
    HAZARD,
    SELENIUM,
    MAINS_WINDING,
    BATTERY,
    VALVE
  }

  /** The cautions for handling one part while the set is in this state, the loudest first. */
  public static List<Caution> forPart(ChargeState hearth, Part part, Knowledge knowledge) {
    List<Caution> cautions = new ArrayList<>();
    if (hearth == ChargeState.LIT) {
      cautions.add(new Caution(Level.DANGER, Message.of(CautionWords.LIT)));
    }
    switch (part) {
      case Capacitor c -> capacitor(c, knowledge.kind(c.kind()), cautions);
      case Rectifier r when r.make().poisonsWhenBurning() ->
          cautions.add(new Caution(Level.DANGER, Message.of(CautionWords.SELENIUM)));
      case Winding w when w.task() == Winding.Task.MAINS_PRIMARY ->
          cautions.add(new Caution(Level.DANGER, Message.of(CautionWords.MAINS_WINDING)));
      case Battery _ -> cautions.add(new Caution(Level.CARE, Message.of(CautionWords.BATTERY)));
      case Valve _ -> cautions.add(new Caution(Level.CARE, Message.of(CautionWords.VALVE)));
      default -> {
        // Nothing that the set's own cautions do not say.
      }
    }
    return List.copyOf(cautions);
  }

  private static void capacitor(Capacitor part, CapacitorKind kind, List<Caution> cautions) {
    part.ratedVolts().ifPresent(v -> cautions.add(charged(part.farads(), v)));
    if (part.role().duty() == Role.Duty.MAINS) {
      cautions.add(new Caution(Level.DANGER, Message.of(CautionWords.MAINS_PART)));
    }
    if (part.polarity() == Polarity.POSITIVE_TO_CHASSIS) {
      cautions.add(new Caution(Level.DANGER, Message.of(CautionWords.POSITIVE_EARTH)));
    } else if (kind.polarised()) {
      cautions.add(new Caution(Level.CARE, Message.of(CautionWords.POLARITY)));
    }
    kind.hazards()
        .forEach(h ->
            cautions.add(
                new Caution(
                    Level.CARE,
                    Message.of(CautionWords.HAZARD, new Argument.Term("Hazard." + h)))));
  }

  private static Caution charged(double farads, double volts) {
    Quantity energy = new Quantity(farads * volts * volts / 2, Unit.JOULE);
    return HazardClass.of(volts, energy.value()) != HazardClass.SLIGHT
        ? new Caution(Level.DANGER, Message.of(CautionWords.CHARGED, Quantity.volts(volts), energy))
        : new Caution(
            Level.CARE, Message.of(CautionWords.CHARGED_LOW, Quantity.volts(volts), energy));
  }
}
