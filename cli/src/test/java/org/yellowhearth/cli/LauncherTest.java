package org.yellowhearth.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;

/** The launcher as it is called: what it must never do, and what it says. */
public class LauncherTest {
  private static final Path LAUNCHER = Path.of(System.getProperty("hearth.root"), "hearth");

  private record Said(int code, String text) {}

  private static Said called(String... arguments) throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("bash", LAUNCHER.toString()));
    command.addAll(List.of(arguments));
    Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
    p.getOutputStream().close();
    String text = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return new Said(p.waitFor(), text);
  }

  /**
   * A package goes into a new or an empty folder; what somebody has in another stays where it is.
   */
  @Test
  public void aPackageNeverClearsAFolder() throws IOException, InterruptedException {
    Path folder = Files.createTempDirectory("my papers");
    Path mine = Files.writeString(folder.resolve("letter.txt"), "Dear Sir");
    for (Path taken : List.of(folder, mine)) {
      Said said = called("package", taken.toString());
      assertThat(said.code()).as(said.text()).isEqualTo(2);
      assertThat(said.text()).contains("is not an empty folder");
    }
    assertThat(mine).hasContent("Dear Sir");
  }

  @Test
  public void anUnknownCommandIsToldWithThoseThereAre() throws IOException, InterruptedException {
    Said said = called("repair");
    assertThat(said.code()).isEqualTo(2);
    assertThat(said.text())
        .contains("unknown command: repair")
        .contains("./hearth compute JOB.json");
    assertThat(called("help").code()).isZero();
  }
}
