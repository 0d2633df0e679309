package org.yellowhearth.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.Test;
import org.yellowhearth.instruments.link.InstrumentLink;
import org.yellowhearth.instruments.link.LinkAddress;
import picocli.CommandLine;

/** The stand-ins alone: their addresses are printed, they answer there, and they go away. */
public class InstrumentsTest {
  private final StringWriter out = new StringWriter();
  private final StringWriter err = new StringWriter();
  private final CountDownLatch printed = new CountDownLatch(1);
  private final CountDownLatch until = new CountDownLatch(1);

  private int run(String... args) {
    PrintWriter told =
        new PrintWriter(out) {
          @Override
          public void flush() {
            super.flush();
            printed.countDown();
          }
        };
    return new CommandLine(new InstrumentsCommand(told, new PrintWriter(err, true), until))
        .setErr(new PrintWriter(err, true))
        .execute(args);
  }

  @Test
  public void everyInstrumentAnswersWhereItSays() throws Exception {
    CompletableFuture<Integer> ended =
        CompletableFuture.supplyAsync(() -> run("--port=0", "--speed=100"));
    assertThat(printed.await(20, TimeUnit.SECONDS)).isTrue();
    List<String> addresses =
        out.toString()
            .lines()
            .filter(l -> l.startsWith("127.0.0.1:"))
            .map(l -> l.substring(0, l.indexOf(' ')))
            .toList();
    assertThat(addresses).hasSize(4).doesNotHaveDuplicates();
    for (String a : addresses) {
      try (InstrumentLink link = LinkAddress.parse(a).open(Duration.ofSeconds(5))) {
        assertThat(link.ask("*IDN?")).startsWith("Yellow Hearth,stand-in");
        assertThat(Double.parseDouble(link.ask("SIM:SPE?"))).isEqualTo(100);
      }
    }
    until.countDown();
    assertThat(ended.get(20, TimeUnit.SECONDS)).isZero();
  }

  @Test
  public void aTakenPortIsSaidWithTheRemedy() throws IOException {
    try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      InstrumentsTest late = new InstrumentsTest();
      assertThat(late.refused("--port=" + taken.getLocalPort())).isEqualTo(1);
      assertThat(late.err.toString())
          .contains(Integer.toString(taken.getLocalPort()))
          .contains("--port");
    }
    InstrumentsTest fast = new InstrumentsTest();
    assertThat(fast.refused("--speed=0.5")).isEqualTo(2);
    assertThat(fast.err.toString()).contains("1 to 10000");
  }

  private int refused(String arg) {
    until.countDown();
    return run(arg);
  }
}
