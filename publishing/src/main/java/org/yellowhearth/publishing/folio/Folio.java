package org.yellowhearth.publishing.folio;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.yellowhearth.publishing.drawing.Plot;
import org.yellowhearth.publishing.drawing.PlotSvg;

/**
 * A paper before it is set: what stands in it, in the order in which it is read, and nothing of how
 * it looks. The same folio becomes a PDF, a page of the web and a text.
 *
 * @param foot what stands at the foot of every page
 */
public record Folio(String title, String subject, String foot, List<Part> parts) {
  /** A part under a heading; the front matter has none. */
  public record Part(String heading, List<Block> blocks) {
    public Part {
      blocks = List.copyOf(blocks);
    }
  }

  /** How words are meant. */
  public enum Tone {
    PLAIN,
    QUIET,
    CAUTION
  }

  /** How the words of a cell are set. */
  public enum Face {
    PLAIN,
    STRONG,
    FIGURE,
    QUIET
  }

  /** Words in a cell of a table. */
  public record Cell(String text, Face face) {}

  /** One thing in a part. */
  public sealed interface Block {
    /** The title on the first page. */
    record Title(String text) implements Block {}

    /** A paragraph. */
    record Words(String text, Tone tone) implements Block {}

    /** A short label and the text that belongs to it. */
    record Labelled(String label, String text) implements Block {}

    /**
     * A heading within a part.
     *
     * @param mark a sign that reads without colour, and the word that goes with it; empty where
     *     there is none
     */
    record Head(String text, String mark, String word) implements Block {}

    /**
     * A table.
     *
     * @param widths of its columns, in proportion
     * @param heads above them; none where it has no head
     */
    record Table(List<Double> widths, List<String> heads, List<List<Cell>> rows) implements Block {
      public Table {
        widths = List.copyOf(widths);
        heads = List.copyOf(heads);
        rows = rows.stream().map(List::copyOf).toList();
        int columns = widths.size();
        if (rows.stream().anyMatch(r -> r.size() != columns)
            || (!heads.isEmpty() && heads.size() != columns)) {
          throw new IllegalArgumentException("every row of a table has a cell for each column");
        }
      }
    }

    /**
     * A photograph.
     *
     * @param file a picture in a file, as JPEG or PNG
     * @param alt what it shows, for whoever cannot see it
     */
    record Picture(Path file, String alt, String caption) implements Block {}

    /**
     * A chart or drawing, as geometry.
     *
     * @param width of its box, in units of which letters are {@link PlotSvg#EM} high
     */
    record Drawing(List<Plot.Mark> marks, double width, double height, String alt)
        implements Block {
      public Drawing {
        marks = List.copyOf(marks);
      }
    }
  }

  public Folio {
    parts = List.copyOf(parts);
  }

  /** Plain words. */
  public static Block words(String text) {
    return new Block.Words(text, Tone.PLAIN);
  }

  /** Words in the background. */
  public static Block quiet(String text) {
    return new Block.Words(text, Tone.QUIET);
  }

  /** Words of danger. */
  public static Block caution(String text) {
    return new Block.Words(text, Tone.CAUTION);
  }

  /** A table whose first column is strong and whose others are figures. */
  public static Block figures(List<String> heads, List<List<String>> rows) {
    return new Block.Table(
        heads.stream().map(_ -> 1.0).toList(),
        heads,
        rows.stream()
            .map(r -> {
              Cell[] cells = new Cell[r.size()];
              Arrays.setAll(cells, k -> new Cell(r.get(k), k == 0 ? Face.STRONG : Face.FIGURE));
              return List.of(cells);
            })
            .toList());
  }

  /** Labels at the left, their texts at the right. */
  public static Block pairs(List<List<String>> rows) {
    return new Block.Table(
        List.of(1.0, 3.0),
        List.of(),
        rows.stream()
            .map(r -> List.of(new Cell(r.get(0), Face.QUIET), new Cell(r.get(1), Face.PLAIN)))
            .toList());
  }
}
