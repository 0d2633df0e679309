package org.yellowhearth.instruments.bench;

import java.util.Random;
import org.yellowhearth.instruments.scpi.ScpiDevice;
import org.yellowhearth.instruments.scpi.ScpiException;
import org.yellowhearth.instruments.scpi.ScpiFault;

/**
 * Stand-in LCR and ESR meter. It measures the part in its clips at 100 Hz to 100 kHz: capacitance,
 * series resistance, dissipation. Its leads have resistance until they are corrected short, an
 * offset of a picofarad, noise of two thousandths, and it shows the series or the parallel
 * equivalent, whichever it is set to. It will not measure what is charged.
 */
final class LcrMeter extends ScpiDevice {
  private static final double LEAD_OHMS = 0.08;
  private static final double OFFSET_FARADS = 1e-12;
  private static final double NOISE = 0.002;
  private static final double CHARGED_VOLTS = 1;
  private static final double MOST_FARADS = 20e-3;
  private static final double OXIDE_DISSIPATION = 0.02;

  private final StandInBench bench;
  private final Random random;
  private int part = 1;
  private double hertz = 100;
  private boolean parallel;
  private boolean corrected;
  private Contact contact = Contact.GOOD;
  private String function = "CAPACITANCE";
  private double last = Double.NaN;

  LcrMeter(StandInBench bench, Random random) {
    this.bench = bench;
    this.random = random;
    command("[SENSe:]FREQuency", a -> hertz = a.number(0, "HZ", 20, 100_000));
    query("[SENSe:]FREQuency", a -> figure(hertz));
    command("FUNCtion:IMPedance:TYPE", a -> parallel = a.word(0, "CSRS", "CPD").equals("CPD"));
    query("FUNCtion:IMPedance:TYPE", a -> parallel ? "CPD" : "CSRS");
    command("CORRection:SHORt[:EXECute]", a -> corrected = true);
    for (String f : new String[] {"CAPacitance", "RESistance", "DISSipation"}) {
      command("CONFigure:" + f, a -> function = f.toUpperCase(java.util.Locale.ROOT));
      query(
          "MEASure:" + f,
          a -> {
            function = f.toUpperCase(java.util.Locale.ROOT);
            return figure(take());
          });
    }
    query("CONFigure", a -> function);
    query("READ", a -> figure(take()));
    query(
        "FETCh",
        a -> {
          if (Double.isNaN(last)) {
            throw new ScpiException(ScpiFault.STALE, "nothing has been read yet");
          }
          return figure(last);
        });
    command("SIMulation:PART", a -> part = (int) a.number(0, "", 1, bench.parts().count()));
    command(
        "SIMulation:CONTact", a -> contact = Contact.valueOf(a.word(0, "GOOD", "LOOSE", "OPEN")));
    bench.clockCommands(this::command, this::query);
  }

  @Override
  protected String identity() {
    return "Yellow Hearth,stand-in LCR meter,0,1";
  }

  @Override
  protected void reset() {
    hertz = 100;
    parallel = false;
    corrected = false;
    function = "CAPACITANCE";
    last = Double.NaN;
  }

  @Override
  protected void catchUp() {
    bench.catchUp();
  }

  private double take() {
    last = measured();
    return last;
  }

  private double measured() {
    ClippedPart p = bench.parts().part(part);
    if (p.volts() > CHARGED_VOLTS) {
      fault(ScpiFault.SETTINGS_CONFLICT, "the part is charged: discharge it first");
      return OVERFLOW;
    }
    if (contact.lost(random)) {
      return function.equals("CAPACITANCE") ? OFFSET_FARADS : OVERFLOW;
    }
    double w = 2 * Math.PI * hertz;
    double farads = p.make().farads();
    // The oxide's own loss stands in series with the electrolyte; a leak in parallel joins it as
    // 1/(w²C²R).
    double loss = p.conductance() / (w * w * farads * farads);
    double ohms =
        p.make().esrOhms()
            + OXIDE_DISSIPATION / (w * farads)
            + loss
            + contact.ohms()
            + (corrected ? 0 : LEAD_OHMS);
    double d = w * farads * ohms;
    double shown =
        switch (function) {
          case "RESISTANCE" -> parallel ? ohms * (1 + 1 / (d * d)) : ohms;
          case "DISSIPATION" -> d;
          default -> (parallel ? farads / (1 + d * d) : farads) + OFFSET_FARADS;
        };
    if (function.equals("CAPACITANCE") && shown > MOST_FARADS) {
      return OVERFLOW;
    }
    return shown * (1 + NOISE * random.nextGaussian());
  }
}
