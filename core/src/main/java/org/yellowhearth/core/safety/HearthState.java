package org.yellowhearth.core.safety;

import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;

/**
 * What is known of the charge in a set. Until stored charge is computed from the discharge path, a set that was switched off is
 * UNKNOWN again, never COLD: nobody has measured it.
 */
public enum HearthState implements Coded {
    /** Nothing measured: treat as charged. */
    UNKNOWN,
    /** Under power. */
    LIT;

    public static HearthState of(Job job) {
        return job.power().filter(p -> p == Edit.Power.LIT).isPresent() ? LIT : UNKNOWN;
    }
}
