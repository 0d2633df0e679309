package org.yellowhearth.publishing.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.JsonValue;
import org.yellowhearth.publishing.help.Article.Block;
import org.yellowhearth.publishing.help.Article.Chapter;
import org.yellowhearth.publishing.help.Article.Look;
import org.yellowhearth.publishing.help.Article.Span;

/**
 * Words and signs of the trade, as they are said on either side of the ocean, and what they mean.
 */
final class Glossary {
  private static final int MOST = 1000;
  private static final int LONGEST = 500;

  private Glossary() {}

  static List<Article> read() {
    try (InputStream in = Glossary.class.getResourceAsStream("glossary.json")) {
      return JsonText.read(in)
          .object("format", "version", "words")
          .field("words")
          .list(MOST)
          .stream()
          .map(Glossary::word)
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Article word(JsonValue v) {
    v.object("british", "american", "also", "meaning");
    String british = v.field("british").text(LONGEST);
    String american = v.field("american").text(LONGEST);
    List<String> also = v.field("also").list(MOST).stream().map(w -> w.text(LONGEST)).toList();
    List<Block> blocks = new ArrayList<>(List.of(Article.words(v.field("meaning").text(LONGEST))));
    if (!also.isEmpty()) {
      blocks.add(new Block.Passage(List.of(new Span(String.join(" · ", also), Look.TYPED)), false));
    }
    return new Article(
        Chapter.WORDS, british.equals(american) ? british : british + "  /  " + american, blocks);
  }
}
