package org.yellowhearth.core.trace;

import java.util.Optional;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;

/**
 * One parameter of the model, and where it comes from.
 *
 * @param section id of the section it belongs to
 * @param element the name of its element in the circuit
 * @param spread what one standard deviation is off, as a natural logarithm; 0 where its origin says
 *     it
 * @param part the part it is said of, where there is one
 */
public record ModelValue(
    String section,
    String element,
    Which which,
    Quantity value,
    Origin origin,
    double spread,
    Optional<PartRef> part) {
  /** Whether it is the value of this knob. */
  boolean of(Parameter knob) {
    return element.equals(knob.element()) && which == knob.which();
  }
}
