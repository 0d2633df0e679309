package org.yellowhearth.core.fact;

import java.util.List;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * What a point feeds.
 *
 * @param value in Ω, A or W as the kind says
 */
public record SupplyLoad(String id, String name, String at, Kind kind, double value)
    implements SupplySection {
  /** What stays the same when the voltage moves. */
  public enum Kind implements Coded {
    RESISTANCE,
    CURRENT,
    POWER
  }

  public SupplyLoad {
    Item.requireId(id);
    SupplySection.requirePoint("a load's name", name);
    SupplySection.requirePoint("the point a load hangs on", at);
    Checked.within("load", value, 1e-6, 1e9);
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of(at);
  }

  @Override
  public List<PartRef> parts() {
    return List.of();
  }
}
