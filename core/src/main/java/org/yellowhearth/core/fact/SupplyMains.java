package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * The mains of the supply; one that is not described is that of the set plate.
 *
 * @param nominalVolts what the voltages of the windings are stated for
 * @param volts what is there now; as nominal where it is not said
 * @param primaryOhms what primary winding, series lamp and line oppose to the primary current, where windings share it
 */
public record SupplyMains(String id, double nominalVolts, OptionalDouble volts, double hertz, OptionalDouble primaryOhms)
        implements
            SupplySection {
    public SupplyMains {
        Item.requireId(id);
        Checked.within("nominal mains voltage", nominalVolts, 1, 1000);
        Checked.within("mains voltage", volts, 0, 1000);
        Checked.within("line frequency", hertz, 10, 1000);
        Checked.within("primary resistance", primaryOhms, 0, 100_000);
    }

    @Override
    public String title() {
        return "mains";
    }

    @Override
    public List<String> points() {
        return List.of();
    }

    @Override
    public List<PartRef> parts() {
        return List.of();
    }
}
