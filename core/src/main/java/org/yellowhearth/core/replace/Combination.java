package org.yellowhearth.core.replace;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;

/** Capacitors in series, in parallel, or both, that together stand for one. */
public sealed interface Combination {
  /**
   * Ripple is counted at this frequency: full-wave rectified 50 Hz; at 120 Hz it shares almost the
   * same.
   */
  double HERTZ = 100;

  /** Its capacitance (F). */
  double farads();

  /** The most it may become by the tolerances. */
  double mostFarads();

  /** The least. */
  double leastFarads();

  /**
   * The direct voltage it stands whatever the tolerances, its series members balanced where leakage
   * would share it otherwise (V).
   */
  double ratedVolts();

  /** Series resistance, where that of every member is known (Ω). */
  OptionalDouble esrOhms();

  /** Alternating current it stands, where that is stated of every member (A RMS). */
  OptionalDouble rippleAmperes();

  /** The least and the most that it may leak at its rating differ by this (A). */
  double leakAmperes();

  /** Every capacitor in it. */
  List<Candidate> members();

  /** Of what values and ratings it is made, and how; the same for what only lies in other boxes. */
  String make();

  default double price() {
    return members().stream().mapToDouble(Candidate::price).sum();
  }

  /** Whether some of it share the voltage. */
  default boolean inSeries() {
    return switch (this) {
      case One _ -> false;
      case Parallel p -> p.of.stream().anyMatch(Combination::inSeries);
      case Series _ -> true;
    };
  }

  default boolean polar() {
    return members().stream().anyMatch(Candidate::polar);
  }

  /** One capacitor. */
  record One(Candidate part) implements Combination {
    @Override
    public double farads() {
      return part.farads();
    }

    @Override
    public double mostFarads() {
      return part.farads() * (1 + part.tolerance());
    }

    @Override
    public double leastFarads() {
      return part.farads() * (1 - part.tolerance());
    }

    @Override
    public double ratedVolts() {
      return part.ratedVolts();
    }

    @Override
    public OptionalDouble esrOhms() {
      return part.esrOhms();
    }

    @Override
    public OptionalDouble rippleAmperes() {
      return part.rippleAmperes();
    }

    @Override
    public double leakAmperes() {
      return part.leakAmperes();
    }

    @Override
    public List<Candidate> members() {
      return List.of(part);
    }

    @Override
    public String make() {
      return part.farads() + "/" + part.ratedVolts();
    }
  }

  /**
   * Side by side: C = ΣC; the lowest rating counts; ripple divides by the admittances, so that the
   * one that is first at its limit bounds them all.
   */
  record Parallel(List<Combination> of) implements Combination {
    public Parallel {
      of = several(of);
    }

    @Override
    public double farads() {
      return of.stream().mapToDouble(Combination::farads).sum();
    }

    @Override
    public double mostFarads() {
      return of.stream().mapToDouble(Combination::mostFarads).sum();
    }

    @Override
    public double leastFarads() {
      return of.stream().mapToDouble(Combination::leastFarads).sum();
    }

    @Override
    public double ratedVolts() {
      return of.stream().mapToDouble(Combination::ratedVolts).min().orElseThrow();
    }

    @Override
    public OptionalDouble esrOhms() {
      Optional<double[]> y = admittance();
      return y.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(y.get()[0] / square(y.get()));
    }

    @Override
    public OptionalDouble rippleAmperes() {
      Optional<double[]> whole = admittance();
      if (whole.isEmpty() || of.stream().anyMatch(c -> c.rippleAmperes().isEmpty())) {
        return OptionalDouble.empty();
      }
      double all = Math.sqrt(square(whole.get()));
      return of.stream()
          .mapToDouble(c ->
              c.rippleAmperes().getAsDouble()
                  * all
                  / Math.sqrt(square(admittance(c.esrOhms().orElse(0), c.farads()))))
          .min();
    }

    /** Conductance and susceptance together; empty where a series resistance is not known. */
    private Optional<double[]> admittance() {
      double[] sum = new double[2];
      for (Combination c : of) {
        if (c.esrOhms().isEmpty()) {
          return Optional.empty();
        }
        double[] y = admittance(c.esrOhms().getAsDouble(), c.farads());
        sum[0] += y[0];
        sum[1] += y[1];
      }
      return Optional.of(sum);
    }

    private static double[] admittance(double ohms, double farads) {
      double reactance = 1 / (2 * Math.PI * HERTZ * farads);
      double z2 = ohms * ohms + reactance * reactance;
      return new double[] {ohms / z2, reactance / z2};
    }

    private static double square(double[] y) {
      return y[0] * y[0] + y[1] * y[1];
    }

    @Override
    public double leakAmperes() {
      return of.stream().mapToDouble(Combination::leakAmperes).sum();
    }

    @Override
    public List<Candidate> members() {
      return Combination.members(of);
    }

    @Override
    public String make() {
      return Combination.make(of, "+");
    }
  }

  /**
   * One behind the other: 1/C = Σ1/C. At switching on the voltage divides by the capacitances,
   * worst where one is at the low end of its tolerance and the others at the high end; afterwards
   * by leakage, unless equal resistors balance it, as is taken for granted here.
   */
  record Series(List<Combination> of) implements Combination {
    public Series {
      of = several(of);
    }

    @Override
    public double farads() {
      return 1 / of.stream().mapToDouble(c -> 1 / c.farads()).sum();
    }

    @Override
    public double mostFarads() {
      return 1 / of.stream().mapToDouble(c -> 1 / c.mostFarads()).sum();
    }

    @Override
    public double leastFarads() {
      return 1 / of.stream().mapToDouble(c -> 1 / c.leastFarads()).sum();
    }

    @Override
    public double ratedVolts() {
      double byCharge =
          of.stream().mapToDouble(c -> c.ratedVolts() / worstShare(c)).min().orElseThrow();
      double balanced =
          of.size() * of.stream().mapToDouble(Combination::ratedVolts).min().orElseThrow();
      return Math.min(byCharge, balanced);
    }

    /** The greatest share of the voltage that one of them may get at switching on. */
    double worstShare(Combination member) {
      double own = 1 / member.leastFarads();
      double others =
          of.stream().mapToDouble(c -> 1 / c.mostFarads()).sum() - 1 / member.mostFarads();
      return own / (own + others);
    }

    /** The greatest share that any of them may get at switching on. */
    public double greatestShare() {
      return of.stream().mapToDouble(this::worstShare).max().orElseThrow();
    }

    @Override
    public OptionalDouble esrOhms() {
      return of.stream().anyMatch(c -> c.esrOhms().isEmpty())
          ? OptionalDouble.empty()
          : OptionalDouble.of(of.stream().mapToDouble(c -> c.esrOhms().getAsDouble()).sum());
    }

    @Override
    public OptionalDouble rippleAmperes() {
      return of.stream().anyMatch(c -> c.rippleAmperes().isEmpty())
          ? OptionalDouble.empty()
          : of.stream().mapToDouble(c -> c.rippleAmperes().getAsDouble()).min();
    }

    @Override
    public double leakAmperes() {
      return of.stream().mapToDouble(Combination::leakAmperes).max().orElseThrow();
    }

    @Override
    public List<Candidate> members() {
      return Combination.members(of);
    }

    @Override
    public String make() {
      return Combination.make(of, "-");
    }

    /**
     * Resistors across the members that keep each below its rating for good whatever they leak:
     * with n members of rating Vr at V, R ≤ (n·Vr − V)/((n − 1)·ΔI), ΔI the most by which two of
     * them may leak differently (worked rule of makers' application notes, from memory). Empty
     * where nothing is left to spare between V and n·Vr.
     */
    public Optional<Balance> balance(double volts) {
      int n = of.size();
      double least = of.stream().mapToDouble(Combination::ratedVolts).min().orElseThrow();
      double spare = n * least - volts;
      double spread = of.stream().mapToDouble(Combination::leakAmperes).max().orElseThrow();
      if (!(spare > 0) || !(spread > 0)) {
        return Optional.empty();
      }
      double ohms = spare / ((n - 1) * spread);
      double each = volts / n;
      return Optional.of(new Balance(ohms, each * each / ohms, volts / (n * ohms)));
    }
  }

  /**
   * Balancing resistors, one across each member.
   *
   * @param ohms the most that each may have
   * @param watts heat in each
   * @param drainAmperes what they draw for good
   */
  record Balance(double ohms, double watts, double drainAmperes) {}

  /**
   * The balancing resistors of the polar ones in series in it, wherever they stand; the least where
   * several strings want their own.
   *
   * @param volts across all of it
   */
  default Optional<Balance> balancing(double volts) {
    return switch (this) {
      case One _ -> Optional.empty();
      case Series s -> s.polar() ? s.balance(volts) : Optional.empty();
      case Parallel p ->
          p.of().stream()
              .flatMap(c -> c.balancing(volts).stream())
              .min((a, b) -> Double.compare(a.ohms(), b.ohms()));
    };
  }

  private static List<Combination> several(List<Combination> of) {
    if (of.size() < 2) {
      throw new IllegalArgumentException("a combination is made of two or more, not " + of.size());
    }
    return List.copyOf(of);
  }

  private static String make(List<Combination> of, String sign) {
    return of.stream().map(Combination::make).sorted().collect(Collectors.joining(sign, "(", ")"));
  }

  private static List<Candidate> members(List<Combination> of) {
    return of.stream().flatMap(c -> c.members().stream()).toList();
  }
}
