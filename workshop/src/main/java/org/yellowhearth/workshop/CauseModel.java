package org.yellowhearth.workshop;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.cause.Cause;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.FaultTrail.Outcome;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.workshop.words.Labels;

/**
 * Faults that are followed, without the window: what was suspected, what came of it, and how sure
 * that is.
 */
public final class CauseModel {
  private final DeskModel model;

  CauseModel(DeskModel model) {
    this.model = model;
  }

  /** Every trail of the open job with what follows from its journal. */
  public List<Cause> causes() {
    return model
        .openProperty()
        .get()
        .map(o -> Cause.of(o.job(), o.assessments()))
        .orElse(List.of());
  }

  /**
   * Writes a suspicion down; changes count from now on.
   *
   * @param part the reference of the part it falls on; empty where it is none
   * @param undoes the trail whose cure did not last; empty where it is a new fault
   */
  public boolean suspect(String symptom, String suspicion, String part, String undoes) {
    return model.made(() -> {
      Optional<PartRef> of = part.isBlank() ? Optional.empty() : Optional.of(known(part.strip()));
      model.put(
          FaultTrail.of(
              model.newId(),
              symptom.strip(),
              suspicion.strip(),
              of,
              model.now().toInstant(),
              undoes));
    });
  }

  private PartRef known(String typed) {
    return PartRef.parse(typed)
        .filter(ref -> model.job().part(ref).isPresent())
        .orElseThrow(() -> new IllegalArgumentException(Labels.of("cause.no-part", typed)));
  }

  /** Says what came of it, now. */
  public boolean seen(FaultTrail trail, Outcome what, String words) {
    return model.made(
        () -> model.put(trail.seen(what, model.now().toInstant(), words.strip(), false)));
  }

  /** Says that the old part, put back for a trial, brought the fault back. */
  public boolean swappedBack(FaultTrail trail) {
    return model.made(() ->
        model.put(trail.seen(trail.outcome(), trail.until().orElseThrow(), trail.seen(), true)));
  }
}
