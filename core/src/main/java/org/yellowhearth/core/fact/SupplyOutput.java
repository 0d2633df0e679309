package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * One output of a switching converter, which holds its voltage.
 *
 * @param converter the name of its converter
 * @param capacitor its filter capacitor, and capacitance where no part says it
 * @param esrOhms its series resistance at the switching frequency; from a reading there, else as
 *     usual
 * @param henries the choke before it, of a forward converter
 */
public record SupplyOutput(
    String id,
    String name,
    String converter,
    double volts,
    double amperes,
    Optional<PartRef> capacitor,
    OptionalDouble farads,
    OptionalDouble esrOhms,
    OptionalDouble henries)
    implements SupplySection {
  public SupplyOutput {
    Item.requireId(id);
    SupplySection.requirePoint("an output's name", name);
    SupplySection.requirePoint("the converter of an output", converter);
    Checked.within("output voltage", volts, -2000, 2000);
    Checked.within("output current", amperes, 1e-6, 1000);
    Checked.within("capacitance", farads, 1e-12, 10);
    Checked.within("series resistance", esrOhms, 1e-6, 1e6);
    Checked.within("inductance", henries, 1e-9, 10);
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of();
  }

  @Override
  public List<PartRef> parts() {
    return capacitor.stream().toList();
  }
}
