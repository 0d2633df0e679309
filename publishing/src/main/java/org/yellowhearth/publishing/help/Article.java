package org.yellowhearth.publishing.help;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** One text of the help under a heading. */
public record Article(Chapter chapter, String title, List<Block> blocks) {
  /** Where a text belongs. */
  public enum Chapter {
    GUIDE,
    LINE,
    WORDS,
    METHOD
  }

  /** How words in a line are meant. */
  public enum VisualInspection {
    PLAIN,
    STRONG,
    TYPED
  }

  /** Words of one look. */
  public record Span(String text, VisualInspection look) {}

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
  }

  /** A paragraph of plain words. */
  static Block words(String text) {
    return new Block.Passage(List.of(new Span(text, VisualInspection.PLAIN)), false);
  }

  /** All its words, for a search. */
  String text() {
    return Stream.concat(Stream.of(title), blocks.stream().map(Article::text))
        .collect(Collectors.joining(" "))
        .toLowerCase(Locale.ROOT);
  }

  private static String text(Block block) {
    return switch (block) {
      case Block.Passage p -> p.spans().stream().map(Span::text).collect(Collectors.joining());
      case Block.Head h -> h.text();
      case Block.Table t ->
          t.rows().stream().flatMap(List::stream).collect(Collectors.joining(" "));
    };
  }
}
