package org.yellowhearth.core.part;

import java.util.OptionalInt;

/** A connector, socket or switch contact. */
public record Connector(
    PartRef ref, String marking, OptionalInt contacts, String dateCode, String remark)
    implements Part {
  public Connector {
    if (contacts.isPresent() && contacts.getAsInt() < 1) {
      throw new IllegalArgumentException(
          "a connector has at least one contact, not " + contacts.getAsInt());
    }
  }
}
