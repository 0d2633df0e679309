package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import java.util.function.Consumer;
import org.yellowhearth.core.message.Coded;

/**
 * How the mains comes into the set, as seen with the plug out.
 *
 * @param settingVolts what its voltage link or selector is set to
 * @param settingHertz what its line frequency setting is set to, where it has one
 * @param fuseAmperes the rating printed on the fuse that is fitted in the set
 * @param plugFuseAmperes the rating printed on the fuse in its plug, where the plug has one
 * @param hoursADay that it is switched on, as its owner says
 */
public record MainsEntry(
    OptionalDouble settingVolts,
    OptionalDouble settingHertz,
    Cord cord,
    Plug plug,
    FusePlace fusePlace,
    OptionalDouble fuseAmperes,
    OptionalDouble plugFuseAmperes,
    OptionalDouble hoursADay,
    SwitchPlace switchPlace,
    Earth earth)
    implements Aspect {
  public static final MainsEntry BLANK =
      new MainsEntry(
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          Cord.UNSEEN,
          Plug.UNSEEN,
          FusePlace.UNSEEN,
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          SwitchPlace.UNSEEN,
          Earth.UNSEEN);

  /** The state of the mains cord. */
  public enum Cord implements Coded {
    UNSEEN,
    SOUND,
    STIFF,
    CRACKED,
    TAPED,
    MISSING
  }

  /** The plug at its end. */
  public enum Plug implements Coded {
    UNSEEN,
    EARTHED,
    POLARISED,
    REVERSIBLE,
    NONE
  }

  /** Where the fuse sits. */
  public enum FusePlace implements Coded {
    UNSEEN,
    LINE,
    NEUTRAL,
    SECONDARY,
    BRIDGED,
    NONE
  }

  /** What the mains switch breaks. */
  public enum SwitchPlace implements Coded {
    UNSEEN,
    BOTH,
    LINE,
    NEUTRAL,
    SECONDARY,
    NONE
  }

  /** Whether exposed metal is connected to the protective earth. */
  public enum Earth implements Coded {
    UNSEEN,
    CONNECTED,
    ABSENT
  }

  public MainsEntry {
    Checked.within("voltage setting", settingVolts, 1, 1000);
    Checked.within("frequency setting", settingHertz, 0, 1000);
    Checked.within("fuse rating", fuseAmperes, 0.001, 200);
    Checked.within("rating of the plug's fuse", plugFuseAmperes, 0.001, 200);
    Checked.within("hours a day", hoursADay, 0, 24);
  }

  /**
   * Whether the supply is under voltage while the set is off: its switch breaks only what comes
   * after the transformer, or there is none.
   */
  public boolean energisedWhileOff() {
    return switchPlace == SwitchPlace.SECONDARY || switchPlace == SwitchPlace.NONE;
  }

  /** This with something changed. */
  public MainsEntry with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new MainsEntry(
        d.settingVolts,
        d.settingHertz,
        d.cord,
        d.plug,
        d.fusePlace,
        d.fuseAmperes,
        d.plugFuseAmperes,
        d.hoursADay,
        d.switchPlace,
        d.earth);
  }

  /** A mains entry while it is being changed. */
  public static final class Draft {
    public OptionalDouble settingVolts;
    public OptionalDouble settingHertz;
    public Cord cord;
    public Plug plug;
    public FusePlace fusePlace;
    public OptionalDouble fuseAmperes;
    public OptionalDouble plugFuseAmperes;
    public OptionalDouble hoursADay;
    public SwitchPlace switchPlace;
    public Earth earth;

    private Draft(MainsEntry m) {
      settingVolts = m.settingVolts;
      settingHertz = m.settingHertz;
      cord = m.cord;
      plug = m.plug;
      fusePlace = m.fusePlace;
      fuseAmperes = m.fuseAmperes;
      plugFuseAmperes = m.plugFuseAmperes;
      hoursADay = m.hoursADay;
      switchPlace = m.switchPlace;
      earth = m.earth;
    }
  }
}
