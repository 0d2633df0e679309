package org.yellowhearth.core.fact;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * How far the exchange of a part has come at the bench, and what became of the old one.
 *
 * @param removed the old one is out, or cut free
 * @param fitted the new one is in
 * @param checked a second look found polarity, value and joints right
 * @param sign what a meter said of its polarity at the first low power
 * @param debt what is owed because nothing better was at hand
 * @param debtReason why it was done all the same
 * @param condition what the old one looked like
 * @param keptAt where the old one is kept, or that it went to disposal
 * @param reversal how it can be put back, where that is not plain
 * @param movedOver what went over from the old part
 */
public record Fitting(
    String id,
    PartRef part,
    boolean removed,
    boolean fitted,
    boolean checked,
    MeterSign sign,
    Debt debt,
    String debtReason,
    String condition,
    String keptAt,
    String reversal,
    Set<Place.Attachment> movedOver)
    implements OfPart {
  /** What a meter says, red on the plus of the part, black on its minus. */
  public enum MeterSign implements Coded {
    UNSTATED,
    RIGHT,
    REVERSED
  }

  /** What is owed. */
  public enum Debt implements Coded {
    /** Nothing. */
    UNSTATED,
    /** Used before, of unknown hours. */
    SECOND_HAND,
    /** Only until the right part comes. */
    TEMPORARY,
    /** Without the class its place at the mains asks for. */
    NO_SAFETY_CLASS;

    /** Whether a set must not go back with it. */
    public boolean blocks() {
      return this == NO_SAFETY_CLASS;
    }
  }

  public Fitting {
    Item.requireId(id);
    if (debt != Debt.UNSTATED) {
      Checked.present("why a part is fitted provisionally", debtReason);
    }
    if (checked && !fitted) {
      throw new IllegalArgumentException("a part that is not fitted cannot have been checked");
    }
    movedOver = Collections.unmodifiableSet(new TreeSet<>(movedOver));
  }

  /** The id of the fitting of a part: there is one. */
  public static String idOf(PartRef part) {
    return "fitting-" + part;
  }

  /** A part that nobody has touched yet. */
  public static Fitting of(PartRef part) {
    return new Fitting(
        idOf(part),
        part,
        false,
        false,
        false,
        MeterSign.UNSTATED,
        Debt.UNSTATED,
        "",
        "",
        "",
        "",
        Set.of());
  }

  /** This with something changed. */
  public Fitting with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Fitting(
        id,
        part,
        d.removed,
        d.fitted,
        d.checked,
        d.sign,
        d.debt,
        d.debtReason,
        d.condition,
        d.keptAt,
        d.reversal,
        d.movedOver);
  }

  /** A fitting while it is being changed. */
  public static final class Draft {
    public boolean removed;
    public boolean fitted;
    public boolean checked;
    public MeterSign sign;
    public Debt debt;
    public String debtReason;
    public String condition;
    public String keptAt;
    public String reversal;
    public Set<Place.Attachment> movedOver;

    private Draft(Fitting f) {
      removed = f.removed;
      fitted = f.fitted;
      checked = f.checked;
      sign = f.sign;
      debt = f.debt;
      debtReason = f.debtReason;
      condition = f.condition;
      keptAt = f.keptAt;
      reversal = f.reversal;
      movedOver = f.movedOver;
    }
  }
}
