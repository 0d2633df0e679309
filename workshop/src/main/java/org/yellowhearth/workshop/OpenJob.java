package org.yellowhearth.workshop;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

import org.yellowhearth.core.assess.Ageing;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.safety.Hearth;

/** A job with the verdicts that follow from it, and its hearth. */
public record OpenJob(String id, Job job, List<Assessment> assessments, Map<PartRef, Assessment> byRef,
        List<Ageing> ageing, Hearth hearth) {
    /** A job and its verdicts in the order of the census. */
    public static OpenJob of(String id, Job job, List<Assessment> assessments, List<Ageing> ageing, Hearth hearth) {
        return new OpenJob(id, job, List.copyOf(assessments),
                assessments.stream().collect(Collectors.toUnmodifiableMap(a -> a.part().ref(), Function.identity())),
                List.copyOf(ageing),
                hearth);
    }

    /** The verdict on one part. */
    public Optional<Assessment> assessment(PartRef ref) {
        return Optional.ofNullable(byRef.get(ref));
    }
}
