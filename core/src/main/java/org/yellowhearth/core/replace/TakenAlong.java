package org.yellowhearth.core.replace;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Fuse;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.part.Zener;

/**
 * What a part that failed short usually takes with it, to be checked before the new one goes in.
 */
public final class TakenAlong {
  private static final Set<Role> COUPLERS = EnumSet.of(Role.COUPLING, Role.GRID_COUPLING);
  private static final String NONE_LISTED = "—";

  private TakenAlong() {}

  /** What to check beside a part (common practice); nothing for parts that take nothing along. */
  public static Optional<Message> of(Part part, Job job) {
    return switch (part) {
      case Rectifier r when r.make().replacedOnSight() || supply(r) ->
          Optional.of(
              Message.of(
                  ReplaceWords.ALONG_RECTIFIER,
                  listed(
                      job,
                      p ->
                          p instanceof Fuse
                              || (p instanceof Capacitor c && c.role() == Role.RESERVOIR)
                              || (p instanceof Winding w
                                  && (w.task() == Winding.Task.MAINS_SECONDARY
                                      || w.task() == Winding.Task.MAINS_PRIMARY)))));
      case Transistor t ->
          Optional.of(
              Message.of(
                  ReplaceWords.ALONG_TRANSISTOR,
                  listed(
                      job,
                      p ->
                          !p.ref().equals(t.ref())
                              && (p.sort() == Sort.TRANSISTOR || p.sort() == Sort.FUSE))));
      case IntegratedCircuit i when i.task() == IntegratedCircuit.Task.REGULATOR ->
          Optional.of(
              Message.of(
                  ReplaceWords.ALONG_REGULATOR,
                  listed(
                      job,
                      p ->
                          !p.ref().equals(i.ref())
                              && (p instanceof IntegratedCircuit
                                  || (p instanceof Capacitor c
                                      && c.role() == Role.REGULATOR_OUTPUT)))));
      case Zener _ ->
          Optional.of(
              Message.of(
                  ReplaceWords.ALONG_ZENER,
                  listed(job, p -> p instanceof Resistor r && r.task() == Resistor.Task.DROPPER)));
      case Valve v when v.task() == Valve.Task.OUTPUT ->
          Optional.of(
              Message.of(
                  ReplaceWords.ALONG_VALVE,
                  listed(
                      job,
                      p ->
                          (p instanceof Resistor r
                                  && List.of(
                                          Resistor.Task.CATHODE,
                                          Resistor.Task.SCREEN_FEED,
                                          Resistor.Task.GRID_LEAK)
                                      .contains(r.task()))
                              || (p instanceof Capacitor c && COUPLERS.contains(c.role())))));
      default -> Optional.empty();
    };
  }

  private static boolean supply(Rectifier r) {
    return r.amperes().orElse(1) >= 0.05;
  }

  private static String listed(Job job, Predicate<Part> wanted) {
    String all =
        job.census().stream()
            .filter(wanted)
            .map(p -> p.ref().toString())
            .collect(Collectors.joining(", "));
    return all.isEmpty() ? NONE_LISTED : all;
  }
}
