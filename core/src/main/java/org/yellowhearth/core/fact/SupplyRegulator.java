package org.yellowhearth.core.fact;

import java.util.List;

import java.util.Optional;
import java.util.OptionalDouble;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * A regulator: in series from one point to another, or a zener diode or glow stabiliser from a point to the chassis.
 *
 * @param volts what it holds, a magnitude
 * @param dropoutVolts what a series regulator needs across it
 * @param outOhms its output resistance, or that of the zener
 * @param tracks the point whose voltage a series regulator follows; empty for one by itself
 */
public record SupplyRegulator(String id, String name, Optional<PartRef> part, Kind kind, String from, String to, boolean negative,
        double volts, OptionalDouble dropoutVolts, OptionalDouble outOhms, String tracks, OptionalDouble tracksVolts)
        implements
            SupplySection {
    /** Where it sits. */
    public enum Kind implements Coded {
        SERIES, SHUNT
    }

    public SupplyRegulator {
        Item.requireId(id);
        SupplySection.requirePoint("a regulator's name", name);
        SupplySection.requirePoint("the point a regulator begins at", from);
        SupplySection.requirePoint("the point a regulator feeds", to);
        Checked.within("regulated voltage", volts, 0.1, 10_000);
        Checked.within("dropout", dropoutVolts, 0, 500);
        Checked.within("output resistance", outOhms, 1e-4, 1e5);
        Checked.within("voltage of the tracked rail", tracksVolts, -10_000, 10_000);
        if (!tracks.isEmpty()) {
            SupplySection.requirePoint("the point a regulator tracks", tracks);
        }
    }

    @Override
    public String title() {
        return name;
    }

    @Override
    public List<String> points() {
        return List.of(from, to);
    }

    @Override
    public List<PartRef> parts() {
        return part.stream().toList();
    }
}
