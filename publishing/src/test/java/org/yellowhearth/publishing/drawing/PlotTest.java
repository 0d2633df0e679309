package org.yellowhearth.publishing.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.StringReader;
import java.util.List;
import javax.xml.parsers.DocumentBuilderFactory;
import org.testng.annotations.Test;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;
import org.yellowhearth.core.quantity.Unit;

public class PlotTest {
  private static final Plot PLOT =
      new Plot(
          "HT & <bias>",
          "time",
          "V",
          Unit.SECOND,
          Unit.VOLT,
          0.1,
          List.of(
              new Plot.Curve(
                  "HT", "plot-curve", List.of(new Plot.Point(0, 100), new Plot.Point(10, 1)))),
          List.of(new Plot.Level(60, "touch", "plot-level")));

  @Test
  public void aDecadeIsADecadeAllTheWayUp() {
    Plot.Frame frame = PLOT.in(600, 300, 14);
    assertThat(frame.y(1) - frame.y(10)).isCloseTo(frame.y(10) - frame.y(100), within(1e-9));
    assertThat(frame.x(5) - frame.x(0)).isCloseTo(frame.x(10) - frame.x(5), within(1e-9));
  }

  @Test
  public void theReadoutSaysWhatStandsUnderThePointer() {
    Plot.Frame frame = PLOT.in(600, 300, 14);
    assertThat(frame.readout(frame.x(5))).containsExactly("5 s", "HT 50.5 V");
    assertThat(frame.readout(-5)).isEmpty();
  }

  @Test
  public void everythingDrawnLiesInTheBoxAndTicksCarryUnits() {
    List<Plot.Mark> marks = PLOT.in(600, 300, 14).marks();
    assertThat(marks)
        .allSatisfy(m -> {
          if (m instanceof Plot.Mark.Stroke s) {
            assertThat(s.pixels()).allSatisfy(p -> assertThat(p).isBetween(0.0, 600.0));
          }
        });
    assertThat(
            marks.stream()
                .filter(Plot.Mark.Words.class::isInstance)
                .map(m -> ((Plot.Mark.Words) m).text()))
        .contains("100 V", "10 V", "1 V", "0 s", "10 s", "touch");
  }

  @Test
  public void theSvgIsWellFormedAndSaysItsTitle() throws Exception {
    String svg = PlotSvg.write(PLOT, 600, 300);
    Document document =
        DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(new InputSource(new StringReader(svg)));
    assertThat(document.getElementsByTagName("title").item(0).getTextContent())
        .isEqualTo("HT & <bias>");
    assertThat(document.getElementsByTagName("polyline").getLength()).isGreaterThan(3);
    assertThat(svg).doesNotContain("NaN").doesNotContain("Infinity");
  }
}
