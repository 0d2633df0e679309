package org.yellowhearth.workshop;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.assess.Ageing;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.safety.Hearth;

/** A job of the shop as it is judged now, and its hearth. */
public record OpenJob(String id, JudgedJob judged, Hearth hearth) {
  /** The job as its journal says. */
  public Job job() {
    return judged.job();
  }

  /** The verdicts in the order of the list. */
  public List<Assessment> assessments() {
    return judged.assessments();
  }

  /** The verdict on one part. */
  public Optional<Assessment> assessment(PartRef ref) {
    return judged.assessment(ref);
  }

  public List<Ageing> ageing() {
    return judged.ageing();
  }
}
