package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import java.util.function.Consumer;

/**
 * The bench the set stands on, and the supply there.
 *
 * @param celsius the ambient temperature
 * @param mainsVolts volts RMS; with 0 Hz, direct voltage
 * @param measured whether the mains was read from a meter rather than from the wall
 * @param isolated whether the bench has an isolating transformer
 */
public record Bench(
    OptionalDouble celsius,
    OptionalDouble mainsVolts,
    OptionalDouble mainsHertz,
    boolean measured,
    boolean isolated)
    implements Aspect {
  public static final Bench BLANK =
      new Bench(
          OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty(), false, false);

  public Bench {
    Checked.within("ambient temperature", celsius, -40, 60);
    Checked.within("mains voltage", mainsVolts, 1, 1000);
    Checked.within("mains frequency", mainsHertz, 0, 1000);
  }

  /** This with something changed. */
  public Bench with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Bench(d.celsius, d.mainsVolts, d.mainsHertz, d.measured, d.isolated);
  }

  /** A bench while it is being changed. */
  public static final class Draft {
    public OptionalDouble celsius;
    public OptionalDouble mainsVolts;
    public OptionalDouble mainsHertz;
    public boolean measured;
    public boolean isolated;

    private Draft(Bench b) {
      celsius = b.celsius;
      mainsVolts = b.mainsVolts;
      mainsHertz = b.mainsHertz;
      measured = b.measured;
      isolated = b.isolated;
    }
  }
}
