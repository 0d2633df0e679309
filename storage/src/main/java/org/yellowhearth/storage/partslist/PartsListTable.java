package org.yellowhearth.storage.partslist;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.part.PartRef;

/**
 * A list of parts as a spreadsheet gives it, in a file or on the clipboard: parted by commas,
 * semicolons or tabs, with or without headings, a mark of byte order, and quotation marks.
 *
 * @param columns what each column most likely holds
 * @param decimalComma whether figures are most likely written with a decimal comma
 * @param bareUnit the unit of capacitances that are written without one; empty while nobody has
 *     said
 * @param rows the lines below the headings, each as long as {@code columns}
 * @param firstLine the line of the text in which the first row stands
 */
public record PartsListTable(
    List<String> headings,
    List<Column> columns,
    boolean decimalComma,
    String bareUnit,
    List<List<String>> rows,
    int firstLine) {
  /** The most lines that are taken. */
  public static final int MOST_ROWS = 20_000;

  private static final Pattern BRACKETS = Pattern.compile("[\\[(]\\s*(\\S+?)\\s*[\\])]");
  private static final int MOST_COLUMNS = 60;
  private static final int LONGEST_CELL = 500;
  private static final long LARGEST_BYTES = 8_000_000;

  public PartsListTable {
    headings = List.copyOf(headings);
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  /**
   * Reads a file.
   *
   * @throws BadListException where it is no such list, with the line
   */
  public static PartsListTable read(Path file) {
    try {
      if (Files.size(file) > LARGEST_BYTES) {
        throw new BadListException(
            0, "the file is larger than any list of parts; expected at most 8 MB");
      }
      byte[] bytes = Files.readAllBytes(file);
      return read(text(bytes));
    } catch (IOException e) {
      throw new BadListException(0, "the file cannot be read: " + e.getMessage());
    }
  }

  /** UTF-8, or where it is none, the western single-byte text that older spreadsheets write. */
  private static String text(byte[] bytes) {
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .onUnmappableCharacter(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes))
          .toString();
    } catch (CharacterCodingException e) {
      return new String(bytes, StandardCharsets.ISO_8859_1);
    }
  }

  /**
   * Reads text.
   *
   * @throws BadListException where it is no such list, with the line
   */
  public static PartsListTable read(String text) {
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    if (plain.indexOf('\0') >= 0) {
      throw new BadListException(1, "this is no text; save the sheet as CSV first");
    }
    char separator = separator(plain);
    List<List<String>> lines = lines(plain, separator);
    if (lines.isEmpty()) {
      throw new BadListException(
          1, "the list is empty; expected a line for each part, for example C21;8 MFD;450");
    }
    int width = lines.stream().mapToInt(List::size).max().orElse(0);
    List<List<String>> even = lines.stream().map(l -> padded(l, width)).toList();
    boolean headed = even.getFirst().stream().noneMatch(c -> PartRef.parse(c).isPresent());
    List<String> headings = headed ? even.getFirst() : padded(List.of(), width);
    List<List<String>> rows = headed ? even.subList(1, even.size()) : even;
    return new PartsListTable(
        headings,
        columns(headings, rows),
        separator != ',' && decimalComma(rows),
        unit(headings),
        rows,
        headed ? 2 : 1);
  }

  /**
   * The separator that parts most lines into the same number of cells; a tab before a semicolon
   * before a comma.
   */
  private static char separator(String text) {
    List<String> head = text.lines().filter(l -> !l.isBlank()).limit(50).toList();
    return Stream.of('\t', ';', ',')
        .max(Comparator.comparingLong((Character c) -> steady(head, c)))
        .filter(c -> steady(head, c) > 0)
        .orElse(';');
  }

  private static long steady(List<String> lines, char separator) {
    if (lines.isEmpty()) {
      return 0;
    }
    long first = lines.getFirst().chars().filter(c -> c == separator).count();
    long same =
        lines.stream().filter(l -> l.chars().filter(c -> c == separator).count() == first).count();
    int preference = separator == '\t' ? 3 : separator == ';' ? 2 : 1;
    return first == 0 ? 0 : same * 10 + preference;
  }

  private static List<List<String>> lines(String text, char separator) {
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(separator)
            .setIgnoreEmptyLines(true)
            .setTrim(true)
            .get();
    List<List<String>> lines = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      for (CSVRecord record : parser) {
        List<String> cells = record.toList();
        if (cells.stream().allMatch(String::isBlank)) {
          continue;
        }
        check(cells, lines.size(), parser.getCurrentLineNumber());
        lines.add(cells);
      }
    } catch (UncheckedIOException | IOException e) {
      throw new BadListException(
          lines.size() + 1, "a quotation mark is not closed, or stands inside a cell");
    }
    return lines;
  }

  private static void check(List<String> cells, int count, long line) {
    if (count >= MOST_ROWS) {
      throw new BadListException(
          line, "the list has more than " + MOST_ROWS + " lines; bring it in in pieces");
    }
    if (cells.size() > MOST_COLUMNS) {
      throw new BadListException(line, "the list has more than " + MOST_COLUMNS + " columns");
    }
    if (cells.stream().anyMatch(c -> c.length() > LONGEST_CELL)) {
      throw new BadListException(line, "a cell is longer than " + LONGEST_CELL + " characters");
    }
  }

  private static List<String> padded(List<String> cells, int width) {
    List<String> all = new ArrayList<>(cells);
    while (all.size() < width) {
      all.add("");
    }
    return List.copyOf(all);
  }

  /** By its heading; else by what stands in it: references, and after them values. */
  private static List<Column> columns(List<String> headings, List<List<String>> rows) {
    List<Column> columns = new ArrayList<>();
    for (int i = 0; i < headings.size(); i++) {
      Column named =
          Column.named(headings.get(i)).filter(c -> !columns.contains(c)).orElse(Column.IGNORED);
      int at = i;
      boolean references =
          !rows.isEmpty()
              && named == Column.IGNORED
              && !columns.contains(Column.REFERENCE)
              && 2 * rows.stream().filter(r -> PartRef.parse(r.get(at)).isPresent()).count()
                  > rows.size();
      columns.add(references ? Column.REFERENCE : named);
    }
    int reference = columns.indexOf(Column.REFERENCE);
    boolean next =
        reference >= 0
            && reference + 1 < columns.size()
            && !columns.contains(Column.MARKING)
            && columns.get(reference + 1) == Column.IGNORED;
    if (next) {
      columns.set(reference + 1, Column.MARKING);
    }
    return columns;
  }

  private static boolean decimalComma(List<List<String>> rows) {
    long commas = rows.stream().flatMap(List::stream).filter(c -> c.matches(".*\\d,\\d.*")).count();
    long points =
        rows.stream().flatMap(List::stream).filter(c -> c.matches(".*\\d\\.\\d.*")).count();
    return commas > points;
  }

  /** This with a column meant otherwise; no other column then means the same. */
  public PartsListTable with(int column, Column meaning) {
    List<Column> changed = new ArrayList<>(columns);
    for (int i = 0; i < changed.size(); i++) {
      if (changed.get(i) == meaning) {
        changed.set(i, Column.IGNORED);
      }
    }
    changed.set(column, meaning);
    return new PartsListTable(headings, changed, decimalComma, bareUnit, rows, firstLine);
  }

  /** This with figures written with a decimal comma, or a point. */
  public PartsListTable withDecimalComma(boolean comma) {
    return new PartsListTable(headings, columns, comma, bareUnit, rows, firstLine);
  }

  /** This with another unit for capacitances written without one. */
  public PartsListTable withBareUnit(String unit) {
    return new PartsListTable(headings, columns, decimalComma, unit, rows, firstLine);
  }

  /** The unit that a heading gives in brackets, as {@code C (µF)}. */
  private static String unit(List<String> headings) {
    return headings.stream()
        .map(h -> BRACKETS.matcher(h))
        .filter(Matcher::find)
        .map(m -> m.group(1))
        .filter(
            u -> UnitText.find(u).filter(t -> t.dimension() == Dimension.CAPACITANCE).isPresent())
        .findFirst()
        .orElse("");
  }

  /** What stands in a row under a column; empty where there is no such column. */
  public String cell(List<String> row, Column column) {
    int at = columns.indexOf(column);
    return at < 0 ? "" : row.get(at).strip();
  }
}
