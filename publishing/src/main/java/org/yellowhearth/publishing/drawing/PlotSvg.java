package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Writes a plot as SVG, in the colours of paper. */
public final class PlotSvg {
  private static final Map<String, String> STYLES =
      Map.ofEntries(
          Map.entry("plot-grid", "stroke:#DDD2B8"),
          Map.entry("plot-axis", "stroke:#6E6450"),
          Map.entry("plot-curve", "stroke:#A83E12;stroke-width:2.5"),
          Map.entry("plot-likely", "stroke:#3F5B73;stroke-width:2;stroke-dasharray:6 4"),
          Map.entry("plot-level", "stroke:#2F7566;stroke-dasharray:3 3"),
          Map.entry("river-drawn", "fill:#D8CDB6"),
          Map.entry("river-now", "fill:#F2B705;fill-opacity:0.6"),
          Map.entry("river-wave", "stroke:#7A5B00;stroke-width:1.5"),
          Map.entry("river-post", "stroke:#1F1B16;stroke-width:3"),
          Map.entry("river-knob", "fill:#FBF6EA;stroke:#1F1B16;stroke-width:2"),
          Map.entry("supply-line", "stroke:#1F1B16;stroke-width:1.5"),
          Map.entry("supply-body", "fill:none;stroke:#1F1B16;stroke-width:1.5"));
  private static final Map<String, String> GROUNDS =
      Map.of("field-bad", "#F3D9C4", "field-watch", "#F7E8B5", "field-good", "#FBF6EA");

  /** The height of letters. */
  public static final double EM = 14;

  private PlotSvg() {}

  /** The plot as an SVG document of this size. */
  public static String write(Plot plot, double width, double height) {
    return write(plot.title(), plot.in(width, height, EM).marks(), width, height);
  }

  /** A river over the drawing of its supply. */
  public static String supply(
      String title,
      River river,
      Function<String, String> values,
      double width,
      double riverHeight,
      double height) {
    List<Plot.Mark> marks = new ArrayList<>(river.marks(width, riverHeight, EM, Optional.empty()));
    SupplySymbols.marks(river.sections(), values, River.LEFT_EMS * EM, width, EM)
        .forEach(m -> marks.add(lowered(m, riverHeight)));
    return write(title, marks, width, height);
  }

  private static Plot.Mark lowered(Plot.Mark mark, double by) {
    return switch (mark) {
      case Plot.Mark.Stroke s -> new Plot.Mark.Stroke(lowered(s.pixels(), by), s.style());
      case Plot.Mark.Shape s -> new Plot.Mark.Shape(lowered(s.pixels(), by), s.style());
      case Plot.Mark.Area a ->
          new Plot.Mark.Area(a.left(), a.top() + by, a.width(), a.height(), a.style());
      case Plot.Mark.Token t ->
          new Plot.Mark.Token(t.x(), t.y() + by, t.verdict(), t.name(), t.named());
      case Plot.Mark.Words w ->
          new Plot.Mark.Words(w.x(), w.y() + by, w.anchor(), w.text(), w.style());
    };
  }

  private static List<Double> lowered(List<Double> pixels, double by) {
    List<Double> all = new ArrayList<>(pixels);
    for (int k = 1; k < all.size(); k += 2) {
      all.set(k, all.get(k) + by);
    }
    return all;
  }

  /** Marks laid out for this size, with letters of {@link #EM}, as an SVG document. */
  public static String write(String title, List<Plot.Mark> marks, double width, double height) {
    StringBuilder svg =
        new StringBuilder(
            String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %.0f %.0f\" font-family=\"sans-serif\" font-size=\"%.0f\">%n"
                    + "<title>%s</title>%n<rect width=\"100%%\" height=\"100%%\" fill=\"#FBF6EA\"/>%n",
                width,
                height,
                EM,
                escaped(title)));
    for (Plot.Mark mark : marks) {
      svg.append(element(mark)).append(System.lineSeparator());
    }
    return svg.append("</svg>").append(System.lineSeparator()).toString();
  }

  private static String element(Plot.Mark mark) {
    return switch (mark) {
      case Plot.Mark.Area a ->
          String.format(
              Locale.ROOT,
              "<rect x=\"%.1f\" y=\"%.1f\" width=\"%.1f\" height=\"%.1f\" fill=\"%s\"/>",
              a.left(),
              a.top(),
              a.width(),
              a.height(),
              GROUNDS.getOrDefault(a.style(), "none"));
      case Plot.Mark.Shape p ->
          "<polygon points=\""
              + points(p.pixels())
              + "\" style=\""
              + STYLES.getOrDefault(p.style(), "fill:#1F1B16")
              + "\"/>";
      case Plot.Mark.Token t -> token(t);
      case Plot.Mark.Stroke s ->
          "<polyline fill=\"none\" points=\""
              + points(s.pixels())
              + "\" style=\""
              + STYLES.getOrDefault(s.style(), "stroke:#1F1B16")
              + "\"/>";
      case Plot.Mark.Words w ->
          String.format(
              Locale.ROOT,
              "<text x=\"%.1f\" y=\"%.1f\" text-anchor=\"%s\">%s</text>",
              w.x(),
              w.y(),
              w.anchor().name().toLowerCase(Locale.ROOT),
              escaped(w.text()));
    };
  }

  /** The sign of a verdict, the same shapes as on the screen. */
  private static String token(Plot.Mark.Token t) {
    String shape =
        switch (t.verdict()) {
          case KEEP -> "<circle r=\"5\" fill=\"#2F7566\"/>";
          case WATCH -> "<circle r=\"4\" fill=\"none\" stroke=\"#7A5B00\" stroke-width=\"2.5\"/>";
          case REFORM -> "<polygon points=\"0,-6 6,5 -6,5\" fill=\"#7A5B00\"/>";
          case REPLACE -> "<polygon points=\"0,-6 6,0 0,6 -6,0\" fill=\"#A83E12\"/>";
          case RECHECK ->
              "<rect x=\"-4\" y=\"-4\" width=\"8\" height=\"8\" fill=\"none\" stroke=\"#3F5B73\" stroke-width=\"2.5\"/>";
        };
    String name = t.named() ? "<text x=\"9\" y=\"4\">" + escaped(t.name()) + "</text>" : "";
    return String.format(
        Locale.ROOT,
        "<g transform=\"translate(%.1f %.1f)\"><title>%s</title>%s%s</g>",
        t.x(),
        t.y(),
        escaped(t.name()),
        shape,
        name);
  }

  private static String points(List<Double> pixels) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i + 1 < pixels.size(); i += 2) {
      text.append(String.format(Locale.ROOT, "%.1f,%.1f ", pixels.get(i), pixels.get(i + 1)));
    }
    return text.toString().strip();
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }
}
