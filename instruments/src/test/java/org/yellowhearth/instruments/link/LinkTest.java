package org.yellowhearth.instruments.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.scpi.ScpiServer;

/** The link to an instrument, over TCP and within the program. */
public class LinkTest {
  private static final Duration PATIENCE = Duration.ofSeconds(5);

  @DataProvider
  public Object[][] addresses() {
    return new Object[][] {
      {"127.0.0.1:5025", new LinkAddress.Tcp("127.0.0.1", 5025)},
      {"bench-meter.local:5555", new LinkAddress.Tcp("bench-meter.local", 5555)},
      {" serial:ttyUSB0@19200 ", new LinkAddress.Serial("ttyUSB0", 19_200)},
      {"serial:COM3", new LinkAddress.Serial("COM3", 9600)}
    };
  }

  @Test(dataProvider = "addresses")
  public void addressesAreRead(String text, LinkAddress expected) {
    assertThat(LinkAddress.parse(text)).isEqualTo(expected);
    assertThat(LinkAddress.parse(expected.toString())).isEqualTo(expected);
  }

  @DataProvider
  public Object[][] nonsense() {
    return new Object[][] {
      {""}, {"127.0.0.1"}, {"host:70000"}, {"serial:"}, {"http://x:1"}, {"serial:a@9"}
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedWithTheRemedy(String text) {
    assertThatThrownBy(() -> LinkAddress.parse(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageMatching("(?s).*(host:port|name@baud|is no instrument).*");
  }

  /** Over TCP and inside the program the same words do the same; an exchange is written down. */
  @Test
  public void bothWaysReadTheSame() throws IOException {
    StandInBench bench = StandInBench.usual(InstantSource.system(), 3);
    try (ScpiServer server = ScpiServer.open(bench.leakageMeter(), 0);
        Transcript tcp =
            new Transcript(
                new LinkAddress.Tcp("127.0.0.1", server.port()).open(PATIENCE),
                InstantSource.system());
        InstrumentLink local = new LocalLink(bench.leakageMeter())) {
      LeakageBench meter = new LeakageBench(tcp);
      assertThat(meter.identity()).contains("leakage meter");
      bench.clock().runAt(10_000);
      meter.on(1, 100, 1000, 5e-3);
      double volts = 0;
      for (int k = 0; k < 2000 && volts < 98; k++) {
        volts = new LeakageBench(local).read(1).volts();
      }
      assertThat(volts).isCloseTo(100, within(2.0));
      assertThat(meter.read(1).volts()).isCloseTo(volts, within(2.0));
      meter.off(1);
      assertThat(local.ask("OUTP1?")).isEqualTo("0");
      assertThat(tcp.lines()).extracting(Transcript.Line::text).contains("OUTP1 ON", "*IDN?");
    }
  }

  @Test
  public void whatTheInstrumentRefusesIsAnError() {
    LeakageBench meter =
        new LeakageBench(
            new LocalLink(StandInBench.usual(InstantSource.system(), 3).leakageMeter()));
    assertThatThrownBy(() -> meter.on(1, 700, 1000, 5e-3)).hasMessageContaining("-222");
    assertThatThrownBy(() -> meter.read(9)).isInstanceOf(IOException.class);
  }

  /**
   * One that never answers is given up in time, and the line is closed: a late answer would be
   * taken for the next one's.
   */
  @Test
  public void aSilentInstrumentIsGivenUp() throws IOException {
    try (ServerSocket deaf = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      Transcript link =
          new Transcript(
              new LinkAddress.Tcp("127.0.0.1", deaf.getLocalPort()).open(Duration.ofMillis(200)),
              () -> Instant.EPOCH);
      assertThatThrownBy(() -> link.ask("*IDN?"))
          .hasMessageContaining("no answer")
          .hasMessageContaining("*IDN?");
      assertThat(link.open()).isFalse();
      assertThat(link.lines())
          .extracting(Transcript.Line::way)
          .containsExactly(Transcript.Way.OUT, Transcript.Way.LOST);
      assertThatThrownBy(() -> link.send("*CLS")).hasMessageContaining("closed");
    }
  }

  @Test
  public void aLostLineSaysSo() throws IOException {
    StandInBench bench = StandInBench.usual(InstantSource.system(), 3);
    ScpiServer server = ScpiServer.open(bench.lcrMeter(), 0);
    InstrumentLink link = new LinkAddress.Tcp("127.0.0.1", server.port()).open(PATIENCE);
    assertThat(link.ask("*OPC?")).isEqualTo("1");
    server.close();
    assertThatThrownBy(
            () -> {
              link.ask("*OPC?");
              link.ask("*OPC?");
            })
        .hasMessageContaining("127.0.0.1:" + server.port());
  }

  /**
   * The port is held, without listening, so that no other program can take it meanwhile and answer.
   */
  @Test
  public void whereNothingListensNoInstrumentAnswers() throws IOException {
    try (Socket held = new Socket()) {
      held.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0));
      assertThatThrownBy(() -> new LinkAddress.Tcp("127.0.0.1", held.getLocalPort()).open(PATIENCE))
          .hasMessageContaining("no instrument answers");
    }
  }

  @Test
  public void aMissingSerialPortIsNamed() {
    assertThatThrownBy(() -> new LinkAddress.Serial("ttyNone77", 9600).open(PATIENCE))
        .hasMessageContaining("ttyNone77");
  }

  /**
   * A serial port made by socat out of a pseudo-terminal, with a stand-in behind it; silence ends
   * in a sentence.
   */
  @Test
  public void aSerialPortReadsTheSame() throws IOException, InterruptedException {
    Path port =
        Path.of(System.getProperty("java.io.tmpdir"), "serial-" + ProcessHandle.current().pid());
    StandInBench bench = StandInBench.usual(InstantSource.system(), 3);
    try (ScpiServer server = ScpiServer.open(bench.lcrMeter(), 0)) {
      Process wire = wire(port, server.port());
      try (InstrumentLink serial =
          new LinkAddress.Serial(port.toString(), 9600).open(Duration.ofSeconds(2))) {
        LcrBench meter = new LcrBench(serial);
        assertThat(meter.name()).contains("stand-in LCR meter");
        meter.clip(1);
        assertThat(meter.read(100).farads()).isCloseTo(32e-6, within(0.5e-6));
        assertThatThrownBy(() -> serial.ask("FREQ 100")).hasMessageContaining(port.toString());
        assertThat(serial.open())
            .as("what comes later would be taken for the next answer")
            .isFalse();
      } finally {
        wire.destroy();
        wire.waitFor();
      }
    }
  }

  private static Process wire(Path port, int tcp) throws InterruptedException {
    try {
      Process wire =
          new ProcessBuilder("socat", "pty,raw,echo=0,link=" + port, "tcp:127.0.0.1:" + tcp)
              .inheritIO()
              .start();
      for (int k = 0; k < 100 && !Files.exists(port); k++) {
        Thread.sleep(50);
      }
      return wire;
    } catch (IOException e) {
      throw new SkipException("socat is not here: the check with a serial port is left out", e);
    }
  }

  /** An LCR meter refuses what is charged, says so, and works on with its errors taken. */
  @Test
  public void aRefusalLeavesTheLineAsGoodAsBefore() throws IOException {
    StandInBench bench = StandInBench.usual(InstantSource.system(), 3);
    bench.clock().runAt(10_000);
    LeakageBench supply = new LeakageBench(new LocalLink(bench.leakageMeter()));
    LcrBench meter = new LcrBench(new LocalLink(bench.lcrMeter()));
    meter.clip(1);
    supply.on(1, 100, 1000, 5e-3);
    for (int k = 0; k < 2000 && supply.read(1).volts() < 50; k++) {
      Thread.onSpinWait();
    }
    assertThatThrownBy(() -> meter.read(100))
        .isInstanceOf(LcrBench.Refusal.class)
        .hasMessageContaining("charged");
    meter.clip(4);
    assertThat(meter.read(1000).farads()).isPositive();
    assertThatThrownBy(() -> meter.read(1e9)).hasMessageContaining("-222");
    supply.off(1);
  }
}
