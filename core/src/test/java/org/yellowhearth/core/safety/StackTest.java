package org.yellowhearth.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.core.Sets.KNOWLEDGE;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.at;
import static org.yellowhearth.core.Sets.moment;
import static org.yellowhearth.core.Sets.part;
import static org.yellowhearth.core.Sets.with;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.Demand;

/** Capacitors one on another across a rail (common practice; the sums are those of a textbook). */
public class StackTest {
  private static final Capacitor C1 = part("C1", 125e-6, Role.RESERVOIR, "");
  private static final Capacitor C2 = part("C2", 125e-6, Role.RESERVOIR, "");

  private static Rail rail(double volts, boolean series) {
    return new Rail(
        "HT",
        "HT",
        volts,
        List.of(C1.ref(), C2.ref()),
        OptionalDouble.empty(),
        "",
        Rail.Bleeder.NONE,
        OptionalDouble.empty(),
        series);
  }

  private static Job job(Rail rail, Part... parts) {
    Job job = arrived();
    for (Part p : parts) {
      job = at(job, 0, new Edit.PartAdded(p));
    }
    return with(job, rail);
  }

  /** Two of 125 µF rated 450 V on 700 V: 62.5 µF, and half C U² makes 15 J. */
  @Test
  public void whatNeitherCouldBearAloneStandsInSeries() {
    Store store = Store.of(job(rail(700, false), C1, C2), KNOWLEDGE).getFirst();
    assertThat(store.stacked()).isTrue();
    assertThat(store.likelyFarads()).isCloseTo(62.5e-6, within(1e-9));
    assertThat(store.highFarads() * 700 * 700 / 2).isCloseTo(15.3, within(0.1));
  }

  @Test
  public void whatEachCouldBearLiesBesideUnlessItIsSaid() {
    Store beside = Store.of(job(rail(400, false), C1, C2), KNOWLEDGE).getFirst();
    assertThat(beside.likelyFarads()).isCloseTo(250e-6, within(1e-9));
    Store said = Store.of(job(rail(400, true), C1, C2), KNOWLEDGE).getFirst();
    assertThat(said.likelyFarads()).isCloseTo(62.5e-6, within(1e-9));
  }

  /** Neither alone nor together: then nothing is taken for granted, and the more counts. */
  @Test
  public void ratingsThatDoNotEvenReachTogetherProveNothing() {
    Store store = Store.of(job(rail(1500, false), C1, C2), KNOWLEDGE).getFirst();
    assertThat(store.stacked()).isFalse();
    assertThat(store.likelyFarads()).isCloseTo(250e-6, within(1e-9));
  }

  /** One a fifth small, the other as marked: it takes 1 / 0.8 against 1, five ninths of 700 V. */
  @Test
  public void theSmallerBearsMore() {
    Capacitor small =
        new Capacitor(
            C1.ref(),
            "",
            C1.kind(),
            C1.farads(),
            Optional.of(new Tolerance(-0.2, 0.2)),
            C1.ratedVolts(),
            false,
            C1.role(),
            C1.polarity(),
            OptionalDouble.empty(),
            C1.canMark(),
            "",
            "");
    Job job = job(rail(700, false), small, C2);
    Stack stack = Stack.with(C1.ref(), job).orElseThrow();
    assertThat(stack.most(small, job, KNOWLEDGE)).isCloseTo(700 * 5 / 9.0, within(0.1));
    assertThat(Demand.typed(job, small, KNOWLEDGE).worst().orElseThrow().volts())
        .isCloseTo(1.1 * 700 * 5 / 9, within(0.2));
  }

  /** Balancing resistors divide it, as they were measured: one of 100 kΩ that drifted to 150. */
  @Test
  public void theResistorsAcrossDivideIt() {
    Resistor r1 = resistor("R1");
    Resistor r2 = resistor("R2");
    Job job =
        with(
            job(rail(700, false), C1, C2, r1, r2),
            Parallel.of(C1.ref(), r1.ref()),
            Parallel.of(r2.ref(), C2.ref()));
    assertThat(Stack.with(C1.ref(), job).orElseThrow().most(C1, job, KNOWLEDGE))
        .isCloseTo(350, within(0.1));
    Job drifted =
        at(
            job,
            1,
            new Edit.ReadingKept(
                new Reading(
                    "r",
                    r1.ref(),
                    moment(1),
                    Figures.of(Figure.RESISTANCE, 150e3),
                    Conditions.of(d -> d.connection = Connection.OUT_OF_CIRCUIT),
                    "")));
    assertThat(Stack.with(C1.ref(), drifted).orElseThrow().most(C1, drifted, KNOWLEDGE))
        .isCloseTo(420, within(0.1));
  }

  private static Resistor resistor(String ref) {
    return new Resistor(
        PartRef.of(ref),
        "",
        100e3,
        Optional.empty(),
        OptionalDouble.empty(),
        Resistor.Make.UNSTATED,
        Resistor.Task.BALANCING,
        "",
        "");
  }
}
