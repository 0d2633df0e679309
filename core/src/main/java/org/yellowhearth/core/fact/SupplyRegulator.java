package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * A regulator: in series from one point to another, or a zener diode or glow stabiliser from a
 * point to the chassis.
 *
 * @param volts what it holds, a magnitude
 * @param dropoutVolts what a series regulator needs across it
 * @param outOhms its output resistance, or that of the zener
 * @param tracks the point whose voltage a series regulator follows; empty for one by itself
 * @param driver what drives its pass element, where that is a part of its own; so also its
 *     reference and compensating capacitor
 * @param kelvinPerWatt from its junction to the air, as it is mounted
 * @param mostCelsius the hottest its junction may get
 */
public record SupplyRegulator(
    String id,
    String name,
    Optional<PartRef> part,
    Kind kind,
    String from,
    String to,
    boolean negative,
    double volts,
    OptionalDouble dropoutVolts,
    OptionalDouble outOhms,
    String tracks,
    OptionalDouble tracksVolts,
    Optional<PartRef> driver,
    Optional<PartRef> reference,
    Optional<PartRef> compensation,
    OptionalDouble kelvinPerWatt,
    OptionalDouble mostCelsius)
    implements SupplySection {
  /** What a three-terminal regulator needs across it, where nobody says (V). */
  public static final double USUAL_DROPOUT_VOLTS = 2;

  /** A regulator whose inside is not described. */
  public SupplyRegulator(
      String id,
      String name,
      Optional<PartRef> part,
      Kind kind,
      String from,
      String to,
      boolean negative,
      double volts,
      OptionalDouble dropoutVolts,
      OptionalDouble outOhms,
      String tracks,
      OptionalDouble tracksVolts) {
    this(
        id,
        name,
        part,
        kind,
        from,
        to,
        negative,
        volts,
        dropoutVolts,
        outOhms,
        tracks,
        tracksVolts,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty());
  }

  /** Where it sits. */
  public enum Kind implements Coded {
    SERIES,
    SHUNT
  }

  public SupplyRegulator {
    Item.requireId(id);
    SupplySection.requirePoint("a regulator's name", name);
    SupplySection.requirePoint("the point a regulator begins at", from);
    SupplySection.requirePoint("the point a regulator feeds", to);
    Checked.within("regulated voltage", volts, 0.1, 10_000);
    Checked.within("dropout", dropoutVolts, 0, 500);
    Checked.within("output resistance", outOhms, 1e-4, 1e5);
    Checked.within("voltage of the tracked rail", tracksVolts, -10_000, 10_000);
    Checked.within("thermal resistance in K/W", kelvinPerWatt, 0.05, 1000);
    Checked.within("hottest junction in °C", mostCelsius, 50, 300);
    if (!tracks.isEmpty()) {
      SupplySection.requirePoint("the point a regulator tracks", tracks);
    }
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of(from, to);
  }

  @Override
  public List<PartRef> parts() {
    return Stream.of(part, driver, reference, compensation).flatMap(Optional::stream).toList();
  }
}
