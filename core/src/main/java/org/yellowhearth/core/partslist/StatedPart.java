package org.yellowhearth.core.partslist;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.Connector;
import org.yellowhearth.core.part.Fuse;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Lamp;
import org.yellowhearth.core.part.Movement;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Relay;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.part.Zener;

/**
 * What a line says of a part that is no capacitor; what it leaves out stays empty, or as it was.
 */
record StatedPart(
    Sort sort,
    Map<Dimension, Double> figures,
    Optional<Tolerance> tolerance,
    List<Coded> constants,
    OptionalInt count,
    OptionalDouble leastGain,
    OptionalDouble mostGain,
    Optional<String> dateCode) {

  /** The words that can be said of a sort, by their type. */
  static Set<Class<?>> typesOf(Sort sort) {
    return switch (sort) {
      case RESISTOR -> Set.of(Resistor.Make.class, Resistor.Task.class);
      case POTENTIOMETER -> Set.of(Potentiometer.Taper.class);
      case RECTIFIER -> Set.of(RectifierTechnology.class);
      case TRANSISTOR -> Set.of(Transistor.Channel.class, Transistor.Material.class);
      case INTEGRATED_CIRCUIT -> Set.of(IntegratedCircuit.Task.class);
      case VALVE -> Set.of(Valve.Task.class);
      case WINDING -> Set.of(Winding.Task.class);
      case FUSE -> Set.of(Fuse.Speed.class);
      case BATTERY -> Set.of(Battery.Chemistry.class);
      case CAPACITOR, ZENER, MOVEMENT, RELAY, LAMP, CONNECTOR -> Set.of();
    };
  }

  /** Whether it says nothing at all. */
  boolean isEmpty() {
    return figures.isEmpty()
        && tolerance.isEmpty()
        && constants.isEmpty()
        && count.isEmpty()
        && leastGain.isEmpty()
        && dateCode.isEmpty();
  }

  /**
   * The part as it then stands; empty where a figure is missing that such a part must have.
   *
   * @param before the part as it was, where it is corrected
   */
  Optional<Part> part(PartRef ref, String marking, String remark, Optional<Part> before) {
    String dated = dateCode.or(() -> before.map(Part::dateCode)).orElse("");
    return switch (sort) {
      case CAPACITOR -> throw new IllegalStateException("capacitors are read by their own parser");
      case RESISTOR -> {
        Optional<Resistor> was = before.map(Resistor.class::cast);
        yield needed(Dimension.RESISTANCE, was.map(Resistor::ohms))
            .map(ohms ->
                new Resistor(
                    ref,
                    marking,
                    ohms,
                    tolerance.or(() -> was.flatMap(Resistor::tolerance)),
                    said(Dimension.POWER, was.map(Resistor::watts)),
                    word(Resistor.Make.class, was.map(Resistor::make), Resistor.Make.UNSTATED),
                    word(Resistor.Task.class, was.map(Resistor::task), Resistor.Task.UNSTATED),
                    dated,
                    remark));
      }
      case POTENTIOMETER -> {
        Optional<Potentiometer> was = before.map(Potentiometer.class::cast);
        yield needed(Dimension.RESISTANCE, was.map(Potentiometer::ohms))
            .map(ohms ->
                new Potentiometer(
                    ref,
                    marking,
                    ohms,
                    tolerance.or(() -> was.flatMap(Potentiometer::tolerance)),
                    said(Dimension.POWER, was.map(Potentiometer::watts)),
                    word(
                        Potentiometer.Taper.class,
                        was.map(Potentiometer::taper),
                        Potentiometer.Taper.UNSTATED),
                    dated,
                    remark));
      }
      case RECTIFIER -> {
        Optional<Rectifier> was = before.map(Rectifier.class::cast);
        yield Optional.of(
            new Rectifier(
                ref,
                marking,
                word(
                    RectifierTechnology.class,
                    was.map(Rectifier::make),
                    RectifierTechnology.UNSTATED),
                counted(was.map(Rectifier::plates)),
                said(Dimension.VOLTAGE, was.map(Rectifier::inverseVolts)),
                said(Dimension.CURRENT, was.map(Rectifier::amperes)),
                dated,
                remark));
      }
      case ZENER -> {
        Optional<Zener> was = before.map(Zener.class::cast);
        yield needed(Dimension.VOLTAGE, was.map(Zener::volts))
            .map(volts ->
                new Zener(
                    ref,
                    marking,
                    volts,
                    tolerance.or(() -> was.flatMap(Zener::tolerance)),
                    said(Dimension.POWER, was.map(Zener::watts)),
                    dated,
                    remark));
      }
      case TRANSISTOR -> {
        Optional<Transistor> was = before.map(Transistor.class::cast);
        yield Optional.of(
            new Transistor(
                ref,
                marking,
                word(
                    Transistor.Channel.class,
                    was.map(Transistor::channel),
                    Transistor.Channel.UNSTATED),
                word(
                    Transistor.Material.class,
                    was.map(Transistor::material),
                    Transistor.Material.UNSTATED),
                either(leastGain, was.map(Transistor::leastGain)),
                leastGain.isPresent() ? mostGain : either(mostGain, was.map(Transistor::mostGain)),
                dated,
                remark));
      }
      case INTEGRATED_CIRCUIT -> {
        Optional<IntegratedCircuit> was = before.map(IntegratedCircuit.class::cast);
        yield Optional.of(
            new IntegratedCircuit(
                ref,
                marking,
                word(
                    IntegratedCircuit.Task.class,
                    was.map(IntegratedCircuit::task),
                    IntegratedCircuit.Task.UNSTATED),
                said(Dimension.VOLTAGE, was.map(IntegratedCircuit::volts)),
                dated,
                remark));
      }
      case VALVE -> {
        Optional<Valve> was = before.map(Valve.class::cast);
        yield Optional.of(
            new Valve(
                ref,
                marking,
                word(Valve.Task.class, was.map(Valve::task), Valve.Task.UNSTATED),
                said(Dimension.VOLTAGE, was.map(Valve::heaterVolts)),
                said(Dimension.CURRENT, was.map(Valve::heaterAmperes)),
                dated,
                remark));
      }
      case WINDING -> {
        Optional<Winding> was = before.map(Winding.class::cast);
        yield Optional.of(
            new Winding(
                ref,
                marking,
                word(Winding.Task.class, was.map(Winding::task), Winding.Task.UNSTATED),
                said(Dimension.RESISTANCE, was.map(Winding::ohms)),
                said(Dimension.INDUCTANCE, was.map(Winding::henries)),
                dated,
                remark));
      }
      case MOVEMENT -> {
        Optional<Movement> was = before.map(Movement.class::cast);
        yield Optional.of(
            new Movement(
                ref,
                marking,
                said(Dimension.CURRENT, was.map(Movement::fullScaleAmperes)),
                said(Dimension.RESISTANCE, was.map(Movement::ohms)),
                dated,
                remark));
      }
      case RELAY -> {
        Optional<Relay> was = before.map(Relay.class::cast);
        yield Optional.of(
            new Relay(
                ref,
                marking,
                said(Dimension.VOLTAGE, was.map(Relay::coilVolts)),
                said(Dimension.RESISTANCE, was.map(Relay::ohms)),
                dated,
                remark));
      }
      case FUSE -> {
        Optional<Fuse> was = before.map(Fuse.class::cast);
        yield Optional.of(
            new Fuse(
                ref,
                marking,
                said(Dimension.CURRENT, was.map(Fuse::amperes)),
                word(Fuse.Speed.class, was.map(Fuse::speed), Fuse.Speed.UNSTATED),
                dated,
                remark));
      }
      case LAMP -> {
        Optional<Lamp> was = before.map(Lamp.class::cast);
        yield Optional.of(
            new Lamp(
                ref,
                marking,
                said(Dimension.VOLTAGE, was.map(Lamp::volts)),
                said(Dimension.CURRENT, was.map(Lamp::amperes)),
                dated,
                remark));
      }
      case CONNECTOR ->
          Optional.of(
              new Connector(
                  ref,
                  marking,
                  counted(before.map(Connector.class::cast).map(Connector::contacts)),
                  dated,
                  remark));
      case BATTERY -> {
        Optional<Battery> was = before.map(Battery.class::cast);
        yield Optional.of(
            new Battery(
                ref,
                marking,
                said(Dimension.VOLTAGE, was.map(Battery::volts)),
                word(
                    Battery.Chemistry.class,
                    was.map(Battery::chemistry),
                    Battery.Chemistry.UNSTATED),
                dated,
                remark));
      }
    };
  }

  private Optional<Double> needed(Dimension dimension, Optional<Double> before) {
    return Optional.ofNullable(figures.get(dimension)).or(() -> before);
  }

  private OptionalDouble said(Dimension dimension, Optional<OptionalDouble> before) {
    Double figure = figures.get(dimension);
    return either(figure == null ? OptionalDouble.empty() : OptionalDouble.of(figure), before);
  }

  private static OptionalDouble either(OptionalDouble now, Optional<OptionalDouble> before) {
    return now.isPresent() ? now : before.orElse(OptionalDouble.empty());
  }

  private OptionalInt counted(Optional<OptionalInt> before) {
    return count.isPresent() ? count : before.orElse(OptionalInt.empty());
  }

  private <E extends Coded> E word(Class<E> type, Optional<E> before, E unstated) {
    return constants.stream()
        .filter(type::isInstance)
        .map(type::cast)
        .findFirst()
        .or(() -> before)
        .orElse(unstated);
  }
}
