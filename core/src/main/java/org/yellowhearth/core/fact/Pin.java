package org.yellowhearth.core.fact;

/**
 * A pin in a photograph.
 *
 * @param photograph the id of the photograph it is in
 * @param across from the left edge, 0 to 1 of the width
 * @param down from the top edge, 0 to 1 of the height
 * @param label a part reference or a word; the same label in two photographs marks the same place
 */
public record Pin(String id, String photograph, double across, double down, String label)
    implements Item {
  public Pin {
    Item.requireId(id);
    Checked.present("the label of a pin", label);
    Checked.within("place across", across, 0, 1);
    Checked.within("place down", down, 0, 1);
  }
}
