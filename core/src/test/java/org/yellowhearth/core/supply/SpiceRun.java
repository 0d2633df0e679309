package org.yellowhearth.core.supply;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.SpiceText;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;

/**
 * Runs the netlists that the program exports through the circuit simulator, where it is installed.
 */
final class SpiceRun {
  private static final Pattern MEASURED =
      Pattern.compile("^(\\w+)\\s*=\\s*(\\S+)", Pattern.MULTILINE);
  private static final Pattern TIME = Pattern.compile("Total analysis time \\(seconds\\) = (\\S+)");

  private SpiceRun() {}

  static boolean installed() {
    return List.of("/usr/bin/ngspice", "/usr/local/bin/ngspice").stream()
        .anyMatch(f -> Files.isExecutable(Path.of(f)));
  }

  /** The netlist of a reference with its measures over the last period. */
  static String netlist(ReferenceSupplies.Reference reference, double step) {
    Circuit circuit = reference.supply().circuit();
    double end = reference.settles();
    String window = String.format(Locale.ROOT, "from=%.9g to=%.9g", end - circuit.period(), end);
    List<String> cards = new ArrayList<>();
    List<String> saved = new ArrayList<>();
    for (String n : reference.nodes()) {
      String v = "v(" + SpiceText.node(n) + ")";
      saved.add(v);
      cards.add(".meas tran " + key("dc", n) + " avg " + v + " " + window);
      cards.add(".meas tran " + key("pp", n) + " pp " + v + " " + window);
    }
    for (String e : reference.currents()) {
      String i = current(circuit, e);
      saved.add(i);
      cards.add(".meas tran " + key("rms", e) + " rms " + i + " " + window);
      cards.add(".meas tran " + key("most", e) + " max " + i + " " + window);
      cards.add(".meas tran " + key("least", e) + " min " + i + " " + window);
    }
    cards.addFirst(".save " + String.join(" ", saved));
    return SpiceText.netlist(circuit, "reference supply " + reference.name(), end, step, cards);
  }

  private static String current(Circuit circuit, String name) {
    Element e =
        circuit.elements().stream().filter(x -> x.name().equals(name)).findFirst().orElseThrow();
    String id = name.toLowerCase(Locale.ROOT).replace('.', '_');
    return switch (e) {
      // The current of its series resistance: what the simulator states for the capacitor itself is
      // off by some thousandths.
      case Element.Capacitance _ -> "@r_" + id + "[i]";
      case Device.Junction _ -> "@d_" + id + "[id]";
      default -> "@b_" + id + "[i]";
    };
  }

  static String key(String what, String of) {
    return what + "_" + of.toLowerCase(Locale.ROOT).replace('.', '_');
  }

  /** The same figures from the program's own steady state. */
  static Map<String, Double> own(ReferenceSupplies.Reference reference, Waveforms w) {
    Map<String, Double> all = new LinkedHashMap<>();
    for (String n : reference.nodes()) {
      Wave v = w.voltage(n);
      all.put(key("dc", n), v.mean());
      all.put(key("pp", n), v.peakToPeak());
    }
    for (String e : reference.currents()) {
      Wave i = w.current(e);
      all.put(key("rms", e), i.rms());
      all.put(key("peak", e), i.peak());
    }
    return all;
  }

  /** What the simulator measured, with its own analysis time under {@code seconds}. */
  static Map<String, Double> run(String netlist) throws IOException, InterruptedException {
    Path file = Files.createTempFile("hearth", ".cir");
    try {
      Files.writeString(file, netlist);
      Process simulator =
          new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
      String out = new String(simulator.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      simulator.waitFor();
      Map<String, Double> raw = new LinkedHashMap<>();
      Matcher m = MEASURED.matcher(out);
      while (m.find()) {
        raw.put(m.group(1), Double.valueOf(m.group(2)));
      }
      Map<String, Double> all = new LinkedHashMap<>();
      raw.forEach((k, v) -> {
        if (k.startsWith("most_")) {
          String of = k.substring(5);
          all.put("peak_" + of, Math.max(Math.abs(v), Math.abs(raw.get("least_" + of))));
        } else if (!k.startsWith("least_")) {
          all.put(k, v);
        }
      });
      Matcher t = TIME.matcher(out);
      if (all.isEmpty() || !t.find()) {
        throw new IOException("the simulator gave no figures: " + out);
      }
      all.put("seconds", Double.valueOf(t.group(1)));
      return all;
    } finally {
      Files.delete(file);
    }
  }
}
