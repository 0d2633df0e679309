package org.yellowhearth.core.fact;

/**
 * A value of the supply model that a person knows better than the model does; it goes before every
 * other source.
 *
 * @param element the name of its element among the figures, such as C16a or V5
 * @param which which of its values, by its code, such as {@code series-resistance}
 * @param value in SI units
 */
public record SupplyValue(String id, String element, String which, double value)
    implements SupplyEvidence {
  public SupplyValue {
    Item.requireId(id);
    Checked.present("the element of a value", element);
    if (!which.matches("[a-z-]{1,40}")) {
      throw new IllegalArgumentException(
          "expected which value as a code such as series-resistance, not \"" + which + "\"");
    }
    Checked.within("value", value, 0, 1e15);
  }
}
