package org.yellowhearth.bench;

import org.yellowhearth.core.progress.Watcher;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Probe;
import org.yellowhearth.core.circuit.SpiceText;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Way;
import org.yellowhearth.core.supply.Supply;

/**
 * How long a supply takes from its description to the figures of its points, and how long the
 * circuit simulator, where it is installed, takes on the same netlist until its rail has settled to
 * 1e-4, with steps of 1/400 of a period.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 8, time = 1)
@Measurement(iterations = 8, time = 1)
public class SupplyBenchmark {
  private static final Pattern TIME = Pattern.compile("Total analysis time \\(seconds\\) = (\\S+)");
  private static final double SETTLED = 1e-4;

  @Param({"bridge", "valve-choke", "split", "chain"})
  private String kind;

  private Supply supply;
  private String point;
  private double best = Double.POSITIVE_INFINITY;

  private static Cap cap(String name, double micro) {
    return new Cap(name, micro * 1e-6, 20 / micro, 5e6);
  }

  /** The supply. */
  @Setup
  public void describe() {
    Supply.Mains mains = Supply.Mains.of(230, 50);
    RectifierModel valve = RectifierModel.vacuum(20, 0.125);
    RectifierModel silicon = RectifierModel.of(RectifierTechnology.SILICON);
    point = kind.equals("chain") ? "h" : kind.equals("valve-choke") ? "c" : "b";
    supply =
        switch (kind) {
          case "bridge" ->
              Supply.of(
                  mains,
                  new Section.Winding("w", 18, 0.6, false),
                  Rectify.of("D", "w", Scheme.BRIDGE, silicon, "b"),
                  Filter.at("f", "b", new Cap("C1", 2200e-6, 0.05, 1e5)),
                  new Load("load", "b", Load.Kind.RESISTANCE, 22));
          case "valve-choke" ->
              Supply.of(
                  mains,
                  new Section.Winding("w", 300, 150, true),
                  Rectify.of("V", "w", Scheme.FULL_WAVE, valve, "b"),
                  Filter.at("f", "b", cap("C1", 16)),
                  Filter.through("g", "b", Way.Choke.of("L1", 10, 300), "c", cap("C2", 32)),
                  new Load("load", "c", Load.Kind.RESISTANCE, 4000));
          case "split" ->
              new Supply(
                  mains,
                  6,
                  List.of(
                      new Section.Winding("w", 27, 0.2, true),
                      Rectify.of("D", "w", Scheme.FULL_WAVE, silicon, "b"),
                      Rectify.of("E", "w", Scheme.FULL_WAVE, silicon, "n").negativeSide(),
                      Filter.at("f", "b", new Cap("C1", 4700e-6, 0.03, 1e5)),
                      Filter.at("g", "n", new Cap("C2", 4700e-6, 0.03, 1e5)),
                      new Load("load", "b", Load.Kind.RESISTANCE, 20),
                      new Load("load2", "n", Load.Kind.RESISTANCE, 33)));
          case "chain" ->
              Supply.of(
                  mains,
                  new Section.Winding("w", 280, 130, true),
                  Rectify.of("V", "w", Scheme.FULL_WAVE, valve, "b"),
                  Filter.at("f", "b", cap("C1", 20)),
                  Filter.through("g", "b", new Way.Resistor("R1", 300), "c", cap("C2", 20)),
                  Filter.through("h", "c", new Way.Resistor("R2", 1000), "d", cap("C3", 20)),
                  Filter.through("i", "d", new Way.Resistor("R3", 2200), "e", cap("C4", 10)),
                  Filter.through("j", "e", new Way.Resistor("R4", 4700), "g", cap("C5", 8)),
                  Filter.through("k", "g", new Way.Resistor("R5", 4700), "h", cap("C6", 8)),
                  new Load("l1", "c", Load.Kind.RESISTANCE, 8000),
                  new Load("l2", "d", Load.Kind.RESISTANCE, 20_000),
                  new Load("l3", "h", Load.Kind.RESISTANCE, 50_000));
          default -> throw new IllegalStateException(kind);
        };
  }

  /** From the description to the figures of the rail. */
  @Benchmark
  public double worksOutTheSupply() {
    long began = System.nanoTime();
    Waveforms w = SteadyState.of(supply.circuit());
    Wave v = w.voltage(point);
    double figures = v.mean() + v.rippleRms() + v.peakToPeak();
    best = Math.min(best, (System.nanoTime() - began) * 1e-9);
    return figures;
  }

  /** The simulator on the same netlist, its own analysis time by the best of ours. */
  @TearDown
  public void againstTheSimulator() throws IOException, InterruptedException {
    Circuit circuit = supply.circuit();
    double seconds = settles(circuit);
    Path file = Files.createTempFile("hearth", ".cir");
    try {
      Files.writeString(
          file,
          SpiceText.netlist(
              circuit,
              kind,
              seconds,
              circuit.period() / 400,
              List.of(
                  ".save v(" + SpiceText.node(point) + ")",
                  ".meas tran rail max v(" + SpiceText.node(point) + ")")));
      Process p =
          new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
      Matcher m =
          TIME.matcher(new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8));
      p.waitFor();
      if (m.find()) {
        double theirs = Double.parseDouble(m.group(1));
        System.out.printf(
            "%n%s: settled after %.2f s, simulator %.1f ms, %.0f times our best of %.3f ms%n",
            kind, seconds, theirs * 1000, theirs / best, best * 1000);
      }
    } catch (IOException e) {
      System.out.println("the circuit simulator is not here: " + e.getMessage());
    } finally {
      Files.delete(file);
    }
  }

  /** When the rail, at the end of a period, is within 1e-4 of where it stays. */
  private double settles(Circuit circuit) {
    Transient.Course c =
        Transient.of(circuit)
            .coldStart(
                0, 8, Transient.Warmth.HOT, List.of(Probe.voltage(point)), Watcher.NOBODY)
            .getFirst();
    double[] last = c.last();
    double steady = last[last.length - 1];
    int k = last.length - 1;
    while (k > 0 && Math.abs(last[k - 1] - steady) < SETTLED * Math.abs(steady)) {
      k--;
    }
    return c.ends()[k];
  }
}
