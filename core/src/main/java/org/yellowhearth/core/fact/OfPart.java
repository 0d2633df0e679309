package org.yellowhearth.core.fact;

import org.yellowhearth.core.part.PartRef;

/** Something written down of one part of the census, beside the part itself. */
public sealed interface OfPart extends Item
    permits VisualInspection,
        StatedValue,
        Place,
        Body,
        Overrule,
        Parallel,
        GridCircuit,
        ReformPlan,
        Replaceable,
        Choice,
        Fitting {
  PartRef part();
}
