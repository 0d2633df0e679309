package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.BenchTask.Doing;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Winding;

/**
 * Steps that the set itself asks for beside the exchanges: a guard where coils sit near the iron,
 * terminals of a can that is left, what must go back on. A person adds them or not.
 */
public final class SheetHints {
  private static final Set<Place.Attachment> GO_BACK =
      Set.of(
          Place.Attachment.FERRITE_BEAD,
          Place.Attachment.HEAT_SHUNT,
          Place.Attachment.SCREEN,
          Place.Attachment.MICA_WASHER);

  /**
   * One step that could be added.
   *
   * @param where at which place of the set
   */
  public record Hint(Doing doing, String where, Message what) {}

  private SheetHints() {}

  /** What the set asks for and nobody wrote down yet; nothing while nothing is chosen. */
  public static List<Hint> of(Job job) {
    List<Hint> hints = new ArrayList<>();
    List<Choice> choices = job.items(Choice.class);
    if (choices.isEmpty()) {
      return hints;
    }
    if (job.census().stream()
        .anyMatch(p -> p instanceof Winding w && w.task() == Winding.Task.SIGNAL_COIL)) {
      hints.add(new Hint(Doing.GUARD, "", Message.of(ReplaceWords.HINT_COILS)));
    }
    choices.stream()
        .filter(c ->
            c.way() == Choice.Way.BENEATH
                && job.capacitor(c.part()).map(Capacitor::section).orElse(false))
        .map(c -> c.part().whole())
        .distinct()
        .forEach(can ->
            hints.add(
                new Hint(
                    Doing.SPARE_TERMINAL,
                    can.toString(),
                    Message.of(ReplaceWords.HINT_TERMINALS))));
    choices.forEach(c ->
        job.of(c.part(), Place.class).stream()
            .flatMap(p -> p.moveOver().stream())
            .filter(GO_BACK::contains)
            .forEach(a ->
                hints.add(
                    new Hint(
                        Doing.PUT_BACK,
                        c.part().toString(),
                        Message.of(ReplaceWords.HINT_BACK, a.term())))));
    if (job.aspect(Build.class).features().contains(Feature.HEAT_SINKS)) {
      hints.add(new Hint(Doing.PUT_BACK, "", Message.of(ReplaceWords.HINT_SINKS)));
    }
    List<BenchTask> written = job.items(BenchTask.class);
    return hints.stream()
        .filter(h ->
            written.stream().noneMatch(t -> t.doing() == h.doing() && t.where().equals(h.where())))
        .toList();
  }
}
