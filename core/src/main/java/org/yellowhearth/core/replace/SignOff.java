package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;

/** What is still owed on a set because of what was fitted, and whether it may go back with it. */
public record SignOff(List<Owed> owed) {
  /**
   * One thing owed.
   *
   * @param about the part or task it is about
   * @param blocks whether the set must not go back before it is settled
   */
  public record Owed(String about, Message why, boolean blocks) {}

  public SignOff {
    owed = List.copyOf(owed);
  }

  /** Whether something stands against handing the set back. */
  public boolean blocked() {
    return owed.stream().anyMatch(Owed::blocks);
  }

  /** What a job owes. */
  public static SignOff of(Job job) {
    List<Owed> owed = new ArrayList<>();
    for (Fitting f : job.items(Fitting.class)) {
      PartRef ref = f.part();
      boolean unsafe = f.fitted() && withoutClass(job, ref);
      if (unsafe) {
        owed.add(new Owed(ref.toString(), Message.of(ReplaceWords.OWED_NO_CLASS), true));
      }
      if (f.debt() != Fitting.Debt.UNSTATED
          && !(unsafe && f.debt() == Fitting.Debt.NO_SAFETY_CLASS)) {
        owed.add(
            new Owed(
                ref.toString(),
                Message.of(ReplaceWords.OWED_DEBT, f.debt().term(), f.debtReason()),
                f.debt().blocks()));
      }
      if (f.sign() == Fitting.MeterSign.REVERSED) {
        owed.add(new Owed(ref.toString(), Message.of(ReplaceWords.OWED_REVERSED), true));
      }
      if (f.fitted() && !f.checked()) {
        owed.add(new Owed(ref.toString(), Message.of(ReplaceWords.OWED_UNCHECKED), false));
      }
    }
    for (BenchTask t : job.items(BenchTask.class)) {
      if (!t.done() && t.doing() == BenchTask.Doing.OPEN_LINK) {
        owed.add(new Owed(t.where(), Message.of(ReplaceWords.OWED_LINK, t.what()), true));
      } else if (!t.done() && t.doing() == BenchTask.Doing.SPARE_TERMINAL) {
        owed.add(
            new Owed(
                t.where(), Message.of(ReplaceWords.OWED_TASK, t.doing().term(), t.what()), true));
      }
    }
    return new SignOff(owed);
  }

  /** Whether a part at the mains was replaced by one without the class that its place asks for. */
  private static boolean withoutClass(Job job, PartRef ref) {
    Role role = job.capacitor(ref).map(Capacitor::role).orElse(Role.UNSTATED);
    return role.duty() == Role.Duty.MAINS
        && job.of(ref, Choice.class).stream()
            .flatMap(c -> c.all().stream())
            .anyMatch(t ->
                t.ware() instanceof CapacitorWare w
                    && !(role == Role.LINE_TO_CHASSIS
                        ? w.safety().lineToChassis()
                        : w.safety().acrossLine()));
  }
}
