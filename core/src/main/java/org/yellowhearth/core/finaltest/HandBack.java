package org.yellowhearth.core.finaltest;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.FunctionCheck.FunctionOutcome;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.finaltest.Accuracy.AccuracyVerdict;
import org.yellowhearth.core.finaltest.VoltageChart.ChartVerdict;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.firstpower.PowerUpRun.PowerUpPhase;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.replace.SignOff;

/**
 * What still stands against handing a set back: from Renew, and from everything that Prove asks.
 */
public final class HandBack {
  private final Job job;
  private final List<SignOff.Owed> open = new ArrayList<>();

  private HandBack(Job job) {
    this.job = job;
  }

  /** The list; what blocks comes first. */
  public static List<SignOff.Owed> of(Job job, VoltageChart chart, Instant now) {
    HandBack h = new HandBack(job);
    h.open.addAll(SignOff.of(job).owed());
    h.job.items(Jumper.class).stream()
        .filter(j -> !j.removed())
        .forEach(j -> h.add(j.place(), Message.of(FinalTestWords.OPEN_JUMPER), true));
    h.power();
    h.chart(chart);
    h.adjustments(now);
    h.headroom();
    h.figures();
    h.loads();
    h.functions();
    h.regulation();
    h.accuracy(now);
    h.burn();
    return Stream.concat(
            h.open.stream().filter(SignOff.Owed::blocks), h.open.stream().filter(o -> !o.blocks()))
        .toList();
  }

  private void add(String about, Message why, boolean blocks) {
    open.add(new SignOff.Owed(about, why, blocks));
  }

  private void power() {
    Optional<PowerUpRun> last =
        job.items(PowerUpPlan.class).stream()
            .reduce((_, p) -> p)
            .map(p -> PowerUpRun.of(p, job.events()));
    if (last.filter(r -> r.phase() != PowerUpPhase.HELD).isPresent()) {
      add("", Message.of(FinalTestWords.OPEN_NO_POWER), false);
    }
  }

  private void chart(VoltageChart chart) {
    chart
        .lines()
        .forEach(l -> {
          if (l.verdict() == ChartVerdict.OUT) {
            add(l.target().point(), Message.of(FinalTestWords.OPEN_CHART), true);
          } else if (l.after().isEmpty()) {
            add(l.target().point(), Message.of(FinalTestWords.OPEN_CHART_UNREAD), false);
          }
        });
  }

  private void adjustments(Instant now) {
    job.items(Adjustment.class)
        .forEach(a -> {
          switch (Adjusting.of(a, job.events(), now).state()) {
            case WITHIN -> {
              // Set.
            }
            case UNTRIED -> add(a.point(), Message.of(FinalTestWords.OPEN_ADJUST_UNTRIED), false);
            case WITHOUT_LOAD ->
                add(a.point(), Message.of(FinalTestWords.OPEN_ADJUST_UNLOADED), true);
            case OUT, HARMFUL -> add(a.point(), Message.of(FinalTestWords.OPEN_ADJUST), true);
          }
        });
  }

  /** The newest reading of each regulator. */
  private void headroom() {
    double nominal =
        job.plate().mains().map(SetPlate.Mains::volts).orElse(HeadroomCheck.USUAL_MAINS);
    HeadroomCheck.newest(job, nominal, List.of())
        .forEach(c -> {
          switch (c.state()) {
            case ENOUGH -> {
              // Enough.
            }
            case TIGHT ->
                add(c.reading().regulator(), Message.of(FinalTestWords.OPEN_HEADROOM_TIGHT), false);
            case DIPS ->
                add(c.reading().regulator(), Message.of(FinalTestWords.OPEN_HEADROOM), true);
          }
        });
  }

  private void figures() {
    job.items(ProofFigure.class).stream()
        .filter(ProofFigure::beyond)
        .forEach(
            f -> add(f.how(), Message.of(FinalTestWords.OPEN_FIGURE, f.measurand().term()), false));
  }

  /** A rail that was tried without load only. */
  private void loads() {
    Set<String> loaded =
        job.items(LoadTest.class).stream()
            .filter(
                t -> t.loads().stream().mapToDouble(LoadTest.Loaded::amperes).max().orElse(0) > 0)
            .map(LoadTest::point)
            .collect(Collectors.toSet());
    job.items(LoadTest.class).stream()
        .filter(t -> !t.loads().isEmpty() && !loaded.contains(t.point()))
        .forEach(t -> add(t.point(), Message.of(FinalTestWords.OPEN_UNLOADED), true));
  }

  private void functions() {
    List<FunctionCheck> all = job.items(FunctionCheck.class);
    all.stream()
        .filter(f -> f.outcome() == FunctionOutcome.FAILS)
        .forEach(f -> add(f.what(), Message.of(FinalTestWords.OPEN_FUNCTION_FAILS), true));
    long left = all.stream().filter(f -> f.outcome() == FunctionOutcome.UNSTATED).count();
    if (left > 0) {
      add("", Message.of(FinalTestWords.OPEN_FUNCTIONS, Long.toString(left)), false);
    } else if (all.isEmpty()) {
      add("", Message.of(FinalTestWords.OPEN_NO_FUNCTIONS), false);
    }
  }

  private void regulation() {
    job.items(LoadTest.class).stream()
        .filter(t -> LoadLine.held(t).filter(h -> h == LoadLine.Held.BEYOND).isPresent())
        .forEach(t -> add(t.point(), Message.of(FinalTestWords.OPEN_LOADS), true));
  }

  private void accuracy(Instant now) {
    for (AccuracyTest t : job.items(AccuracyTest.class)) {
      AccuracyVerdict v = Accuracy.of(t).verdict();
      if (v == AccuracyVerdict.BEYOND) {
        add(t.range(), Message.of(FinalTestWords.OPEN_ACCURACY), true);
      } else if (v == AccuracyVerdict.UNDECIDED) {
        add(t.range(), Message.of(FinalTestWords.OPEN_ACCURACY_UNDECIDED), false);
      }
      if (!t.points().isEmpty() && !(t.zeroed() && t.calibrated())) {
        add(t.range(), Message.of(FinalTestWords.OPEN_ORDER), false);
      }
    }
    job.items(CalibrationHold.class).stream()
        .filter(c -> c.holds(now))
        .forEach(c -> add(c.what(), Message.of(FinalTestWords.OPEN_HOLD), false));
  }

  private void burn() {
    List<BurnIn> all = job.items(BurnIn.class);
    if (all.isEmpty()) {
      add("", Message.of(FinalTestWords.OPEN_NO_BURN), false);
      return;
    }
    switch (all.getLast().end()) {
      case PASSED -> {
        // Done.
      }
      case FAILED, STOPPED -> add("", Message.of(FinalTestWords.OPEN_BURN_FAILED), true);
      case UNDECIDED -> add("", Message.of(FinalTestWords.OPEN_BURN), false);
    }
  }
}
