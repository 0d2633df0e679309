package org.yellowhearth.core.fact;

import java.util.Collections;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * Where a part sits.
 *
 * @param where in words
 * @param valveMetres distance to the nearest hot valve
 * @param transformerMetres distance to the mains transformer
 * @param resistorMetres distance to a resistor that runs hot
 * @param side whether it lies above or below the heat: above is hotter
 * @param behind what must be moved to reach it
 * @param moveOver what must go over to a new part
 * @param photographPin the id of the pin that shows it
 */
public record Place(String id, PartRef part, String where, OptionalDouble valveMetres, OptionalDouble transformerMetres,
        OptionalDouble resistorMetres, Side side, String behind, Set<Attachment> moveOver,
        String photographPin) implements OfPart {
    /** Where it lies against the source of heat. */
    public enum Side implements Coded {
        UNSTATED, ABOVE, LEVEL, BELOW
    }

    /** What may sit on a part and must not be thrown away with it. */
    public enum Attachment implements Coded {
        FERRITE_BEAD, SLEEVING, CLIP, HEAT_SHUNT, SCREEN, MICA_WASHER, LABEL
    }

    public Place {
        Item.requireId(id);
        Checked.within("distance to a valve", valveMetres, 0, 10);
        Checked.within("distance to the transformer", transformerMetres, 0, 10);
        Checked.within("distance to a hot resistor", resistorMetres, 0, 10);
        moveOver = Collections.unmodifiableSet(new TreeSet<>(moveOver));
    }

    /** The id of the place of a part: there is one of each. */
    public static String idOf(PartRef part) {
        return "place-" + part;
    }
}
