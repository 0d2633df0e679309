package org.yellowhearth.core.supply;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What the circuit simulator made of the reference supplies, kept beside the netlists it was given.
 * {@code ./hearth golden} runs it again over all of them and rewrites both; it takes about ten
 * minutes.
 */
final class GoldenFigures {
  /** The longest step the simulator may make. */
  static final double STEP = 2e-6;

  private GoldenFigures() {}

  /** The folder to write to is the only argument. */
  public static void main(String[] folder) throws IOException, InterruptedException {
    Path to = Path.of(folder[0]);
    Files.createDirectories(to);
    for (ReferenceSupplies.Reference r : ReferenceSupplies.all()) {
      String netlist = SpiceRun.netlist(r, STEP);
      StringBuilder figures = new StringBuilder();
      SpiceRun.run(netlist)
          .forEach((k, v) -> {
            if (!k.equals("seconds")) {
              figures.append(k).append(' ').append(v).append('\n');
            }
          });
      Files.writeString(to.resolve(r.name() + ".cir"), netlist);
      Files.writeString(to.resolve(r.name() + ".txt"), figures.toString());
      System.out.println(r.name());
    }
  }

  static String netlist(String name) {
    return read(name + ".cir");
  }

  static Map<String, Double> figures(String name) {
    Map<String, Double> all = new LinkedHashMap<>();
    read(name + ".txt")
        .lines()
        .map(l -> l.split(" "))
        .forEach(f -> all.put(f[0], Double.valueOf(f[1])));
    return all;
  }

  private static String read(String file) {
    try (InputStream in = GoldenFigures.class.getResourceAsStream(file)) {
      if (in == null) {
        throw new IllegalStateException("no golden file " + file + "; ./hearth golden writes it");
      }
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
