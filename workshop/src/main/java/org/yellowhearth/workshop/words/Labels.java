package org.yellowhearth.workshop.words;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.job.SetPlate.Dialect;

/**
 * The words of the window itself. Gaps are {0}, {1} and so on. The window speaks as the workshop
 * does that it stands in; what is said of a set ({@code Words}) follows the plate of the set.
 */
public final class Labels {
  private static final Properties TEXTS = load();

  /** What the American workshop says for a British word. */
  private static final Map<String, String> AMERICAN =
      new LinkedHashMap<>(
          Map.ofEntries(
              Map.entry("valve", "tube"),
              Map.entry("valves", "tubes"),
              Map.entry("mains", "line"),
              Map.entry("earth", "ground"),
              Map.entry("earthed", "grounded"),
              Map.entry("colour", "color"),
              Map.entry("colours", "colors"),
              Map.entry("centre", "center"),
              Map.entry("licence", "license"),
              Map.entry("aluminium", "aluminum"),
              Map.entry("polarised", "polarized"),
              Map.entry("catalogue", "catalog"),
              Map.entry("millimetre", "millimeter")));

  private static final Pattern BRITISH =
      Pattern.compile(
          "\\b(" + String.join("|", AMERICAN.keySet()) + ")\\b", Pattern.CASE_INSENSITIVE);

  /** What is typed or stands in a file's name is the same everywhere. */
  private static final Set<String> TYPED =
      Set.of("sheet.bench.all", "sheet.typefaces", "stock.file.catalogue");

  private static final Map<String, String> SAID = new ConcurrentHashMap<>();

  private static final Pattern GAP = Pattern.compile("\\{(\\d)}");

  private static volatile Dialect dialect = Dialect.BRITISH;

  private Labels() {}

  private static Properties load() {
    Properties texts = new Properties();
    try (Reader reader =
        new InputStreamReader(
            Labels.class.getResourceAsStream("labels.properties"), StandardCharsets.UTF_8)) {
      texts.load(reader);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return texts;
  }

  /** Speaks as a workshop from now on; what is in the window already stays as it is. */
  public static void speak(Dialect other) {
    dialect = other;
  }

  /** How the workshop speaks. */
  public static Dialect dialect() {
    return dialect;
  }

  /** The text for a key with its gaps filled. */
  public static String of(String key, Object... gaps) {
    String text = TEXTS.getProperty(key);
    if (text == null) {
      throw new IllegalArgumentException("no label " + key);
    }
    if (dialect == Dialect.AMERICAN && !TYPED.contains(key)) {
      text = SAID.computeIfAbsent(text, Labels::american);
    }
    // Gap by gap in one go: what fills one may itself look like another.
    return GAP.matcher(text)
        .replaceAll(m -> {
          int gap = Integer.parseInt(m.group(1));
          return Matcher.quoteReplacement(
              gap < gaps.length ? String.valueOf(gaps[gap]) : m.group());
        });
  }

  private static String american(String british) {
    return BRITISH
        .matcher(british)
        .replaceAll(m -> {
          String word = AMERICAN.get(m.group().toLowerCase(Locale.ROOT));
          return Matcher.quoteReplacement(
              Character.isUpperCase(m.group().charAt(0))
                  ? word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1)
                  : word);
        });
  }
}
