package org.yellowhearth.desk.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.workshop.words.Labels;

/** The lines of the shortcut sheet, as the labels give them. */
final class SheetTexts {
  private SheetTexts() {}

  /** What is pressed or typed, and what it does. */
  record Line(String typed, String meaning) {}

  static List<Line> keys() {
    return lines("sheet.key.");
  }

  static List<Line> line() {
    return lines("sheet.bench.");
  }

  /** The inventory that the build makes of the libraries shipped, and the typefaces beside it. */
  static String licences() {
    try (InputStream in =
        SheetTexts.class.getResourceAsStream("/org/yellowhearth/desk/licences/libraries.txt")) {
      return Labels.of("sheet.typefaces")
          + "\n"
          + new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static List<Line> lines(String prefix) {
    List<Line> lines = new ArrayList<>();
    for (String entry : Labels.of(prefix + "all").split("\\|", -1)) {
      String[] parts = entry.split("=>", 2);
      lines.add(new Line(parts[0].strip(), parts[1].strip()));
    }
    return lines;
  }
}
