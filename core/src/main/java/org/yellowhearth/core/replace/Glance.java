package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.IntConsumer;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Devices;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;

/**
 * All places of a job at a glance: for each old part what would come first, what that costs, where
 * it is from, and the one thing that should be looked at before it is taken.
 */
public record Glance(List<Line> lines) {
  /** A point that weighs less is not worth a look: 10 µF for 8 µF is none (our own step). */
  static final double WORTH_A_LOOK = 0.25;

  private static final double RESISTOR_TOLERANCE = 0.05;
  private static final double USUAL_WATTS = 0.5;

  /**
   * A place.
   *
   * @param first what would come in; none where nothing that is to be had may, or where the sort of
   *     part is chosen by its sheet
   * @param price of it, where all of it has one
   * @param doubt what speaks against it, or why there is none
   */
  public record Line(
      Part part, Optional<Choice> first, OptionalDouble price, Optional<Message> doubt) {
    public PartRef ref() {
      return part.ref();
    }

    /** Whether all of it lies in the drawer. */
    public boolean fromTheDrawer() {
      return first
          .filter(c -> c.all().stream().allMatch(t -> t.whence() == Whence.DRAWER))
          .isPresent();
    }

    /** Whether it can be taken without a closer look. */
    public boolean plain() {
      return first.isPresent() && doubt.isEmpty();
    }
  }

  public Glance {
    lines = List.copyOf(lines);
  }

  /** Finds what could come in for a capacitor, out of what is still to be had. */
  public interface Search extends BiFunction<Capacitor, List<StockPart>, Substitutes> {}

  /**
   * The places in their order; what one takes from the drawer the next one finds no more.
   *
   * @param stock what is to be had
   * @param uses what of the drawer is spoken for
   * @param gone asked before each: how many are done
   */
  public static Glance of(
      List<Part> parts,
      Job job,
      Devices devices,
      List<StockPart> stock,
      Stock.Uses uses,
      Search search,
      IntConsumer gone) {
    Map<String, Integer> taken = new HashMap<>();
    List<Line> lines = new ArrayList<>();
    for (Part part : parts) {
      gone.accept(lines.size());
      List<StockPart> left =
          stock.stream()
              .filter(
                  s -> s.whence() != Whence.DRAWER || uses.free(s) > taken.getOrDefault(s.id(), 0))
              .toList();
      Line line =
          switch (part) {
            case Capacitor c -> of(search.apply(c, left));
            case Resistor r -> of(r, left);
            default -> device(part, job, devices);
          };
      line.first.ifPresent(c -> c.all().forEach(t -> taken.merge(t.stock(), 1, Integer::sum)));
      lines.add(line);
    }
    return new Glance(lines);
  }

  private static Line of(Substitutes of) {
    if (of.best().isEmpty()) {
      Optional<Message> why =
          of.notes().stream()
              .findFirst()
              .or(() -> of.refused().stream().map(Substitutes.Refusal::why).findFirst());
      return new Line(of.part(), Optional.empty(), OptionalDouble.empty(), why);
    }
    Substitute first = of.best().getFirst();
    boolean priced = first.parts().stream().allMatch(p -> p.price().isPresent());
    Optional<Message> against =
        first.points().stream()
            .filter(p -> p.look() || p.weight() >= WORTH_A_LOOK)
            .map(Substitute.Point::words)
            .findFirst();
    return new Line(
        of.part(),
        Optional.of(first.choice(of.part().ref(), of.worstVolts())),
        priced ? OptionalDouble.of(first.price()) : OptionalDouble.empty(),
        of.notes().stream().findFirst().or(() -> against));
  }

  private static Line of(Resistor r, List<StockPart> stock) {
    double watts = r.watts().orElse(USUAL_WATTS);
    Optional<ResistorSearch.Found> found =
        ResistorSearch.of(stock, r.ohms(), watts, RESISTOR_TOLERANCE, 1).stream().findFirst();
    boolean priced =
        found.isPresent() && found.get().parts().stream().allMatch(p -> p.price().isPresent());
    return new Line(
        r,
        found.map(f -> f.choice(r.ref())),
        priced
            ? OptionalDouble.of(
                found.get().parts().stream().mapToDouble(p -> p.price().getAsDouble()).sum())
            : OptionalDouble.empty(),
        found.isEmpty()
            ? Optional.of(Message.of(ReplaceWords.GLANCE_NO_RESISTOR))
            : r.watts().isEmpty()
                ? Optional.of(Message.of(ReplaceWords.GLANCE_WATTS_UNKNOWN))
                : Optional.empty());
  }

  private static Line device(Part part, Job job, Devices devices) {
    return DeviceSearch.first(part, job, devices)
        .map(f ->
            new Line(
                part,
                Optional.of(f.choice(part.ref())),
                OptionalDouble.empty(),
                f.doubtful() ? Optional.of(f.points().getFirst()) : Optional.empty()))
        .orElseGet(() -> sheet(part));
  }

  private static Line sheet(Part part) {
    return new Line(
        part,
        Optional.empty(),
        OptionalDouble.empty(),
        Optional.of(Message.of(ReplaceWords.GLANCE_BY_SHEET)));
  }
}
