package org.yellowhearth.core.reading;

import java.util.OptionalDouble;

/**
 * What follows from a reading by the series identities: each figure as read or, where it was not
 * read, computed from the others.
 *
 * @param seriesFarads series capacitance; a parallel reading is converted where its dissipation is
 *     known
 * @param hertz the frequency as stated, or the usual meter frequency at which the figures agree
 */
public record Derived(
    OptionalDouble seriesFarads,
    OptionalDouble esrOhms,
    OptionalDouble dissipation,
    OptionalDouble hertz,
    OptionalDouble impedanceOhms) {
  public static Derived of(Figures figures, Conditions conditions) {
    OptionalDouble d = figures.dissipation();
    OptionalDouble c = seriesCapacitance(figures, conditions.mode(), d);
    OptionalDouble r = figures.get(Figure.ESR);
    OptionalDouble f = conditions.frequencyHertz();
    if (f.isEmpty() && c.isPresent() && r.isPresent() && d.isPresent()) {
      f = MeterFrequency.agreeing(r.getAsDouble(), c.getAsDouble(), d.getAsDouble());
    }
    if (f.isPresent()) {
      double hertz = f.getAsDouble();
      if (r.isEmpty() && c.isPresent() && d.isPresent()) {
        r = OptionalDouble.of(SeriesEquivalent.esr(d.getAsDouble(), hertz, c.getAsDouble()));
      } else if (d.isEmpty() && c.isPresent() && r.isPresent()) {
        d =
            OptionalDouble.of(
                SeriesEquivalent.dissipation(c.getAsDouble(), r.getAsDouble(), hertz));
      } else if (c.isEmpty() && r.isPresent() && d.isPresent()) {
        c = OptionalDouble.of(d.getAsDouble() / (2 * Math.PI * hertz * r.getAsDouble()));
      }
    }
    OptionalDouble z =
        f.isPresent() && c.isPresent() && r.isPresent()
            ? OptionalDouble.of(
                SeriesEquivalent.impedance(c.getAsDouble(), r.getAsDouble(), f.getAsDouble()))
            : OptionalDouble.empty();
    return new Derived(c, r, d, f, z);
  }

  static OptionalDouble seriesCapacitance(Figures figures, Mode mode, OptionalDouble dissipation) {
    OptionalDouble c = figures.get(Figure.CAPACITANCE);
    return mode == Mode.PARALLEL && c.isPresent() && dissipation.isPresent()
        ? OptionalDouble.of(
            SeriesEquivalent.seriesFromParallel(c.getAsDouble(), dissipation.getAsDouble()))
        : c;
  }
}
