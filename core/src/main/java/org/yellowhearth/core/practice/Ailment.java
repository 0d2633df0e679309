package org.yellowhearth.core.practice;

import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.message.Coded;

/** What is truly the matter with a part of a practice set. */
public enum Ailment implements Coded {
    SOUND,
    /** An electrolytic that dried out: little capacitance, much resistance. */
    DRY,
    /** An electrolytic whose oxide thinned: it may come up again. */
    UNFORMED,
    /** Paper or another dry dielectric that leaks. */
    LEAKY, SHORTED, OPEN,
    /** A resistor far from its marking. */
    DRIFTED;

    /** Whether a verdict does right by it. */
    public boolean right(Verdict verdict) {
        return switch (this) {
            case SOUND -> verdict == Verdict.KEEP || verdict == Verdict.WATCH;
            case UNFORMED -> verdict == Verdict.REFORM || verdict == Verdict.RENEW;
            case DRY, LEAKY, SHORTED, OPEN, DRIFTED -> verdict == Verdict.RENEW;
        };
    }
}
