package org.yellowhearth.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One word of a line and where it stands.
 *
 * @param index position of its first character in the line, from 0
 */
public record Token(String text, int index) {
  private static final Pattern WORD = Pattern.compile("\\S+");

  /** The words of a line, parted by white space. */
  public static List<Token> of(String line) {
    List<Token> tokens = new ArrayList<>();
    Matcher m = WORD.matcher(line);
    while (m.find()) {
      tokens.add(new Token(m.group(), m.start()));
    }
    return List.copyOf(tokens);
  }
}
