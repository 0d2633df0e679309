package org.yellowhearth.core.cause;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.Sets;
import org.yellowhearth.core.cause.Cause.Standing;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.FaultTrail.Outcome;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;

/**
 * How sure a cause is. Common practice: one change at a time, the old part back for a trial, and
 * what cures itself comes back.
 */
public class CauseTest {
  private static final PartRef C9 = PartRef.of("C9");
  private static final PartRef C10 = PartRef.of("C10");

  private static FaultTrail trail(String id, Optional<PartRef> part, int second, String undoes) {
    return FaultTrail.of(id, "hums", "reservoir dry", part, Sets.START.plusSeconds(second), undoes);
  }

  private static Job set() {
    return Sets.at(
        Sets.arrived(),
        0,
        new Edit.PartAdded(Sets.part("C9", 8e-6, Role.RESERVOIR, "")),
        new Edit.PartAdded(Sets.part("C10", 8e-6, Role.SMOOTHING, "")));
  }

  private static Edit put(Item before, Item after) {
    return new Edit.ItemChanged(Optional.ofNullable(before), Optional.of(after));
  }

  private static Job fitted(Job job, PartRef part, int second) {
    Fitting out = Fitting.of(part).with(f -> f.removed = true);
    return Sets.at(
        Sets.at(job, second, put(null, out)),
        second + 60.0,
        put(out, out.with(f -> f.fitted = true)));
  }

  private static Cause only(Job job, FaultTrail... trails) {
    return Cause.of(Sets.with(job, trails), List.of()).getFirst();
  }

  private static FaultTrail seen(FaultTrail t, Outcome what, int second, boolean back) {
    return t.seen(what, Sets.START.plusSeconds(second), "", back);
  }

  @Test
  public void oneChangeThatHelpedIsLikelyAndTheOldPartMakesItSure() {
    Job job = fitted(set(), C9, 100);
    FaultTrail t = trail("t", Optional.of(C9), 50, "");
    assertThat(only(job, t).standing()).isEqualTo(Standing.OPEN);
    Cause likely = only(job, seen(t, Outcome.CURED, 300, false));
    assertThat(likely.standing()).isEqualTo(Standing.LIKELY);
    // Taken out and renewed is one change, told by its last word.
    assertThat(likely.changes())
        .singleElement()
        .satisfies(c -> {
          assertThat(c.part()).contains(C9);
          assertThat(c.what().key()).isEqualTo(CauseWords.FITTED);
        });
    assertThat(only(job, seen(t, Outcome.CURED, 300, true)).standing())
        .isEqualTo(Standing.CONFIRMED);
    assertThat(only(job, seen(t, Outcome.UNCHANGED, 300, false)).standing())
        .isEqualTo(Standing.REFUTED);
    assertThat(
            only(job, seen(trail("t", Optional.of(C10), 50, ""), Outcome.CURED, 300, false))
                .why()
                .key())
        .isEqualTo(CauseWords.WHY_OTHER_PART);
  }

  @Test
  public void severalChangesAtOnceConfound() {
    Job job = fitted(fitted(set(), C9, 100), C10, 200);
    FaultTrail t = trail("t", Optional.of(C9), 50, "");
    Cause both = only(job, seen(t, Outcome.CURED, 400, false));
    assertThat(both.standing()).isEqualTo(Standing.CONFOUNDED);
    assertThat(both.changes()).hasSize(2);
    // Put back for a trial, one of two changes proves nothing of the other.
    assertThat(only(job, seen(t, Outcome.CURED, 400, true)).standing())
        .isEqualTo(Standing.CONFOUNDED);
    // Looked at between the two it is plain.
    assertThat(only(job, seen(t, Outcome.CURED, 170, false)).standing()).isEqualTo(Standing.LIKELY);
    // A task done and a control turned are changes as well, a look at a control is none.
    BenchTask task = new BenchTask("b", BenchTask.Doing.CLEAN, "", "joint resoldered", false);
    Adjustment look =
        new Adjustment(
            "a",
            Adjustment.Adjusted.RAIL,
            "HT",
            "V",
            250,
            5,
            OptionalDouble.empty(),
            "R1",
            List.of());
    Adjustment.Turn still =
        new Adjustment.Turn(Sets.START, 250, 250, OptionalDouble.empty(), true, "");
    Job more = Sets.at(fitted(set(), C9, 100), 200, put(null, look), put(look, look.turned(still)));
    assertThat(only(more, seen(t, Outcome.CURED, 400, false)).standing())
        .isEqualTo(Standing.LIKELY);
    Adjustment.Turn turned =
        new Adjustment.Turn(Sets.START, 250, 240, OptionalDouble.empty(), true, "");
    Job twice =
        Sets.at(
            more,
            210,
            put(look.turned(still), look.turned(still).turned(turned)),
            put(null, task),
            put(task, task.done(true)));
    assertThat(only(twice, seen(t, Outcome.CURED, 400, false)).changes()).hasSize(3);
  }

  @Test
  public void whatCuresItselfWasNotFound() {
    FaultTrail t = seen(trail("t", Optional.empty(), 50, ""), Outcome.CURED, 300, false);
    assertThat(only(set(), t).standing()).isEqualTo(Standing.UNEXPLAINED);
    // What was undone again was no change.
    Job job = Sets.at(set(), 100, put(null, Fitting.of(C9).with(f -> f.fitted = true)));
    Job undone =
        job.after(
            new Entry(
                job.journal().size(),
                Sets.START.plusSeconds(120).atZone(ZoneOffset.UTC),
                new Act.Undid(job.journal().size() - 1)));
    assertThat(only(undone, t).standing()).isEqualTo(Standing.UNEXPLAINED);
    assertThat(only(job, t).standing()).isEqualTo(Standing.LIKELY);
  }

  @Test
  public void aRelapseLinksBack() {
    FaultTrail first = seen(trail("t1", Optional.of(C9), 50, ""), Outcome.CURED, 300, true);
    FaultTrail again = trail("t2", Optional.of(C10), 9000, "t1");
    List<Cause> causes = Cause.of(Sets.with(fitted(set(), C9, 100), first, again), List.of());
    assertThat(causes.get(0).standing()).isEqualTo(Standing.RELAPSED);
    assertThat(causes.get(0).relapses()).containsExactly(again);
    assertThat(causes.get(1).undone()).contains(first);
    assertThat(causes.get(1).standing()).isEqualTo(Standing.OPEN);
  }

  @Test
  public void whatCannotBeIsRefused() {
    FaultTrail t = trail("t", Optional.empty(), 50, "");
    assertThatThrownBy(() -> seen(t, Outcome.CURED, 10, false))
        .hasMessageContaining("before it was suspected");
    assertThatThrownBy(() -> seen(t, Outcome.UNCHANGED, 90, true))
        .hasMessageContaining("taken back");
    assertThatThrownBy(() -> trail("t", Optional.empty(), 50, "t")).hasMessageContaining("itself");
    assertThatThrownBy(
            () -> new Entry(0, Sets.START.atZone(ZoneOffset.UTC), new Act.Undid(0), "a\nb"))
        .hasMessageContaining("one line");
  }
}
