package org.yellowhearth.knowledge.words;

import java.util.Map;
import java.util.regex.Pattern;

/**
 * English as no language is: accented, and longer by two fifths. A window drawn in it shows where a
 * longer language would be cut off, and what no catalogue of words holds.
 */
final class Pseudo {
  private static final Map<Character, Character> ACCENTS =
      Map.ofEntries(
          Map.entry('a', 'á'),
          Map.entry('e', 'é'),
          Map.entry('i', 'í'),
          Map.entry('o', 'ó'),
          Map.entry('u', 'ú'),
          Map.entry('y', 'ý'),
          Map.entry('A', 'Á'),
          Map.entry('E', 'É'),
          Map.entry('I', 'Í'),
          Map.entry('O', 'Ó'),
          Map.entry('U', 'Ú'));

  private static final Pattern WORD = Pattern.compile("\\p{L}{2,}");
  private static final double LONGER = 0.4;

  private Pseudo() {}

  /** A text in it; gaps, and what chooses between cases, stay as they are. */
  static String of(String text) {
    StringBuilder all = new StringBuilder();
    int depth = 0;
    int from = 0;
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '{' || c == '}') {
        String piece = text.substring(from, i);
        // Within one brace stands what chooses, within two what is said.
        all.append(depth % 2 == 0 ? words(piece) : piece).append(c);
        depth += c == '{' ? 1 : -1;
        from = i + 1;
      }
    }
    return all.append(words(text.substring(from))).toString();
  }

  private static String words(String plain) {
    return WORD.matcher(plain)
        .replaceAll(m -> {
          String word = m.group();
          int more = (int) Math.ceil(LONGER * word.length());
          StringBuilder accented = new StringBuilder();
          (word + word.substring(0, more))
              .chars()
              .forEach(c -> accented.append(ACCENTS.getOrDefault((char) c, (char) c)));
          return accented.toString();
        });
  }
}
