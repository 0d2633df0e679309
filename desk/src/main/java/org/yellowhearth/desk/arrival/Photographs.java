package org.yellowhearth.desk.arrival;

import org.yellowhearth.core.fact.Photograph;

/** How a photograph is called on screen. */
final class Photographs {
  private Photographs() {}

  /** Its caption, or the name it came with. */
  static String name(Photograph p) {
    return p.caption().isEmpty() ? p.original() : p.caption();
  }
}
