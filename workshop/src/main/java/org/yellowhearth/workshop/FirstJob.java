package org.yellowhearth.workshop;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * The first job: twelve steps through the stages on a set that somebody invented. What is done is
 * seen in the model, not asked; every step can be skipped.
 */
public final class FirstJob {
  private static final PartRef RESERVOIR = PartRef.of("C1");
  private static final PartRef COUPLING = PartRef.of("C2");

  private final DeskModel model;
  private final Value<Integer> at = new Value<>(0);
  private final Value<Boolean> done = new Value<>(false);

  /** What is done in a step. */
  public enum Step {
    ARRIVE,
    PLATE,
    RAIL,
    VOLTS,
    PART,
    COUPLING,
    READING,
    CONTRADICTION,
    REASONS,
    UNDO,
    REPLACE,
    DOSSIER;

    /** As labels name it. */
    public String code() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** The first job in a model over an empty shop. */
  public FirstJob(DeskModel model) {
    this.model = model;
    model.openProperty().addListener((_, _, _) -> look());
    model.hearthProperty().addListener((_, _, _) -> look());
    model.stageProperty().addListener((_, _, _) -> look());
    model.chosenProperty().addListener((_, _, _) -> look());
    model.benchLine().echoProperty().addListener((_, _, _) -> look());
  }

  public DeskModel model() {
    return model;
  }

  /** The number of the step in hand, from 0; as many as there are steps once all is over. */
  public Watched<Integer> atProperty() {
    return at.watched();
  }

  /** Whether the step in hand is done. */
  public Watched<Boolean> doneProperty() {
    return done.watched();
  }

  /** The step in hand; none once all is over. */
  public Optional<Step> step() {
    List<Step> all = List.of(Step.values());
    return at.get() < all.size() ? Optional.of(all.get(at.get())) : Optional.empty();
  }

  /** Goes on to the next step, done or not. */
  public void next() {
    if (step().isPresent()) {
      done.set(false);
      at.set(at.get() + 1);
      look();
    }
  }

  private void look() {
    if (!done.get() && step().filter(this::seen).isPresent()) {
      done.set(true);
    }
  }

  /** A reading that can be kept, and of which something is told all the same. */
  private static boolean contradicts(Echo echo) {
    return echo.ready() && echo.verdict().isPresent() && !echo.trouble().isEmpty();
  }

  private boolean seen(Step step) {
    Optional<Job> job = model.openProperty().get().map(OpenJob::job);
    return switch (step) {
      case ARRIVE -> job.isPresent();
      case PLATE -> job.filter(j -> j.plate().made().isPresent()).isPresent();
      case RAIL -> job.filter(j -> !j.items(Rail.class).isEmpty()).isPresent();
      case VOLTS -> model.hearthProperty().get().state() == ChargeState.COLD;
      case PART -> job.flatMap(j -> j.part(RESERVOIR)).isPresent();
      case COUPLING -> job.flatMap(j -> j.part(COUPLING)).isPresent();
      case READING ->
          job.filter(j -> j.readings().stream().anyMatch(r -> r.part().equals(RESERVOIR)))
              .isPresent();
      case CONTRADICTION -> contradicts(model.benchLine().echoProperty().get());
      case REASONS -> model.chosenProperty().get().filter(COUPLING::equals).isPresent();
      case UNDO ->
          job.filter(j -> j.journal().stream().anyMatch(e -> e.act() instanceof Act.Redid))
              .isPresent();
      case REPLACE -> job.filter(j -> !j.items(Choice.class).isEmpty()).isPresent();
      case DOSSIER -> model.stageProperty().get() == Stage.DOSSIER;
    };
  }
}
