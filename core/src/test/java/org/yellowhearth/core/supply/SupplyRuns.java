package org.yellowhearth.core.supply;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.SpiceText;

/** What the circuit simulator makes of a supply, for checks of other rooms. */
public final class SupplyRuns {
  private static final double STEP = 1e-5;

  private SupplyRuns() {}

  /** A rail as it was simulated. */
  public record Read(double dcVolts, double rippleRms) {}

  public static boolean simulatorInstalled() {
    return SpiceRun.installed();
  }

  /** Direct voltage and ripple of nodes after some seconds. */
  public static Map<String, Read> simulated(Supply supply, double seconds, List<String> nodes)
      throws IOException, InterruptedException {
    Circuit circuit = supply.circuit();
    String window =
        String.format(Locale.ROOT, "from=%.9g to=%.9g", seconds - circuit.period(), seconds);
    List<String> cards = new ArrayList<>();
    nodes.forEach(n -> {
      cards.add(
          ".meas tran " + SpiceRun.key("dc", n) + " avg v(" + SpiceText.node(n) + ") " + window);
      cards.add(
          ".meas tran " + SpiceRun.key("rms", n) + " rms v(" + SpiceText.node(n) + ") " + window);
    });
    Map<String, Double> measured =
        SpiceRun.run(SpiceText.netlist(circuit, "a set with a fault", seconds, STEP, cards));
    Map<String, Read> read = new LinkedHashMap<>();
    nodes.forEach(n -> {
      double dc = measured.get(SpiceRun.key("dc", n));
      double rms = measured.get(SpiceRun.key("rms", n));
      read.put(n, new Read(dc, Math.sqrt(Math.max(0, rms * rms - dc * dc))));
    });
    return read;
  }
}
