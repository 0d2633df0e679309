package org.yellowhearth.knowledge.words;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Texts by key, with gaps {0}, {1} and so on. A text may count and choose in the notation of ICU's
 * messages: {@code {0, plural, one {# part} other {# parts}}}.
 */
public final class Texts {
  private static final Pattern GAP = Pattern.compile("\\{(\\d)}");
  private static final Pattern COUNTS = Pattern.compile("\\{(\\d+),\\s*(plural|selectordinal)");
  private static final Pattern CHOOSES =
      Pattern.compile("\\{\\d+,\\s*(plural|selectordinal|select)");
  private static final Pattern WHOLE = Pattern.compile("-?\\d{1,15}");

  private final Properties texts = new Properties();
  private final Locale locale;
  private final Map<String, Counted> counted = new ConcurrentHashMap<>();

  /** A message that counts, and which of its gaps are numbers. */
  private record Counted(MessageFormat format, List<Integer> numbers) {}

  /**
   * The texts of files that lie beside a class; a later file overrides an earlier one.
   *
   * @throws UncheckedIOException where one is missing
   */
  public Texts(Class<?> beside, Locale locale, String... files) {
    this.locale = locale;
    for (String file : files) {
      try (InputStream in = beside.getResourceAsStream(file);
          Reader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
        texts.load(reader);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  /**
   * Gets the first counting message ready. The rules of plurals take some tenths of a second to
   * load; beside the start of a window that is not noticed.
   */
  public static void getReady() {
    for (Locale locale : List.of(Locale.UK, Locale.US)) {
      new MessageFormat("{0, plural, one {#} other {#}}", locale).format(new Object[] {2L});
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
    return text;
  }

  /** A text with its gaps filled; a gap that nothing fills stays as it is. */
  public String say(String key, List<String> gaps) {
    String text = raw(key);
    if (CHOOSES.matcher(text).find()) {
      return counted(text, gaps);
    }
    // Gap by gap in one go: what fills one may itself look like another.
    return GAP.matcher(text)
        .replaceAll(m -> {
          int gap = Integer.parseInt(m.group(1));
          return Matcher.quoteReplacement(gap < gaps.size() ? gaps.get(gap) : m.group());
        });
  }

  private String counted(String text, List<String> gaps) {
    Counted c =
        counted.computeIfAbsent(
            text,
            t ->
                new Counted(
                    new MessageFormat(t, locale),
                    COUNTS.matcher(t).results().map(m -> Integer.valueOf(m.group(1))).toList()));
    Object[] filled = gaps.toArray();
    for (int gap : c.numbers) {
      if (gap < filled.length && WHOLE.matcher(gaps.get(gap)).matches()) {
        filled[gap] = Long.valueOf(gaps.get(gap));
      }
    }
    // A format is not made for several threads at once.
    synchronized (c) {
      return c.format.format(filled);
    }
  }
}
