package org.yellowhearth.storage.jobfile;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.AgendaMark;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Complaint;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DrawingStyle;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.Paper;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyState;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.fact.Symptom;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Mode;

/** Random aspects, items and events, one of every type, for the round trip of files. */
final class RandomFacts {
  private static final List<SupplyReading.Kind> VOLTS =
      List.of(
          SupplyReading.Kind.DIRECT,
          SupplyReading.Kind.TRUE_RMS,
          SupplyReading.Kind.AVERAGE,
          SupplyReading.Kind.PEAK_TO_PEAK);
  private static final Instant AT = Instant.parse("2026-06-01T08:00:00Z");

  private RandomFacts() {}

  private static <T> T one(Random r, List<T> of) {
    return of.get(r.nextInt(of.size()));
  }

  private static <E> E one(Random r, E[] of) {
    return one(r, List.of(of));
  }

  private static OptionalDouble maybe(Random r, double low, double high) {
    return r.nextBoolean()
        ? OptionalDouble.empty()
        : OptionalDouble.of(low + r.nextDouble() * (high - low));
  }

  static Act aspectChanged(Job job, Random r) {
    Aspect after =
        switch (r.nextInt(10)) {
          case 9 ->
              new MeterSettings(
                  maybe(r, 50, 1e5),
                  one(r, Mode.values()),
                  one(r, Connection.values()),
                  r.nextBoolean() ? "" : "bridge");
          case 8 ->
              new ShopExperience(
                  List.of(new ShopExperience.Seen("paper", 9 + r.nextInt(9), r.nextInt(9))));
          case 7 -> new DossierScope(new HashSet<>(List.of(one(r, DossierScope.Section.values()))));
          case 5 -> new DrawingStyle(one(r, DrawingStyle.CapitalM.values()));
          case 0 ->
              new Build(
                  r.nextBoolean() ? OptionalInt.empty() : OptionalInt.of(1930 + r.nextInt(60)),
                  maybe(r, 1, 500),
                  r.nextBoolean(),
                  Optional.of(new Build.PictureTube(14e3, maybe(r, 1e-9, 3e-9))),
                  Optional.of(new Build.MemoryBattery(3.6, "the zero")),
                  r.nextBoolean()
                      ? Optional.empty()
                      : Optional.of(new Build.LowVoltageInput(9, one(r, Build.Pole.values()))),
                  maybe(r, 1, 40),
                  new HashSet<>(List.of(one(r, Feature.values()), Feature.ASBESTOS)));
          case 1 -> new Complaint(new HashSet<>(List.of(one(r, Symptom.values()), Symptom.HUM)));
          case 2 ->
              new MainsEntry(
                  maybe(r, 100, 250),
                  maybe(r, 40, 60),
                  one(r, MainsEntry.Cord.values()),
                  one(r, MainsEntry.Plug.values()),
                  one(r, MainsEntry.FusePlace.values()),
                  maybe(r, 0.1, 5),
                  maybe(r, 3, 10),
                  maybe(r, 1, 20),
                  one(r, MainsEntry.SwitchPlace.values()),
                  one(r, MainsEntry.Earth.values()));
          case 6 ->
              new BenchHours(
                  "Mon-Fri 18:00-21:30, Sun 9-1" + r.nextInt(10),
                  1 + r.nextInt(8),
                  r.nextDouble() + 1e-3);
          case 3 ->
              new Bench(
                  maybe(r, 5, 30),
                  maybe(r, 100, 250),
                  maybe(r, 40, 60),
                  r.nextBoolean(),
                  r.nextBoolean());
          default ->
              new Budget(
                  "€",
                  r.nextInt(50),
                  maybe(r, 0, 900),
                  maybe(r, 0, 90),
                  maybe(r, 0, 900),
                  three(r),
                  three(r));
        };
    return new Act.Did(new Edit.AspectChanged(job.aspect(after.getClass()), after));
  }

  private static ThreePoint three(Random r) {
    double low = r.nextDouble();
    return new ThreePoint(low, low + r.nextDouble(), low + 1 + r.nextDouble());
  }

  /** Adds, changes or takes out an item. */
  static Act itemChanged(Job job, Random r, int i) {
    List<Item> there = job.items().stream().filter(t -> t.id().startsWith("i")).toList();
    if (!there.isEmpty() && r.nextInt(3) == 0) {
      return new Act.Did(new Edit.ItemChanged(Optional.of(one(r, there)), Optional.empty()));
    }
    Item made = item("i" + i, r);
    List<Item> like = there.stream().filter(t -> t.getClass() == made.getClass()).toList();
    if (!like.isEmpty() && r.nextBoolean()) {
      Item before = one(r, like);
      return new Act.Did(new Edit.ItemChanged(Optional.of(before), Optional.of(item(before, r))));
    }
    return new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(made)));
  }

  /** Another of the same type and id. */
  private static Item item(Item like, Random r) {
    Item other = item(like.id(), r);
    while (other.getClass() != like.getClass()) {
      other = item(like.id(), r);
    }
    return other;
  }

  private static FaultTrail trail(String id, Random r) {
    FaultTrail t =
        FaultTrail.of(
            id,
            "hums",
            "the reservoir",
            r.nextBoolean() ? Optional.empty() : Optional.of(PartRef.of("C9")),
            AT,
            r.nextBoolean() ? "" : "i0x");
    return r.nextBoolean()
        ? t
        : t.seen(
            FaultTrail.Outcome.CURED, AT.plusSeconds(r.nextInt(9999)), "quiet", r.nextBoolean());
  }

  private static Item item(String id, Random r) {
    return switch (r.nextInt(25)) {
      case 24 -> trail(id, r);
      case 21 -> ramp(id, r);
      case 22, 23 -> proof(id, r);
      case 0 -> new Paper(id, "Drawing", r.nextBoolean() ? "" : "rev. C");
      case 1 ->
          new Observation(
              id,
              one(r, Observation.Sign.values()),
              "by the gang",
              "tacked \"on\"",
              r.nextBoolean() ? Optional.empty() : Optional.of("i1"));
      case 2 ->
          new Photograph(
              id,
              "ab".repeat(32) + ".jpg",
              "IMG 1.JPG",
              4000,
              3000,
              r.nextBoolean()
                  ? Optional.empty()
                  : Optional.of(LocalDateTime.of(2026, 5, 4, 3, 2, r.nextInt(60))),
              "",
              one(r, Photograph.Side.values()),
              Optional.empty());
      case 3 -> new Pin(id, "i2", r.nextDouble(), r.nextDouble(), "C12");
      case 4 ->
          new TakeApartStep(
              id,
              1 + r.nextInt(20),
              one(r, TakeApartStep.Fixing.values()),
              4,
              "M4 from below",
              "bag 2",
              "",
              Optional.empty(),
              r.nextBoolean());
      case 5 ->
          new Wish(id, one(r, Wish.Kind.values()), "wax the case", one(r, Wish.Wanted.values()));
      case 6 -> new EstimateLine(id, one(r, Phase.values()), "supply", three(r), three(r));
      case 7 ->
          new Consent(
              id,
              one(r, Phase.values()),
              r.nextInt(500),
              "by letter",
              AT.plusSeconds(r.nextInt(9999)));
      case 8 -> new DryingHold(id, AT.plusSeconds(r.nextInt(9999)), r.nextInt(72), "");
      case 9 -> rail(id, r);
      case 10 ->
          new CheckResult(
              id, "primary", one(r, CheckResult.Outcome.values()), maybe(r, 1, 100), "seen", AT);
      case 11 -> new Jumper(id, "lid switch", r.nextBoolean());
      case 12, 13 -> evidence(id, r);
      default -> supply(id, r);
    };
  }

  private static PowerUpPlan.Clip clip(Random r) {
    return one(
        r,
        List.of(
            PowerUpPlan.Clip.BEHIND_LAMP,
            PowerUpPlan.Clip.HEATERS,
            PowerUpPlan.Clip.TAKEN,
            new PowerUpPlan.Clip("HT", PowerUpPlan.Shows.ALTERNATING),
            new PowerUpPlan.Clip("V4.k", PowerUpPlan.Shows.DIRECT)));
  }

  private static Item proof(String id, Random r) {
    return switch (r.nextInt(11)) {
      case 0 ->
          new FunctionCheck(
              id, "Sound", "Volume", one(r, FunctionCheck.FunctionOutcome.values()), "");
      case 1 ->
          new LoadTest(
              id,
              "HT",
              List.of(
                  new LoadTest.Loaded(0, 300, maybe(r, 200, 250)),
                  new LoadTest.Loaded(0.1, 280 - r.nextInt(20), maybe(r, 200, 250))),
              maybe(r, 1, 30),
              maybe(r, 0.01, 0.2));
      case 2 ->
          new AccuracyTest(
              id,
              "10 V",
              "V",
              OptionalDouble.of(10),
              r.nextDouble(),
              r.nextDouble(),
              maybe(r, 0.001, 0.1),
              "standard cell",
              r.nextDouble() / 100,
              r.nextBoolean(),
              r.nextBoolean(),
              List.of(new AccuracyTest.AccuracyPoint(5, 5 + r.nextDouble())));
      case 3 ->
          new BurnIn(
              id,
              AT,
              1 + r.nextInt(48),
              List.of(new BurnIn.BurnChannel("HT", "V", maybe(r, 200, 300), 5)),
              one(r, BurnIn.BurnEnd.values()),
              "as it happened");
      case 4 ->
          new BurnReading(
              id,
              "i3",
              AT.plusSeconds(r.nextInt(9999)),
              List.of(new BurnReading.BurnShown("HT", 200 + r.nextInt(99))),
              r.nextBoolean() ? "" : "a crackle");
      case 5 ->
          new OwnTask(
              id,
              one(r, OwnTask.TaskKind.values()),
              "Telephone about the knobs",
              r.nextBoolean()
                  ? Optional.of(LocalDateTime.of(2027, 3, 28, 2, 30))
                  : Optional.empty(),
              false,
              r.nextBoolean());
      case 6 ->
          new AgendaMark(id, r.nextBoolean() ? Optional.of(AT) : Optional.empty(), r.nextBoolean());
      case 7 ->
          new Adjustment(
              id,
              one(r, Adjustment.Adjusted.values()),
              "bias",
              "V",
              -20 - r.nextInt(9),
              0.5,
              maybe(r, -15, -10),
              "R41",
              List.of(new Adjustment.Turn(AT, -10, -20, maybe(r, -3, 3), r.nextBoolean(), "")));
      case 8 ->
          new HeadroomReading(
              id, AT, "Q1", 20 + r.nextInt(9), r.nextInt(3), 15, maybe(r, 200, 250));
      case 9 ->
          new ProofFigure(
              id,
              one(r, ProofFigure.Measurand.values()),
              "1 kHz, 4 Ω",
              "W",
              OptionalDouble.of(r.nextInt(9)),
              maybe(r, 1, 9),
              maybe(r, 1, 9));
      default ->
          r.nextBoolean()
              ? new CalibrationHold(
                  id, "warm-up", Optional.of(AT), OptionalDouble.of(8), r.nextBoolean())
              : new CalibrationHold(
                  id, "crystal", Optional.empty(), OptionalDouble.empty(), r.nextBoolean());
    };
  }

  private static PowerUpPlan ramp(String id, Random r) {
    double volts = r.nextInt(400) - 50;
    List<PowerUpPlan.Step> steps = new ArrayList<>();
    for (int k = 0; k <= r.nextInt(4); k++) {
      steps.add(
          new PowerUpPlan.Step(
              0.2 + 0.2 * k,
              40 + 40 * k,
              r.nextInt(50),
              60,
              r.nextDouble(),
              one(r, PowerUpPlan.Warm.values()),
              r.nextDouble(),
              List.of(new PowerUpPlan.Band(volts, volts - 5, volts + 5, volts - 60, volts + 90))));
    }
    return new PowerUpPlan(
        id,
        one(r, PowerUpPlan.PowerUpKind.values()),
        r.nextBoolean() ? List.of() : List.of("HT", "HT2"),
        r.nextBoolean(),
        maybe(r, 25, 200),
        List.of(clip(r)),
        steps);
  }

  private static Item evidence(String id, Random r) {
    SupplyBridge.Clipped clipped =
        new SupplyBridge.Clipped(PartRef.of("C" + (1 + r.nextInt(9))), 1e-6 * (1 + r.nextInt(50)));
    boolean watts = r.nextInt(3) == 0;
    return switch (r.nextInt(6)) {
      case 4 ->
          new SupplyState(
              id,
              one(r, List.of(SupplyReading.State.STANDBY, SupplyReading.State.KEYED)),
              "set",
              r.nextDouble());
      case 5 -> new SupplyValue(id, "C16a", "series-resistance", r.nextDouble());
      case 0 ->
          new SupplyReading(
              id,
              AT.plusSeconds(r.nextInt(9999)),
              watts ? SupplyMains.POINT : r.nextBoolean() ? "HT" : "V4.k",
              watts ? SupplyReading.Kind.WATTS : one(r, VOLTS),
              r.nextInt(400),
              maybe(r, 200, 250),
              maybe(r, 1e4, 1e7),
              maybe(r, 0.01, 0.1),
              one(r, SupplyReading.State.values()),
              maybe(r, 0, 3600),
              r.nextBoolean() ? "" : "volume full",
              "",
              r.nextBoolean() ? List.of() : List.of(clipped),
              maybe(r, 100, 300));
      case 1 ->
          new SupplyTarget(
              id,
              "HT2",
              250,
              maybe(r, 0.01, 0.3),
              maybe(r, 200, 250),
              maybe(r, 1e4, 1e7),
              one(r, SupplyTarget.Follows.values()),
              r.nextBoolean());
      case 2 -> new SupplyBridge(id, clipped, maybe(r, 16, 450));
      default ->
          new SupplySign(
              id,
              AT.plusSeconds(r.nextInt(9999)),
              "hum-double",
              "loudspeaker",
              maybe(r, 1, 50),
              "at full volume");
    };
  }

  private static Item supply(String id, Random r) {
    Optional<PartRef> part =
        r.nextBoolean() ? Optional.empty() : Optional.of(PartRef.of("R" + (1 + r.nextInt(9))));
    Optional<PartRef> cap =
        r.nextBoolean() ? Optional.empty() : Optional.of(PartRef.of("C" + (1 + r.nextInt(9))));
    return switch (r.nextInt(9)) {
      case 7 ->
          new SupplyConverter(
              id,
              "K1",
              part,
              "bulk",
              one(r, SupplyConverter.Shape.values()),
              maybe(r, 0.5, 0.9),
              maybe(r, 50, 150),
              maybe(r, 2e4, 1e5),
              maybe(r, 0.2, 0.5),
              maybe(r, 1e4, 1e6),
              cap,
              maybe(r, 1e-6, 1e-4),
              maybe(r, 14, 20),
              maybe(r, 8, 12),
              maybe(r, 0, 1e-3),
              maybe(r, 1e-3, 0.02),
              maybe(r, 1e-3, 0.1));
      case 8 ->
          new SupplyOutput(
              id,
              "o5",
              "K1",
              5,
              0.1 + r.nextDouble(),
              cap,
              maybe(r, 1e-6, 1e-3),
              maybe(r, 0.01, 1),
              maybe(r, 1e-6, 1e-3));
      case 0 ->
          new SupplyMains(
              id,
              230,
              maybe(r, 200, 250),
              50,
              maybe(r, 1, 50),
              maybe(r, 5, 90),
              maybe(r, 25, 200),
              maybe(r, 100, 250));
      case 1 ->
          new SupplyWinding(
              id, "w" + r.nextInt(5), part, 1 + r.nextInt(500), maybe(r, 1, 300), r.nextBoolean());
      case 2 ->
          new SupplyRectifier(
              id,
              "V1",
              part,
              "w1",
              one(r, SupplyRectifier.Scheme.values()),
              one(r, RectifierTechnology.values()),
              maybe(r, 1, 50),
              maybe(r, 0.01, 1),
              r.nextBoolean() ? OptionalInt.empty() : OptionalInt.of(1 + r.nextInt(20)),
              r.nextBoolean(),
              "HT",
              "0",
              cap,
              maybe(r, 1e-6, 1e-3),
              cap,
              maybe(r, 1e-6, 1e-3),
              r.nextBoolean()
                  ? List.of()
                  : List.of(new SupplyRectifier.Leg(1), new SupplyRectifier.Leg(r.nextDouble())),
              one(r, SupplyRectifier.Heating.values()),
              maybe(r, 0.01, 3),
              maybe(r, 1, 100));
      case 3 ->
          new SupplyFilter(
              id,
              "HT",
              part,
              maybe(r, 1, 1e5),
              maybe(r, 0.1, 50),
              "HT2",
              cap,
              maybe(r, 1e-9, 1e-3),
              maybe(r, 0, 100),
              maybe(r, 1e3, 1e9),
              "0");
      case 4 ->
          new SupplyLoad(id, "set", "HT2", one(r, SupplyLoad.Kind.values()), 0.01 + r.nextDouble());
      case 5 ->
          new SupplyStage(
              id,
              "V3",
              part,
              "HT2",
              0.04,
              -8,
              250,
              20,
              maybe(r, 0.05, 0.3),
              400,
              r.nextInt(1000),
              cap,
              180,
              cap,
              470_000,
              "0",
              one(r, SupplyRectifier.Heating.values()));
      default ->
          new SupplyRegulator(
              id,
              "U1",
              part,
              one(r, SupplyRegulator.Kind.values()),
              "HT",
              "o",
              r.nextBoolean(),
              15,
              maybe(r, 0, 5),
              maybe(r, 0.01, 5),
              r.nextBoolean() ? "" : "p",
              maybe(r, -20, 20),
              part,
              part,
              cap,
              maybe(r, 0.5, 80),
              maybe(r, 80, 200));
    };
  }

  private static Rail rail(String id, Random r) {
    Rail.Bleeder bleeder = one(r, Rail.Bleeder.values());
    return new Rail(
        id,
        "HT" + r.nextInt(9),
        1 + r.nextInt(500),
        List.of(PartRef.of("C1"), PartRef.of("C31a")),
        maybe(r, 1e-9, 1e-3),
        "electrolytic-dry",
        bleeder,
        bleeder == Rail.Bleeder.NONE
            ? OptionalDouble.empty()
            : OptionalDouble.of(1e3 + r.nextInt(100_000)),
        r.nextBoolean());
  }

  /** Something that happens to the set. */
  static Act event(Job job, Random r) {
    List<Rail> rails = job.items(Rail.class);
    String store = rails.isEmpty() ? Edit.PICTURE_TUBE : one(r, rails).id();
    String plan = "reform-C" + r.nextInt(9);
    return new Act.Did(
        switch (r.nextInt(20)) {
          case 15 -> new PoweringUp.PowerUpBegun("ramp-1");
          case 16 -> new PoweringUp.PowerUpStepped("ramp-1", r.nextInt(5));
          case 17 ->
              new PoweringUp.PowerUpRead(
                  "ramp-1", clip(r), r.nextDouble() * 300 - 50, r.nextBoolean() ? "" : "stand-in");
          case 18 ->
              new PoweringUp.PowerUpStopped(
                  "ramp-1",
                  one(r, PoweringUp.StopCause.values()),
                  r.nextBoolean() ? "" : "it hummed");
          case 19 -> new PoweringUp.PowerUpFinished("ramp-1");
          case 0 -> new Edit.VoltsMeasured(store, r.nextDouble() * 300 - 100, r.nextBoolean());
          case 1 -> new Edit.ClipPut(store, 100 + r.nextInt(10_000));
          case 2 -> new Edit.ClipTaken(store);
          case 3 -> new Edit.PowerSwitched(one(r, Edit.Power.values()));
          case 4 -> new Reforming.ReformBegun(plan, r.nextInt(5), OptionalDouble.empty());
          case 5 ->
              new Reforming.ReformRead(
                  plan,
                  r.nextInt(500),
                  r.nextDouble() * 1e-2,
                  maybe(r, 10, 60),
                  r.nextBoolean() ? "" : "meter",
                  OptionalDouble.empty());
          case 6 -> new Reforming.ReformStepped(plan, r.nextInt(5), OptionalDouble.empty());
          case 7 -> new Reforming.ReformPaused(plan, one(r, Reforming.Cause.values()));
          case 8 -> new Reforming.ReformStopped(plan, one(r, Reforming.Rule.values()));
          case 9 -> new Reforming.ReformAborted(plan, "it hissed");
          case 10 -> new Reforming.ReformFinished(plan);
          case 11 -> new Reforming.ReformDischarging(plan, 1 + r.nextInt(100_000));
          case 13 -> new Reforming.ReformProving(plan, maybe(r, 0, 1e6));
          case 12 -> new Reforming.ReformDischarged(plan, r.nextInt(500));
          default ->
              new Edit.Answered(one(r, Edit.Question.values()), maybe(r, 0, 400), "lifted one leg");
        });
  }
}
