package org.yellowhearth.knowledge.words;

import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;

/** Finds the words for what core says, in the workshop dialect of a job. */
public final class Words {
  private static final Words BRITISH = new Words(new Texts(Words.class, "words.properties"));
  private static final Words AMERICAN =
      new Words(new Texts(Words.class, "words.properties", "words_american.properties"));

  private final Texts texts;

  private Words(Texts texts) {
    this.texts = texts;
  }

  /** The words of a dialect. */
  public static Words of(SetPlate.Dialect dialect) {
    return switch (dialect) {
      case BRITISH -> BRITISH;
      case AMERICAN -> AMERICAN;
    };
  }

  /** A message as a sentence. */
  public String say(Message message) {
    return capitalised(
        texts.say(message.key().key(), message.arguments().stream().map(this::word).toList()));
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
    return texts.has(key);
  }

  private String text(String key) {
    return texts.raw(key);
  }
}
