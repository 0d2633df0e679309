package org.yellowhearth.publishing.dossier;

import java.time.ZonedDateTime;
import java.util.List;

import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Assessor;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.renew.Replacement;
import org.yellowhearth.core.renew.ReplacementRules;
import org.yellowhearth.core.trace.SupplySurroundings;

/** What goes into the dossier of a job: the job, every part judged, and the moment it was made at. */
public record Dossier(Job job, List<Item> items, Knowledge knowledge, ZonedDateTime madeAt) {
    /** One part with its verdict and what is proposed for it. */
    public record Item(Assessment assessment, Replacement replacement) {
    }

    public Dossier {
        items = List.copyOf(items);
    }

    /** Judges every part of a job as of a moment. */
    public static Dossier of(Job job, Knowledge knowledge, ZonedDateTime now) {
        Assessor assessor = new Assessor(knowledge, SupplySurroundings.by(knowledge));
        ReplacementRules rules = new ReplacementRules(knowledge);
        return new Dossier(job, assessor.assessAll(job, now.toLocalDate()).stream()
                .map(a -> new Item(a, rules.propose(job, a.part()))).toList(), knowledge, now);
    }
}
