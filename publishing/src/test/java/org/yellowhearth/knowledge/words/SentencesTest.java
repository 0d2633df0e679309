package org.yellowhearth.knowledge.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;

/**
 * Every sentence, said with arguments of the sort that the program puts into it, in both dialects,
 * and looked through as a careful reader would.
 */
public class SentencesTest {
  private static final Path ROOT = Path.of(System.getProperty("hearth.root"));
  private static final Path LABELS =
      ROOT.resolve("workshop/src/main/resources/org/yellowhearth/workshop/words/labels.properties");

  /**
   * What never stands in a sentence: raw gaps, doubled quotes, what a program says of nothing,
   * doubled marks.
   */
  private static final Pattern WRONG =
      Pattern.compile(
          "[{}]|''|\\bnull\\b|\\bNaN\\b|Infinity|Optional|  |\\.\\.(?!\\.)|[,;:] ?[.,;:](?!\\d)|\\( | \\)|^[,.;:]|\\bthe the\\b");

  /** Labels may be the end of a line, and set off by spaces. */
  private static final Pattern WRONG_LABEL =
      Pattern.compile("[{}]|''|\\bnull\\b|\\bNaN\\b|Optional|\\.\\.(?!\\.)|[,;:] ?[.,;:](?!\\d)");

  private static final Map<String, Object> SAMPLES =
      Map.of(
          "Quantity.percent",
          Quantity.percent(0.42),
          "Quantity.volts",
          Quantity.volts(238),
          "Quantity.amperes",
          Quantity.amperes(0.06),
          "Quantity.farads",
          Quantity.farads(8e-6),
          "Quantity.ohms",
          Quantity.ohms(4700),
          "Quantity.watts",
          Quantity.watts(5.5),
          "Quantity.joules",
          Quantity.joules(3.2));

  /** A sentence somewhere in the program. */
  private record Said(String key) implements MessageKey {
    @Override
    public String name() {
      return key;
    }

    @Override
    public String key() {
      return key;
    }
  }

  private static Properties written() throws IOException {
    Properties p = new Properties();
    for (String file : List.of("words.properties", "words_american.properties")) {
      try (Reader r =
          new InputStreamReader(Words.class.getResourceAsStream(file), StandardCharsets.UTF_8)) {
        p.load(r);
      }
    }
    return p;
  }

  private static Object sample(String argument) {
    return SAMPLES.entrySet().stream()
        .filter(e -> argument.startsWith(e.getKey()))
        .map(Map.Entry::getValue)
        .findFirst()
        .orElseGet(() ->
            argument.contains("term(") || argument.contains("Term(")
                ? Message.term("Role.reservoir")
                : argument.startsWith("Quantity") ? Quantity.ratio(2.5) : "C16a");
  }

  @DataProvider
  public Object[][] dialects() {
    return Stream.of(SetPlate.Dialect.values()).map(d -> new Object[] {d}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "dialects")
  public void everyCallFillsItsSentence(SetPlate.Dialect dialect) throws IOException {
    Words words = Words.of(dialect);
    List<Calls.Call> calls =
        Calls.of(ROOT, Pattern.compile("Message\\.of\\(\\s*(?=\\w*Words\\.[A-Z_]+[,)])"));
    assertThat(calls.size()).isGreaterThan(400);
    List<String> wrong = new ArrayList<>();
    for (Calls.Call c : calls) {
      String key = c.key().replaceAll("^.*\\.(\\w+Words)\\.", "$1.");
      String name =
          key.substring(0, key.indexOf('.') + 1)
              + key.substring(key.indexOf('.') + 1)
                  .toLowerCase(java.util.Locale.ROOT)
                  .replace('_', '-');
      if (!words.has(name)) {
        wrong.add(c.where() + " no words for " + name);
        continue;
      }
      String said;
      try {
        said =
            words.say(
                Message.of(
                    new Said(name), c.arguments().stream().map(SentencesTest::sample).toArray()));
      } catch (IndexOutOfBoundsException e) {
        wrong.add(c.where() + " fills too few gaps of " + name + ": " + words.term(name));
        continue;
      }
      if (WRONG.matcher(said).find()) {
        wrong.add(c.where() + " " + name + ": " + said);
      }
      for (int gap = 0; gap < c.arguments().size(); gap++) {
        if (!hasGap(words.term(name), gap)) {
          wrong.add(
              c.where()
                  + " says "
                  + c.arguments().get(gap)
                  + " but "
                  + name
                  + " has no gap "
                  + gap);
        }
      }
    }
    assertThat(String.join("\n", wrong)).isEmpty();
  }

  /** The window's own labels likewise. */
  @Test
  public void everyLabelIsFilled() throws IOException {
    Properties labels = new Properties();
    try (Reader r = Files.newBufferedReader(LABELS)) {
      labels.load(r);
    }
    List<Calls.Call> calls =
        Calls.of(ROOT, Pattern.compile("Labels\\.of\\(\\s*(?=\"[^\"]+\"[,)])"));
    assertThat(calls.size()).isGreaterThan(500);
    List<String> wrong = new ArrayList<>();
    for (Calls.Call c : calls) {
      String label = labels.getProperty(c.key().replace("\"", ""), "{no such label}");
      String said = label;
      for (int gap = 0; gap < c.arguments().size(); gap++) {
        if (!hasGap(label, gap)) {
          wrong.add(
              c.where()
                  + " says "
                  + c.arguments().get(gap)
                  + " but there is no gap for it in: "
                  + label);
        }
        said =
            said.replace("{" + gap + "}", "C16a")
                // Of what counts, the plural.
                .replaceAll(
                    "\\{" + gap + ", plural,(?: [^ {]+ \\{[^}]*})* other \\{([^}]*)}}", "$1");
      }
      if (WRONG_LABEL.matcher(said).find()) {
        wrong.add(c.where() + " " + c.key() + ": " + said);
      }
    }
    assertThat(String.join("\n", wrong)).isEmpty();
  }

  @Test(dataProvider = "dialects")
  public void everyTextReadsWell(SetPlate.Dialect dialect) throws IOException {
    Words words = Words.of(dialect);
    List<String> wrong = new ArrayList<>();
    for (String key : new TreeSet<>(written().stringPropertyNames())) {
      List<Argument> nine =
          Stream.generate(() -> (Argument) new Argument.Text("C16a")).limit(10).toList();
      String said = words.say(new Message(new Said(key), nine));
      if (WRONG.matcher(said).find() || said.isBlank()) {
        wrong.add(key + ": " + said);
      }
    }
    assertThat(String.join("\n", wrong)).isEmpty();
  }

  /** A key that stands twice in a file silently hides the first. */
  @Test
  public void noKeyStandsTwice() throws IOException {
    for (Path file :
        List.of(
            ROOT.resolve(
                "knowledge/src/main/resources/org/yellowhearth/knowledge/words/words.properties"),
            ROOT.resolve(
                "knowledge/src/main/resources/org/yellowhearth/knowledge/words/words_american.properties"),
            LABELS)) {
      List<String> keys =
          Files.readAllLines(file).stream()
              .filter(l -> l.matches("[^#!\\s].*=.*"))
              .map(l -> l.substring(0, l.indexOf('=')).strip())
              .toList();
      assertThat(keys).as(file.toString()).doesNotHaveDuplicates();
    }
  }

  private static boolean hasGap(String text, int gap) {
    return text.contains("{" + gap + "}") || text.contains("{" + gap + ", plural,");
  }
}
