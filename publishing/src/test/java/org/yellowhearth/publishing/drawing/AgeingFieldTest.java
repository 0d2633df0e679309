package org.yellowhearth.publishing.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Ageing;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;

/** The geometry of the field, without a window. */
public class AgeingFieldTest {
  private static Ageing at(String ref, double kept, double times) {
    Capacitor part =
        new Capacitor(
            PartRef.of(ref),
            "",
            "electrolytic-dry",
            1e-6,
            Optional.empty(),
            OptionalDouble.empty(),
            false,
            Role.UNSTATED,
            Polarity.UNSTATED,
            OptionalDouble.empty(),
            CanMark.UNSTATED,
            "",
            "");
    return new Ageing(
        part,
        new Ageing.Spot(
            OptionalDouble.of(kept), times > 0 ? OptionalDouble.of(times) : OptionalDouble.empty()),
        Optional.empty());
  }

  private static AgeingField.Frame frame(Ageing... all) {
    return new AgeingField(
            "field",
            "across",
            "up",
            List.of(all),
            Map.of(PartRef.of("C1"), Verdict.REPLACE),
            Optional.of(new Ageing.Ground(new Limits.Kept(0.7, 0.8, 1.5, 2), 2, 3)))
        .in(1000, 500, 10);
  }

  @Test
  public void acrossIsLinearAndUpIsLogarithmic() {
    AgeingField.Frame f = frame();
    assertThat(f.across(1) - f.across(0.5)).isCloseTo(f.across(1.5) - f.across(1), offset(1e-9));
    assertThat(f.up(1) - f.up(10)).isCloseTo(f.up(10) - f.up(100), offset(1e-9));
    assertThat(f.up(1e9)).as("what is off the scale stands on its edge").isEqualTo(f.up(1000));
    assertThat(f.across(7)).isEqualTo(f.across(2));
  }

  @Test
  public void whatWasNotReadStandsOnTheEdge() {
    assertThat(frame(at("C1", 1, 0)).places().getFirst().y()).isEqualTo(frame().up(0.1));
  }

  @Test
  public void aTokenIsFoundWhereItStandsAndNeighboursByTheirDirection() {
    AgeingField.Frame f =
        frame(at("C1", 0.5, 10), at("C2", 1, 10), at("C3", 0.5, 1), at("C4", 1.5, 11));
    AgeingField.Place first = f.places().getFirst();
    assertThat(f.at(first.x() + 3, first.y() - 2)).contains(first);
    assertThat(f.at(first.x() + 30, first.y())).isEmpty();
    assertThat(f.next(first, 1, 0).orElseThrow().ageing().part().ref()).isEqualTo(PartRef.of("C2"));
    assertThat(f.next(first, 0, 1).orElseThrow().ageing().part().ref()).isEqualTo(PartRef.of("C3"));
    assertThat(f.next(first, -1, 0)).isEmpty();
  }

  @Test
  public void theGroundsLieInsideOneAnother() {
    List<Plot.Mark.Area> areas =
        frame(at("C1", 1, 1)).marks().stream()
            .filter(Plot.Mark.Area.class::isInstance)
            .map(Plot.Mark.Area.class::cast)
            .toList();
    assertThat(areas)
        .extracting(Plot.Mark.Area::style)
        .containsExactly("field-bad", "field-watch", "field-good");
    assertThat(areas.get(2).left()).isGreaterThan(areas.get(1).left());
    assertThat(areas.get(2).top()).isGreaterThan(areas.get(1).top());
  }

  @Test
  public void theSvgShowsTheSignAndTheName() {
    String svg =
        new AgeingField(
                "field",
                "across",
                "up",
                List.of(at("C1", 0.5, 10)),
                Map.of(PartRef.of("C1"), Verdict.REPLACE),
                Optional.empty())
            .svg(800, 500);
    assertThat(svg).contains("<title>C1</title>", "#A83E12", ">C1</text>");
  }
}
