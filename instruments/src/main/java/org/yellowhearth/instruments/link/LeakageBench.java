package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.util.Locale;
import java.util.OptionalDouble;

/**
 * What a reform run needs of a leakage meter with a supply, over its line. Every error that the
 * instrument reports is an exception.
 */
public final class LeakageBench {
  /** Asks a stand-in for the time on its bench. */
  public static final String CLOCK = "SIM:TIME?";

  /** Instruments answer this for what is beyond their range. */
  private static final double OVERFLOW = 9.9e37;

  private final InstrumentLink link;
  private String identity;

  /** A reading of a channel: volts, amperes, °C. */
  public record Taken(double volts, double amperes, double celsius) {}

  public LeakageBench(InstrumentLink link) {
    this.link = link;
  }

  /** What the instrument says it is. */
  public String identity() throws IOException {
    return link.ask("*IDN?");
  }

  /**
   * The clock of a stand-in, which may run faster than life; empty for a real instrument, whose
   * time is ours.
   */
  public OptionalDouble benchSeconds() throws IOException {
    return standIn() ? OptionalDouble.of(figure(link.ask(CLOCK))) : OptionalDouble.empty();
  }

  /** Maker and model, as it told them. */
  public String name() throws IOException {
    if (identity == null) {
      identity = identity();
    }
    String[] parts = identity.split(",", -1);
    return parts.length > 1 ? parts[0] + " " + parts[1] : identity;
  }

  /** Whether it is a stand-in. */
  public boolean standIn() throws IOException {
    name();
    return identity.contains(",stand-in");
  }

  /** Lets a stand-in run so many times faster than life. */
  public void speed(double times) throws IOException {
    link.send(String.format(Locale.ROOT, "SIM:SPE %.6g", times));
    check();
  }

  /**
   * Asks the instrument to switch its outputs off by itself when it hears nothing for some seconds;
   * one that does not know how refuses, and false comes back.
   */
  public boolean watchdog(double seconds) throws IOException {
    link.send(String.format(Locale.ROOT, "*CLS;:OUTP:WATC %.6g", seconds));
    return link.ask("SYST:ERR?").matches("\\+?0,.*");
  }

  /** Sets a channel and switches it on; nothing is on before everything is set. */
  public void on(int channel, double volts, double ohms, double limitAmperes) throws IOException {
    off(channel);
    link.send(
        String.format(
            Locale.ROOT,
            "SOUR%1$d:CURR:LIM %2$.6g;:SOUR%1$d:RES %3$.6g;:SOUR%1$d:VOLT %4$.6g",
            channel,
            limitAmperes,
            ohms,
            volts));
    check();
    link.send("OUTP" + channel + " ON");
    check();
  }

  /** What switches a channel off at once, whatever else is being asked. */
  public static String offCommand(int channel) {
    return "OUTP" + channel + " OFF";
  }

  /** Switches a channel off, and makes sure that it is. */
  public void off(int channel) throws IOException {
    link.send(offCommand(channel));
    if (!link.ask("OUTP" + channel + "?").equals("0")) {
      throw new IOException(
          "the output of channel "
              + channel
              + " does not go off: switch the instrument off by hand");
    }
  }

  /** Reads a channel. */
  public Taken read(int channel) throws IOException {
    String[] parts =
        link.ask(
                String.format(
                    Locale.ROOT,
                    "MEAS:VOLT? (@%1$d);:MEAS:CURR? (@%1$d);:MEAS:TEMP? (@%1$d)",
                    channel))
            .split(";");
    if (parts.length != 3) {
      throw new IOException(
          "expected three figures from "
              + link.address()
              + ", not \""
              + String.join(";", parts)
              + "\"");
    }
    return new Taken(figure(parts[0]), figure(parts[1]), figure(parts[2]));
  }

  private static double figure(String text) throws IOException {
    try {
      double value = Double.parseDouble(text.strip());
      if (!(Math.abs(value) < OVERFLOW)) {
        throw new IOException("the instrument is over its range");
      }
      return value;
    } catch (NumberFormatException e) {
      throw new IOException("\"" + text + "\" is no figure", e);
    }
  }

  private void check() throws IOException {
    String error = link.ask("SYST:ERR?");
    if (!error.startsWith("0,") && !error.startsWith("+0,")) {
      throw new IOException("the instrument refuses: " + error);
    }
  }
}
