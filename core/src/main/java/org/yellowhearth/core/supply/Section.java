package org.yellowhearth.core.supply;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.supply.Parameter.Which;

/**
 * One section of a supply between named points; the chassis is {@link #CHASSIS}. A section has an
 * id of its own, and its elements in the circuit are named after the parts they stand for, so that
 * a figure can be led back to the part.
 */
public sealed interface Section
    permits Section.Winding,
        Section.Rectify,
        Section.Doubler,
        Section.Filter,
        Section.Resist,
        Section.Load,
        Section.Stage,
        Section.Regulate,
        Section.Stabilise {
  /** The chassis, from which all voltages are counted. */
  String CHASSIS = "0";

  String id();

  /** This with every value as a tuner wants it. */
  Section tuned(Tuner tuner);

  /** How it rectifies, where it does. */
  default Optional<RectifierModel> rectifier() {
    return Optional.empty();
  }

  private static List<Double> counted(String id, List<Double> legs, int expected) {
    if (legs.size() != expected) {
      throw new BadCircuitException(id, "has " + legs.size() + " legs; expected " + expected);
    }
    return List.copyOf(legs);
  }

  private static List<Double> legs(String id, List<Double> legs, Tuner tuner) {
    double whole = tuner.at(new Parameter(id, Which.CONDUCTANCE), 1);
    return legs.size() == 1
        ? List.of(whole * legs.getFirst())
        : IntStream.range(0, legs.size())
            .mapToObj(k ->
                whole * tuner.at(new Parameter(id + "." + (k + 1), Which.CONDUCTANCE), legs.get(k)))
            .toList();
  }

  /**
   * A capacitor as the model takes it.
   *
   * @param part its name in the circuit, most often its reference
   */
  record Cap(String part, double farads, double esrOhms, double leakOhms) {
    Cap tuned(Tuner t) {
      return new Cap(
          part,
          t.at(new Parameter(part, Which.CAPACITANCE), farads),
          t.at(new Parameter(part, Which.SERIES_RESISTANCE), esrOhms),
          t.at(new Parameter(part, Which.LEAKAGE_RESISTANCE), leakOhms));
    }
  }

  /**
   * A winding that feeds a rectifier, or the mains itself where there is no transformer. Its ends
   * are the points {@code id.a} and {@code id.b}, its centre tap {@code id.c}.
   *
   * @param volts RMS open-circuit voltage at nominal mains, of each half where it is tapped
   * @param ohms resistance that its current meets, of each half where it is tapped: its copper, and
   *     a dropper in its line
   */
  record Winding(String id, double volts, double ohms, boolean tapped) implements Section {
    @Override
    public Winding tuned(Tuner t) {
      return new Winding(
          id,
          t.at(new Parameter(id, Which.WINDING_VOLTS), volts),
          t.at(new Parameter(id, Which.WINDING_RESISTANCE), ohms),
          tapped);
    }
  }

  /** How a rectifier is connected. */
  enum Scheme {
    HALF_WAVE,
    FULL_WAVE,
    BRIDGE
  }

  /**
   * A rectifier.
   *
   * @param winding id of the winding that feeds it
   * @param negative whether it makes a negative voltage
   * @param to the point it feeds
   * @param common the point its current comes back to, most often the chassis; a back-bias resistor
   *     may lie between
   * @param legs what share of the perveance or conductance each leg has: 1 whole, 0 open; one for
   *     half wave, two, or four
   */
  record Rectify(
      String id,
      String winding,
      Scheme scheme,
      RectifierModel model,
      boolean negative,
      String to,
      String common,
      List<Double> legs)
      implements Section {
    public Rectify {
      legs = Section.counted(id, legs, whole(scheme).size());
    }

    @Override
    public Optional<RectifierModel> rectifier() {
      return Optional.of(model);
    }

    @Override
    public Rectify tuned(Tuner t) {
      return new Rectify(
          id, winding, scheme, model.tuned(id, t), negative, to, common, Section.legs(id, legs, t));
    }

    /** Another rectifier in its place, all its legs whole. */
    public Rectify renewed(RectifierModel other) {
      return new Rectify(id, winding, scheme, other, negative, to, common, whole(scheme));
    }

    /** A rectifier whose legs are all whole, against the chassis. */
    public static Rectify of(
        String id, String winding, Scheme scheme, RectifierModel model, String to) {
      return new Rectify(id, winding, scheme, model, false, to, CHASSIS, whole(scheme));
    }

    /** All legs whole. */
    public static List<Double> whole(Scheme scheme) {
      return switch (scheme) {
        case HALF_WAVE -> List.of(1.0);
        case FULL_WAVE -> List.of(1.0, 1.0);
        case BRIDGE -> List.of(1.0, 1.0, 1.0, 1.0);
      };
    }

    /** This for a negative voltage. */
    public Rectify negativeSide() {
      return new Rectify(id, winding, scheme, model, true, to, common, legs);
    }

    /** This with its current coming back to another point. */
    public Rectify from(String point) {
      return new Rectify(id, winding, scheme, model, negative, to, point, legs);
    }
  }

  /**
   * A voltage doubler of two rectifiers and two capacitors: full wave, with the winding between the
   * two capacitors, or cascade, with one side of the winding on the common point and the first
   * capacitor in the other.
   *
   * @param negative whether it makes a negative voltage
   * @param common the point its current comes back to, most often the chassis
   * @param legs what share of its conductance each of the two rectifiers has
   */
  record Doubler(
      String id,
      String winding,
      boolean cascade,
      RectifierModel model,
      boolean negative,
      String to,
      String common,
      Cap first,
      Cap second,
      List<Double> legs)
      implements Section {
    public Doubler {
      legs = Section.counted(id, legs, WHOLE.size());
    }

    @Override
    public Optional<RectifierModel> rectifier() {
      return Optional.of(model);
    }

    /** A doubler whose rectifiers are whole, for a positive voltage against the chassis. */
    public Doubler(
        String id,
        String winding,
        boolean cascade,
        RectifierModel model,
        String to,
        Cap first,
        Cap second) {
      this(id, winding, cascade, model, false, to, CHASSIS, first, second, WHOLE);
    }

    /** Other rectifiers in its place, both whole. */
    public Doubler renewed(RectifierModel other) {
      return new Doubler(id, winding, cascade, other, negative, to, common, first, second, WHOLE);
    }

    /** Both rectifiers whole. */
    public static final List<Double> WHOLE = List.of(1.0, 1.0);

    @Override
    public Doubler tuned(Tuner t) {
      return new Doubler(
          id,
          winding,
          cascade,
          model.tuned(id, t),
          negative,
          to,
          common,
          first.tuned(t),
          second.tuned(t),
          Section.legs(id, legs, t));
    }
  }

  /**
   * A stage of a filter: a way from point to point and a capacitor behind it.
   *
   * @param shunt the capacitor from the point behind to {@code against}
   */
  record Filter(String id, String from, Way way, String to, Optional<Cap> shunt, String against)
      implements Section {
    /** A capacitor at a point, as a reservoir is. */
    public static Filter at(String id, String point, Cap cap) {
      return new Filter(id, point, new Way.Wire(), point, Optional.of(cap), CHASSIS);
    }

    /** A resistor or choke and the capacitor behind it. */
    public static Filter through(String id, String from, Way way, String to, Cap cap) {
      return new Filter(id, from, way, to, Optional.of(cap), CHASSIS);
    }

    @Override
    public Filter tuned(Tuner t) {
      return new Filter(id, from, way.tuned(t), to, shunt.map(c -> c.tuned(t)), against);
    }
  }

  /** What lies between two points of a filter. */
  sealed interface Way permits Way.Wire, Way.Resistor, Way.Choke {
    /** This with every value as a tuner wants it. */
    Way tuned(Tuner tuner);

    /** The same point. */
    record Wire() implements Way {
      @Override
      public Wire tuned(Tuner t) {
        return this;
      }
    }

    /** A resistor. */
    record Resistor(String part, double ohms) implements Way {
      @Override
      public Resistor tuned(Tuner t) {
        return new Resistor(part, t.at(new Parameter(part, Which.RESISTANCE), ohms));
      }
    }

    /** A choke or field coil. */
    record Choke(String part, double henries, double ohms, double lossOhms) implements Way {
      /** A choke with the losses of a usual core: a Q of about 30 at 100 Hz (common practice). */
      public static Choke of(String part, double henries, double ohms) {
        return new Choke(part, henries, ohms, 30 * reactance(henries));
      }

      private static double reactance(double henries) {
        return 2 * Math.PI * 100 * henries;
      }

      @Override
      public Choke tuned(Tuner t) {
        double h = t.at(new Parameter(part, Which.INDUCTANCE), henries);
        return new Choke(
            part,
            h,
            t.at(new Parameter(part, Which.WINDING_RESISTANCE), ohms),
            t.at(new Parameter(part, Which.CORE_QUALITY), lossOhms / reactance(henries))
                * reactance(h));
      }
    }
  }

  /** A resistor between two points: a bleeder, a divider, a back-bias resistor. */
  record Resist(String id, String part, String from, String to, double ohms) implements Section {
    @Override
    public Resist tuned(Tuner t) {
      return new Resist(id, part, from, to, t.at(new Parameter(part, Which.RESISTANCE), ohms));
    }
  }

  /**
   * What a rail feeds, as one load.
   *
   * @param bendVolts below this a steady current takes less, and a steady power has not started
   */
  record Load(String id, String at, Kind kind, double value, double bendVolts) implements Section {
    private static final double KNEE_VOLTS = 5;
    private static final double START_VOLTS = 40;

    /** A load that bends where such loads usually do. */
    public Load(String id, String at, Kind kind, double value) {
      this(id, at, kind, value, kind == Kind.POWER ? START_VOLTS : KNEE_VOLTS);
    }

    /** What stays the same when the voltage moves; the value is in Ω, A or W. */
    public enum Kind {
      RESISTANCE,
      CURRENT,
      POWER
    }

    @Override
    public Load tuned(Tuner t) {
      double bend =
          switch (kind) {
            case RESISTANCE -> bendVolts;
            case CURRENT -> t.at(new Parameter(id, Which.KNEE), bendVolts);
            case POWER -> t.at(new Parameter(id, Which.START_VOLTS), bendVolts);
          };
      return new Load(id, at, kind, t.at(new Parameter(id, Which.LOAD), value), bend);
    }
  }

  /**
   * A valve stage that a rail feeds, by its direct currents.
   *
   * @param valve triode or pentode
   * @param anodeOhms resistance from the rail to the anode
   * @param screen resistance from the rail to the screen, and its decoupler; none for a triode
   * @param cathodeOhms cathode resistor; 0 on the chassis
   * @param gridOhms grid leak
   * @param gridPoint what the grid leak returns to: the chassis or a bias rail
   */
  record Stage(
      String id,
      String at,
      ValveModel valve,
      double anodeOhms,
      Optional<Decoupled> screen,
      double cathodeOhms,
      Optional<Cap> bypass,
      double gridOhms,
      String gridPoint)
      implements Section {
    /** A resistor and the decoupler behind it. */
    public record Decoupled(double ohms, Optional<Cap> decoupler) {}

    @Override
    public Stage tuned(Tuner t) {
      double emission = t.at(new Parameter(id, Which.EMISSION), 1);
      return new Stage(
          id,
          at,
          valve.tuned(id, t).times(emission),
          t.at(new Parameter(id + ".load", Which.RESISTANCE), anodeOhms),
          screen.map(s ->
              new Decoupled(
                  t.at(new Parameter(id + ".screen", Which.RESISTANCE), s.ohms),
                  s.decoupler.map(c -> c.tuned(t)))),
          cathodeOhms > 0 ? t.at(new Parameter(id + ".cathode", Which.RESISTANCE), cathodeOhms) : 0,
          bypass.map(c -> c.tuned(t)),
          t.at(new Parameter(id + ".leak", Which.RESISTANCE), gridOhms),
          gridPoint);
    }
  }

  /**
   * A series regulator.
   *
   * @param volts what it holds, a magnitude
   * @param mostAmperes what it gives at the most; endless where it has no limit
   * @param tracks the point of the rail it tracks and that rail's voltage; none for one by itself
   */
  record Regulate(
      String id,
      String from,
      String to,
      boolean negative,
      double volts,
      double dropoutVolts,
      double outOhms,
      double passOhms,
      double mostAmperes,
      Optional<Tracked> tracks)
      implements Section {
    /** This giving no more than so much. */
    public Regulate limited(double amperes) {
      return new Regulate(
          id, from, to, negative, volts, dropoutVolts, outOhms, passOhms, amperes, tracks);
    }

    /** A rail that another follows. */
    public record Tracked(String point, double volts) {}

    /** A three-terminal regulator of usual dropout that gives whatever is drawn. */
    public static Regulate of(String id, String from, String to, double volts) {
      return new Regulate(
          id, from, to, false, volts, 2, 0.05, 0.5, Double.POSITIVE_INFINITY, Optional.empty());
    }

    @Override
    public Regulate tuned(Tuner t) {
      return new Regulate(
          id,
          from,
          to,
          negative,
          t.at(new Parameter(id, Which.HELD_VOLTS), volts),
          t.at(new Parameter(id, Which.DROPOUT), dropoutVolts),
          t.at(new Parameter(id, Which.OUTPUT_RESISTANCE), outOhms),
          t.at(new Parameter(id, Which.PASS_RESISTANCE), passOhms),
          Double.isInfinite(mostAmperes)
              ? mostAmperes
              : t.at(new Parameter(id, Which.CURRENT_LIMIT), mostAmperes),
          tracks);
    }
  }

  /** A zener diode or glow stabiliser from a point to the chassis. */
  record Stabilise(String id, String at, double volts, double ohms, boolean negative)
      implements Section {
    @Override
    public Stabilise tuned(Tuner t) {
      return new Stabilise(
          id,
          at,
          t.at(new Parameter(id, Which.HELD_VOLTS), volts),
          t.at(new Parameter(id, Which.OUTPUT_RESISTANCE), ohms),
          negative);
    }
  }
}
