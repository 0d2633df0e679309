package org.yellowhearth.core.safety;

import java.util.OptionalDouble;
import org.yellowhearth.core.numeric.Halving;

/**
 * The charge on one rail with nothing feeding it: its capacitance with a discharge path across it,
 * and behind that the slow charge of the dielectric as one series branch. The two exponentials are
 * solved in closed form.
 *
 * <p>The branch is the first of the ladder by which P. C. Dow describes soakage (Trans. IRE on
 * Electronic Computers, March 1958, from memory). Its capacitance is the rail's times the
 * absorption coefficient, so that a quick discharge and a long rest bring back {@code k/(1 + k)} of
 * the voltage it had soaked at.
 *
 * @param farads the capacitance
 * @param absorption the share of charge that the dielectric holds back, 0 to below 1
 * @param pathOhms the discharge path; infinite where there is none
 */
public record ChargeModel(double farads, double absorption, double pathOhms) {
  /**
   * The time constant of the slow charge in seconds: most of it is back after a quarter of an hour
   * (our choice).
   */
  public static final double SOAK_SECONDS = 300;

  private static final double LEAST_ABSORPTION = 1e-9;

  /** So many time constants are the end of everything. */
  private static final int ENDLESS = 200;

  public ChargeModel {
    if (!(farads > 0 && absorption >= 0 && absorption < 1 && pathOhms > 0)) {
      throw new IllegalArgumentException(
          "no such store: " + farads + " F, " + absorption + ", " + pathOhms + " ohms");
    }
  }

  /**
   * The volts at one moment.
   *
   * @param node across the terminals
   * @param soaked behind the dielectric
   */
  public record Volts(double node, double soaked) {
    /** Everything at one voltage, as after long under power. */
    public static Volts soaked(double volts) {
      return new Volts(volts, volts);
    }

    /** The same charge behind, with another voltage at the terminals. */
    public Volts measured(double volts) {
      return new Volts(volts, soaked);
    }
  }

  /** The course from a state on; figures of one course are worked out once. */
  public Course from(Volts start) {
    return new Course(this, start);
  }

  /** Energy at the terminals in joules. */
  public double energy(double volts) {
    return farads * volts * volts / 2;
  }

  /** How the voltage goes on from a state: {@code a·exp(−pt) + b·exp(−qt)} with p above q. */
  public static final class Course {
    private final double fast;
    private final double slow;
    private final double nodeFast;
    private final double nodeSlow;
    private final double soakedFast;
    private final double soakedSlow;

    private Course(ChargeModel m, Volts start) {
      double path = 1 / (m.pathOhms * m.farads);
      if (m.absorption < LEAST_ABSORPTION) {
        fast = path;
        slow = 0;
        nodeFast = start.node;
        nodeSlow = 0;
        soakedFast = start.node;
        soakedSlow = 0;
        return;
      }
      double soak = 1 / SOAK_SECONDS;
      double into = m.absorption * soak;
      double sum = path + into + soak;
      double root = Math.sqrt(sum * sum - 4 * path * soak);
      fast = (sum + root) / 2;
      slow = path * soak / fast;
      // In each mode node = ratio·soaked: from soaked' = soak·(node − soaked) for the fast one,
      // and, where that would cancel,
      // from node' = −path·node − into·(node − soaked) for the slow one.
      double ratioFast = 1 - fast / soak;
      double ratioSlow = into / (path + into - slow);
      soakedFast = (start.node - ratioSlow * start.soaked) / (ratioFast - ratioSlow);
      soakedSlow = start.soaked - soakedFast;
      nodeFast = ratioFast * soakedFast;
      nodeSlow = ratioSlow * soakedSlow;
    }

    /** The state after so many seconds. */
    public Volts at(double seconds) {
      double t = Math.max(0, seconds);
      double f = Math.exp(-fast * t);
      double s = Math.exp(-slow * t);
      return new Volts(nodeFast * f + nodeSlow * s, soakedFast * f + soakedSlow * s);
    }

    /** The highest voltage at the terminals, either way round, from a moment on. */
    public double highestFrom(double seconds) {
      double t = Math.max(0, seconds);
      double turn = turn();
      double now = Math.abs(at(t).node);
      return turn > t ? Math.max(now, Math.abs(at(turn).node)) : now;
    }

    /**
     * When the terminals stop rising or falling; zero where they never turn. With no path that is
     * only in the end.
     */
    private double turn() {
      double quotient = -nodeFast * fast / (nodeSlow * slow);
      if (slow == 0 && nodeSlow != 0 && fast > 0) {
        return ENDLESS / fast;
      }
      return quotient > 1 ? Math.log(quotient) / (fast - slow) : 0;
    }

    /**
     * Seconds until the voltage at the terminals is under a limit and stays there.
     *
     * @return empty where it never is
     */
    public OptionalDouble under(double limit) {
      if (highestFrom(0) < limit) {
        return OptionalDouble.of(0);
      }
      double from = turn();
      double settles = slow > 0 ? slow : nodeSlow == 0 ? fast : 0;
      boolean never = settles == 0 && Math.abs(nodeSlow) >= limit;
      if (never || (settles == 0 && fast == 0)) {
        return OptionalDouble.empty();
      }
      if (Math.abs(at(from).node) < limit) {
        return OptionalDouble.of(closed(0, from, limit));
      }
      double step = 1 / (settles > 0 ? settles : fast);
      double to = from + step;
      while (Math.abs(at(to).node) >= limit) {
        step *= 2;
        to += step;
      }
      return OptionalDouble.of(closed(from, to, limit));
    }

    private double closed(double above, double below, double limit) {
      return Halving.between(above, below, 1e-9, t -> Math.abs(at(t).node) >= limit).fails();
    }
  }
}
