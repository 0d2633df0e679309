package org.yellowhearth.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import org.yellowhearth.instruments.bench.BenchClock;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.scpi.ScpiDevice;
import org.yellowhearth.instruments.scpi.ScpiServer;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/**
 * {@code hearth instruments}: the stand-in instruments, each on a port of 127.0.0.1, until it is
 * ended.
 */
@Command(
    name = "instruments",
    description = "Runs the stand-in instruments on 127.0.0.1 until Ctrl-C.")
final class InstrumentsCommand implements Callable<Integer> {
  private static final int USUAL_PORT = 5025;
  private static final int HIGHEST_PORT = 65_532;

  @Option(
      names = "--port",
      paramLabel = "PORT",
      description = "The first of four ports; 0 takes any that are free.")
  private int port = USUAL_PORT;

  @Option(
      names = "--speed",
      paramLabel = "TIMES",
      description = "How many times faster than life the bench runs, 1 to 10000.")
  private double speed = 1;

  @Option(
      names = "--seed",
      paramLabel = "NUMBER",
      description = "For the noise, and for the fourth part on the bench.")
  private long seed = 1;

  private final PrintWriter out;
  private final PrintWriter err;
  private final CountDownLatch until;

  InstrumentsCommand() {
    this(
        new PrintWriter(System.out, true, StandardCharsets.UTF_8),
        new PrintWriter(System.err, true, StandardCharsets.UTF_8),
        new CountDownLatch(1));
  }

  /** Runs until something counts down. */
  InstrumentsCommand(PrintWriter out, PrintWriter err, CountDownLatch until) {
    this.out = out;
    this.err = err;
    this.until = until;
  }

  private record Offered(String name, ScpiDevice device) {}

  @Override
  public Integer call() throws InterruptedException {
    if (!(speed >= 1 && speed <= BenchClock.FASTEST) || port < 0 || port > HIGHEST_PORT) {
      err.println("expected a speed of 1 to 10000 and a port of 0 to " + HIGHEST_PORT);
      return 2;
    }
    StandInBench bench = StandInBench.usual(InstantSource.system(), seed);
    bench.clock().runAt(speed);
    List<Offered> all =
        List.of(
            new Offered("LCR and ESR meter", bench.lcrMeter()),
            new Offered("leakage meter, 4 channels, 0 to 600 V", bench.leakageMeter()),
            new Offered("multimeter, 3 channels", bench.multimeter()),
            new Offered("variable transformer with lamp and analyser", bench.mainsBench()));
    List<ScpiServer> servers = new ArrayList<>();
    try {
      for (Offered o : all) {
        ScpiServer server = ScpiServer.open(o.device(), port == 0 ? 0 : port + servers.size());
        servers.add(server);
        out.println("127.0.0.1:" + server.port() + "  " + o.name());
      }
      out.println("Simulated, no real voltage anywhere. Ctrl-C ends them.");
      out.flush();
      until.await();
      return 0;
    } catch (IOException e) {
      err.println(e.getMessage() + ". Another one may be running; choose ports with --port.");
      return 1;
    } finally {
      close(servers);
    }
  }

  private void close(List<ScpiServer> servers) {
    for (ScpiServer s : servers) {
      try {
        s.close();
      } catch (IOException e) {
        err.println("port " + s.port() + " did not close: " + e.getMessage());
      }
    }
  }
}
