package org.yellowhearth.core.assess;

import org.yellowhearth.core.message.Coded;

/** What a part is judged by. */
public enum Criterion implements Coded {
    CAPACITANCE_KEPT, DISSIPATION, ESR, LEAKAGE, INSULATION, HEADROOM, MAINS_CLASS, AGREEMENT
}
