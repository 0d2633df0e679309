package org.yellowhearth.storage.stock;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.replace.CounterList;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;

/** A counter list as a table for a web shop, and as lines to read out. */
public final class CounterText {
  private static final List<String> COLUMNS =
      List.of(
          "quantity",
          "what",
          "order",
          "leads",
          "diameter mm",
          "length mm",
          "celsius",
          "instead",
          "for");

  private final Words words;
  private final Describe describe;

  /** In the words of a dialect. */
  public CounterText(Words words) {
    this.words = words;
    this.describe = new Describe(words);
  }

  /** A table, its first line headings; a spreadsheet opens it. */
  public String csv(CounterList list) {
    StringBuilder text = new StringBuilder("\uFEFF");
    try (CSVPrinter out = new CSVPrinter(text, CSVFormat.DEFAULT)) {
      out.printRecord(COLUMNS);
      for (CounterList.Line l : list.lines()) {
        Ware w = l.ware();
        out.printRecord(
            List.of(
                    Integer.toString(l.bought()),
                    describe.ware(w),
                    l.order(),
                    words.word(w.leads()),
                    millimetres(w.diameterMetres()),
                    millimetres(w.lengthMetres()),
                    w instanceof CapacitorWare c ? plain(c.celsius(), 1) : "",
                    instead(l),
                    l.where())
                .stream()
                .map(StockCsv::harmless)
                .toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  /** Lines to read out at a counter: {@code 12 × 47 µF 450 V, electrolytic, radial}. */
  public String lines(CounterList list) {
    List<String> all = new ArrayList<>();
    for (CounterList.Line l : list.lines()) {
      all.add(l.bought() + " × " + describe.ware(l.ware()) + "   [" + l.order() + "]");
      String instead = instead(l);
      if (!instead.isEmpty()) {
        all.add("      or: " + instead);
      }
      all.add("      for: " + l.where());
    }
    return String.join("\n", all) + "\n";
  }

  private String instead(CounterList.Line l) {
    return l.instead().stream()
        .map(s -> describe.ware(s.ware()) + " [" + s.title() + "]")
        .collect(Collectors.joining("; "));
  }

  private static String millimetres(OptionalDouble metres) {
    return plain(metres, 1000);
  }

  private static String plain(OptionalDouble value, double times) {
    if (value.isEmpty()) {
      return "";
    }
    double v = Math.round(value.getAsDouble() * times * 10) / 10.0;
    return v == Math.rint(v) ? Long.toString((long) v) : Double.toString(v);
  }
}
