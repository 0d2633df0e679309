package org.yellowhearth.core.trace;

import java.util.List;
import java.util.Map;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Supply;

/**
 * How the set stood while something was read: what was clipped across what, and what its loads drew
 * then, against what they are described with.
 *
 * @param draws times what each of these values is as described
 */
public record Setup(List<SupplyBridge.Clipped> bridged, Map<Parameter, Double> draws) {
  /** Nothing clipped across anything, every load as described. */
  public static final Setup PLAIN = new Setup(List.of(), Map.of());

  public Setup {
    bridged = List.copyOf(bridged);
    draws = Map.copyOf(draws);
  }

  /** A supply set up like this. */
  Supply of(Supply supply) {
    Supply drawing =
        draws.isEmpty() ? supply : supply.tuned((knob, now) -> now * draws.getOrDefault(knob, 1.0));
    return Bridge.across(drawing, bridged);
  }
}
