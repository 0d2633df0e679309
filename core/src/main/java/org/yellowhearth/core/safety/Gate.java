package org.yellowhearth.core.safety;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figure;

/**
 * What stands between a person and an entry that could mean a hand or a meter in a charged set.
 *
 * @param question what is asked; the answer goes into the journal
 * @param words what is said
 * @param reasonNeeded whether only a written reason opens it, rather than a yes
 */
public record Gate(
    Edit.Question question, Message words, boolean reasonNeeded, OptionalDouble volts) {
  /** What gates say. */
  public enum GateWords implements MessageKey {
    READ_WHILE_LIT,
    READ_WHILE_BANKED,
    READ_WHILE_RECOVERING,
    REMOVE_WHILE_LIT,
    RAIL_WHILE_CHARGED,
    POWER_UNCHECKED
  }

  /**
   * The gate before an act, if one stands there: doing something again is asked about as doing it
   * is, and taking a part's entry back as taking the part out.
   *
   * @param hearth what the set holds at that moment; asked only where it matters
   */
  public static Optional<Gate> before(
      Act act, Job job, Supplier<ChargeReading> hearth, Instant now) {
    Edit edit =
        switch (act) {
          case Act.Did did -> did.edit();
          case Act.Redid redid -> job.edit(redid.entry());
          case Act.Undid undid -> undone(job.edit(undid.entry()));
        };
    return concerns(edit) ? before(edit, job, hearth.get(), now) : Optional.empty();
  }

  /**
   * What taking an edit back amounts to, as far as anybody could be hurt by it; else the edit
   * itself, to which no gate belongs.
   */
  private static Edit undone(Edit edit) {
    return switch (edit) {
      case Edit.PartAdded e -> new Edit.PartRemoved(e.part(), e.readings());
      case Edit.ItemChanged e when e.before().isEmpty() ->
          new Edit.ItemChanged(/* before= */ e.after(), /* after= */ e.before());
      case Edit.Together e -> new Edit.Together(e.edits().stream().map(Gate::undone).toList());
      case Edit.PartRemoved e -> new Edit.PartAdded(e.part(), e.readings());
      case Edit.ReadingKept e -> new Edit.ReadingWithdrawn(e.reading());
      default -> edit;
    };
  }

  private static boolean concerns(Edit edit) {
    return switch (edit) {
      case Edit.ReadingKept _, Edit.PartRemoved _, Edit.ItemChanged _, Edit.PowerSwitched _ -> true;
      case Edit.Together e -> e.edits().stream().anyMatch(Gate::concerns);
      default -> false;
    };
  }

  /** The gate before an edit, if one stands there. */
  public static Optional<Gate> before(Edit edit, Job job, ChargeReading hearth, Instant now) {
    boolean lit = hearth.state() == ChargeState.LIT;
    boolean banked = hearth.state() == ChargeState.BANKED;
    return switch (edit) {
      case Edit.ReadingKept e when (lit || banked) && wantsNoCharge(e) ->
          Optional.of(reading(lit, hearth));
      case Edit.ItemChanged e
          when (lit || banked) && e.after().filter(Gate::isMeasured).isPresent() ->
          Optional.of(reading(lit, hearth));
      case Edit.PartRemoved e when lit ->
          Optional.of(
              new Gate(
                  Edit.Question.REMOVE_WHILE_LIT,
                  Message.of(GateWords.REMOVE_WHILE_LIT, e.part().ref().toString()),
                  true,
                  volts(hearth)));
      case Edit.ItemChanged e
          when e.before().filter(Rail.class::isInstance).isPresent()
              && e.after().isEmpty()
              && (lit || banked) ->
          Optional.of(
              new Gate(
                  Edit.Question.RAIL_WHILE_CHARGED,
                  Message.of(GateWords.RAIL_WHILE_CHARGED, ((Rail) e.item()).name()),
                  true,
                  volts(hearth)));
      case Edit.PowerSwitched e
          when e.power() == Edit.Power.LIT && !lit && !Checks.blocking(job, now).isEmpty() ->
          Optional.of(
              new Gate(
                  Edit.Question.POWER_UNCHECKED,
                  Message.of(
                      GateWords.POWER_UNCHECKED,
                      Integer.toString(Checks.blocking(job, now).size())),
                  true,
                  volts(hearth)));
      case Edit.Together e ->
          e.edits().stream().flatMap(one -> before(one, job, hearth, now).stream()).findFirst();
      default -> Optional.empty();
    };
  }

  private static Gate reading(boolean lit, ChargeReading hearth) {
    if (lit) {
      return new Gate(
          Edit.Question.READ_WHILE_LIT, Message.of(GateWords.READ_WHILE_LIT), false, volts(hearth));
    }
    boolean recovering = hearth.volts() < HazardClass.METER_VOLTS;
    Quantity most = Quantity.volts(recovering ? hearth.highestVolts() : hearth.volts());
    return new Gate(
        Edit.Question.READ_WHILE_BANKED,
        Message.of(
            recovering ? GateWords.READ_WHILE_RECOVERING : GateWords.READ_WHILE_BANKED, most),
        false,
        volts(hearth));
  }

  private static OptionalDouble volts(ChargeReading hearth) {
    return hearth.stores().isEmpty()
        ? OptionalDouble.empty()
        : OptionalDouble.of(hearth.highestVolts());
  }

  /** A measured bleeder or check; the rating of a fuse is only read from its cap. */
  private static boolean isMeasured(Item item) {
    return switch (item) {
      case CheckResult r -> r.measured().isPresent() && !r.check().equals(Checks.FUSE);
      case Rail r -> r.bleeder() == Rail.Bleeder.MEASURED;
      default -> false;
    };
  }

  /** A leakage current is read under voltage; everything else needs an empty capacitor. */
  private static boolean wantsNoCharge(Edit.ReadingKept e) {
    return e.reading().figures().values().keySet().stream().anyMatch(f -> f != Figure.LEAKAGE);
  }
}
