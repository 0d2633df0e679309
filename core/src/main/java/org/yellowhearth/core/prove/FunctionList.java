package org.yellowhearth.core.prove;

import java.util.ArrayList;
import java.util.List;

import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;

/** What a set of a kind has to do before it goes back (common practice); a proposal that the person changes. */
public final class FunctionList {
    private FunctionList() {
    }

    /**
     * One thing.
     *
     * @param group what belongs together
     */
    public record Function(ProveWords group, ProveWords what) {
    }

    /** The list for a job's set. */
    public static List<Function> of(Job job) {
        List<Function> all = new ArrayList<>();
        SetPlate plate = job.plate();
        add(all, ProveWords.GROUP_ALWAYS, ProveWords.FN_SWITCH, ProveWords.FN_LAMPS, ProveWords.FN_CONTROLS, ProveWords.FN_SMELL);
        switch (plate.kind()) {
            case RADIO_RECEIVER -> {
                add(all, ProveWords.GROUP_RECEPTION, ProveWords.FN_BANDS, ProveWords.FN_BAND_ENDS, ProveWords.FN_TUNING,
                        ProveWords.FN_GAIN_CONTROL);
                add(all, ProveWords.GROUP_SOUND, ProveWords.FN_VOLUME, ProveWords.FN_TONE, ProveWords.FN_HUM,
                        ProveWords.FN_PICKUP);
            }
            case TELEVISION -> {
                add(all, ProveWords.GROUP_PICTURE, ProveWords.FN_BRIGHTNESS, ProveWords.FN_FOCUS, ProveWords.FN_WIDTH,
                        ProveWords.FN_HEIGHT, ProveWords.FN_HOLD, ProveWords.FN_LINEARITY);
                add(all, ProveWords.GROUP_SOUND, ProveWords.FN_VOLUME, ProveWords.FN_HUM);
            }
            case TRANSMITTER -> add(all, ProveWords.GROUP_TRANSMIT, ProveWords.FN_DUMMY_LOAD, ProveWords.FN_DRIVE,
                    ProveWords.FN_DIP, ProveWords.FN_OUTPUT, ProveWords.FN_MODULATION, ProveWords.FN_RELAYS,
                    ProveWords.FN_INTERLOCKS);
            case AMPLIFIER -> add(all, ProveWords.GROUP_SOUND, ProveWords.FN_BOTH_CHANNELS, ProveWords.FN_BALANCE,
                    ProveWords.FN_VOLUME, ProveWords.FN_TONE, ProveWords.FN_HUM, ProveWords.FN_INPUTS, ProveWords.FN_DC_OUT);
            case TEST_INSTRUMENT -> add(all, ProveWords.GROUP_INSTRUMENT, ProveWords.FN_RANGES, ProveWords.FN_ZERO,
                    ProveWords.FN_POINTS, ProveWords.FN_KEYS, ProveWords.FN_DISPLAY, ProveWords.FN_PROBE);
            case POWER_SUPPLY -> add(all, ProveWords.GROUP_SUPPLY, ProveWords.FN_RANGE_OF_OUTPUT, ProveWords.FN_LIMIT,
                    ProveWords.FN_METERS, ProveWords.FN_FULL_LOAD);
            case OTHER -> {
                // What it does only its owner knows.
            }
        }
        if (job.aspect(Build.class).pictureTube().isPresent() && plate.kind() != SetPlate.Kind.TELEVISION) {
            add(all, ProveWords.GROUP_PICTURE, ProveWords.FN_BRIGHTNESS, ProveWords.FN_FOCUS, ProveWords.FN_DEFLECTION);
        }
        if (job.aspect(Build.class).memory().isPresent()) {
            add(all, ProveWords.GROUP_ALWAYS, ProveWords.FN_MEMORY);
        }
        if (job.aspect(Build.class).features().contains(Feature.HEAT_SINKS)) {
            add(all, ProveWords.GROUP_ALWAYS, ProveWords.FN_SINKS);
        }
        return all;
    }

    private static void add(List<Function> all, ProveWords group, ProveWords... what) {
        for (ProveWords w : what) {
            all.add(new Function(group, w));
        }
    }
}
