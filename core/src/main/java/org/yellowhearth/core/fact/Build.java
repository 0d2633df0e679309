package org.yellowhearth.core.fact;

import java.util.Collections;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.yellowhearth.core.message.Coded;

/**
 * How the set is built, as far as safety, the mains comparison and the supply turn on it.
 *
 * @param madeUntil the last likely year, where the plate's year begins a range
 * @param watts what it draws from the mains at its rated voltage
 * @param kilograms what it weighs
 */
public record Build(
    OptionalInt madeUntil,
    OptionalDouble watts,
    boolean switchingSupply,
    Optional<PictureTube> pictureTube,
    Optional<MemoryBattery> memory,
    Optional<LowVoltageInput> input,
    OptionalDouble kilograms,
    Set<Feature> features)
    implements Aspect {
  public static final Build BLANK =
      new Build(
          OptionalInt.empty(),
          OptionalDouble.empty(),
          false,
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          OptionalDouble.empty(),
          Set.of());

  /**
   * A picture or oscilloscope tube.
   *
   * @param farads between the anode and the outer coating or chassis; empty where nobody knows
   */
  public record PictureTube(double anodeVolts, OptionalDouble farads) {
    public PictureTube {
      Checked.within("anode voltage", anodeVolts, 100, 60_000);
      farads.ifPresent(f -> Checked.within("anode capacitance", f, 1e-12, 1e-7));
    }
  }

  /**
   * A battery that keeps a memory or a calibration.
   *
   * @param holds what would be lost without it
   */
  public record MemoryBattery(double volts, String holds) {
    public MemoryBattery {
      Checked.within("battery voltage", volts, 0.5, 60);
    }
  }

  /** A battery or adaptor that the set is fed from. */
  public record LowVoltageInput(double volts, Pole pole) {
    public LowVoltageInput {
      Checked.within("battery or adaptor voltage", volts, 0.5, 500);
    }
  }

  /** Which way round a battery or adaptor is connected. */
  public enum Pole implements Coded {
    UNSTATED,
    NEGATIVE_TO_CHASSIS,
    POSITIVE_TO_CHASSIS,
    CENTRE_POSITIVE,
    CENTRE_NEGATIVE
  }

  public Build {
    features = Collections.unmodifiableSet(new TreeSet<>(features));
    madeUntil.ifPresent(y -> Checked.within("last year", y, 1900, 2000));
    Checked.within("power", watts, 0.1, 100_000);
    Checked.within("weight", kilograms, 0.01, 2000);
  }

  /** This with something changed. */
  public Build with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Build(
        d.madeUntil,
        d.watts,
        d.switchingSupply,
        d.pictureTube,
        d.memory,
        d.input,
        d.kilograms,
        d.features);
  }

  /** A build while it is being changed. */
  public static final class Draft {
    public OptionalInt madeUntil;
    public OptionalDouble watts;
    public boolean switchingSupply;
    public Optional<PictureTube> pictureTube;
    public Optional<MemoryBattery> memory;
    public Optional<LowVoltageInput> input;
    public OptionalDouble kilograms;
    public Set<Feature> features;

    private Draft(Build b) {
      madeUntil = b.madeUntil;
      watts = b.watts;
      switchingSupply = b.switchingSupply;
      pictureTube = b.pictureTube;
      memory = b.memory;
      input = b.input;
      kilograms = b.kilograms;
      features = b.features;
    }
  }
}
