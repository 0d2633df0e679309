package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.util.Locale;

/**
 * What first power needs of a variable transformer or mains source: its volts, its output, and the
 * watts that are taken.
 */
public final class MainsSource {
  private final Conversation with;

  public MainsSource(InstrumentLink link) {
    with = new Conversation(link);
  }

  /** Maker and model, as it tells them. */
  public String name() throws IOException {
    return with.name();
  }

  /** Screws a lamp into a stand-in, none with nothing; into a real one it is screwed by hand. */
  public void lamp(double watts) throws IOException {
    if (with.standIn()) {
      with.tell(String.format(Locale.ROOT, "SOUR:LAMP %.6g", watts));
    }
  }

  /** Turns it to so many volts; the output stays as it is. */
  public void turn(double volts) throws IOException {
    with.tell(String.format(Locale.ROOT, "SOUR:VOLT %.6g", volts));
  }

  /** Switches the output on. */
  public void on() throws IOException {
    with.tell("OUTP ON");
  }

  /** What switches the output off at once, whatever else is being asked. */
  public static final String OFF = "OUTP OFF";

  /** Switches the output off, makes sure that it is, and turns it to nothing. */
  public void off() throws IOException {
    with.tell(OFF);
    if (!with.ask("OUTP?").equals("0")) {
      throw new IOException("its output does not go off: switch it off by hand");
    }
    turn(0);
  }

  /** Watts that are taken. */
  public double watts() throws IOException {
    double watts = with.figure("MEAS:POW?");
    with.check();
    return watts;
  }
}
