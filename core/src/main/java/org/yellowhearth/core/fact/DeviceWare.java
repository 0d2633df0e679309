package org.yellowhearth.core.fact;

import java.util.OptionalDouble;

/**
 * A semiconductor or a valve, by its type.
 *
 * @param type as it is called: 1N4007, ECC83
 * @param ratings what it stands and does, in figures
 */
public record DeviceWare(String type, String ratings) implements Ware {
  public DeviceWare {
    Checked.present("the type of a device", type);
  }

  /** A type has no value in F or Ω. */
  @Override
  public double value() {
    return 0;
  }

  @Override
  public double tolerance() {
    return 0;
  }

  @Override
  public Leads leads() {
    return Leads.UNSTATED;
  }

  @Override
  public OptionalDouble diameterMetres() {
    return OptionalDouble.empty();
  }

  @Override
  public OptionalDouble lengthMetres() {
    return OptionalDouble.empty();
  }
}
