package org.yellowhearth.core.practice;

import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.trace.SupplyModel;

/**
 * The valve supply of the practice sets that have one drawn, and what may have been done to such a
 * set before it comes.
 */
final class PracticeSupply {
  static final PartRef RECTIFIER = PartRef.of("V1");
  static final PartRef SCREEN = PartRef.of("R2");
  private static final double FITTED_FARADS = 22e-6;
  private static final double TOLERANCE = 0.07;

  private PracticeSupply() {}

  /** Full-wave with a vacuum rectifier, the smoothing resistor R1 and the screen feed R2. */
  static List<SupplySection> sections() {
    return List.of(
        new SupplyMains(
            "practice-mains",
            230,
            none(),
            50,
            OptionalDouble.of(18),
            OptionalDouble.of(35),
            none(),
            none()),
        new SupplyWinding(
            "practice-winding", "T1", Optional.empty(), 290, OptionalDouble.of(160), true),
        new SupplyRectifier(
            "practice-rectifier",
            "V1",
            Optional.of(RECTIFIER),
            "T1",
            SupplyRectifier.Scheme.FULL_WAVE,
            RectifierTechnology.VACUUM,
            OptionalDouble.of(20),
            OptionalDouble.of(0.1),
            OptionalInt.empty(),
            false,
            "HT",
            "0",
            Optional.empty(),
            none(),
            Optional.empty(),
            none(),
            List.of()),
        filter("practice-reservoir", "HT", Optional.empty(), "HT", "C1"),
        filter("practice-smoothing", "HT", Optional.of(PartRef.of("R1")), "HT2", "C2"),
        filter("practice-screens", "HT2", Optional.of(SCREEN), "screen", "C3"),
        new SupplyLoad("practice-set", "set", "HT2", SupplyLoad.Kind.RESISTANCE, 5600),
        new SupplyLoad(
            "practice-screen-load", "grids", "screen", SupplyLoad.Kind.RESISTANCE, 68_000));
  }

  private static SupplyFilter filter(
      String id, String from, Optional<PartRef> through, String to, String shunt) {
    return new SupplyFilter(
        id,
        from,
        through,
        none(),
        none(),
        to,
        Optional.of(PartRef.of(shunt)),
        none(),
        none(),
        none(),
        "0");
  }

  private static OptionalDouble none() {
    return OptionalDouble.empty();
  }

  /** A mains side that nothing is wrong with. */
  static MainsEntry entry(double settingVolts) {
    return MainsEntry.BLANK.with(e -> {
      e.settingVolts = OptionalDouble.of(settingVolts);
      e.cord = MainsEntry.Cord.SOUND;
      e.plug = MainsEntry.Plug.EARTHED;
      e.fusePlace = MainsEntry.FusePlace.LINE;
      e.fuseAmperes = OptionalDouble.of(1);
      e.switchPlace = MainsEntry.SwitchPlace.BOTH;
      e.earth = MainsEntry.Earth.CONNECTED;
    });
  }

  /**
   * A new electrolytic the wrong way round conducts like a resistor of some kilohms (common
   * practice).
   */
  static Truth reversed(Capacitor in) {
    return new Truth(in.ref(), Ailment.REVERSED, FITTED_FARADS, 0.05, 2500);
  }

  /** A new part that somebody chose and fitted, and nobody looked at again. */
  static List<Item> fittedBefore(Capacitor old) {
    CapacitorWare ware =
        new CapacitorWare(
            old.kind(),
            FITTED_FARADS,
            0.2,
            500,
            false,
            SafetyClass.UNSTATED,
            Leads.AXIAL,
            none(),
            none(),
            none(),
            none(),
            OptionalDouble.of(105),
            none());
    Choice.Taken taken =
        new Choice.Taken("practice-ware", "22 µF 500 V axial", Choice.Whence.DRAWER, ware);
    Choice choice =
        new Choice(
            Choice.idOf(old.ref()),
            old.ref(),
            Choice.Joined.PARALLEL,
            List.of(new Choice.Group(List.of(taken))),
            none(),
            Choice.Way.IN_PLACE,
            false,
            "");
    return List.of(
        choice,
        Fitting.of(old.ref())
            .with(f -> {
              f.removed = true;
              f.fitted = true;
            }));
  }

  /** What the drawing of such a set promises, by the engine with every part as marked. */
  static List<Item> drawing(SetPlate plate, List<Part> parts, Knowledge knowledge) {
    ZonedDateTime any = ZonedDateTime.of(2000, 1, 1, 0, 0, 0, 0, ZoneOffset.UTC);
    List<Entry> journal =
        new ArrayList<>(
            List.of(new Entry(0, any, new Act.Did(new Edit.Arrived(plate, Exercise.POLICY)))));
    parts.forEach(
        p -> journal.add(new Entry(journal.size(), any, new Act.Did(new Edit.PartAdded(p)))));
    sections()
        .forEach(s ->
            journal.add(
                new Entry(
                    journal.size(),
                    any,
                    new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(s))))));
    SupplyModel drawn =
        SupplyModel.of(Job.of(journal), knowledge, SupplyModel.View.AS_DRAWN, none());
    Settled settled = Settled.of(drawn.supply().orElseThrow());
    return drawn.points().stream()
        .filter(p -> !p.equals("0"))
        .<Item>map(p ->
            new SupplyTarget(
                "practice-" + p,
                p,
                Math.round(settled.waves().voltage(p).mean()),
                OptionalDouble.of(TOLERANCE),
                OptionalDouble.of(230),
                none(),
                SupplyTarget.Follows.RAIL))
        .toList();
  }
}
