package org.yellowhearth.storage.partslist;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reading.ReadingParser;
import org.yellowhearth.knowledge.words.Words;

/** What a list of parts would do to a census, row by row, before anything is done. */
public final class PartsListImport {
  private final Job job;
  private final Words words;
  private final PartsListLine census;
  private final Instant now;
  private final Set<PartRef> seen = new HashSet<>();

  private PartsListImport(Job job, Knowledge knowledge, Words words, Instant now) {
    this.job = job;
    this.words = words;
    this.census = PartsListLine.of(job, knowledge.vocabulary());
    this.now = now;
  }

  /** What will happen to a row. */
  public enum What {
    ADDS,
    CORRECTS,
    READS,
    SAME,
    REFUSED
  }

  /**
   * One row of the list.
   *
   * @param line where it stands in the text
   * @param reference as it was written
   * @param said as it would be typed at the bench
   * @param trouble why it is refused; empty where it is not
   */
  public record Row(
      int line, String reference, String said, What what, List<Edit> edits, String trouble) {
    public Row {
      edits = List.copyOf(edits);
    }
  }

  /** The rows of a table against a job. */
  public static List<Row> preview(
      PartsListTable table, Job job, Knowledge knowledge, Words words, Instant now) {
    PartsListImport list = new PartsListImport(job, knowledge, words, now);
    List<Row> rows = new ArrayList<>();
    for (int i = 0; i < table.rows().size(); i++) {
      rows.add(list.row(table, table.rows().get(i), table.firstLine() + i));
    }
    return rows;
  }

  private Row row(PartsListTable table, List<String> cells, int line) {
    String reference = table.cell(cells, Column.REFERENCE);
    String said =
        said(table, cells, PartRef.parse(reference).flatMap(r -> census.sort(r, List.of())));
    Optional<String> formula =
        cells.stream().filter(c -> c.startsWith("=") || c.startsWith("@")).findFirst();
    if (formula.isPresent()) {
      return refused(
          line, reference, said, "“" + formula.get() + "” is a formula; paste values instead.");
    }
    Optional<PartRef> ref = PartRef.parse(reference);
    if (ref.isEmpty()) {
      return refused(
          line,
          reference,
          said,
          reference.isEmpty()
              ? "There is no reference; say which column holds it."
              : "“"
                  + reference
                  + "” is not a part reference; expected letters and a number, for example C21.");
    }
    if (!seen.add(ref.get())) {
      return refused(
          line, reference, said, ref.get() + " stands in the list twice; the first line is taken.");
    }
    try {
      return understood(table, cells, line, ref.get(), said);
    } catch (UnreadableException e) {
      return refused(line, reference, said, words.say(e.problem()));
    } catch (AmbiguousException e) {
      return refused(
          line, reference, said, words.say(e.question()) + " Write it plainly in the list.");
    } catch (IllegalArgumentException e) {
      return refused(line, reference, said, String.valueOf(e.getMessage()));
    }
  }

  private static Row refused(int line, String reference, String said, String why) {
    return new Row(line, reference, said, What.REFUSED, List.of(), why);
  }

  private Row understood(
      PartsListTable table, List<String> cells, int line, PartRef ref, String said) {
    String marking = plain(table, table.cell(cells, Column.MARKING));
    String remark = table.cell(cells, Column.REMARK);
    List<Part> parts = new ArrayList<>();
    List<Edit> edits = new ArrayList<>();
    boolean known = job.part(ref).isPresent();
    boolean sections = !known && job.census().stream().anyMatch(p -> p.ref().whole().equals(ref));
    if (sections) {
      return new Row(line, ref.toString(), said, What.SAME, List.of(), "");
    }
    if (known) {
      Part before = job.part(ref).orElseThrow();
      Part after =
          said.isBlank() ? before : census.correct(before, Token.of(said), marking).orElse(before);
      if (!after.equals(before)) {
        edits.add(new Edit.PartChanged(before, after));
      }
      parts.add(after);
    } else {
      census
          .read(ref, Token.of(said), marking.isEmpty() ? said : marking, remark)
          .forEach(p -> {
            parts.add(p);
            edits.add(new Edit.PartAdded(p));
          });
    }
    Optional<Reading> reading = reading(table, cells, parts.getFirst(), line);
    reading.ifPresent(r -> edits.add(new Edit.ReadingKept(r)));
    What what =
        !known
            ? What.ADDS
            : edits.isEmpty()
                ? What.SAME
                : edits.getFirst() instanceof Edit.PartChanged ? What.CORRECTS : What.READS;
    return new Row(
        line,
        ref.toString(),
        (said + reading.map(r -> "  ·  " + r.typed()).orElse("")).strip(),
        what,
        edits,
        "");
  }

  /** The row as it would be typed after the reference. */
  private static String said(PartsListTable table, List<String> cells, Optional<Sort> sort) {
    String marking = plain(table, table.cell(cells, Column.MARKING));
    boolean bare =
        marking.matches("[\\d.]+(\\+[\\d.]+)*") && sort.filter(Sort.CAPACITOR::equals).isPresent();
    return Stream.of(
            table.cell(cells, Column.SORT),
            bare ? marking + table.bareUnit() : marking,
            united(plain(table, table.cell(cells, Column.VOLTS)), "V"),
            united(table.cell(cells, Column.TOLERANCE), "%"),
            table.cell(cells, Column.KIND),
            table.cell(cells, Column.ROLE),
            table.cell(cells, Column.POLARITY),
            lead("sees ", united(plain(table, table.cell(cells, Column.SEES)), "V")),
            lead("dated ", table.cell(cells, Column.DATE)))
        .filter(t -> !t.isEmpty())
        .collect(Collectors.joining(" "));
  }

  /** Figures with a decimal point, whichever the list writes; a comma between thousands goes. */
  private static String plain(PartsListTable table, String cell) {
    return table.decimalComma()
        ? cell.replaceAll("(?<=\\d)\\.(?=\\d{3}(\\D|$))", "").replaceAll("(?<=\\d),(?=\\d)", ".")
        : cell.replaceAll("(?<=\\d),(?=\\d{3}(\\D|$))", "");
  }

  private static String united(String cell, String unit) {
    return cell.isEmpty() || !Character.isDigit(cell.charAt(cell.length() - 1))
        ? cell
        : cell + unit;
  }

  private static String lead(String word, String cell) {
    return cell.isEmpty() ? "" : word + cell;
  }

  private Optional<Reading> reading(PartsListTable table, List<String> cells, Part part, int line) {
    String typed =
        Stream.of(
                united(plain(table, table.cell(cells, Column.CAPACITANCE_READ)), "u"),
                united(plain(table, table.cell(cells, Column.ESR_READ)), "r"),
                lead("D=", plain(table, table.cell(cells, Column.DISSIPATION_READ))),
                lead("@", plain(table, table.cell(cells, Column.READ_AT))))
            .filter(t -> !t.isEmpty())
            .collect(Collectors.joining(" "));
    if (typed.isEmpty() || typed.startsWith("@")) {
      return Optional.empty();
    }
    ReadingParser parser = new ReadingParser(part.sort());
    parser.read(Token.of(typed));
    return Optional.of(
        new Reading(
            "list-" + line + "-" + Long.toString(now.toEpochMilli(), 36),
            part.ref(),
            now,
            parser.figures(),
            parser.conditions(),
            typed));
  }
}
