package org.yellowhearth.core.supply;

import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Parameter.Which;

/**
 * How a rectifier conducts. The figures are those of a class, not of a type: two parts of one type
 * differ by more than two neighbouring classes do (common practice).
 */
public sealed interface RectifierModel permits RectifierModel.Vacuum, RectifierModel.Junction {
  /** No figures are known of older ones. */
  double MOST_YEARS = 60;

  /** What the junction law of an arc drops beside it. */
  double JUNCTION_VOLTS = 2;

  /** What it is made as. */
  RectifierTechnology technology();

  /** One rectifying path of it in a circuit. */
  Device between(String name, String anode, String cathode);

  /** This with every value as a tuner wants it, in a section of this id. */
  RectifierModel tuned(String id, Tuner tuner);

  /**
   * A vacuum diode.
   *
   * @param perveance in A/V^1.5, of one anode
   */
  record Vacuum(double perveance) implements RectifierModel {
    @Override
    public RectifierTechnology technology() {
      return RectifierTechnology.VACUUM;
    }

    @Override
    public Device between(String name, String anode, String cathode) {
      return new Device.VacuumDiode(name, anode, cathode, perveance);
    }

    @Override
    public Vacuum tuned(String id, Tuner t) {
      return new Vacuum(t.at(new Parameter(id, Which.PERVEANCE), perveance));
    }
  }

  /**
   * A junction, or a stack of them.
   *
   * @param saturationAmperes in A
   * @param emission n of all junctions in series
   * @param seriesOhms in Ω
   * @param offsetVolts arc drop of a gas-filled rectifier in V
   */
  record Junction(
      RectifierTechnology technology,
      double saturationAmperes,
      double emission,
      double seriesOhms,
      double offsetVolts)
      implements RectifierModel {
    @Override
    public Device between(String name, String anode, String cathode) {
      return new Device.Junction(
          name, anode, cathode, saturationAmperes, emission, seriesOhms, offsetVolts);
    }

    @Override
    public Junction tuned(String id, Tuner t) {
      return new Junction(
          technology,
          t.at(new Parameter(id, Which.SATURATION_CURRENT), saturationAmperes),
          t.at(new Parameter(id, Which.EMISSION_COEFFICIENT), emission),
          t.at(new Parameter(id, Which.JUNCTION_RESISTANCE), seriesOhms),
          t.at(new Parameter(id, Which.ARC_DROP), offsetVolts));
    }
  }

  /** A junction of this sort with a resistance in the way of each leg. */
  default RectifierModel behind(double ohms) {
    return switch (this) {
      case Junction j ->
          new Junction(
              j.technology, j.saturationAmperes, j.emission, j.seriesOhms + ohms, j.offsetVolts);
      case Vacuum _ ->
          throw new IllegalArgumentException("a vacuum diode has its resistance in its drop");
    };
  }

  /** A vacuum diode that drops a voltage at a current, as data sheets state it. */
  static Vacuum vacuum(double volts, double amperes) {
    return new Vacuum(amperes / Math.pow(volts, 1.5));
  }

  /** A rectifier of this technology, new, of one plate, with the drop that is usual for it. */
  static RectifierModel of(RectifierTechnology technology) {
    return of(technology, 1, 0);
  }

  /**
   * A rectifier of this technology, with the drop that is usual for it.
   *
   * @param plates in series, of what has plates
   */
  static RectifierModel of(RectifierTechnology technology, int plates, double years) {
    return switch (technology.law()) {
      case RectifierTechnology.Vacuum v -> vacuum(v.usualVolts(), v.usualAmperes());
      case RectifierTechnology.Arc a -> arc(technology, a, a.usualVolts());
      case RectifierTechnology.Stack s ->
          new Junction(
              technology,
              s.saturationAmperes(),
              s.emission() * plates,
              s.ohms() * plates * (1 + Math.clamp(years, 0, MOST_YEARS) / s.yearsToGrow()),
              0);
    };
  }

  /** One with an arc that drops so much. */
  static Junction arc(RectifierTechnology technology, RectifierTechnology.Arc law, double volts) {
    return new Junction(
        technology,
        law.saturationAmperes(),
        law.emission(),
        law.ohms(),
        Math.max(0, volts - JUNCTION_VOLTS));
  }
}
