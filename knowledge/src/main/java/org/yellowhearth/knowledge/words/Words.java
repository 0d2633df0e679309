package org.yellowhearth.knowledge.words;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;

/** Finds the words for what core says, in the workshop dialect of a job. */
public final class Words {
  private static final Pattern GAP = Pattern.compile("\\{(\\d)}");
  private static final Words BRITISH = new Words(SetPlate.Dialect.BRITISH);
  private static final Words AMERICAN = new Words(SetPlate.Dialect.AMERICAN);

  private final Properties texts = new Properties();

  private Words(SetPlate.Dialect dialect) {
    load("words.properties");
    if (dialect == SetPlate.Dialect.AMERICAN) {
      load("words_american.properties");
    }
  }

  /** The words of a dialect. */
  public static Words of(SetPlate.Dialect dialect) {
    return switch (dialect) {
      case BRITISH -> BRITISH;
      case AMERICAN -> AMERICAN;
    };
  }

  private void load(String name) {
    try (Reader reader =
        new InputStreamReader(Words.class.getResourceAsStream(name), StandardCharsets.UTF_8)) {
      texts.load(reader);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A message as a sentence. */
  public String say(Message message) {
    Matcher m = GAP.matcher(text(message.key().key()));
    StringBuilder said = new StringBuilder();
    while (m.find()) {
      Argument argument = message.arguments().get(Integer.parseInt(m.group(1)));
      m.appendReplacement(said, Matcher.quoteReplacement(word(argument)));
    }
    m.appendTail(said);
    return capitalised(said.toString());
  }

  private static String capitalised(String sentence) {
    return sentence.endsWith(".") && !sentence.isEmpty()
        ? Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1)
        : sentence;
  }

  private String word(Argument argument) {
    return switch (argument) {
      case Argument.Figure f -> f.quantity().toString();
      case Argument.Text t -> t.text();
      case Argument.Term t -> text(t.key());
      case Argument.Phrase p -> say(p.message());
    };
  }

  /** The word for a constant of the trade. */
  public String word(Coded coded) {
    return word(coded.term());
  }

  /** What following a school means, in one line. */
  public String meaning(Policy.School school) {
    return text("Meaning." + school.getClass().getSimpleName() + "." + school.code());
  }

  /** The name of a kind of capacitor. */
  public String capacitorKind(String id) {
    return text("Capacitor." + id);
  }

  /** The word under a key of the bundles, for example {@code Field.bench.celsius}. */
  public String term(String key) {
    return text(key);
  }

  /** Whether there are words for a key. */
  public boolean has(String key) {
    return texts.containsKey(key);
  }

  private String text(String key) {
    String text = texts.getProperty(key);
    if (text == null) {
      throw new IllegalArgumentException("no words for " + key);
    }
    return text;
  }
}
