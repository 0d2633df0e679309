package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Stored;
import org.yellowhearth.core.part.PartRef;

/** What is seen of a part, or known of its past, that no meter shows. */
@Stored("look")
public record VisualInspection(String id, PartRef part, Sign sign, String note) implements OfPart {
  /** What sort of sight or past. */
  public enum Sign implements Coded {
    BULGED(Weight.CONDEMNS), //
    OOZING(Weight.CONDEMNS), //
    BURST(Weight.CONDEMNS), //
    CRACKED(Weight.CONDEMNS), //
    SCORCHED(Weight.CONDEMNS), //
    LEAD_CORRODED(Weight.DOUBTS), //
    /** Lighter than its like: dried out. */
    LIGHT(Weight.DOUBTS), //
    WAX_RUN(Weight.DOUBTS), //
    /** Something under or around it that may be glue or electrolyte. */
    RESIDUE(Weight.ASKS), //
    RESIDUE_IS_GLUE(Weight.HARMLESS), //
    RESIDUE_IS_ELECTROLYTE(Weight.CONDEMNS), //
    /** It was connected the wrong way round, once is enough. */
    REVERSED(Weight.CONDEMNS), //
    OVERHEATED(Weight.CONDEMNS), //
    /** It is not the first one in this place. */
    REPLACED_BEFORE(Weight.HARMLESS);

    private final Weight weight;

    Sign(Weight weight) {
      this.weight = weight;
    }

    public Weight weight() {
      return weight;
    }
  }

  /** What a sign does to the verdict, whatever a meter shows. */
  public enum Weight {
    CONDEMNS,
    DOUBTS,
    ASKS,
    HARMLESS
  }

  public VisualInspection {
    Item.requireId(id);
  }

  /** The id of a sign of a part: each is written down once. */
  public static String idOf(PartRef part, Sign sign) {
    return "look-" + part + "-" + sign.code();
  }

  /** A sign of a part. */
  public static VisualInspection of(PartRef part, Sign sign, String note) {
    return new VisualInspection(idOf(part, sign), part, sign, note);
  }
}
