package org.yellowhearth.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.Sets;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;

public class JobTest {
  private static final ZonedDateTime START =
      Instant.parse("2026-03-01T09:00:00Z").atZone(ZoneId.of("Europe/Lisbon"));

  private static Job arrived() {
    return Job.of(
        List.of(
            new Entry(
                0,
                START,
                new Act.Did(new Edit.Arrived(SetPlate.named("Test set"), Policy.USUAL)))));
  }

  private static Job after(Job job, Act act) {
    return job.after(new Entry(job.journal().size(), START.plusMinutes(job.journal().size()), act));
  }

  private static Job did(Job job, Edit edit) {
    return after(job, new Act.Did(edit));
  }

  private static Capacitor part(String ref, double farads) {
    return new Capacitor(
        PartRef.of(ref),
        "as printed",
        "electrolytic-dry",
        farads,
        Optional.empty(),
        OptionalDouble.of(450),
        false,
        Role.RESERVOIR,
        Polarity.UNSTATED,
        OptionalDouble.empty(),
        CanMark.UNSTATED,
        "",
        "");
  }

  private static Reading reading(String id, String ref, int minute) {
    return new Reading(
        id,
        PartRef.of(ref),
        START.plusMinutes(minute).toInstant(),
        Figures.of(Figure.CAPACITANCE, 7e-6),
        Conditions.UNSTATED,
        "7u");
  }

  @Test
  public void theCensusIsOrderedAsAPersonCounts() {
    Job job = arrived();
    for (String ref : List.of("C10", "C2", "C31b", "C31a", "C1")) {
      job = did(job, new Edit.PartAdded(part(ref, 1e-6)));
    }
    assertThat(job.census())
        .extracting(c -> c.ref().toString())
        .containsExactly("C1", "C2", "C10", "C31a", "C31b");
  }

  @Test
  public void undoAndRedoGoBackAndForthAndStayInTheJournal() {
    Job one = did(arrived(), new Edit.PartAdded(part("C1", 8e-6)));
    Job two = did(one, new Edit.ReadingKept(reading("r1", "C1", 5)));
    Job undone = after(two, new Act.Undid(2));
    assertThat(undone.readings()).isEmpty();
    assertThat(undone.counts(2)).isFalse();
    assertThat(undone.journal()).hasSize(4);
    Job redone = after(undone, new Act.Redid(2));
    assertThat(redone.readings()).isEqualTo(two.readings());
    assertThat(redone.counts(2)).isTrue();
  }

  @Test
  public void aPartThatLeavesTakesItsReadingsAndBringsThemBack() {
    Job job =
        did(
            did(arrived(), new Edit.PartAdded(part("C1", 8e-6))),
            new Edit.ReadingKept(reading("r1", "C1", 1)));
    Job gone = did(job, new Edit.PartRemoved(part("C1", 8e-6), job.readingsOf(PartRef.of("C1"))));
    assertThat(gone.census()).isEmpty();
    assertThat(gone.readings()).isEmpty();
    Job back = after(gone, new Act.Undid(3));
    assertThat(back.readingsOf(PartRef.of("C1"))).hasSize(1);
  }

  @Test
  public void readingsStandInOrderOfTimeWhateverTheOrderOfEntry() {
    Job job = did(arrived(), new Edit.PartAdded(part("C1", 8e-6)));
    job = did(job, new Edit.ReadingKept(reading("late", "C1", 9)));
    job = did(job, new Edit.ReadingKept(reading("early", "C1", 2)));
    assertThat(job.readings()).extracting(Reading::id).containsExactly("early", "late");
  }

  @Test
  public void powerIsAFactOfTheWorldAndIsNeverUndone() {
    Job lit =
        did(did(arrived(), new Edit.NoteWritten("x")), new Edit.PowerSwitched(Edit.Power.LIT));
    assertThat(lit.power()).contains(Edit.Power.LIT);
    assertThat(lit.nextUndo()).hasValue(1);
    Job undone = after(lit, new Act.Undid(1));
    assertThat(undone.power()).contains(Edit.Power.LIT);
    assertThat(undone.nextUndo()).isEmpty();
  }

  @Test
  public void theLastPowerEventAndItsTimeAreKnown() {
    Job off =
        did(
            did(arrived(), new Edit.PowerSwitched(Edit.Power.LIT)),
            new Edit.PowerSwitched(Edit.Power.OFF));
    assertThat(arrived().power()).isEmpty();
    assertThat(off.power()).contains(Edit.Power.OFF);
    assertThat(off.powerSince()).contains(START.plusMinutes(2).toInstant());
  }

  @DataProvider
  public Object[][] misfits() {
    Capacitor c1 = part("C1", 8e-6);
    return new Object[][] {
      {new Act.Did(new Edit.PartAdded(c1)), "already"}, //
      {
        new Act.Did(new Edit.PartRemoved(part("C2", 1e-6), List.of())), "not so in the parts list"
      }, //
      {new Act.Did(new Edit.PartRemoved(c1, List.of())), "readings"}, //
      {new Act.Did(new Edit.PartChanged(c1, part("C9", 1e-6))), "keeps the reference"}, //
      {new Act.Did(new Edit.PartChanged(part("C1", 9e-6), c1)), "not so in the parts list"}, //
      {new Act.Did(new Edit.ReadingKept(reading("r2", "C5", 1))), "not in the parts list"}, //
      {new Act.Did(new Edit.ReadingKept(reading("r1", "C1", 1))), "there already"}, //
      {new Act.Did(new Edit.ReadingWithdrawn(reading("r7", "C1", 1))), "not there"}, //
      {
        new Act.Did(new Edit.PlateChanged(SetPlate.named("Other"), SetPlate.named("X"))), "another"
      }, //
      {
        new Act.Did(
            new Edit.PolicyChanged(Policy.USUAL.with(Policy.Paper.LEAKAGE_DECIDES), Policy.USUAL)),
        "another"
      }, //
      {new Act.Did(new Edit.Arrived(SetPlate.named("Again"), Policy.USUAL)), "arrival"}, //
      {new Act.Undid(1), "only the last"},
      {new Act.Undid(0), "only the last"},
      {new Act.Redid(2), "undone last"}
    };
  }

  @Test(dataProvider = "misfits")
  public void anEntryThatDoesNotFitIsRefusedAndChangesNothing(Act act, String why) {
    Job job =
        did(
            did(arrived(), new Edit.PartAdded(part("C1", 8e-6))),
            new Edit.ReadingKept(reading("r1", "C1", 1)));
    assertThatThrownBy(() -> after(job, act))
        .isInstanceOf(IllegalEditException.class)
        .hasMessageContaining(why);
    assertThat(job.readings()).hasSize(1);
    assertThat(job.journal()).hasSize(3);
  }

  /**
   * Property: after any random work, undoing everything gives the job as it arrived, and redoing
   * everything the work again.
   */
  @Test
  public void everythingCanBeUndoneAndRedone() {
    for (int seed = 0; seed < 40; seed++) {
      Random random = new Random(seed);
      Job job = arrived();
      for (int i = 0; i < 60; i++) {
        job = after(job, randomAct(job, random, i));
      }
      Job worked = job;
      while (job.nextUndo().isPresent()) {
        job = after(job, new Act.Undid(job.nextUndo().getAsInt()));
      }
      assertThat(job.census()).isEmpty();
      assertThat(job.readings()).isEmpty();
      assertThat(job.plate()).isEqualTo(arrived().plate());
      assertThat(job.policy()).isEqualTo(Policy.USUAL);
      while (job.nextRedo().isPresent() && !job.census().equals(worked.census())) {
        job = after(job, new Act.Redid(job.nextRedo().getAsInt()));
      }
      assertThat(job.census()).isEqualTo(worked.census());
      assertThat(Job.of(job.journal()).readings()).isEqualTo(job.readings());
    }
  }

  private static Act randomAct(Job job, Random random, int i) {
    List<Capacitor> census = job.capacitors();
    Capacitor some =
        census.isEmpty() ? part("C1", 1e-6) : census.get(random.nextInt(census.size()));
    List<Act> possible = new ArrayList<>();
    possible.add(new Act.Did(new Edit.PartAdded(part("C" + (100 + i), 1e-6))));
    possible.add(
        new Act.Did(
            new Edit.PlateChanged(job.plate(), job.plate().with(p -> p.place = "room " + i))));
    possible.add(
        new Act.Did(
            new Edit.PolicyChanged(
                job.policy(),
                job.policy().with(List.of(Policy.WhenToRenew.values()).get(random.nextInt(4))))));
    if (!census.isEmpty()) {
      possible.add(
          new Act.Did(
              new Edit.ReadingKept(reading("r" + i, some.ref().toString(), random.nextInt(50)))));
      possible.add(new Act.Did(new Edit.PartRemoved(some, job.readingsOf(some.ref()))));
      possible.add(
          new Act.Did(new Edit.PartChanged(some, part(some.ref().toString(), 1e-6 * (i + 2)))));
    }
    job.nextUndo().ifPresent(n -> possible.add(new Act.Undid(n)));
    job.nextRedo().ifPresent(n -> possible.add(new Act.Redid(n)));
    return possible.get(random.nextInt(possible.size()));
  }

  @Test
  public void aPlateRefusesNonsense() {
    assertThatThrownBy(() -> SetPlate.named("  ")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new SetPlate.Mains(-5, 50))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new SetPlate.Mains(230, Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> SetPlate.named("x").with(p -> p.made = java.util.OptionalInt.of(1066)))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> part("C1", -1e-6)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Figures.of(Figure.ESR, Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void aPolicyChangesOneSchoolAtATime() {
    Policy changed = Policy.USUAL.with(Policy.Tantalum.CHANGE_KIND).with(Policy.Profile.MODERN);
    assertThat(changed.tantalum()).isEqualTo(Policy.Tantalum.CHANGE_KIND);
    assertThat(changed.limits()).isEqualTo(Policy.Profile.MODERN);
    assertThat(changed.paper()).isEqualTo(Policy.USUAL.paper());
  }

  @Test
  public void editsThatStandTogetherAreTakenBackTogether() {
    Job job = Sets.arrived();
    VisualInspection look =
        new VisualInspection("l", PartRef.of("C1"), VisualInspection.Sign.BULGED, "");
    Edit.Together both =
        new Edit.Together(
            List.of(
                new Edit.PartAdded(part("C1", 1e-6)),
                new Edit.PartAdded(part("C2", 2e-6)),
                new Edit.ItemChanged(Optional.empty(), Optional.of(look))));
    Job after = Sets.at(job, 1, both);
    assertThat(after.census()).hasSize(2);
    assertThat(after.of(PartRef.of("C1"), VisualInspection.class)).containsExactly(look);
    Job back = after.after(new Entry(2, after.journal().getLast().at(), new Act.Undid(1)));
    assertThat(back.census()).isEmpty();
    assertThat(back.items()).isEmpty();
    Job again = back.after(new Entry(3, after.journal().getLast().at(), new Act.Redid(1)));
    assertThat(again.census()).isEqualTo(after.census());
  }

  @Test
  public void togetherStandPlainEditsOnly() {
    assertThatThrownBy(() -> new Edit.Together(List.of()))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Edit.Together(List.of(new Edit.PowerSwitched(Edit.Power.LIT))))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void whatIsWrittenOfAPartNeedsItAndLeavesWithIt() {
    Job job = Sets.at(Sets.arrived(), 1, new Edit.PartAdded(part("C1", 1e-6)));
    VisualInspection stray =
        new VisualInspection("l", PartRef.of("C9"), VisualInspection.Sign.BULGED, "");
    assertThatThrownBy(() -> Sets.with(job, stray))
        .isInstanceOf(IllegalEditException.class)
        .hasMessageContaining("parts list");
    Job seen =
        Sets.with(
            job, new VisualInspection("l", PartRef.of("C1"), VisualInspection.Sign.REVERSED, ""));
    assertThatThrownBy(() -> Sets.at(seen, 2, new Edit.PartRemoved(part("C1", 1e-6), List.of())))
        .isInstanceOf(IllegalEditException.class)
        .hasMessageContaining("goes with it");
  }
}
