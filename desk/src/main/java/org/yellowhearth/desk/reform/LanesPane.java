package org.yellowhearth.desk.reform;

import java.util.Optional;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Forecast;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.desk.parts.PartLanes;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReformModel.Lane;
import org.yellowhearth.workshop.words.Labels;

/**
 * One lane under another: every capacitor that may be brought up, its gate light, where it is, and
 * what is to be done.
 */
final class LanesPane extends PartLanes<Lane> {
  private final DeskModel model;

  LanesPane(DeskModel model) {
    // Two lines and no more: the whole of it stands on the page at the right.
    super(model, "lanes", "lane", "reform.lanes", "reform.nothing", true, "quiet", "lane-line");
    this.model = model;
  }

  @Override
  protected PartRef ref(Lane lane) {
    return lane.ref();
  }

  @Override
  protected Shown shown(Lane lane) {
    return new Shown(light(lane), lane.part().marking(), state(lane), line(lane));
  }

  /** Shut, waiting, open, or trouble: the light says the same as the words. */
  private static String light(Lane l) {
    if (l.run().isEmpty()) {
      return "none";
    }
    return switch (l.run().get().phase()) {
      case PLANNED, PAUSED -> "shut";
      case DONE ->
          l.ending().map(e -> e.upshot() == Ending.Upshot.BAD).orElse(false) ? "trouble" : "open";
      case STOPPED, ABORTED -> "trouble";
      case PROVING -> "waiting";
      case RUNNING ->
          switch (l.judgement().map(Judgement::counsel).orElse(Judgement.Counsel.WAIT)) {
            case NEXT, FINISH -> "open";
            case STOP, USELESS, LATE -> "trouble";
            case WAIT, REST -> "waiting";
          };
    };
  }

  private String state(Lane l) {
    if (l.run().isEmpty()) {
      return model.words().word(l.worth().answer());
    }
    ReformRun run = l.run().get();
    String phase = model.words().word(run.phase());
    return run.phase() == ReformRun.RunPhase.RUNNING || run.phase() == ReformRun.RunPhase.PAUSED
        ? Labels.of("reform.at-step", phase, run.step() + 1, run.plan().steps().size())
        : phase;
  }

  private String line(Lane l) {
    if (l.run().isEmpty()) {
      return l.worth().reasons().stream().findFirst().map(model.words()::say).orElse("");
    }
    ReformRun run = l.run().get();
    if (run.phase() == ReformRun.RunPhase.STOPPED) {
      return run.rule().map(model.words()::word).orElse("");
    }
    Optional<Ending> ending = l.ending().filter(e -> run.phase() == ReformRun.RunPhase.DONE);
    if (ending.isPresent()) {
      return ending.get().chores().isEmpty()
          ? model.words().word(ending.get().upshot())
          : model.words().word(ending.get().chores().getFirst());
    }
    if (run.readings().isEmpty()) {
      return Labels.of(
          "reform.planned-line",
          Quantity.volts(run.plan().targetVolts()),
          model.words().word(run.plan().school()));
    }
    ReformRun.Point last = run.readings().getLast();
    String figures = Quantity.volts(last.volts()) + " · " + Quantity.amperes(last.amperes());
    return run.phase() == ReformRun.RunPhase.RUNNING
        ? Labels.of(
            "reform.lane-line", figures, ahead(run, l.judgement().flatMap(Judgement::forecast)))
        : figures;
  }

  /** What is to be expected of a run under way. */
  static String ahead(ReformRun run, Optional<Forecast> forecast) {
    if (run.met()) {
      return Labels.of("reform.met", Durations.text(run.now().holdSeconds()));
    }
    return forecast.map(LanesPane::until).orElse(Labels.of("reform.no-forecast"));
  }

  /** The forecast in a few words. */
  private static String until(Forecast f) {
    if (f.median().isEmpty()) {
      return Labels.of("reform.hardly-ever");
    }
    return f.high().isPresent()
        ? Labels.of(
            "reform.between",
            Durations.text(f.low().orElse(0)),
            Durations.text(f.high().getAsDouble()))
        : Labels.of("reform.not-before", Durations.text(f.low().orElse(0)));
  }
}
