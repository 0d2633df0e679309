package org.yellowhearth.storage.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.storage.practice.GoodHand.EXAMINER;
import static org.yellowhearth.storage.practice.GoodHand.KNOWLEDGE;
import static org.yellowhearth.storage.practice.GoodHand.NOW;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Ailment;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Debrief.Mark;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.ExerciseMaker;
import org.yellowhearth.core.practice.FullPower;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PracticeRail;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.core.practice.Truth;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;

/**
 * Exercises: made by a seed, solved along a good path with a high score, and caught on bad ones.
 */
public class PracticeTest {
  private static final ExerciseMaker MAKER = new ExerciseMaker(KNOWLEDGE);

  private static Job with(Job job, Edit edit) {
    return job.after(
        new Entry(job.journal().size(), NOW.plusMinutes(job.journal().size()), new Act.Did(edit)));
  }

  private static Job measured(Exercise e, Job job, PartRef ref, Measuring how) {
    return new GoodHand(e, job).measure(ref, how).job();
  }

  private static Job careful(Exercise e) {
    return new GoodHand(e).measured().job();
  }

  private static Debrief debrief(Exercise e, Job job) {
    return EXAMINER.debrief(e, job, NOW, Optional.empty(), 0);
  }

  @DataProvider
  Object[][] sets() {
    List<Object[]> all = new ArrayList<>();
    for (Theme t : Theme.values()) {
      for (long seed = 1; seed <= (Boolean.getBoolean("hearth.long") ? 200 : 3); seed++) {
        all.add(new Object[] {t, seed});
      }
    }
    return all.toArray(Object[][]::new);
  }

  /**
   * Along a good path no fault is missed and nothing sound is condemned, whatever the seed, and the
   * score is high.
   */
  @Test(dataProvider = "sets")
  public void aCarefulHandFindsEverything(Theme theme, long seed) {
    Exercise e = MAKER.make(theme, seed);
    assertThat(e.faults()).hasSizeLessThanOrEqualTo(4);
    assertThat(MAKER.make(theme, seed)).isEqualTo(e);
    Debrief d = new GoodHand(e).measured().asked().debrief();
    assertThat(d.asked()).hasSameSizeAs(theme.goals()).allMatch(Debrief.Asked::reached);
    assertThat(d.substitutes()).allMatch(x -> x.refused().isEmpty());
    assertThat(d.lines())
        .filteredOn(l -> l.mark() == Mark.MISSED || l.mark() == Mark.NEEDLESS)
        .isEmpty();
    assertThat(d.score()).as("%s %s", d.lines(), d.remarks()).isGreaterThanOrEqualTo(90);
  }

  /**
   * Whoever only measures takes a part that was once reversed for one that may come up again, and a
   * corroded lead for a sound part.
   */
  @Test
  public void whoDoesNotLookMissesWhatOnlyEyesSee() {
    int seen = 0;
    for (Theme t : Theme.values()) {
      for (long seed = 1; seed <= 20; seed++) {
        Exercise e = MAKER.make(t, seed);
        Job blind = careful(e);
        for (VisualInspection l : blind.items(VisualInspection.class)) {
          blind = with(blind, new Edit.ItemChanged(Optional.of(l), Optional.empty()));
        }
        Job looked = careful(e);
        for (Truth truth :
            e.faults().stream().filter(f -> f.ailment().shows().isPresent()).toList()) {
          seen++;
          assertThat(debrief(e, blind).lines())
              .filteredOn(l -> l.part().equals(truth.part()))
              .extracting(Debrief.Line::mark)
              .containsExactly(Mark.MISSED);
          assertThat(debrief(e, looked).lines())
              .filteredOn(l -> l.part().equals(truth.part()))
              .extracting(Debrief.Line::mark)
              .containsExactly(Mark.RIGHT);
        }
      }
    }
    assertThat(seen).isGreaterThan(10);
  }

  private static Job fitted(Job job, PartRef part) {
    Fitting before =
        job.of(part, Fitting.class).stream()
            .findFirst()
            .orElse(Fitting.of(part))
            .with(f -> f.fitted = false);
    GoodHand hand = new GoodHand(MAKER.make(Theme.NOTHING_WRONG, 1), job);
    return hand.put(before).put(before.with(f -> f.fitted = true)).job();
  }

  /**
   * What is left in and breaks at once is common practice: a short burns the supply, a thin oxide
   * boils, a leak into a grid overruns its valve.
   */
  @Test(dataProvider = "sets")
  public void fullPowerForgivesOnlyWhatIsHarmlessOrRenewed(Theme theme, long seed) {
    Exercise e = MAKER.make(theme, seed);
    Job job = new GoodHand(e).listed().job();
    Optional<Message> wreck = FullPower.wrecks(e, job, KNOWLEDGE).map(FullPower.Wreck::why);
    boolean shortOnRail =
        e.faults().stream()
            .anyMatch(t -> t.ailment() == Ailment.SHORTED && e.rail().parts().contains(t.part()));
    boolean harmless =
        theme != Theme.WRONG_SETTING
            && e.faults().stream()
                .allMatch(t ->
                    Set.of(Ailment.DRY, Ailment.OPEN, Ailment.DRIFTED, Ailment.WEAK)
                        .contains(t.ailment()));
    if (shortOnRail) {
      assertThat(wreck).get().extracting(Message::key).isEqualTo(PracticeWords.BURNT);
    }
    if (harmless) {
      assertThat(wreck).isEmpty();
    }
    for (Truth t : e.faults()) {
      job = fitted(job, t.part());
    }
    assertThat(FullPower.wrecks(e, job, KNOWLEDGE).stream())
        .as("with new parts in")
        .allMatch(w -> w.why().key() == PracticeWords.OVERVOLTED && theme == Theme.WRONG_SETTING);
  }

  @Test
  public void everyWayToWreckASetHappensSomewhere() {
    Set<Object> seen = new HashSet<>();
    for (Theme t : Theme.values()) {
      for (long seed = 1; seed <= 30; seed++) {
        Exercise e = MAKER.make(t, seed);
        FullPower.wrecks(e, e.job(NOW), KNOWLEDGE).ifPresent(m -> seen.add(m.why().key()));
      }
    }
    assertThat(seen).contains(PracticeWords.BURNT, PracticeWords.BURST, PracticeWords.OVERRUN);
  }

  @Test
  public void twelveExercisesAreGraded() {
    assertThat(MAKER.graded()).hasSizeGreaterThanOrEqualTo(12);
    assertThat(MAKER.graded().stream().map(e -> e.plate().kind()).distinct())
        .hasSizeGreaterThanOrEqualTo(5);
    assertThat(MAKER.graded())
        .anySatisfy(e -> assertThat(e.charged()).isGreaterThan(100))
        .anySatisfy(e -> assertThat(e.faults()).isEmpty());
  }

  @Test
  public void badPathsAreCaught() {
    Exercise e = MAKER.make(Theme.CHARGED_TRANSMITTER, 1);
    Job careful = careful(e);
    int good = debrief(e, careful).score();
    // Nothing measured: everything is left undecided, and a fault that is then kept is missed.
    Job idle = e.job(NOW);
    assertThat(debrief(e, idle).lines())
        .allSatisfy(l -> assertThat(l.mark()).isIn(Mark.UNDECIDED, Mark.BY_SCHOOL, Mark.RIGHT));
    PartRef bad = e.faults().getFirst().part();
    Job kept =
        with(
            careful,
            new Edit.ItemChanged(
                Optional.empty(),
                Optional.of(new Overrule("o1", bad, Verdict.KEEP, "looks fine"))));
    assertThat(debrief(e, kept).lines())
        .filteredOn(l -> l.part().equals(bad))
        .extracting(Debrief.Line::mark)
        .containsExactly(Mark.MISSED);
    assertThat(debrief(e, kept).score()).isLessThanOrEqualTo(good - 20);
    // Read again it tells nothing new; a gate passed with a reason is a risk; a hint costs;
    // touching ends it.
    Job twice = measured(e, careful, e.parts().getFirst().ref(), Measuring.LCR);
    assertThat(debrief(e, twice).remarks())
        .extracting(m -> m.key())
        .contains(PracticeWords.TOLD_NOTHING);
    assertThat(debrief(e, twice).score())
        .as("it told nothing, and took longer than a good hand needs")
        .isEqualTo(good - 2 - 5);
    // Sound mica condemned by a figure that somebody mistyped.
    PartRef mica =
        e.parts().stream()
            .filter(p -> ((Capacitor) p).kind().startsWith("mica"))
            .findFirst()
            .orElseThrow()
            .ref();
    Job mistyped =
        with(
            e.job(NOW),
            new Edit.ReadingKept(
                new Reading(
                    "m",
                    mica,
                    NOW.toInstant(),
                    Figures.of(Figure.CAPACITANCE, 1e-12),
                    Measuring.LCR.conditions(e.parts().getLast()),
                    "")));
    assertThat(debrief(e, mistyped).lines())
        .filteredOn(l -> l.part().equals(mica))
        .extracting(Debrief.Line::mark)
        .containsExactly(Mark.NEEDLESS);
    Job risky =
        with(
            careful,
            new Edit.Answered(
                Edit.Question.READ_WHILE_BANKED, OptionalDouble.of(400), "in a hurry"));
    assertThat(debrief(e, risky).score()).isEqualTo(good - 15);
    assertThat(debrief(e, careful).remarks()).extracting(m -> m.key()).contains(PracticeWords.SAFE);
    assertThat(debrief(e, risky).remarks())
        .extracting(m -> m.key())
        .contains(PracticeWords.RISK)
        .doesNotContain(PracticeWords.SAFE);
    assertThat(EXAMINER.debrief(e, careful, NOW, Optional.empty(), 2).score()).isEqualTo(good - 12);
    // Discharged first, the same answer is no risk: five time constants and more of 16 µF through
    // 10 kΩ lie between.
    Job drained =
        with(
            with(careful, new Edit.ClipPut("practice-ht", 10_000)),
            new Edit.ClipTaken("practice-ht"));
    Job honest =
        with(
            drained,
            new Edit.Answered(
                Edit.Question.READ_WHILE_BANKED, OptionalDouble.of(5), "less than 1 V"));
    assertThat(debrief(e, honest).score()).isEqualTo(good);
    double seconds = 60;
    int clipped = careful.journal().size();
    assertThat(
            PracticeRail.volts(
                e, drained, NOW.plusMinutes(clipped).plusNanos(100_000_000).toInstant()))
        .as("a tenth of a second after the clip, V·e^(−t/RC)")
        .isCloseTo(e.charged() * Math.exp(-0.1 / (10_000 * 16e-6)), within(1e-6));
    assertThat(PracticeRail.volts(e, drained, NOW.plusMinutes(999).toInstant()))
        .as("off again, it stays")
        .isCloseTo(e.charged() * Math.exp(-seconds / (10_000 * 16e-6)), within(1e-9));
    assertThat(PracticeRail.volts(e, drained, NOW.toInstant()))
        .as("before the clip")
        .isEqualTo(e.charged());
    Debrief touched =
        EXAMINER.debrief(
            e,
            careful,
            NOW,
            Optional.of(Message.of(PracticeWords.TOUCHED, Quantity.volts(400))),
            0);
    assertThat(touched.score()).isZero();
    assertThat(touched.ended()).isTrue();
  }

  /**
   * The meter of the bench against complex arithmetic: a capacitor with a resistor across it has Z
   * = R / (1 + j·ω·R·C). The meter that shows the series equivalent shows C·(1 + D²) with D =
   * 1/(ω·R·C).
   */
  @Test
  public void theMeterShowsTheSeriesEquivalent() {
    Exercise e = MAKER.make(Theme.LEAKY_COUPLER, 1);
    Part paper =
        e.parts().stream()
            .filter(p -> ((Capacitor) p).kind().startsWith("paper"))
            .findFirst()
            .orElseThrow();
    double farads = ((Capacitor) paper).farads();
    double ohms = 5000;
    Truth truth = new Truth(paper.ref(), Ailment.LEAKY, farads, 1e-9, ohms);
    Random still =
        new Random() {
          @Override
          public double nextGaussian() {
            return 0;
          }
        };
    Figures shown = Measuring.LCR.read(paper, truth, still).orElseThrow();
    double w = 2 * Math.PI * 1000;
    double re = ohms / (1 + Math.pow(w * ohms * farads, 2));
    double im = -w * ohms * ohms * farads / (1 + Math.pow(w * ohms * farads, 2));
    assertThat(shown.get(Figure.CAPACITANCE)).hasValueCloseTo(-1 / (w * im), within(1e-4 * farads));
    assertThat(shown.get(Figure.DISSIPATION)).hasValueCloseTo(re / -im, within(1e-4));
  }
}
