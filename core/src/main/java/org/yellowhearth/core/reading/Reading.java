package org.yellowhearth.core.reading;

import java.time.Instant;
import org.yellowhearth.core.part.PartRef;

/**
 * What a meter showed for a part at one moment. Readings are only ever appended.
 *
 * @param id unique within the job
 * @param typed the line as the person typed it, empty where it came another way
 */
public record Reading(
    String id, PartRef part, Instant at, Figures figures, Conditions conditions, String typed) {}
