package org.yellowhearth.instruments.bench;

import org.yellowhearth.core.reform.FormingCapacitor;
import org.yellowhearth.core.reform.FormingCapacitor.Drive;

/**
 * A simulated capacitor on the bench: what hangs on it, and time passing over it. Guarded by
 * itself.
 */
final class ClippedPart {
  private final String name;
  private final FormingCapacitor capacitor;
  private double at;
  private Drive drive = Drive.open();

  ClippedPart(String name, FormingCapacitor capacitor, double now) {
    this.name = name;
    this.capacitor = capacitor;
    at = now;
  }

  String name() {
    return name;
  }

  FormingCapacitor.Make make() {
    return capacitor.make();
  }

  /** Lets the time since the last look pass with what was connected. */
  synchronized void until(double now) {
    capacitor.advance(drive, Math.max(0, now - at));
    at = Math.max(at, now);
  }

  /** Something else hangs on it from now on. */
  synchronized void connect(Drive other) {
    drive = other;
  }

  synchronized double volts() {
    return capacitor.volts();
  }

  synchronized double supplied() {
    return capacitor.supplied(drive);
  }

  synchronized double celsius() {
    return capacitor.celsius();
  }

  /** Conductance of its leakage at a volt or so (S). */
  synchronized double conductance() {
    return capacitor.make().flaw().conductance();
  }
}
