package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * What a supply does in its steady state.
 *
 * @param points voltages at the points that sections name
 * @param parts what each element of the circuit carries
 * @param mainsWatts what the mains gives, heaters and iron with it as far as they are stated
 * @param trouble why nothing was found; none where something was
 */
public record SupplyFigures(
    List<Point> points,
    List<Load> parts,
    OptionalDouble mainsWatts,
    Optional<Waveforms> waveforms,
    Optional<Message> trouble) {
  public SupplyFigures {
    points = List.copyOf(points);
    parts = List.copyOf(parts);
  }

  /**
   * A point against the chassis.
   *
   * @param dcVolts its mean
   * @param ripplePeakToPeak highest less lowest
   * @param rippleRms as a true-RMS meter reads it on its AC range
   * @param rippleAverage as a meter reads it that averages and is scaled for sines
   */
  public record Point(
      String name,
      double dcVolts,
      double ripplePeakToPeak,
      double rippleRms,
      double rippleAverage) {}

  /**
   * What an element carries.
   *
   * @param meanAmperes its mean current; of a capacitor what it leaks
   * @param rmsAmperes RMS current
   * @param peakAmperes greatest magnitude
   * @param mostVolts greatest voltage across it in its usual direction
   * @param inverseVolts greatest voltage across it the other way
   * @param watts what turns to heat in it; none where the element keeps charge or field
   */
  public record Load(
      String element,
      double meanAmperes,
      double rmsAmperes,
      double peakAmperes,
      double mostVolts,
      double inverseVolts,
      OptionalDouble watts) {}

  /** Works out a supply. */
  public static SupplyFigures of(Supply supply, List<String> points) {
    try {
      Settled settled = Settled.of(supply);
      Waveforms w = settled.waves();
      List<Point> found = points.stream().map(p -> point(p, w.voltage(p))).toList();
      List<Load> parts = new ArrayList<>();
      settled.circuit().elements().stream()
          .filter(e -> !e.name().contains(".") || e instanceof Device)
          .forEach(e -> parts.add(load(e, w)));
      return new SupplyFigures(
          found, parts, OptionalDouble.of(settled.mainsWatts()), Optional.of(w), Optional.empty());
    } catch (BadCircuitException e) {
      return failed(Message.of(TraceWords.CANNOT_BE, e.where(), e.why()));
    } catch (NoSolutionException _) {
      return failed(Message.of(TraceWords.NO_STEADY_STATE));
    }
  }

  private static SupplyFigures failed(Message why) {
    return new SupplyFigures(
        List.of(), List.of(), OptionalDouble.empty(), Optional.empty(), Optional.of(why));
  }

  private static Point point(String name, Wave v) {
    return new Point(name, v.mean(), v.peakToPeak(), v.rippleRms(), v.rippleAverageResponding());
  }

  private static Load load(Element e, Waveforms w) {
    Wave i = w.current(e.name());
    Wave v = w.voltage(e.nodes().get(0), e.nodes().get(1));
    double mean = e instanceof Element.Capacitance c ? v.mean() / c.leakOhms() : i.mean();
    return new Load(e.name(), mean, i.rms(), i.peak(), v.most(), -v.least(), watts(e, i, w));
  }

  /** What turns to heat in an element; none where it keeps charge or field. */
  static OptionalDouble watts(Element e, Wave i, Waveforms w) {
    Wave v = w.voltage(e.nodes().get(0), e.nodes().get(1));
    return switch (e) {
      case Element.Resistance r -> OptionalDouble.of(i.rms() * i.rms() * r.ohms());
      case Element.Capacitance c ->
          OptionalDouble.of(
              i.rippleRms() * i.rippleRms() * c.esrOhms() + v.rms() * v.rms() / c.leakOhms());
      case Element.Inductance l -> OptionalDouble.of(i.rms() * i.rms() * l.ohms());
      case Device _ -> OptionalDouble.of(i.meanProduct(v));
      case Element.Source _, Element.IdealTransformer _ -> OptionalDouble.empty();
    };
  }
}
