package org.yellowhearth.knowledge.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class JsonTextTest {
  @DataProvider
  public Object[][] hostile() {
    return new Object[][] { //
      {"", "empty", 1},
      {"   \n ", "empty", 1},
      {"{", "no valid JSON", 1},
      {"{\n\"a\":1,\n}", "no valid JSON", 3}, //
      {"{\"a\":1} x", "no valid JSON", 1},
      {"{} {}", "follows the end", 1},
      {"{\n\"a\":1,\n\"a\":2}", "Duplicate", 3}, //
      {"[".repeat(100_000), "no valid JSON", 1},
      {"{\"a\":".repeat(60) + "1" + "}".repeat(60), "no valid JSON", 1}, //
      {"{\"a\":" + "9".repeat(500) + "}", "no valid JSON", 1},
      {"{\"" + "k".repeat(1000) + "\":1}", "no valid JSON", 1}, //
      {"{\"a\":\"" + "x".repeat(200_000) + "\"}", "no valid JSON", 1},
      {"{\"a\":NaN}", "no valid JSON", 1}, //
      {"{\"a\":'x'}", "no valid JSON", 1},
      {"// note\n{}", "no valid JSON", 1},
      {"{\"a\":\u0001}", "no valid JSON", 1}, //
      {"{\"a\":[1,2", "no valid JSON", 1}
    };
  }

  @Test(dataProvider = "hostile")
  public void hostileTextIsRefusedWithItsLine(String text, String why, int line) {
    BadFileException e = catchThrowableOfType(BadFileException.class, () -> JsonText.read(text));
    assertThat(e).hasMessageContaining(why);
    assertThat(e.line()).isEqualTo(line);
  }

  @Test
  public void everyValueKnowsItsLineAndPointer() {
    JsonValue root = JsonText.read("{\n \"parts\": [\n  {\"ref\": 5}\n ]\n}");
    JsonValue ref = root.field("parts").list(5).getFirst().field("ref");
    BadFileException e = catchThrowableOfType(BadFileException.class, () -> ref.text(10));
    assertThat(e.line()).isEqualTo(3);
    assertThat(e.pointer()).isEqualTo("/parts/0/ref");
    assertThat(e).hasMessage("line 3, /parts/0/ref: expected text, found the number 5.0");
  }

  @DataProvider
  public Object[][] wrongTypes() {
    return new Object[][] {
      {"{\"v\":[]}", "a number"},
      {"{\"v\":{}}", "a number"},
      {"{\"v\":\"7\"}", "a number"},
      {"{\"v\":true}", "a number"},
      {"{\"v\":11}", "out of range"},
      {"{\"v\":-1}", "out of range"},
      {"{\"v\":null}", "missing"},
      {"{}", "missing"},
      {"{\"v\":1e999}", "out of range"}
    };
  }

  @Test(dataProvider = "wrongTypes")
  public void aWrongTypeIsNamed(String text, String why) {
    assertThat(
            catchThrowableOfType(
                BadFileException.class, () -> JsonText.read(text).field("v").number(0, 10)))
        .hasMessageContaining(why);
  }

  @Test
  public void listsAndTextsAreBounded() {
    JsonValue v = JsonText.read("{\"l\":[1,2,3],\"t\":\"abc\\u0000\",\"s\":\"abcdef\",\"i\":1.5}");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.field("l").list(2)))
        .hasMessageContaining("at most 2");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.field("t").text(9)))
        .hasMessageContaining("control");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.field("s").text(3)))
        .hasMessageContaining("at most 3");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.field("i").integer(0, 9)))
        .hasMessageContaining("whole number");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.field("s").bool()))
        .hasMessageContaining("true or false");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.object("l")))
        .hasMessageContaining("unknown field");
    assertThat(catchThrowableOfType(BadFileException.class, () -> v.field("l").object()))
        .hasMessageContaining("an object");
  }

  @Test
  public void aFileOfAHundredMegabytesIsRefusedUnread() throws IOException {
    Path file = Files.createTempFile("huge", ".json");
    try (RandomAccessFile f = new RandomAccessFile(file.toFile(), "rw")) {
      f.setLength(100L * 1024 * 1024);
    }
    BadFileException e = catchThrowableOfType(BadFileException.class, () -> JsonText.read(file));
    assertThat(e).hasMessageContaining("100 MB").hasMessageContaining("at most 32 MB");
    Files.delete(file);
    assertThat(catchThrowableOfType(BadFileException.class, () -> JsonText.read(file)))
        .hasMessageContaining("not a file");
    assertThat(catchThrowableOfType(BadFileException.class, () -> JsonText.read(file.getParent())))
        .hasMessageContaining("not a file");
  }

  /** Random bytes and damaged text either are JSON or are refused; nothing else ever comes out. */
  @Test
  public void randomBytesNeverBreakIt() throws IOException {
    Random random = new Random(5);
    byte[] good =
        "{\"format\":\"x\",\"parts\":[{\"ref\":\"C1\",\"v\":1.5e-6}],\"t\":\"µF\"}"
            .getBytes(StandardCharsets.UTF_8);
    int rounds = Boolean.getBoolean("hearth.long") ? 500_000 : 20_000;
    for (int i = 0; i < rounds; i++) {
      byte[] bytes = i % 2 == 0 ? good.clone() : new byte[random.nextInt(60)];
      if (i % 2 == 0) {
        for (int n = random.nextInt(4); n >= 0; n--) {
          bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
      } else {
        random.nextBytes(bytes);
      }
      try (InputStream in = new ByteArrayInputStream(bytes)) {
        assertThat(JsonText.read(in)).isNotNull();
      } catch (BadFileException e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }
}
