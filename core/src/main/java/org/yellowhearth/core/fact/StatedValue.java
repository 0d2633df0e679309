package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;

/**
 * What one witness says of a part's value: the drawing, the board legend, scorched bands, a working
 * twin. All witnesses are kept apart.
 *
 * @param said as it was typed
 * @param value capacitance in farads or resistance in ohms, as the part measures
 * @param polarity which end goes to chassis by this witness
 */
public record StatedValue(
    String id,
    PartRef part,
    Origin origin,
    String said,
    OptionalDouble value,
    OptionalDouble ratedVolts,
    Polarity polarity)
    implements OfPart {
  /** Where a value comes from. */
  public enum Origin implements Coded {
    DRAWN,
    PRINTED,
    BOARD_LEGEND,
    BANDS,
    FITTED,
    NEWLY_FITTED,
    WORKING_TWIN,
    OTHER_CHANNEL,
    SYMMETRY,
    COPPER
  }

  public StatedValue {
    Item.requireId(id);
    Checked.present("what the witness says", said);
    value.ifPresent(v -> Checked.within("the value", v, Double.MIN_VALUE, 1e12));
    ratedVolts.ifPresent(v -> Checked.within("the rated voltage", v, Double.MIN_VALUE, 100_000));
  }
}
