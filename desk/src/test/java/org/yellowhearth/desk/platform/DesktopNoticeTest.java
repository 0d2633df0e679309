package org.yellowhearth.desk.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Notices on the desktop, with a command of our own in the place of the platform's. */
public class DesktopNoticeTest {
  private Path folder;

  @BeforeClass
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("notices");
  }

  @AfterClass
  public void takeAway() throws IOException {
    for (String name : List.of("notify-send", "osascript", "said")) {
      Files.deleteIfExists(folder.resolve(name));
    }
    Files.delete(folder);
  }

  private void command(String name, int ends) throws IOException {
    Path file = folder.resolve(name);
    Files.writeString(
        file,
        "#!/bin/sh\nfor a in \"$@\"; do printf '<%s>' \"$a\"; done > '"
            + folder.resolve("said")
            + "'\nexit "
            + ends
            + "\n");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwx------"));
  }

  private String said() throws IOException {
    return Files.readString(folder.resolve("said"));
  }

  /** What comes from a set's name or a task is an argument, never an option and never a script. */
  @Test
  public void theDesktopHearsTheTextAsItIs() throws IOException {
    command("notify-send", 0);
    DesktopNotice notice = DesktopNotice.of("Linux", "/nowhere:" + folder).orElseThrow();
    assertThat(notice.run("--help", "$(reboot) \"Ω\"; 'x'\ntwo")).isTrue();
    assertThat(said())
        .isEqualTo("<--app-name=Yellow Hearth><--><--help><$(reboot) \"Ω\"; 'x'\ntwo>");
    command("osascript", 0);
    assertThat(
            DesktopNotice.of("Mac OS X", folder.toString())
                .orElseThrow()
                .run("1 due", "\" & (do shell script \"x\")"))
        .isTrue();
    assertThat(said())
        .startsWith("<-e><on run argv")
        .endsWith("<1 due><\" & (do shell script \"x\")>");
  }

  @Test
  public void aDesktopWithoutTheCommandHasNone() throws IOException {
    assertThat(DesktopNotice.of("Windows 11", folder.getParent().resolve("empty").toString()))
        .isEmpty();
    assertThat(DesktopNotice.of("Linux", "")).isEmpty();
    command("notify-send", 3);
    assertThat(DesktopNotice.of("Linux", folder.toString()).orElseThrow().run("a", "b")).isFalse();
  }
}
