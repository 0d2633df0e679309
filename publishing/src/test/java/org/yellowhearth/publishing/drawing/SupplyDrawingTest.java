package org.yellowhearth.publishing.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.DoubleStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.SupplyNames;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.knowledge.json.RecordEdit;
import org.yellowhearth.publishing.drawing.SupplyDrawing.Placed;
import org.yellowhearth.publishing.drawing.SupplyDrawing.Symbol;

/**
 * The drawing of a supply and the river over it: everything is drawn once, in order, within its
 * box.
 */
public class SupplyDrawingTest {
  private static final double WIDTH = 700;
  private static final double EM = 14;

  @DataProvider
  public Object[][] presets() {
    return List.of(Preset.values()).stream().map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  /** The sections of arrangements put into one job, one beside the other. */
  private static List<SupplySection> sections(Preset... presets) {
    AtomicInteger ids = new AtomicInteger();
    ZonedDateTime now = Instant.parse("2026-05-05T12:00:00Z").atZone(ZoneOffset.UTC);
    Job job =
        Job.of(
            List.of(
                new Entry(
                    0,
                    now,
                    new Act.Did(new Edit.Arrived(SetPlate.named("Drawn set"), Policy.USUAL)))));
    for (Preset p : presets) {
      for (SupplySection s : p.sections(job, () -> String.format("p%03d", ids.getAndIncrement()))) {
        job =
            job.after(
                new Entry(
                    job.journal().size(),
                    now,
                    new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(s)))));
      }
    }
    return job.items(SupplySection.class);
  }

  @Test(dataProvider = "presets")
  public void everythingIsDrawnOnceAndNothingOnAnother(Preset preset) {
    List<SupplySection> all = sections(preset);
    SupplyDrawing d = SupplyDrawing.of(all);
    assertThat(d.placed()).extracting(Placed::element).doesNotHaveDuplicates();
    assertThat(d.placed())
        .extracting(Placed::section)
        .containsAll(all.stream().map(SupplySection::id).toList());
    // No two symbols of a row stand in one place, but the two capacitors of a doubler above one
    // another.
    for (Placed a : d.placed()) {
      for (Placed b : d.placed()) {
        boolean stacked =
            List.of(a.symbol(), b.symbol())
                .containsAll(List.of(Symbol.UPPER_CAPACITOR, Symbol.LOWER_CAPACITOR));
        if (!a.equals(b) && a.row() == b.row() && !stacked) {
          assertThat(Math.abs(a.column() - b.column()))
              .as(a + " on " + b)
              .isGreaterThanOrEqualTo(0.5);
        }
      }
      assertThat(a.column()).isBetween(0.0, (double) d.columns());
      assertThat(a.row()).isBetween(0, d.rows() - 1);
    }
    // A point is one stretch of wire, and what hangs on it hangs within it.
    assertThat(d.spans()).extracting(SupplyDrawing.Span::point).doesNotHaveDuplicates();
    all.stream()
        .flatMap(s -> s.points().stream())
        .filter(p -> !p.equals(SupplySection.CHASSIS))
        .forEach(p -> assertThat(d.span(p)).as(p).isPresent());
  }

  @Test
  public void arrangementsStandOneBelowTheOther() {
    SupplyDrawing d =
        SupplyDrawing.of(sections(Preset.VALVE_CHOKE, Preset.NEGATIVE_BIAS, Preset.VALVE_CHOKE));
    assertThat(d.rows()).isEqualTo(3);
    assertThat(d.spans())
        .extracting(SupplyDrawing.Span::point)
        .containsExactly("HT", "HT2", "bias", "bias2", "HT-2", "HT2-2");
    assertThat(d.placed().stream().filter(p -> p.symbol() == Symbol.CHOKE)).hasSize(2);
    assertThat(d.placed().stream().filter(p -> p.symbol() == Symbol.CAPACITOR && p.turned()))
        .as("positive end down on the negative rail")
        .extracting(Placed::row)
        .containsOnly(1)
        .hasSize(2);
    assertThat(SupplyDrawing.of(List.of()).rows()).isZero();
  }

  /** Current goes from left to right: what a stage feeds stands right of what feeds it. */
  @Test(dataProvider = "presets")
  public void currentGoesFromLeftToRight(Preset preset) {
    SupplyDrawing d = SupplyDrawing.of(sections(preset));
    d.placed().stream()
        .filter(p ->
            p.symbol() == Symbol.RESISTOR
                || p.symbol() == Symbol.CHOKE
                || p.symbol() == Symbol.REGULATOR)
        .forEach(p -> {
          assertThat(d.spans())
              .anySatisfy(s -> {
                assertThat(s.row()).isEqualTo(p.row());
                assertThat(s.to()).isCloseTo(p.column() - 0.5, within(1e-9));
              });
          assertThat(d.spans())
              .anySatisfy(s -> {
                assertThat(s.row()).isEqualTo(p.row());
                assertThat(s.from()).isCloseTo(p.column() + 0.5, within(1e-9));
              });
        });
  }

  private static DoubleStream pixels(List<Plot.Mark> marks, int axis) {
    return marks.stream()
        .flatMapToDouble(m ->
            switch (m) {
              case Plot.Mark.Stroke s -> every(s.pixels(), axis);
              case Plot.Mark.Shape s -> every(s.pixels(), axis);
              case Plot.Mark.Words w -> DoubleStream.of(axis == 0 ? w.x() : w.y());
              case Plot.Mark.Area a -> DoubleStream.of(axis == 0 ? a.left() : a.top());
              case Plot.Mark.Token t -> DoubleStream.of(axis == 0 ? t.x() : t.y());
            });
  }

  private static DoubleStream every(List<Double> pixels, int axis) {
    List<Double> all = new ArrayList<>();
    for (int k = axis; k < pixels.size(); k += 2) {
      all.add(pixels.get(k));
    }
    return all.stream().mapToDouble(d -> d);
  }

  @Test(dataProvider = "presets")
  public void theDrawingStaysInItsBoxAndCanBePointedAt(Preset preset) {
    List<SupplySection> all = sections(preset);
    double height = SupplySymbols.height(all, EM);
    List<Plot.Mark> marks = SupplySymbols.marks(all, _ -> "16 µF", 4 * EM, WIDTH, EM);
    assertThat(pixels(marks, 0).min().orElseThrow()).isPositive();
    assertThat(pixels(marks, 0).max().orElseThrow()).isLessThan(WIDTH);
    assertThat(pixels(marks, 1).max().orElseThrow()).isLessThan(height);
    List<SupplySymbols.Spot> spots = SupplySymbols.spots(all, 4 * EM, WIDTH, EM);
    assertThat(spots).hasSameSizeAs(SupplyDrawing.of(all).placed());
    assertThat(spots)
        .allSatisfy(s -> {
          assertThat(s.width()).isGreaterThan(10);
          assertThat(s.y() + s.height()).isLessThan(height);
        });
  }

  private static River river(List<SupplySection> sections, River.Post... posts) {
    List<River.Reach> drawn =
        List.of(
            new River.Reach("HT", 290, 280, 300, List.of(280.0, 300.0, 280.0)),
            new River.Reach("HT2", 270, 269, 271, List.of(269.0, 271.0, 269.0)));
    List<River.Reach> now =
        List.of(
            new River.Reach("HT", 260, 220, 300, List.of(220.0, 300.0, 220.0)),
            new River.Reach("HT2", 240, 239.9, 240.1, List.of(240.0, 240.0)));
    return new River(sections, drawn, now, List.of(posts));
  }

  /**
   * Higher volts stand higher, ripple is as thick as it is on the axis, nothing is thinner than can
   * be seen.
   */
  @Test
  public void theRiverIsAsHighAsTheVoltsAndAsThickAsTheRipple() {
    List<SupplySection> all = sections(Preset.VALVE_CHOKE);
    List<Plot.Mark> marks =
        river(all, new River.Post("HT2", 235, 5, 0, "235 V"))
            .marks(WIDTH, 300, EM, Optional.of("HT"));
    List<Plot.Mark.Shape> now =
        marks.stream()
            .filter(m -> m instanceof Plot.Mark.Shape s && s.style().equals("river-now"))
            .map(Plot.Mark.Shape.class::cast)
            .toList();
    assertThat(now).as("two points and what joins them").hasSize(3);
    double[] ht = every(now.getFirst().pixels(), 1).sorted().distinct().toArray();
    double perVolt = (ht[1] - ht[0]) / 80;
    Plot.Mark.Stroke zero =
        marks.stream()
            .filter(m -> m instanceof Plot.Mark.Stroke s && s.style().equals("plot-axis"))
            .map(Plot.Mark.Stroke.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(zero.pixels().get(1) - ht[1])
        .as("220 V above nothing")
        .isCloseTo(220 * perVolt, within(0.5));
    assertThat(marks)
        .anySatisfy(m ->
            assertThat(m)
                .isInstanceOfSatisfying(
                    Plot.Mark.Shape.class,
                    s -> {
                      assertThat(s.style()).isEqualTo("river-now");
                      double[] y = every(s.pixels(), 1).sorted().toArray();
                      assertThat(y[y.length - 1] - y[0])
                          .as("never too thin to be seen")
                          .isCloseTo(3, within(1e-6));
                    }));
    assertThat(marks)
        .anySatisfy(m ->
            assertThat(m)
                .isInstanceOfSatisfying(
                    Plot.Mark.Words.class, w -> assertThat(w.text()).isEqualTo("235 V")));
    assertThat(marks)
        .anySatisfy(m ->
            assertThat(m)
                .isInstanceOfSatisfying(
                    Plot.Mark.Area.class, a -> assertThat(a.style()).isEqualTo("river-chosen")));
    assertThat(pixels(marks, 1).min().orElseThrow()).isNotNegative();
    assertThat(pixels(marks, 1).max().orElseThrow()).isLessThanOrEqualTo(300);
  }

  @Test
  public void aPointOfTheRiverIsFoundUnderThePointer() {
    List<SupplySection> all = sections(Preset.VALVE_CHOKE);
    River r = river(all);
    double cell =
        SupplySymbols.cell(SupplyDrawing.of(all).columns(), River.LEFT_EMS * EM, WIDTH, EM);
    assertThat(r.pointAt(River.LEFT_EMS * EM + 2.5 * cell, WIDTH, EM)).contains("HT");
    assertThat(r.pointAt(River.LEFT_EMS * EM + 4.5 * cell, WIDTH, EM)).contains("HT2");
    assertThat(r.pointAt(River.LEFT_EMS * EM + 0.5 * cell, WIDTH, EM)).isEmpty();
    assertThat(r.spoken()).isEqualTo("HT 260 V; HT2 240 V");
  }

  @Test
  public void thePictureIsOneSvgWithBoth() {
    List<SupplySection> all = sections(Preset.DOUBLER);
    String svg =
        PlotSvg.supply(
            "Set <1>",
            new River(all, List.of(), List.of(), List.of()),
            _ -> "x",
            WIDTH,
            200,
            200 + SupplySymbols.height(all, PlotSvg.EM));
    assertThat(svg)
        .startsWith("<svg")
        .contains("Set &lt;1&gt;")
        .contains("C-HT")
        .contains("D1")
        .doesNotContain("NaN");
  }

  /**
   * A cascade doubler has its first capacitor in the line to the rectifiers, and its name within
   * the box.
   */
  @Test
  public void aCascadeDoublerHasItsFirstCapacitorInTheLine() {
    List<SupplySection> all =
        sections(Preset.DOUBLER).stream()
            .map(s ->
                s instanceof SupplyRectifier r
                    ? RecordEdit.with(r, "scheme", SupplyRectifier.Scheme.CASCADE_DOUBLER)
                    : s)
            .toList();
    assertThat(SupplyDrawing.of(all).placed())
        .extracting(Placed::symbol)
        .contains(Symbol.SERIES_CAPACITOR, Symbol.CAPACITOR)
        .doesNotContain(Symbol.UPPER_CAPACITOR);
    List<Plot.Mark> marks = SupplySymbols.marks(all, _ -> "100 µF", 4 * EM, WIDTH, EM);
    assertThat(
            marks.stream()
                .filter(Plot.Mark.Words.class::isInstance)
                .map(m -> ((Plot.Mark.Words) m).y())
                .min(Double::compare)
                .orElseThrow())
        .as("a line of letters from the top")
        .isGreaterThanOrEqualTo(0.7 * EM);
  }

  @Test
  public void partsWithoutAReferenceAreCalledByTheirPlace() {
    List<SupplySection> all = sections(Preset.VALVE_CHOKE, Preset.DOUBLER);
    assertThat(SupplyDrawing.of(all).placed())
        .extracting(Placed::element)
        .contains("C-HT", "C-HT2", "L-HT2", "C-D1", "C-HT-2");
    SupplyRectifier doubler =
        all.stream()
            .filter(s -> s instanceof SupplyRectifier r && r.scheme().doubles())
            .map(SupplyRectifier.class::cast)
            .findFirst()
            .orElseThrow();
    assertThat(new SupplyNames(all).first(doubler)).isEqualTo("C-D1");
  }

  /** Waves, spectra and histograms keep to their box and their axis. */
  @Test
  public void wavesAndBarsKeepToTheirBox() {
    List<Plot.Mark> wave =
        WaveChart.waves(
            List.of(new WaveChart.Curve(List.of(-1.0, 3.0, -1.0), "wave-now")),
            0.04,
            Unit.SECOND,
            Unit.VOLT,
            300,
            120,
            EM);
    assertThat(pixels(wave, 1).max().orElseThrow()).isLessThanOrEqualTo(120);
    assertThat(wave)
        .anySatisfy(m ->
            assertThat(m)
                .isInstanceOfSatisfying(
                    Plot.Mark.Words.class, w -> assertThat(w.text()).isEqualTo("40 ms")));
    List<Plot.Mark> bars =
        WaveChart.bars(List.of(1.0, 4.0), List.of("50", "100"), Unit.VOLT, 300, 120, EM);
    List<Double> heights =
        bars.stream()
            .filter(Plot.Mark.Area.class::isInstance)
            .map(m -> ((Plot.Mark.Area) m).height())
            .toList();
    assertThat(heights.get(1) / heights.get(0)).isCloseTo(4, within(1e-9));
  }
}
