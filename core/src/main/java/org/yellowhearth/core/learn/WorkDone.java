package org.yellowhearth.core.learn;

import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.AgendaMark;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Complaint;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DrawingStyle;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.Paper;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.SupplyEvidence;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.message.Coded;

/** Where the time of a job went, as its journal shows it. */
public final class WorkDone {
  /** A longer pause between two entries was no work on this set. */
  public static final Duration PAUSE = Duration.ofMinutes(30);

  /** What somebody does at the bench, as the journal can tell it apart. */
  public enum Work implements Coded {
    TAKING_IN,
    LISTING,
    MEASURING,
    SAFETY,
    SUPPLY,
    FORMING,
    RENEWING,
    WAKING,
    PROVING,
    WRITING
  }

  private WorkDone() {}

  /**
   * The time by what was done: from each entry to the next counts for the next one, unless more
   * than {@link #PAUSE} lies between. A clock that was set back counts for nothing.
   */
  public static Map<Work, Duration> of(Job job) {
    Map<Work, Duration> spent = new EnumMap<>(Work.class);
    List<Entry> journal = job.journal();
    for (int k = 1; k < journal.size(); k++) {
      Duration gap = Duration.between(journal.get(k - 1).at(), journal.get(k).at());
      if (gap.isPositive() && gap.compareTo(PAUSE) <= 0) {
        spent.merge(work(journal, journal.get(k).act()), gap, Duration::plus);
      }
    }
    return spent;
  }

  /**
   * The furthest that the work on a set has come, by what stands in its job; taking in while
   * nothing does.
   */
  public static Work furthest(Job job) {
    Work far =
        job.census().isEmpty()
            ? Work.TAKING_IN
            : job.readings().isEmpty() ? Work.LISTING : Work.MEASURING;
    for (Item item : job.items()) {
      Work of = work(item);
      far = of != Work.WRITING && of.compareTo(far) > 0 ? of : far;
    }
    return far;
  }

  private static Work work(List<Entry> journal, Act act) {
    return switch (act) {
      case Act.Did(Edit edit) -> work(edit);
      case Act.Undid(int entry) -> work(journal, journal.get(entry).act());
      case Act.Redid(int entry) -> work(journal, journal.get(entry).act());
    };
  }

  private static Work work(Edit edit) {
    return switch (edit) {
      case Edit.Arrived _, Edit.PlateChanged _ -> Work.TAKING_IN;
      case Edit.PolicyChanged _, Edit.ReadingKept _, Edit.ReadingWithdrawn _ -> Work.MEASURING;
      case Edit.AspectChanged a -> work(a.after());
      case Edit.ItemChanged i -> work(i.item());
      case Edit.PartAdded _, Edit.PartChanged _, Edit.PartRemoved _ -> Work.LISTING;
      case Edit.NoteWritten _ -> Work.WRITING;
      case Edit.Together t -> work(t.edits().getFirst());
      case Reforming _ -> Work.FORMING;
      case PoweringUp _ -> Work.WAKING;
      case Edit.PowerSwitched _,
          Edit.VoltsMeasured _,
          Edit.ClipPut _,
          Edit.ClipTaken _,
          Edit.Answered _ ->
          Work.SAFETY;
    };
  }

  private static Work work(Aspect aspect) {
    return switch (aspect) {
      case Build _, Complaint _, MainsEntry _, Budget _ -> Work.TAKING_IN;
      case Bench _, ShopExperience _, MeterSettings _ -> Work.MEASURING;
      case BenchHours _ -> Work.FORMING;
      case DrawingStyle _, DossierScope _ -> Work.WRITING;
    };
  }

  private static Work work(Item item) {
    return switch (item) {
      case Paper _,
          Observation _,
          Photograph _,
          Pin _,
          TakeApartStep _,
          Wish _,
          EstimateLine _,
          Consent _,
          DryingHold _ ->
          Work.TAKING_IN;
      case Rail _, CheckResult _, Jumper _ -> Work.SAFETY;
      case LimitChange _ -> Work.MEASURING;
      case SupplySection _, SupplyEvidence _ -> Work.SUPPLY;
      case BenchTask _, CanWork _, RectifierSwap _ -> Work.RENEWING;
      case PowerUpPlan _ -> Work.WAKING;
      case FunctionCheck _,
          LoadTest _,
          AccuracyTest _,
          BurnIn _,
          BurnReading _,
          CalibrationHold _,
          Adjustment _,
          HeadroomReading _,
          ProofFigure _,
          FaultTrail _ ->
          Work.PROVING;
      case OwnTask _, AgendaMark _ -> Work.WRITING;
      case OfPart part ->
          switch (part) {
            case VisualInspection _, StatedValue _, Overrule _, Parallel _, GridCircuit _ ->
                Work.MEASURING;
            case Place _, Body _ -> Work.LISTING;
            case ReformPlan _, Replaceable _ -> Work.FORMING;
            case Choice _, Fitting _ -> Work.RENEWING;
          };
    };
  }
}
