package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.publishing.drawing.SupplyDrawing.Placed;
import org.yellowhearth.publishing.drawing.SupplyDrawing.Span;

/** Draws a supply in the symbols of the trade, as strokes and words. */
public final class SupplySymbols {
  /** The height of a row, in heights of the text. */
  private static final double ROW_EMS = 8;

  private static final double WIRE_EMS = 1.7;
  private static final double LETTER_EMS = 0.5;
  private static final double GAP_EMS = 0.4;
  private static final int ARC = 10;
  private static final String LINE = "supply-line";
  private static final String BODY = "supply-body";

  private final SupplyDrawing drawing;
  private final Function<String, String> values;
  private final double left;
  private final double cell;
  private final double em;
  private final List<Plot.Mark> marks = new ArrayList<>();

  /** Where a symbol is, to be pointed at. */
  public record Spot(
      String element, String section, double x, double y, double width, double height) {}

  private SupplySymbols(
      SupplyDrawing drawing,
      Function<String, String> values,
      double left,
      double width,
      double em) {
    this.drawing = drawing;
    this.values = values;
    this.left = left;
    this.em = em;
    this.cell = cell(drawing.columns(), left, width, em);
  }

  static double cell(int columns, double left, double width, double em) {
    return Math.min(8 * em, (width - left - em) / Math.max(1, columns));
  }

  /** How high the drawing of these sections is. */
  public static double height(List<SupplySection> sections, double em) {
    return Math.max(1, SupplyDrawing.of(sections).rows()) * ROW_EMS * em;
  }

  /**
   * The drawing of sections.
   *
   * @param values what is written under the name of an element
   */
  public static List<Plot.Mark> marks(
      List<SupplySection> sections,
      Function<String, String> values,
      double left,
      double width,
      double em) {
    return new SupplySymbols(SupplyDrawing.of(sections), values, left, width, em).all();
  }

  /** Where the symbols of sections stand. */
  public static List<Spot> spots(
      List<SupplySection> sections, double left, double width, double em) {
    SupplySymbols s = new SupplySymbols(SupplyDrawing.of(sections), _ -> "", left, width, em);
    List<Spot> spots = new ArrayList<>();
    for (Placed p : s.drawing.placed()) {
      double y = s.wire(p.row());
      double x = s.x(p.column()) - s.cell / 2;
      spots.add(
          switch (p.symbol()) {
            case UPPER_CAPACITOR ->
                new Spot(p.element(), p.section(), x, y + 0.2 * em, 2 * s.cell, 1.5 * em);
            case LOWER_CAPACITOR ->
                new Spot(p.element(), p.section(), x, y + 1.8 * em, 2 * s.cell, 1.5 * em);
            case SERIES_CAPACITOR ->
                new Spot(
                    p.element(),
                    p.section(),
                    x + 0.25 * s.cell,
                    y - 1.6 * em,
                    s.cell / 2,
                    2.4 * em);
            default ->
                new Spot(
                    p.element(),
                    p.section(),
                    x,
                    y + (hangs(p) ? 0.3 * em : -1.2 * em),
                    s.cell,
                    (hangs(p) ? 5.9 : 4.9) * em);
          });
    }
    return spots;
  }

  private static boolean hangs(Placed p) {
    return switch (p.symbol()) {
      case CAPACITOR, UPPER_CAPACITOR, LOWER_CAPACITOR, BLEEDER, LOAD, STAGE, STABILISER -> true;
      case MAINS,
          WINDING,
          TAPPED_WINDING,
          RECTIFIER,
          BRIDGE,
          DOUBLER,
          CHOKE,
          RESISTOR,
          REGULATOR,
          CONVERTER,
          SERIES_CAPACITOR ->
          false;
    };
  }

  private double x(double column) {
    return left + column * cell;
  }

  private double wire(int row) {
    return (row * ROW_EMS + WIRE_EMS) * em;
  }

  private List<Plot.Mark> all() {
    for (Span s : drawing.spans()) {
      line(x(s.from()), wire(s.row()), x(s.to()), wire(s.row()));
      marks.add(
          new Plot.Mark.Words(
              x(s.from()) + 0.2 * em,
              wire(s.row()) - 0.5 * em,
              Plot.Anchor.START,
              s.point(),
              "supply-point"));
    }
    drawing
        .drops()
        .forEach(d -> line(x(d.column()), wire(d.fromRow()), x(d.column()), wire(d.toRow())));
    drawing.placed().forEach(this::symbol);
    return marks;
  }

  private void symbol(Placed p) {
    double x = x(p.column());
    double y = wire(p.row());
    switch (p.symbol()) {
      case MAINS, WINDING, TAPPED_WINDING ->
          winding(x, y, p.symbol() == SupplyDrawing.Symbol.TAPPED_WINDING);
      case RECTIFIER -> {
        line(x - cell / 2, y, x + cell / 2, y);
        diode(x, y, p.turned());
      }
      case BRIDGE -> bridge(x, y, p.turned());
      case DOUBLER -> {
        line(x - cell / 2, y, x + cell / 2, y);
        diode(x - 0.8 * em, y, false);
        diode(x + 0.8 * em, y, false);
      }
      case CHOKE -> {
        double w = Math.min(cell * 0.8, 3.6 * em);
        line(x - cell / 2, y, x - w / 2, y);
        line(x + w / 2, y, x + cell / 2, y);
        coil(x, y, w, 4);
        line(x - w / 2, y - 0.75 * em, x + w / 2, y - 0.75 * em);
      }
      case RESISTOR -> {
        double w = Math.min(cell * 0.7, 3 * em);
        line(x - cell / 2, y, x - w / 2, y);
        line(x + w / 2, y, x + cell / 2, y);
        box(x - w / 2, y - 0.4 * em, w, 0.8 * em);
      }
      case REGULATOR -> {
        double w = Math.min(cell * 0.8, 3 * em);
        line(x - cell / 2, y, x - w / 2, y);
        line(x + w / 2, y, x + cell / 2, y);
        box(x - w / 2, y - 0.8 * em, w, 1.6 * em);
        line(x, y + 0.8 * em, x, y + 1.2 * em);
        chassis(x, y + 1.2 * em);
      }
      case CONVERTER -> {
        // A square cut from corner to corner: direct voltage in, direct voltage out, as the
        // standards draw a converter.
        double w = Math.min(cell * 0.8, 2.6 * em);
        line(x - cell / 2, y, x - w / 2, y);
        line(x + w / 2, y, x + cell / 2, y);
        box(x - w / 2, y - 1.1 * em, w, 2.2 * em);
        line(x - w / 2, y + 1.1 * em, x + w / 2, y - 1.1 * em);
        dc(x - w / 4, y - 0.55 * em);
        dc(x + w / 4, y + 0.55 * em);
      }
      case CAPACITOR -> capacitor(x, y, p.turned());
      case UPPER_CAPACITOR -> {
        line(x, y, x, y + 0.8 * em);
        plates(x, y + 0.8 * em);
        line(x, y + 1.15 * em, x, y + 1.75 * em);
        beside(x, y + 1.2 * em, p.element());
        return;
      }
      case LOWER_CAPACITOR -> {
        line(x, y + 1.75 * em, x, y + 2.3 * em);
        // Between the two the winding comes in.
        line(x - 0.9 * em, y + 1.75 * em, x, y + 1.75 * em);
        words(x - 1.3 * em, y + 2.05 * em, "~", "supply-value");
        plates(x, y + 2.3 * em);
        line(x, y + 2.65 * em, x, y + 3.2 * em);
        chassis(x, y + 3.2 * em);
        beside(x, y + 2.8 * em, p.element());
        return;
      }
      case SERIES_CAPACITOR -> {
        line(x - 0.15 * em, y - 0.6 * em, x - 0.15 * em, y + 0.6 * em);
        line(x + 0.15 * em, y - 0.6 * em, x + 0.15 * em, y + 0.6 * em);
        words(
            x,
            y - 0.8 * em,
            (p.element() + "  " + values.apply(p.element())).strip(),
            "supply-name");
        return;
      }
      case BLEEDER -> {
        line(x, y, x, y + 0.8 * em);
        box(x - 0.4 * em, y + 0.8 * em, 0.8 * em, 2 * em);
        line(x, y + 2.8 * em, x, y + 3.2 * em);
        chassis(x, y + 3.2 * em);
      }
      case LOAD -> {
        line(x, y, x, y + 2.9 * em);
        stroke(LINE, x - 0.45 * em, y + 2.2 * em, x, y + 3 * em, x + 0.45 * em, y + 2.2 * em);
      }
      case STAGE -> valve(x, y);
      case STABILISER -> {
        line(x, y, x, y + 1 * em);
        stroke(
            LINE,
            x - 0.8 * em,
            y + 1.2 * em,
            x - 0.6 * em,
            y + 1 * em,
            x + 0.6 * em,
            y + 1 * em,
            x + 0.8 * em,
            y + 0.8 * em);
        shape(x, y + 1 * em, x - 0.6 * em, y + 2 * em, x + 0.6 * em, y + 2 * em);
        line(x, y + 2 * em, x, y + 3.2 * em);
        chassis(x, y + 3.2 * em);
      }
    }
    double down = hangs(p) ? 4.75 * em : 2.3 * em;
    words(x, y + down, p.element(), "supply-name");
    String value = values.apply(p.element());
    // Where the cells are narrower than the value, it stands with the details only; left of a
    // winding there is room.
    if (p.column() < 1 || (value.length() * LETTER_EMS + GAP_EMS) * em <= cell) {
      words(x, y + down + 1.05 * em, value, "supply-value");
    }
  }

  private void winding(double x, double y, boolean tapped) {
    double h = 2.6 * em;
    List<Double> points = new ArrayList<>();
    for (int turn = 0; turn < 4; turn++) {
      for (int k = 0; k <= ARC; k++) {
        double angle = Math.PI * k / ARC;
        points.add(x + 0.5 * em * Math.sin(angle));
        points.add(y - h / 2 + (turn + (1 - Math.cos(angle)) / 2) * h / 4);
      }
    }
    marks.add(new Plot.Mark.Stroke(points, LINE));
    line(x - 0.35 * em, y - h / 2, x - 0.35 * em, y + h / 2);
    line(x - 0.6 * em, y - h / 2, x - 0.6 * em, y + h / 2);
    stroke(LINE, x, y - h / 2, x + 0.7 * em, y - h / 2, x + 0.7 * em, y, x + cell / 2, y);
    if (tapped) {
      line(x + 0.1 * em, y, x + 0.45 * em, y);
    }
  }

  private void diode(double x, double y, boolean turned) {
    double s = turned ? -1 : 1;
    shape(x - s * 0.5 * em, y - 0.55 * em, x - s * 0.5 * em, y + 0.55 * em, x + s * 0.45 * em, y);
    line(x + s * 0.45 * em, y - 0.55 * em, x + s * 0.45 * em, y + 0.55 * em);
  }

  private void bridge(double x, double y, boolean turned) {
    line(x - cell / 2, y, x - 1.2 * em, y);
    line(x + 1.2 * em, y, x + cell / 2, y);
    stroke(
        LINE, x - 1.2 * em, y, x, y - 1.2 * em, x + 1.2 * em, y, x, y + 1.2 * em, x - 1.2 * em, y);
    diode(x, y, turned);
  }

  /** The sign of direct voltage: a line over a broken one. */
  private void dc(double x, double y) {
    line(x - 0.4 * em, y - 0.12 * em, x + 0.4 * em, y - 0.12 * em);
    for (int dash = -1; dash <= 1; dash++) {
      line(
          x + dash * 0.3 * em - 0.1 * em,
          y + 0.15 * em,
          x + dash * 0.3 * em + 0.1 * em,
          y + 0.15 * em);
    }
  }

  private void coil(double x, double y, double width, int turns) {
    List<Double> points = new ArrayList<>();
    for (int turn = 0; turn < turns; turn++) {
      for (int k = 0; k <= ARC; k++) {
        double angle = Math.PI * k / ARC;
        points.add(x - width / 2 + (turn + (1 - Math.cos(angle)) / 2) * width / turns);
        points.add(y - 0.5 * em * Math.sin(angle));
      }
    }
    marks.add(new Plot.Mark.Stroke(points, LINE));
  }

  private void capacitor(double x, double y, boolean turned) {
    double plus = turned ? y + 2 * em : y + 1.5 * em;
    double minus = turned ? y + 1.5 * em : y + 2 * em;
    line(x, y, x, y + 1.5 * em);
    line(x - 0.75 * em, plus, x + 0.75 * em, plus);
    double bow = turned ? -0.22 * em : 0.22 * em;
    List<Double> arc = new ArrayList<>();
    for (int k = 0; k <= ARC; k++) {
      double u = -1 + 2.0 * k / ARC;
      arc.add(x + 0.75 * em * u);
      arc.add(minus + bow * u * u);
    }
    marks.add(new Plot.Mark.Stroke(arc, LINE));
    words(x - 1 * em, (turned ? y + 2.7 * em : y + 1.3 * em), "+", "supply-value");
    line(x, y + 2 * em, x, y + 3.2 * em);
    chassis(x, y + 3.2 * em);
  }

  /** The two plates of a small capacitor, the curved one down. */
  private void plates(double x, double y) {
    line(x - 0.65 * em, y, x + 0.65 * em, y);
    stroke(
        LINE,
        x - 0.65 * em,
        y + 0.5 * em,
        x - 0.3 * em,
        y + 0.37 * em,
        x,
        y + 0.33 * em,
        x + 0.3 * em,
        y + 0.37 * em,
        x + 0.65 * em,
        y + 0.5 * em);
  }

  private void beside(double x, double y, String element) {
    marks.add(
        new Plot.Mark.Words(
            x + em,
            y,
            Plot.Anchor.START,
            (element + "  " + values.apply(element)).strip(),
            "supply-name"));
  }

  private void valve(double x, double y) {
    List<Double> ring = new ArrayList<>();
    for (int k = 0; k <= 2 * ARC; k++) {
      double angle = Math.PI * k / ARC;
      ring.add(x + 1.1 * em * Math.cos(angle));
      ring.add(y + 2 * em + 1.1 * em * Math.sin(angle));
    }
    marks.add(new Plot.Mark.Stroke(ring, LINE));
    line(x, y, x, y + 1.4 * em);
    line(x - 0.5 * em, y + 1.4 * em, x + 0.5 * em, y + 1.4 * em);
    for (int dash = -1; dash <= 1; dash++) {
      line(
          x + dash * 0.45 * em - 0.13 * em,
          y + 2 * em,
          x + dash * 0.45 * em + 0.13 * em,
          y + 2 * em);
    }
    stroke(
        LINE,
        x - 0.4 * em,
        y + 2.75 * em,
        x - 0.4 * em,
        y + 2.5 * em,
        x + 0.4 * em,
        y + 2.5 * em,
        x + 0.4 * em,
        y + 3.3 * em);
    chassis(x + 0.4 * em, y + 3.3 * em);
  }

  private void chassis(double x, double y) {
    line(x - 0.6 * em, y, x + 0.6 * em, y);
    for (int k = 0; k < 3; k++) {
      double at = x - 0.5 * em + k * 0.5 * em;
      line(at, y, at - 0.25 * em, y + 0.35 * em);
    }
  }

  private void box(double x, double y, double width, double height) {
    shape(x, y, x + width, y, x + width, y + height, x, y + height);
  }

  private void line(double... points) {
    stroke(LINE, points);
  }

  private void stroke(String style, double... points) {
    marks.add(new Plot.Mark.Stroke(boxed(points), style));
  }

  private void shape(double... points) {
    marks.add(new Plot.Mark.Shape(boxed(points), BODY));
  }

  private static List<Double> boxed(double... points) {
    List<Double> all = new ArrayList<>();
    for (double p : points) {
      all.add(p);
    }
    return all;
  }

  private void words(double x, double y, String text, String style) {
    if (!text.isEmpty()) {
      marks.add(new Plot.Mark.Words(x, y, Plot.Anchor.MIDDLE, text, style));
    }
  }
}
