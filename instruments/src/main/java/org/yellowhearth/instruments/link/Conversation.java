package org.yellowhearth.instruments.link;

import java.io.IOException;

/**
 * What all instruments have in common: they tell their name, and every error that waits is taken
 * and told.
 */
final class Conversation {
  private static final String ERROR = "SYST:ERR?";
  private static final int MOST_ERRORS = 30;

  private final InstrumentLink link;
  private String name = "";

  Conversation(InstrumentLink link) {
    this.link = link;
  }

  /** Maker and model, as it tells them. */
  String name() throws IOException {
    if (name.isEmpty()) {
      String[] parts = link.ask("*IDN?").split(",", -1);
      name = parts.length > 1 ? parts[0] + " " + parts[1] : parts[0];
    }
    return name;
  }

  /** Whether it is a stand-in. */
  boolean standIn() throws IOException {
    return name().contains("stand-in");
  }

  /** Tells it something. */
  void tell(String command) throws IOException {
    link.send(command);
    check();
  }

  String ask(String query) throws IOException {
    return link.ask(query);
  }

  /** Asks for a figure. */
  double figure(String query) throws IOException {
    String text = link.ask(query);
    try {
      return Double.parseDouble(text.strip());
    } catch (NumberFormatException e) {
      throw new IOException("\"" + text + "\" is no figure", e);
    }
  }

  /** Takes every error that waits; the first is the one that is told. */
  void check() throws IOException {
    String first = link.ask(ERROR);
    if (fine(first)) {
      return;
    }
    for (int k = 0; k < MOST_ERRORS && !fine(link.ask(ERROR)); k++) {
      // The queue of the instrument is emptied, so that no later question is answered with an old
      // error.
    }
    throw new LcrBench.Refusal(first);
  }

  private static boolean fine(String error) {
    return error.matches("\\+?0,.*");
  }
}
