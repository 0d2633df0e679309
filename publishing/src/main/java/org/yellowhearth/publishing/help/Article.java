package org.yellowhearth.publishing.help;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * One text of the help under a heading.
 *
 * @param questions what people ask that is answered here, in lower-case letters
 */
public record Article(Chapter chapter, String title, List<Block> blocks, List<String> questions) {
  /** Where a text belongs. */
  public enum Chapter {
    GUIDE,
    LINE,
    WORDS,
    METHOD
  }

  /** How words in a line are meant. */
  public enum Look {
    PLAIN,
    STRONG,
    TYPED
  }

  /**
   * Words of one look.
   *
   * @param to the anchor of the article they lead to; empty where they lead nowhere
   */
  public record Span(String text, Look look, String to) {
    Span(String text, Look look) {
      this(text, look, "");
    }
  }

  /** One thing in a text. */
  public sealed interface Block {
    /**
     * A paragraph.
     *
     * @param item whether it is an item of a list
     */
    record Passage(List<Span> spans, boolean item) implements Block {
      public Passage {
        spans = List.copyOf(spans);
      }
    }

    /** A heading within the text. */
    record Head(String text) implements Block {}

    /** A table, its first row the heads. */
    record Table(List<List<String>> rows) implements Block {
      public Table {
        rows = rows.stream().map(List::copyOf).toList();
      }
    }
  }

  public Article {
    blocks = List.copyOf(blocks);
    questions = List.copyOf(questions);
  }

  Article(Chapter chapter, String title, List<Block> blocks) {
    this(chapter, title, blocks, List.of());
  }

  Article answering(List<String> asked) {
    return new Article(chapter, title, blocks, asked);
  }

  /** What links to it end with, as common viewers of Markdown make it of the title. */
  public String anchor() {
    return title.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}_ -]", "").replace(' ', '-');
  }

  /** A paragraph of plain words. */
  static Block words(String text) {
    return new Block.Passage(List.of(new Span(text, Look.PLAIN)), false);
  }

  /** All its words, for a search. */
  String text() {
    return Stream.concat(Stream.of(title), blocks.stream().map(Article::text))
        .collect(Collectors.joining(" "))
        .toLowerCase(Locale.ROOT);
  }

  static String text(Block block) {
    return switch (block) {
      case Block.Passage p -> p.spans().stream().map(Span::text).collect(Collectors.joining());
      case Block.Head h -> h.text();
      case Block.Table t ->
          t.rows().stream().flatMap(List::stream).collect(Collectors.joining(" "));
    };
  }
}
