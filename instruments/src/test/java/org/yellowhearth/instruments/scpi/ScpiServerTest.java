package org.yellowhearth.instruments.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.concurrent.TimeUnit;
import org.testng.SkipException;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.instruments.bench.StandInBench;

/** The server with well-behaved and ill-behaved clients. */
public class ScpiServerTest {
  private ScpiServer server;

  @BeforeMethod
  public void open() throws IOException {
    server = ScpiServer.open(StandInBench.usual(InstantSource.system(), 1).lcrMeter(), 0);
  }

  @AfterMethod
  public void close() throws IOException {
    server.close();
  }

  private final class Client implements AutoCloseable {
    private final Socket socket = new Socket(InetAddress.getLoopbackAddress(), server.port());
    private final BufferedReader in =
        new BufferedReader(
            new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
    private final OutputStream out = socket.getOutputStream();

    Client() throws IOException {
      socket.setSoTimeout(5000);
    }

    void write(String text) throws IOException {
      out.write(text.getBytes(StandardCharsets.ISO_8859_1));
      out.flush();
    }

    String ask(String query) throws IOException {
      write(query + "\n");
      return in.readLine();
    }

    @Override
    public void close() throws IOException {
      socket.close();
    }
  }

  @Test
  public void itListensOnLoopbackOnly() throws IOException {
    assertThat(server.address().getAddress().isLoopbackAddress()).isTrue();
    for (NetworkInterface n : NetworkInterface.networkInterfaces().toList()) {
      for (InetAddress a : n.inetAddresses().filter(a -> !a.isLoopbackAddress()).toList()) {
        try (Socket s = new Socket()) {
          assertThatThrownBy(() -> s.connect(new InetSocketAddress(a, server.port()), 1000))
              .isInstanceOf(IOException.class);
        }
      }
    }
  }

  @Test
  public void twoClientsAtOnceEachGetTheirOwnAnswers() throws IOException {
    try (Client one = new Client();
        Client two = new Client()) {
      one.write("*ID");
      assertThat(two.ask("FREQ 1000;FREQ?")).isEqualTo("+1.000000E+03");
      assertThat(one.ask("N?")).contains("LCR");
      assertThat(one.ask("FREQ?")).as("one instrument, one state").isEqualTo("+1.000000E+03");
    }
  }

  /** What is too long is refused once, and the next message is understood. */
  @Test
  public void anOversizedLineIsRefusedAndForgotten() throws IOException {
    try (Client c = new Client()) {
      c.write("A".repeat(1_000_000) + "\n");
      assertThat(c.ask("SYST:ERR?")).startsWith("-363,");
      assertThat(c.ask("*IDN?")).contains("LCR");
    }
  }

  @Test
  public void rubbishIsRefusedWithoutHarm() throws IOException {
    try (Client c = new Client()) {
      c.write("\u0000\u0001\u00ff;;::??(((\"\n");
      assertThat(c.ask("SYST:ERR?")).startsWith("-10");
      assertThat(c.ask("*IDN?")).contains("LCR");
    }
  }

  /**
   * Gone in the middle of a line, before the answer, at once: the next client finds the instrument.
   */
  @Test
  public void clientsMayVanishAtAnyPoint() throws IOException {
    for (String said :
        new String[] {"", "*ID", "*IDN?\n", "FREQ 1000\nMEAS:CAP", "MEAS:CAP?\n".repeat(200)}) {
      try (Client c = new Client()) {
        c.write(said);
        c.socket.setSoLinger(true, 0);
      }
    }
    try (Client c = new Client()) {
      assertThat(c.ask("*IDN?")).contains("LCR");
    }
  }

  /** One that does not read its answers holds up nobody else. */
  @Test
  public void aSlowClientHoldsUpNobody() throws IOException {
    try (Client slow = new Client();
        Client other = new Client()) {
      slow.write("*ID");
      for (int k = 0; k < 50; k++) {
        assertThat(other.ask("*OPC?")).isEqualTo("1");
      }
    }
  }

  @Test
  public void aTakenPortIsNamed() {
    assertThatThrownBy(() ->
            ScpiServer.open(
                StandInBench.usual(InstantSource.system(), 1).lcrMeter(), server.port()))
        .hasMessageContaining(Integer.toString(server.port()));
  }

  /**
   * A general SCPI client from the Debian registry, where it is installed ({@code ./hearth test}
   * installs it where it may).
   */
  @Test
  public void aGeneralClientDrivesIt() throws Exception {
    if (!Files.isExecutable(Path.of("/usr/bin/lxi"))) {
      throw new SkipException("lxi-tools is not here");
    }
    assertThat(lxi("*IDN?")).contains("Yellow Hearth,stand-in LCR meter");
    assertThat(Double.parseDouble(lxi("MEAS:CAP?").strip())).isBetween(31e-6, 33e-6);
    lxi("FREQ 1 kHz");
    assertThat(Double.parseDouble(lxi("FREQ?").strip())).isEqualTo(1000);
    lxi("NONSENSE:HEADER");
    assertThat(lxi("SYST:ERR?")).startsWith("-113,");
  }

  private String lxi(String message) throws Exception {
    Process p =
        new ProcessBuilder(
                "/usr/bin/lxi",
                "scpi",
                "-a",
                "127.0.0.1",
                "-r",
                "-p",
                Integer.toString(server.port()),
                message)
            .redirectErrorStream(true)
            .start();
    String said = new String(p.getInputStream().readAllBytes(), StandardCharsets.US_ASCII);
    assertThat(p.waitFor(240, TimeUnit.SECONDS)).isTrue();
    return said;
  }
}
