package org.yellowhearth.core.finaltest;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;

/**
 * What a set of a kind has to do before it goes back (common practice); a proposal that the person
 * changes.
 */
public final class FunctionList {
  private FunctionList() {}

  /**
   * One thing.
   *
   * @param group what belongs together
   */
  public record Function(FinalTestWords group, FinalTestWords what) {}

  /** The list for a job's set. */
  public static List<Function> of(Job job) {
    List<Function> all = new ArrayList<>();
    SetPlate plate = job.plate();
    add(
        all,
        FinalTestWords.GROUP_ALWAYS,
        FinalTestWords.FN_SWITCH,
        FinalTestWords.FN_LAMPS,
        FinalTestWords.FN_CONTROLS,
        FinalTestWords.FN_SMELL);
    switch (plate.kind()) {
      case RADIO_RECEIVER -> {
        add(
            all,
            FinalTestWords.GROUP_RECEPTION,
            FinalTestWords.FN_BANDS,
            FinalTestWords.FN_BAND_ENDS,
            FinalTestWords.FN_TUNING,
            FinalTestWords.FN_GAIN_CONTROL);
        add(
            all,
            FinalTestWords.GROUP_SOUND,
            FinalTestWords.FN_VOLUME,
            FinalTestWords.FN_TONE,
            FinalTestWords.FN_HUM,
            FinalTestWords.FN_PICKUP);
      }
      case TELEVISION -> {
        add(
            all,
            FinalTestWords.GROUP_PICTURE,
            FinalTestWords.FN_BRIGHTNESS,
            FinalTestWords.FN_FOCUS,
            FinalTestWords.FN_WIDTH,
            FinalTestWords.FN_HEIGHT,
            FinalTestWords.FN_HOLD,
            FinalTestWords.FN_LINEARITY);
        add(all, FinalTestWords.GROUP_SOUND, FinalTestWords.FN_VOLUME, FinalTestWords.FN_HUM);
      }
      case TRANSMITTER ->
          add(
              all,
              FinalTestWords.GROUP_TRANSMIT,
              FinalTestWords.FN_DUMMY_LOAD,
              FinalTestWords.FN_DRIVE,
              FinalTestWords.FN_DIP,
              FinalTestWords.FN_OUTPUT,
              FinalTestWords.FN_MODULATION,
              FinalTestWords.FN_RELAYS,
              FinalTestWords.FN_INTERLOCKS);
      case AMPLIFIER ->
          add(
              all,
              FinalTestWords.GROUP_SOUND,
              FinalTestWords.FN_BOTH_CHANNELS,
              FinalTestWords.FN_BALANCE,
              FinalTestWords.FN_VOLUME,
              FinalTestWords.FN_TONE,
              FinalTestWords.FN_HUM,
              FinalTestWords.FN_INPUTS,
              FinalTestWords.FN_DC_OUT);
      case TEST_INSTRUMENT ->
          add(
              all,
              FinalTestWords.GROUP_INSTRUMENT,
              FinalTestWords.FN_RANGES,
              FinalTestWords.FN_ZERO,
              FinalTestWords.FN_POINTS,
              FinalTestWords.FN_KEYS,
              FinalTestWords.FN_DISPLAY,
              FinalTestWords.FN_PROBE);
      case POWER_SUPPLY ->
          add(
              all,
              FinalTestWords.GROUP_SUPPLY,
              FinalTestWords.FN_RANGE_OF_OUTPUT,
              FinalTestWords.FN_LIMIT,
              FinalTestWords.FN_METERS,
              FinalTestWords.FN_FULL_LOAD);
      case OTHER -> {
        // What it does only its owner knows.
      }
    }
    if (job.aspect(Build.class).pictureTube().isPresent()
        && plate.kind() != SetPlate.Kind.TELEVISION) {
      add(
          all,
          FinalTestWords.GROUP_PICTURE,
          FinalTestWords.FN_BRIGHTNESS,
          FinalTestWords.FN_FOCUS,
          FinalTestWords.FN_DEFLECTION);
    }
    if (job.aspect(Build.class).memory().isPresent()) {
      add(all, FinalTestWords.GROUP_ALWAYS, FinalTestWords.FN_MEMORY);
    }
    if (job.aspect(Build.class).features().contains(Feature.HEAT_SINKS)) {
      add(all, FinalTestWords.GROUP_ALWAYS, FinalTestWords.FN_SINKS);
    }
    return all;
  }

  private static void add(List<Function> all, FinalTestWords group, FinalTestWords... what) {
    for (FinalTestWords w : what) {
      all.add(new Function(group, w));
    }
  }
}
