package org.yellowhearth.core.part;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The reference of a part on the drawing, for example {@code C21}, or {@code C31a} for one section
 * of a can. References are ordered as a person counts: C2 before C10.
 */
public record PartRef(String letters, int number, String section) implements Comparable<PartRef> {
  private static final Pattern FORM = Pattern.compile("([A-Za-z]{1,3})(\\d{1,5})([A-Za-z]?)");

  /**
   * Reads a reference; empty where the text has not the form letters, number, perhaps a section
   * letter.
   */
  public static Optional<PartRef> parse(String text) {
    Matcher m = FORM.matcher(text.strip());
    return m.matches()
        ? Optional.of(
            new PartRef(
                m.group(1).toUpperCase(Locale.ROOT),
                Integer.parseInt(m.group(2)),
                m.group(3).toLowerCase(Locale.ROOT)))
        : Optional.empty();
  }

  /** Reads a reference that is known to be one; anything else is a fault of the program. */
  public static PartRef of(String text) {
    return parse(text)
        .orElseThrow(() -> new IllegalArgumentException("not a part reference: " + text));
  }

  /** The reference of the whole can a section belongs to; of any other part, itself. */
  public PartRef whole() {
    return section.isEmpty() ? this : new PartRef(letters, number, "");
  }

  @Override
  public int compareTo(PartRef other) {
    int byLetters = letters.compareTo(other.letters);
    int byNumber = byLetters != 0 ? byLetters : Integer.compare(number, other.number);
    return byNumber != 0 ? byNumber : section.compareTo(other.section);
  }

  @Override
  public String toString() {
    return letters + number + section;
  }
}
