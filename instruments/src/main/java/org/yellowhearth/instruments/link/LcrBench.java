package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.util.Locale;

/**
 * What Assess needs of an LCR meter over its line: capacitance, series resistance and dissipation
 * at a frequency.
 */
public final class LcrBench {
  private static final double OVERFLOW = 9.9e37;

  private final Conversation with;

  /** A reading: farads, ohms in series, dissipation. */
  public record Taken(double farads, double ohms, double dissipation) {}

  public LcrBench(InstrumentLink link) {
    with = new Conversation(link);
  }

  /** Maker and model, as it tells them. */
  public String name() throws IOException {
    return with.name();
  }

  /** Clips a stand-in onto one of its simulated parts; a real one is clipped by hand. */
  public void clip(int part) throws IOException {
    if (with.standIn()) {
      with.tell("SIM:PART " + part);
    }
  }

  /** Reads the part in its clips, in series mode. */
  public Taken read(double hertz) throws IOException {
    with.tell(String.format(Locale.ROOT, "FUNC:IMP:TYPE CSRS;:FREQ %.6g", hertz));
    Taken taken =
        new Taken(with.figure("MEAS:CAP?"), with.figure("MEAS:RES?"), with.figure("MEAS:DISS?"));
    with.check();
    return taken;
  }

  /** Whether a figure is one, and not the sign of what is beyond the range. */
  public static boolean within(double figure) {
    return Math.abs(figure) < OVERFLOW;
  }

  /** The instrument refuses something; the line is as good as before. */
  public static final class Refusal extends IOException {
    private static final long serialVersionUID = 1L;

    Refusal(String error) {
      super("the instrument refuses: " + error);
    }
  }
}
