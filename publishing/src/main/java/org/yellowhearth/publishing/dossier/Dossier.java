package org.yellowhearth.publishing.dossier;

import java.time.ZonedDateTime;
import java.util.List;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.replace.Replacement;
import org.yellowhearth.core.replace.ReplacementRules;

/**
 * What goes into the dossier of a job: the job, every part judged, and the moment it was made at.
 */
public record Dossier(Job job, List<Item> items, Knowledge knowledge, ZonedDateTime madeAt) {
  /** One part with its verdict and what is proposed for it. */
  public record Item(Assessment assessment, Replacement replacement) {}

  public Dossier {
    items = List.copyOf(items);
  }

  /** The dossier of a job as it is judged. */
  public static Dossier of(JudgedJob judged, Knowledge knowledge, ZonedDateTime now) {
    ReplacementRules rules = new ReplacementRules(knowledge);
    return new Dossier(
        judged.job(),
        judged.assessments().stream()
            .map(a -> new Item(a, rules.propose(judged.job(), a.part())))
            .toList(),
        knowledge,
        now);
  }
}
