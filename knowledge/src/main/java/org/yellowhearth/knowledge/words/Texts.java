package org.yellowhearth.knowledge.words;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Texts by key, with gaps {0}, {1} and so on. A text may count and choose in the notation of ICU's
 * messages: {@code {0, plural, =0 {none} one {# part} other {# parts}}}, {@code {1, select, above
 * {more} other {less}}}. Of plurals only those of English are known: one, and other.
 */
public final class Texts {
  private static final Pattern GAP = Pattern.compile("\\{(\\d)}");
  private static final Pattern CHOICE =
      Pattern.compile("\\{(\\d),\\s*(plural|select),\\s*((?:[^\\s{}]+\\s*\\{[^{}]*}\\s*)+)}");
  private static final Pattern CASE = Pattern.compile("([^\\s{}]+)\\s*\\{([^{}]*)}");
  private static final String OTHER = "other";

  /** Whether all texts are said in {@link Pseudo} words; only to look at a window. */
  private static volatile boolean pseudo = Boolean.getBoolean("hearth.pseudo");

  private final Properties texts = new Properties();

  /** Says everything in longer, accented words from now on, or no more. */
  public static void pseudo(boolean on) {
    pseudo = on;
  }

  /**
   * The texts of files that lie beside a class; a later file overrides an earlier one.
   *
   * @throws UncheckedIOException where one is missing
   */
  public Texts(Class<?> beside, String... files) {
    for (String file : files) {
      try (InputStream in = beside.getResourceAsStream(file);
          Reader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
        texts.load(reader);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /** Whether there is a text for a key. */
  public boolean has(String key) {
    return texts.containsKey(key);
  }

  /**
   * A text as it stands.
   *
   * @throws IllegalArgumentException where there is none
   */
  public String raw(String key) {
    String text = texts.getProperty(key);
    if (text == null) {
      throw new IllegalArgumentException("no words for " + key);
    }
    return pseudo ? Pseudo.of(text) : text;
  }

  /** A text with its gaps filled; a gap that nothing fills stays as it is. */
  public String say(String key, List<String> gaps) {
    String chosen =
        CHOICE
            .matcher(raw(key))
            .replaceAll(m -> {
              int gap = Integer.parseInt(m.group(1));
              return Matcher.quoteReplacement(
                  gap < gaps.size() ? chosen(m, gaps.get(gap)) : m.group());
            });
    // Gap by gap in one go: what fills one may itself look like another.
    return GAP.matcher(chosen)
        .replaceAll(m -> {
          int gap = Integer.parseInt(m.group(1));
          return Matcher.quoteReplacement(gap < gaps.size() ? gaps.get(gap) : m.group());
        });
  }

  private static String chosen(MatchResult choice, String value) {
    Map<String, String> cases = new LinkedHashMap<>();
    CASE.matcher(choice.group(3)).results().forEach(c -> cases.put(c.group(1), c.group(2)));
    if (!cases.containsKey(OTHER)) {
      throw new IllegalArgumentException("a choice says what else: " + choice.group());
    }
    if (choice.group(2).equals("select")) {
      return cases.getOrDefault(value, cases.get(OTHER));
    }
    String plural = value.equals("1") ? "one" : OTHER;
    String text = cases.getOrDefault("=" + value, cases.getOrDefault(plural, cases.get(OTHER)));
    return text.replace("#", value);
  }
}
