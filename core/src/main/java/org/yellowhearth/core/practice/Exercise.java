package org.yellowhearth.core.practice;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;

/**
 * A set with hidden faults.
 *
 * @param charged volts that its rail truly holds when it comes in; 0 for an empty one
 * @param minutes that a good hand needs
 */
public record Exercise(String id, Theme theme, long seed, SetPlate plate, List<Part> parts, Map<PartRef, Truth> truths, Rail rail,
        double charged, int minutes) {
    public Exercise {
        parts = List.copyOf(parts);
        truths = Map.copyOf(truths);
    }

    /** At the practice bench measurement decides: what a school throws out on sight could be learned nothing from. */
    public static final Policy POLICY = Policy.USUAL.with(Policy.WhenToRenew.MEASURED_ONLY).with(Policy.Paper.LEAKAGE_DECIDES)
            .with(Policy.OldElectrolytics.REFORM_WHATEVER_PASSES).with(Policy.Tantalum.SAME_RATING);

    /** The job as it lies on the practice bench at the beginning: plate, census and rail, nothing measured. */
    public Job job(ZonedDateTime now) {
        List<Entry> journal = new ArrayList<>();
        journal.add(new Entry(0, now, new Act.Did(new Edit.Arrived(plate, POLICY))));
        for (Part p : parts) {
            journal.add(new Entry(journal.size(), now, new Act.Did(new Edit.PartAdded(p))));
        }
        journal.add(new Entry(journal.size(), now, new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(rail)))));
        return Job.of(journal);
    }

    /** The truth about a part. */
    public Truth truth(PartRef part) {
        return truths.get(part);
    }

    /** The parts that are not sound. */
    public List<Truth> faults() {
        return parts.stream().map(p -> truths.get(p.ref())).filter(t -> t.ailment() != Ailment.SOUND).toList();
    }
}
