package org.yellowhearth.core.benchline;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figures;

/** What a bench line asks for, understood but not yet done. */
public sealed interface BenchEntry {
  /** One part joins the census, or the sections of a can. */
  record AddParts(List<Part> parts) implements BenchEntry {
    public AddParts {
      parts = List.copyOf(parts);
    }
  }

  record CorrectPart(Part before, Part after) implements BenchEntry {}

  record RemovePart(Part part) implements BenchEntry {}

  record KeepReading(PartRef part, Figures figures, Conditions conditions, String typed)
      implements BenchEntry {}

  /**
   * Something is written down of a part, put in the place of what was there.
   *
   * @param items in the order they are written
   */
  record WriteDown(List<OfPart> items) implements BenchEntry {
    public WriteDown {
      items = List.copyOf(items);
    }
  }

  /** What was written down of a part is taken out again. */
  record TakeOut(OfPart item) implements BenchEntry {}

  /** The meter is set like this until somebody says otherwise. */
  record HoldSettings(MeterSettings settings) implements BenchEntry {}

  record WriteNote(String text) implements BenchEntry {}

  record SwitchPower(Edit.Power power) implements BenchEntry {}

  /**
   * Something happened to a store of charge.
   *
   * @param store the name of the rail
   */
  record Happened(Edit.Event event, String store) implements BenchEntry {}

  /**
   * What a meter shows at a point of the supply under power, or what the set takes from the mains.
   *
   * @param lineVolts the mains at that time
   * @param meterOhms what the meter loads the point with
   * @param state what the set was doing
   * @param drawn what the drawing promises there
   */
  record ReadSupply(
      String point,
      List<Shown> shown,
      OptionalDouble lineVolts,
      OptionalDouble meterOhms,
      SupplyReading.State state,
      Optional<Drawn> drawn)
      implements BenchEntry {
    public ReadSupply {
      shown = List.copyOf(shown);
    }

    /**
     * What a drawing promises.
     *
     * @param volts of a range its middle
     * @param tolerance as a fraction of that
     */
    public record Drawn(double volts, OptionalDouble tolerance) {}

    /** One figure, in V, or in W. */
    public record Shown(SupplyReading.Kind kind, double value) {}
  }

  /**
   * Something is noticed under power that is no figure of a meter.
   *
   * @param sign by its id in the knowledge files
   * @param place the part, section or point; empty for the whole set
   * @param figure where it has one, in the unit of its sort
   * @param said in quotation marks, or as it was typed where the sign leaves something out
   */
  record Notice(String sign, String place, OptionalDouble figure, String said)
      implements BenchEntry {}

  /**
   * A rail that holds charge, or what is new of one.
   *
   * @param bleederOhms marked on a resistor across it
   * @param series whether its capacitors stand one on another
   */
  record KeepRail(
      String name, double volts, List<PartRef> parts, OptionalDouble bleederOhms, boolean series)
      implements BenchEntry {
    public KeepRail {
      parts = List.copyOf(parts);
    }

    /** The rail of this name that is listed. */
    public Optional<Rail> listed(Job job) {
      return job.items(Rail.class).stream()
          .filter(r -> r.name().equalsIgnoreCase(name))
          .findFirst();
    }

    /** The rail as it will be; what is not said stays as it was. */
    public Rail rail(Optional<Rail> before, String newId) {
      boolean bled = bleederOhms.isPresent();
      return new Rail(
          before.map(Rail::id).orElse(newId),
          before.map(Rail::name).orElse(name),
          volts,
          parts.isEmpty() ? before.map(Rail::parts).orElse(parts) : parts,
          before.map(Rail::otherFarads).orElse(OptionalDouble.empty()),
          before.map(Rail::otherKind).orElse(Rail.USUAL_KIND),
          bled ? Rail.Bleeder.MARKED : before.map(Rail::bleeder).orElse(Rail.Bleeder.NONE),
          bled ? bleederOhms : before.map(Rail::bleederOhms).orElse(OptionalDouble.empty()),
          series || before.filter(_ -> parts.isEmpty()).map(Rail::series).orElse(false));
    }
  }

  /**
   * Another part is in the place of one.
   *
   * @param fitted as it was described; empty where it is the one that was chosen
   */
  record Exchange(Part old, Optional<Part> fitted) implements BenchEntry {}

  /** A reference alone: the part is to be shown. */
  record ShowPart(PartRef part) implements BenchEntry {}
}
