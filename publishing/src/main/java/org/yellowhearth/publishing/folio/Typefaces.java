package org.yellowhearth.publishing.folio;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Bidi;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.openpdf.text.Chunk;
import org.openpdf.text.Font;
import org.openpdf.text.Phrase;
import org.openpdf.text.pdf.BaseFont;

/**
 * Sets text in whatever script it is written: letter by letter in the typeface it is meant for, and
 * where that lacks one, in the first of the others that has it. What none has is set as its number,
 * so that nobody overlooks that something is missing.
 */
public final class Typefaces {
  /** Greek, Cyrillic, Hebrew, Arabic and many signs; Chinese and Japanese; Korean; pictographs. */
  private static final List<String> OTHERS =
      List.of(
          "DejaVuSans.ttf",
          "DroidSansFallbackFull.ttf",
          "NanumGothicCoding.ttf",
          "Symbola_hint.ttf");

  private static final String LEFT_TO_RIGHT = "\u200e";
  private static final Map<String, BaseFont> READ = new ConcurrentHashMap<>();

  private Typefaces() {}

  /** A typeface that is shipped; it is read when it is first asked for. */
  static BaseFont face(String name) {
    return READ.computeIfAbsent(name, Typefaces::read);
  }

  private static BaseFont read(String name) {
    try (InputStream in =
        Typefaces.class.getResourceAsStream("/org/yellowhearth/publishing/fonts/" + name)) {
      return BaseFont.createFont(
          name, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, in.readAllBytes(), null);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Adds a text to a phrase, set in a font and, where that has no letter for something, in others
   * of the same size.
   */
  static void set(Phrase into, String text, Font font) {
    StringBuilder run = new StringBuilder();
    BaseFont face = font.getBaseFont();
    boolean turns = turns(text);
    for (int at = 0; at < text.length(); ) {
      int letter = text.codePointAt(at);
      at += Character.charCount(letter);
      if (invisible(letter)) {
        continue;
      }
      BaseFont own = drawing(letter, font.getBaseFont()).orElse(font.getBaseFont());
      if (!own.equals(face) && !run.isEmpty()) {
        into.add(chunk(run.toString(), face, font));
        run.setLength(0);
      }
      face = own;
      String shown = drawing(letter, own).isPresent() ? Character.toString(letter) : number(letter);
      // The two halves of a pictograph would be turned round within a line from right to left;
      // between these marks it stands for itself.
      run.append(turns && letter > 0xFFFF ? LEFT_TO_RIGHT + shown + LEFT_TO_RIGHT : shown);
    }
    if (!run.isEmpty()) {
      into.add(chunk(run.toString(), face, font));
    }
  }

  private static Chunk chunk(String text, BaseFont face, Font font) {
    return new Chunk(text, new Font(face, font.getSize(), Font.NORMAL, font.getColor()));
  }

  /** Joins letters or chooses between two forms of one, and shows nothing itself. */
  private static boolean invisible(int letter) {
    return letter == 0x200D
        || letter == 0x200C
        || (letter >= 0xFE00 && letter <= 0xFE0F)
        || letter == 0xFEFF
        || (letter >= 0x200E && letter <= 0x200F)
        || (letter >= 0xE0100 && letter <= 0xE01EF);
  }

  private static Optional<BaseFont> drawing(int letter, BaseFont first) {
    if (letter < ' ' || first.charExists(letter)) {
      return Optional.of(first);
    }
    return OTHERS.stream().map(Typefaces::face).filter(f -> f.charExists(letter)).findFirst();
  }

  private static String number(int letter) {
    return String.format(Locale.ROOT, "[U+%04X]", letter);
  }

  /**
   * Whether some of a text runs from right to left, so that its letters have to be put into the
   * order in which they stand.
   */
  static boolean turns(String text) {
    return Bidi.requiresBidi(text.toCharArray(), 0, text.length());
  }

  /**
   * The letters of a text that no typeface here has, each once, with the number that is set for it.
   */
  public static List<String> undrawable(String text) {
    BaseFont plain = face("Lato-Regular.ttf");
    return text.codePoints()
        .distinct()
        .filter(c -> !invisible(c) && !Character.isISOControl(c) && drawing(c, plain).isEmpty())
        .mapToObj(c -> Character.toString(c) + " " + number(c))
        .toList();
  }
}
