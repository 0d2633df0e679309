package org.yellowhearth.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.core.Sets.KNOWLEDGE;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.at;
import static org.yellowhearth.core.Sets.moment;
import static org.yellowhearth.core.Sets.part;
import static org.yellowhearth.core.Sets.rail;
import static org.yellowhearth.core.Sets.with;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.Rail.Bleeder;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;

public class HearthTest {
  private static final Edit LIT = new Edit.PowerSwitched(Edit.Power.LIT);
  private static final Edit OFF = new Edit.PowerSwitched(Edit.Power.OFF);

  private static ChargeReading hearth(Job job, double seconds) {
    return Hearth.of(job, KNOWLEDGE).at(moment(seconds));
  }

  private static Job run(Job job) {
    return at(at(job, 0, LIT), 600, OFF);
  }

  @Test
  public void aSetWithNothingListedOrNothingMeasuredIsUnknown() {
    assertThat(hearth(arrived(), 10).state()).isEqualTo(ChargeState.UNKNOWN);
    Job listed = with(arrived(), rail("HT", 300, 40e-6, Bleeder.MEASURED, 100e3));
    assertThat(hearth(listed, 1e6).state()).isEqualTo(ChargeState.UNKNOWN);
    assertThat(hearth(at(arrived(), 0, LIT), 1).state()).isEqualTo(ChargeState.LIT);
  }

  /**
   * RC = 4 s: 60 V after 4·ln 5 = 6.4 s and more, for what the dielectric gives back on the way;
   * ngspice says 6.4504 s.
   */
  @Test
  public void aMeasuredBleederCountsTheTimeDown() {
    Job off = run(with(arrived(), rail("HT", 300, 40e-6, Bleeder.MEASURED, 100e3)));
    ChargeReading now = hearth(off, 600);
    assertThat(now.state()).isEqualTo(ChargeState.BANKED);
    assertThat(now.volts()).isCloseTo(300, within(1e-9));
    assertThat(now.touchSafe()).isFalse();
    assertThat(now.touchSafeIn().orElseThrow().toMillis()).isCloseTo(6450L, within(2L));
    assertThat(hearth(off, 606).touchSafe()).isFalse();
    assertThat(hearth(off, 607).touchSafe()).isTrue();
    Duration meter = now.meterSafeIn().orElseThrow();
    assertThat(hearth(off, 600 + meter.toMillis() / 1000.0 - 0.1).state())
        .isEqualTo(ChargeState.BANKED);
    assertThat(hearth(off, 600 + meter.toMillis() / 1000.0 + 0.1).state())
        .isEqualTo(ChargeState.COLD);
  }

  @Test
  public void aBleederThatIsOnlyMarkedPromisesNothing() {
    Job off = run(with(arrived(), rail("HT", 300, 40e-6, Bleeder.MARKED, 100e3)));
    ChargeReading later = hearth(off, 6000);
    assertThat(later.state()).isEqualTo(ChargeState.BANKED);
    assertThat(later.volts()).isEqualTo(300);
    assertThat(later.touchSafeIn()).isEmpty();
    assertThat(hearth(off, 600).likelyTouchSafeIn()).isPresent();
    assertThat(later.likelyMeterSafeIn()).contains(Duration.ZERO);
    // The meter proves it; what the dielectric could still give back keeps it from being cold at
    // once.
    Job measured = at(off, 6000, new Edit.VoltsMeasured("HT", 0.2));
    assertThat(hearth(measured, 6001).state()).isEqualTo(ChargeState.BANKED);
    assertThat(hearth(measured, 6001).touchSafe()).isTrue();
    assertThat(hearth(measured, 6001).highestVolts()).isBetween(20.0, 300 / 11.0 + 0.2);
  }

  @Test
  public void dischargingAndMeasuringAgainAfterARestEndsCold() {
    Job job = run(with(arrived(), rail("HT", 300, 40e-6, Bleeder.NONE, 0)));
    double now = 601;
    for (int i = 0; i < 3; i++) {
      job = at(job, now, new Edit.VoltsMeasured("HT", 0.1));
      now += 3600;
    }
    assertThat(hearth(job, now).state())
        .as("a tenth comes back, then a hundredth")
        .isEqualTo(ChargeState.COLD);
    assertThat(hearth(at(job, now, LIT), now + 1).state()).isEqualTo(ChargeState.LIT);
  }

  @Test
  public void aClipIsLikelyToWorkAndNeverProof() {
    Job clipped =
        at(
            run(with(arrived(), rail("HT", 300, 40e-6, Bleeder.NONE, 0))),
            601,
            new Edit.ClipPut("HT", 1e3));
    assertThat(hearth(clipped, 1000).volts()).isEqualTo(300);
    assertThat(hearth(clipped, 601).likelyTouchSafeIn().orElseThrow())
        .isLessThan(Duration.ofSeconds(1));
    Job measured = at(clipped, 603, new Edit.VoltsMeasured("HT", 0.0));
    assertThat(hearth(measured, 604).touchSafe()).isTrue();
    assertThat(hearth(measured, 604).highestVolts()).as("should the clip slip").isGreaterThan(20);
    assertThat(
            hearth(at(measured, 605, new Edit.ClipTaken("HT")), 606).stores().getFirst().clipOhms())
        .isEmpty();
  }

  @Test
  public void theWorstOfSeveralRailsSpeaks() {
    Job off =
        run(
            with(
                arrived(),
                rail("HT", 300, 40e-6, Bleeder.MEASURED, 100e3),
                rail("boost", 700, 0.1e-6, Bleeder.NONE, 0)));
    assertThat(hearth(off, 700).volts()).isEqualTo(700);
    assertThat(hearth(off, 700).touchSafeIn()).isEmpty();
    assertThat(hearth(off, 700).worst().orElseThrow().store().name()).isEqualTo("boost");
  }

  @Test
  public void aSetFoundEmptyIsColdAndOneJustDischargedIsNot() {
    Job listed = with(arrived(), rail("HT", 300, 40e-6, Bleeder.NONE, 0));
    assertThat(hearth(at(listed, 1, new Edit.VoltsMeasured("HT", 0.1, true)), 2).state())
        .isEqualTo(ChargeState.COLD);
    ChargeReading discharged = hearth(at(listed, 1, new Edit.VoltsMeasured("HT", 0.1)), 2);
    assertThat(discharged.state()).isEqualTo(ChargeState.BANKED);
    assertThat(discharged.highestVolts()).isGreaterThan(20);
  }

  @Test
  public void aRailWhosePartLeftTheCensusIsUnknownAgain() {
    Capacitor part = part("C1", 40e-6, Role.RESERVOIR, "");
    Rail rail =
        new Rail(
            "HT",
            "HT",
            300,
            List.of(part.ref()),
            OptionalDouble.empty(),
            "",
            Bleeder.MEASURED,
            OptionalDouble.of(100e3));
    Job off = run(with(at(arrived(), 0, new Edit.PartAdded(part)), rail));
    assertThat(hearth(off, 601).state()).isEqualTo(ChargeState.BANKED);
    Job gone = at(off, 601, new Edit.PartRemoved(part, List.of()));
    assertThat(hearth(gone, 100_000).state()).isEqualTo(ChargeState.UNKNOWN);
    assertThat(hearth(gone, 100_000).touchSafe()).isFalse();
  }

  /**
   * The capacitance held against the clock is the larger of measured and marked with its tolerance.
   */
  @Test
  public void theMostCapacitanceCounts() {
    Capacitor part = part("C1", 40e-6, Role.RESERVOIR, "");
    Rail rail =
        new Rail(
            "HT",
            "HT",
            300,
            List.of(part.ref()),
            OptionalDouble.empty(),
            "",
            Bleeder.NONE,
            OptionalDouble.empty());
    Job job = with(at(arrived(), 0, new Edit.PartAdded(part)), rail);
    Job measured =
        at(
            job,
            1,
            new Edit.ReadingKept(
                new Reading(
                    "r",
                    part.ref(),
                    moment(1),
                    Figures.of(Figure.CAPACITANCE, 55e-6),
                    Conditions.UNSTATED,
                    "")));
    assertThat(Store.of(job, KNOWLEDGE).getFirst().highFarads()).isEqualTo(40e-6);
    assertThat(Store.of(measured, KNOWLEDGE).getFirst().highFarads()).isEqualTo(55e-6);
    assertThat(Store.of(measured, KNOWLEDGE).getFirst().absorption()).isEqualTo(0.1);
  }

  /** 10 mF at 59 V still holds 17 J (design, common practice). */
  @Test
  public void muchEnergyIsNotTouchSafeEvenUnderSixtyVolts() {
    Job off = run(with(arrived(), rail("raw", 59, 10e-3, Bleeder.NONE, 0)));
    assertThat(hearth(off, 601).touchSafe()).isFalse();
    assertThat(hearth(off, 601).worst().orElseThrow().hazard()).isEqualTo(HazardClass.BURN);
  }

  @Test
  public void thePictureTubeIsAStoreOfItsOwn() {
    Job set =
        at(
            arrived(),
            0,
            new Edit.AspectChanged(
                Build.BLANK,
                Build.BLANK.with(b ->
                    b.pictureTube =
                        Optional.of(new Build.PictureTube(16e3, OptionalDouble.empty())))));
    Job off = run(set);
    assertThat(hearth(off, 700).volts()).isEqualTo(16e3);
    Job once = at(off, 700, new Edit.VoltsMeasured(Edit.PICTURE_TUBE, 0));
    assertThat(hearth(once, 701).highestVolts()).as("it comes back").isGreaterThan(500);
    assertThat(hearth(once, 701).touchSafe()).isFalse();
  }

  @Test
  public void aClockThatWasSetBackTakesNothingBack() {
    Job off = run(with(arrived(), rail("HT", 300, 40e-6, Bleeder.MEASURED, 100e3)));
    Job back = at(off, 10, new Edit.VoltsMeasured("HT", 250));
    assertThat(hearth(back, 20).volts()).as("no time has passed").isCloseTo(250, within(1e-9));
  }

  /** What really is on one rail, stepped through time; nobody in the program knows it. */
  private static final class Truth {
    private final Rail rail;
    private final double bleeder;
    private final double absorption;
    private double node;
    private double soaked;
    private double clip = Double.POSITIVE_INFINITY;
    private boolean touched;

    Truth(Rail rail, Random r) {
      this.rail = rail;
      this.bleeder =
          switch (rail.bleeder()) {
            case NONE -> Double.POSITIVE_INFINITY;
            case MEASURED -> rail.bleederOhms().getAsDouble();
            case MARKED ->
                r.nextBoolean() ? rail.bleederOhms().getAsDouble() : Double.POSITIVE_INFINITY;
          };
      this.absorption = r.nextDouble() * 0.1;
    }

    void lit() {
      touched = true;
      node = rail.volts();
      soaked = rail.volts();
    }

    /**
     * Small explicit steps of the two differential equations, unlike the closed form under test.
     */
    void goOn(double seconds) {
      double c = rail.otherFarads().getAsDouble();
      double path = 1 / bleeder + 1 / clip;
      double fastest =
          path / c + absorption / ChargeModel.SOAK_SECONDS + 1 / ChargeModel.SOAK_SECONDS;
      int steps = (int) Math.min(20_000, Math.max(20, Math.ceil(seconds * fastest * 10)));
      double dt = seconds / steps;
      for (int i = 0; i < steps; i++) {
        double into = absorption / ChargeModel.SOAK_SECONDS * (node - soaked);
        double decay = Math.exp(-path / c * dt);
        soaked += (node - soaked) / ChargeModel.SOAK_SECONDS * dt;
        node = node * decay - into * dt;
      }
    }
  }

  /** Random events: never COLD while a rail holds more than a volt, never touch-safe above 60 V. */
  @Test
  public void itNeverSaysSafeWhileTheSetIsNot() {
    int cold = 0;
    int touch = 0;
    for (int seed = 0; seed < 400; seed++) {
      Random r = new Random(seed);
      List<Truth> truths = new ArrayList<>();
      Job job = arrived();
      for (int i = 0; i <= r.nextInt(3); i++) {
        Bleeder bleeder = List.of(Bleeder.values()).get(r.nextInt(3));
        Rail rail =
            rail(
                "R" + i,
                5 + r.nextInt(500),
                Math.pow(10, -7 + 4 * r.nextDouble()),
                bleeder,
                Math.pow(10, 3 + 3 * r.nextDouble()));
        job = with(job, rail);
        truths.add(new Truth(rail, r));
        truths.getLast().node = r.nextBoolean() ? 0 : r.nextDouble() * rail.volts();
        truths.getLast().soaked = truths.getLast().node;
      }
      boolean lit = false;
      double now = 1;
      for (int step = 0; step < 25; step++) {
        Truth t = truths.get(r.nextInt(truths.size()));
        switch (r.nextInt(6)) {
          case 0 -> {
            lit = true;
            truths.forEach(Truth::lit);
            job = at(job, now, LIT);
          }
          case 1 -> {
            lit = false;
            job = at(job, now, OFF);
          }
          case 2, 3 -> {
            if (!lit && r.nextBoolean()) {
              t.node = 0;
              t.touched = true;
            }
            boolean found = !t.touched && r.nextBoolean();
            job =
                at(
                    job,
                    now,
                    new Edit.VoltsMeasured(t.rail.id(), lit ? t.rail.volts() : t.node, found));
          }
          case 4 -> {
            double ohms = Math.pow(10, 2 + 2 * r.nextDouble());
            t.touched = true;
            t.clip = r.nextInt(4) == 0 ? Double.POSITIVE_INFINITY : ohms;
            job = at(job, now, new Edit.ClipPut(t.rail.id(), ohms));
          }
          default -> {
            t.clip = Double.POSITIVE_INFINITY;
            job = at(job, now, new Edit.ClipTaken(t.rail.id()));
          }
        }
        double pause = Math.pow(10, -1 + 5 * r.nextDouble());
        now += pause;
        if (lit) {
          truths.forEach(Truth::lit);
        } else {
          truths.forEach(x -> x.goOn(pause));
        }
        ChargeReading said = hearth(job, now);
        double most = truths.stream().mapToDouble(x -> Math.abs(x.node)).max().orElse(0);
        cold += said.state() == ChargeState.COLD ? 1 : 0;
        touch += said.touchSafe() ? 1 : 0;
        if (said.state() == ChargeState.COLD) {
          assertThat(most).as("seed " + seed + " step " + step).isLessThan(1 + 1e-3);
        }
        if (said.touchSafe()) {
          assertThat(most).as("seed " + seed + " step " + step).isLessThan(60 + 1e-3);
        }
        assertThat(said.state() == ChargeState.LIT).isEqualTo(lit);
      }
    }
    assertThat(cold).as("it does say COLD").isGreaterThan(200);
    assertThat(touch).as("it does say touch-safe").isGreaterThan(600);
  }
}
