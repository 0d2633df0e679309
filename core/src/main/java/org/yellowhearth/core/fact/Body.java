package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import java.util.function.Consumer;
import org.yellowhearth.core.part.PartRef;

/**
 * What the body of the old part is like, so that another can go where it sat.
 *
 * @param celsius the highest temperature it is made for
 * @param pitchMetres between its leads
 * @param terminals which terminal is which section, in words
 */
public record Body(
    String id,
    PartRef part,
    OptionalDouble celsius,
    Leads leads,
    OptionalDouble pitchMetres,
    OptionalDouble diameterMetres,
    OptionalDouble lengthMetres,
    String terminals)
    implements OfPart {
  public Body {
    Item.requireId(id);
    Checked.within("the temperature it is made for", celsius, 20, 400);
    Checked.within("the lead pitch", pitchMetres, 0.0005, 0.5);
    Checked.within("the diameter", diameterMetres, 0.0005, 1);
    Checked.within("the length", lengthMetres, 0.0005, 1);
  }

  /** The body of a part of which nothing is known yet; there is one of each part. */
  public static Body of(PartRef part) {
    return new Body(
        "body-" + part,
        part,
        OptionalDouble.empty(),
        Leads.UNSTATED,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "");
  }

  /** This with something changed. */
  public Body with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Body(
        id, part, d.celsius, d.leads, d.pitchMetres, d.diameterMetres, d.lengthMetres, d.terminals);
  }

  /** A body while it is being changed. */
  public static final class Draft {
    public OptionalDouble celsius;
    public Leads leads;
    public OptionalDouble pitchMetres;
    public OptionalDouble diameterMetres;
    public OptionalDouble lengthMetres;
    public String terminals;

    private Draft(Body b) {
      celsius = b.celsius;
      leads = b.leads;
      pitchMetres = b.pitchMetres;
      diameterMetres = b.diameterMetres;
      lengthMetres = b.lengthMetres;
      terminals = b.terminals;
    }
  }
}
