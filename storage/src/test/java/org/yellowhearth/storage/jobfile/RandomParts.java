package org.yellowhearth.storage.jobfile;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Connector;
import org.yellowhearth.core.part.Fuse;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Lamp;
import org.yellowhearth.core.part.Movement;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Relay;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.part.Zener;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Contact;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.reading.Qualifier;
import org.yellowhearth.core.reading.Reading;

/** Random parts of every sort, their readings, and what is written down of them. */
final class RandomParts {
  private RandomParts() {}

  private static <E> E one(Random r, E[] of) {
    return List.of(of).get(r.nextInt(of.length));
  }

  private static OptionalDouble maybe(Random r, double high) {
    return r.nextBoolean()
        ? OptionalDouble.empty()
        : OptionalDouble.of((1 - r.nextDouble()) * high);
  }

  private static Optional<Tolerance> tolerance(Random r) {
    return r.nextBoolean()
        ? Optional.empty()
        : Optional.of(new Tolerance(-r.nextDouble(), r.nextDouble()));
  }

  /** A part of a sort under a reference. */
  static Part part(Sort sort, String reference, Random r) {
    PartRef ref = PartRef.of(reference);
    String marking = r.nextBoolean() ? "" : "0,1 µF printed";
    String date = r.nextBoolean() ? "" : "6412";
    String remark = r.nextBoolean() ? "" : "hot\tside";
    return switch (sort) {
      case CAPACITOR ->
          new Capacitor(
              ref,
              marking,
              "electrolytic-dry",
              1e-6 * (0.1 + r.nextDouble()),
              tolerance(r),
              maybe(r, 500),
              false,
              one(r, Role.values()),
              Polarity.POSITIVE_TO_CHASSIS,
              maybe(r, 99),
              one(r, CanMark.values()),
              date,
              remark);
      case RESISTOR ->
          new Resistor(
              ref,
              marking,
              1 + r.nextInt(10_000),
              tolerance(r),
              maybe(r, 5),
              one(r, Resistor.Make.values()),
              one(r, Resistor.Task.values()),
              date,
              remark);
      case POTENTIOMETER ->
          new Potentiometer(
              ref,
              marking,
              1 + r.nextInt(10_000),
              tolerance(r),
              maybe(r, 2),
              one(r, Potentiometer.Taper.values()),
              date,
              remark);
      case RECTIFIER ->
          new Rectifier(
              ref,
              marking,
              one(
                  r,
                  Stream.of(RectifierTechnology.values())
                      .filter(t -> t.law() instanceof RectifierTechnology.Stack)
                      .toArray(RectifierTechnology[]::new)),
              r.nextBoolean() ? OptionalInt.empty() : OptionalInt.of(1 + r.nextInt(40)),
              maybe(r, 800),
              maybe(r, 2),
              date,
              remark);
      case ZENER ->
          new Zener(ref, marking, 1 + r.nextInt(80), tolerance(r), maybe(r, 1), date, remark);
      case TRANSISTOR ->
          new Transistor(
              ref,
              marking,
              one(r, Transistor.Channel.values()),
              one(r, Transistor.Material.values()),
              maybe(r, 20),
              OptionalDouble.of(20 + r.nextInt(200)),
              date,
              remark);
      case INTEGRATED_CIRCUIT ->
          new IntegratedCircuit(
              ref, marking, one(r, IntegratedCircuit.Task.values()), maybe(r, 24), date, remark);
      case VALVE ->
          new Valve(
              ref, marking, one(r, Valve.Task.values()), maybe(r, 50), maybe(r, 2), date, remark);
      case WINDING ->
          new Winding(
              ref,
              marking,
              one(r, Winding.Task.values()),
              maybe(r, 900),
              maybe(r, 20),
              date,
              remark);
      case MOVEMENT -> new Movement(ref, marking, maybe(r, 1e-3), maybe(r, 2000), date, remark);
      case RELAY -> new Relay(ref, marking, maybe(r, 48), maybe(r, 2000), date, remark);
      case FUSE -> new Fuse(ref, marking, maybe(r, 5), one(r, Fuse.Speed.values()), date, remark);
      case LAMP -> new Lamp(ref, marking, maybe(r, 7), maybe(r, 1), date, remark);
      case CONNECTOR ->
          new Connector(
              ref,
              marking,
              r.nextBoolean() ? OptionalInt.empty() : OptionalInt.of(1 + r.nextInt(30)),
              date,
              remark);
      case BATTERY ->
          new Battery(ref, marking, maybe(r, 90), one(r, Battery.Chemistry.values()), date, remark);
    };
  }

  static Reading reading(String id, PartRef ref, Instant at, Random r) {
    Figures figures =
        switch (r.nextInt(4)) {
          case 0 ->
              Figures.NONE.with(
                  one(r, Figure.values()), new Bound(one(r, Bound.End.values()), maybe(r, 50)));
          case 1 ->
              Figures.NONE
                  .with(one(r, Qualifier.values()))
                  .with(Figure.PHASE, -90 * r.nextDouble());
          case 2 ->
              Figures.NONE.withRepeats(Figure.WIPER, List.of(0.0, r.nextDouble(), r.nextDouble()));
          default ->
              Figures.of(
                  List.of(Figure.values()).get(r.nextInt(3)), Math.exp(r.nextGaussian() * 4));
        };
    return new Reading(
        id,
        ref,
        at,
        figures,
        new Conditions(
            r.nextBoolean() ? OptionalDouble.empty() : OptionalDouble.of(100.5),
            Mode.PARALLEL,
            Connection.IN_CIRCUIT,
            OptionalDouble.of(0.1 + r.nextDouble()),
            maybe(r, 1),
            OptionalDouble.empty(),
            OptionalDouble.of(-3.25),
            maybe(r, 1000),
            maybe(r, 1),
            maybe(r, 0.5),
            one(r, Contact.values()),
            r.nextBoolean() ? "" : "bridge"),
        "as typed");
  }

  /** Something written down of a part, or a limit of the job. */
  static Item written(String id, PartRef part, Random r) {
    return switch (r.nextInt(14)) {
      case 0 ->
          new VisualInspection(
              id,
              part,
              one(r, VisualInspection.Sign.values()),
              r.nextBoolean() ? "" : "at the rim");
      case 1 ->
          new StatedValue(
              id,
              part,
              one(r, StatedValue.Origin.values()),
              "8u \"450V\"",
              maybe(r, 1e-5),
              maybe(r, 450),
              one(r, Polarity.values()));
      case 2 ->
          new Place(
              id,
              part,
              "under the deck",
              maybe(r, 0.1),
              maybe(r, 0.1),
              maybe(r, 0.1),
              r.nextBoolean() ? Set.of() : Set.of(one(r, Place.Neighbour.values())),
              one(r, Place.Height.values()),
              "",
              attachments(r),
              "");
      case 3 -> new Overrule(id, part, one(r, Verdict.values()), "measured twice");
      case 4 -> new Parallel(id, part, PartRef.of("Z999"));
      case 5 ->
          new GridCircuit(id, part, 150, 470e3, -10, 5e-3, 40e-3, 240, maybe(r, 500), maybe(r, 12));
      case 8 -> choice(id, part, r);
      case 9 ->
          new Fitting(
              id,
              part,
              r.nextBoolean(),
              true,
              r.nextBoolean(),
              one(r, Fitting.MeterSign.values()),
              one(r, Fitting.Debt.values()),
              "until the post comes",
              "",
              "box 3",
              "",
              attachments(r));
      case 10 ->
          new CanWork(
              id,
              part.whole(),
              one(r, Choice.Way.values()),
              OptionalDouble.of(0.03),
              OptionalDouble.of(0.07 + r.nextDouble() / 10),
              "card",
              "");
      case 11 ->
          new BenchTask(
              id, one(r, BenchTask.Doing.values()), "mains corner", "close it", r.nextBoolean());
      case 12 -> new RectifierSwap(id, "V5", r.nextBoolean(), maybe(r, 150), "");
      case 7 ->
          r.nextBoolean()
              ? new Replaceable(id, part, r.nextBoolean(), maybe(r, 90))
              : new Body(
                  id,
                  part,
                  OptionalDouble.of(85),
                  one(r, Leads.values()),
                  OptionalDouble.of(0.005),
                  OptionalDouble.empty(),
                  OptionalDouble.of(0.02 + r.nextDouble() / 100),
                  "square A, plain B");
      case 6 ->
          new ReformPlan(
              id,
              part,
              one(r, ReformPlan.ReformSchool.values()),
              450,
              1e-3,
              List.of(
                  new ReformPlan.Step(90, 4700, 2e-3, 1e-3, 600, 7200),
                  new ReformPlan.Step(
                      450,
                      4700,
                      2e-3,
                      1e-3,
                      0,
                      7200,
                      r.nextBoolean()
                          ? OptionalDouble.empty()
                          : OptionalDouble.of(100 + r.nextInt(150)))),
              new ReformPlan.Bounds(2.5e-3, 1.2, 10));
      default ->
          new LimitChange(
              id, "electrolytic-dry", "period", one(r, LimitChange.Which.values()), 0.5);
    };
  }

  private static Choice choice(String id, PartRef part, Random r) {
    Ware ware =
        r.nextInt(5) == 0
            ? new DeviceWare("1N4007", "1 kV, 1 A")
            : r.nextBoolean()
                ? new CapacitorWare(
                    "electrolytic-dry",
                    47e-6,
                    0.2,
                    450,
                    false,
                    one(r, SafetyClass.values()),
                    one(r, Leads.values()),
                    OptionalDouble.of(0.02),
                    OptionalDouble.empty(),
                    OptionalDouble.of(0.3),
                    maybe(r, 5),
                    OptionalDouble.of(85),
                    OptionalDouble.of(5000))
                : new ResistorWare(
                    150,
                    0.05,
                    5,
                    one(r, Leads.values()),
                    OptionalDouble.empty(),
                    OptionalDouble.of(0.022),
                    OptionalDouble.of(155));
    Choice.Group one =
        new Choice.Group(
            List.of(new Choice.Taken("bag", "bag 7", one(r, Choice.Whence.values()), ware)));
    return new Choice(
        id,
        part,
        one(r, Choice.Joined.values()),
        List.of(one, new Choice.Group(List.of(one.of().getFirst(), one.of().getFirst()))),
        maybe(r, 1e5),
        one(r, Choice.Way.values()),
        r.nextBoolean(),
        "");
  }

  private static Set<Place.Attachment> attachments(Random r) {
    return r.nextBoolean()
        ? EnumSet.noneOf(Place.Attachment.class)
        : EnumSet.of(Place.Attachment.SLEEVING, one(r, Place.Attachment.values()));
  }
}
