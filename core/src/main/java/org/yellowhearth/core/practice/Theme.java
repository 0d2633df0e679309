package org.yellowhearth.core.practice;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Coded;

/** What a practice set is and what may be the matter with it. Graded from the first to the last. */
public enum Theme implements Coded {
  HUMMING_RECEIVER(
      SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1951, 280, false, 1), //
  LEAKY_COUPLER(SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1948, 250, false, 1), //
  LONG_STORED_RECEIVER(
      SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1955, 265, false, 2), //
  CHARGED_TRANSMITTER(SetPlate.Kind.TRANSMITTER, SetPlate.Technology.VALVE, 1958, 420, true, 1), //
  TRANSMITTER_BIAS(SetPlate.Kind.TRANSMITTER, SetPlate.Technology.VALVE, 1960, 420, false, 2), //
  SHORT_RASTER(SetPlate.Kind.TELEVISION, SetPlate.Technology.VALVE, 1962, 210, false, 2), //
  CHARGED_TELEVISION(SetPlate.Kind.TELEVISION, SetPlate.Technology.VALVE, 1959, 220, true, 2), //
  DRIFTING_VOLTMETER(
      SetPlate.Kind.TEST_INSTRUMENT, SetPlate.Technology.VALVE, 1955, 180, false, 2), //
  TANTALUM_GENERATOR(
      SetPlate.Kind.TEST_INSTRUMENT, SetPlate.Technology.TRANSISTOR, 1971, 18, false, 1), //
  WEAK_AMPLIFIER(SetPlate.Kind.AMPLIFIER, SetPlate.Technology.VALVE, 1957, 310, false, 3), //
  MANY_FAULTS(SetPlate.Kind.TELEVISION, SetPlate.Technology.VALVE, 1961, 215, true, 4), //
  NOTHING_WRONG(SetPlate.Kind.TEST_INSTRUMENT, SetPlate.Technology.VALVE, 1963, 180, false, 0), //
  /** Arrival: its voltage setting is not that of the mains. */
  WRONG_SETTING(SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1954, 320, false, 0), //
  /** Census: parts as they are printed, and nobody has listed them. */
  UNLISTED(SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1949, 250, false, 1), //
  /** Safety: by the sum its bleeder has emptied it long ago. */
  OPEN_BLEEDER(SetPlate.Kind.TRANSMITTER, SetPlate.Technology.VALVE, 1957, 420, true, 1), //
  /** Trace: rails low, and every capacitor good. */
  WEAK_RECTIFIER(SetPlate.Kind.AMPLIFIER, SetPlate.Technology.VALVE, 1956, 320, false, 0), //
  /** Reform: two long stored electrolytics, of which one comes up. */
  FORM_OR_RENEW(SetPlate.Kind.POWER_SUPPLY, SetPlate.Technology.VALVE, 1959, 300, false, 2), //
  /** Renew: found bad already; what takes their places? */
  CHOOSE_WISELY(SetPlate.Kind.AMPLIFIER, SetPlate.Technology.VALVE, 1953, 310, false, 3), //
  /** Wake: all done, and not yet under power. */
  FIRST_POWER(SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1952, 320, false, 0), //
  /** Wake: somebody else fitted the new reservoir. */
  REVERSED_NEW(SetPlate.Kind.RADIO_RECEIVER, SetPlate.Technology.VALVE, 1950, 320, false, 0), //
  /** Prove: it plays, and one rail is not what the drawing says. */
  FALSE_CHART(SetPlate.Kind.TELEVISION, SetPlate.Technology.VALVE, 1958, 320, false, 0);

  private static final int FIRST_POWER_MINUTES = 25;
  private static final int TRACE_MINUTES = 10;
  private static final int CHOOSE_MINUTES = 5;

  private final SetPlate.Kind kind;
  private final SetPlate.Technology technology;
  private final int year;
  private final double railVolts;
  private final boolean charged;
  private final int faults;

  Theme(
      SetPlate.Kind kind,
      SetPlate.Technology technology,
      int year,
      double railVolts,
      boolean charged,
      int faults) {
    this.kind = kind;
    this.technology = technology;
    this.year = year;
    this.railVolts = railVolts;
    this.charged = charged;
    this.faults = faults;
  }

  SetPlate.Kind kind() {
    return kind;
  }

  SetPlate.Technology technology() {
    return technology;
  }

  int year() {
    return year;
  }

  double railVolts() {
    return railVolts;
  }

  boolean charged() {
    return charged;
  }

  /** How many parts are not sound. */
  int faults() {
    return faults;
  }

  /** What is asked beside right verdicts. */
  public Set<Goal> goals() {
    return switch (this) {
      case WRONG_SETTING -> Set.of(Goal.SET_RIGHT);
      case UNLISTED -> Set.of(Goal.LISTED);
      case OPEN_BLEEDER -> Set.of(Goal.EMPTIED);
      case FORM_OR_RENEW -> Set.of(Goal.FORMED);
      case CHOOSE_WISELY -> Set.of(Goal.CHOSEN);
      case FIRST_POWER, REVERSED_NEW -> Set.of(Goal.WOKEN);
      case FALSE_CHART -> Set.of(Goal.CHARTED);
      case HUMMING_RECEIVER,
          LEAKY_COUPLER,
          LONG_STORED_RECEIVER,
          CHARGED_TRANSMITTER,
          TRANSMITTER_BIAS,
          SHORT_RASTER,
          CHARGED_TELEVISION,
          DRIFTING_VOLTMETER,
          TANTALUM_GENERATOR,
          WEAK_AMPLIFIER,
          MANY_FAULTS,
          NOTHING_WRONG,
          WEAK_RECTIFIER ->
          Set.of();
    };
  }

  /** Whether somebody has measured every capacitor of it before it comes to the practice bench. */
  boolean measured() {
    return supplied() || this == FORM_OR_RENEW || this == CHOOSE_WISELY;
  }

  /** Whether its supply is drawn, so that rails can be worked out and read. */
  boolean supplied() {
    return this == WRONG_SETTING
        || this == WEAK_RECTIFIER
        || this == FIRST_POWER
        || this == REVERSED_NEW
        || this == FALSE_CHART;
  }

  /** What it takes beside the readings of its parts, in minutes. */
  int extraMinutes() {
    return switch (this) {
      case FIRST_POWER, REVERSED_NEW -> FIRST_POWER_MINUTES;
      case WEAK_RECTIFIER, FALSE_CHART, FORM_OR_RENEW, UNLISTED -> TRACE_MINUTES;
      case CHOOSE_WISELY -> CHOOSE_MINUTES;
      default -> 0;
    };
  }

  /**
   * What is printed on the parts of a set that nobody has listed; nothing where the census is
   * there.
   */
  public List<String> printed() {
    return this == UNLISTED ? Sets.PRINTED : List.of();
  }

  /** The parts as they would be typed. */
  List<String> lines() {
    return switch (this) {
      case HUMMING_RECEIVER, LEAKY_COUPLER, LONG_STORED_RECEIVER, WEAK_AMPLIFIER -> Sets.RECEIVER;
      case CHARGED_TRANSMITTER, TRANSMITTER_BIAS -> Sets.TRANSMITTER;
      case SHORT_RASTER, CHARGED_TELEVISION, MANY_FAULTS -> Sets.TELEVISION;
      case DRIFTING_VOLTMETER, NOTHING_WRONG -> Sets.INSTRUMENT;
      case TANTALUM_GENERATOR -> Sets.TRANSISTOR;
      case OPEN_BLEEDER -> Sets.BLED;
      case UNLISTED -> Sets.UNLISTED;
      case FORM_OR_RENEW -> Sets.STORED;
      case CHOOSE_WISELY -> Sets.RENEWED;
      case WRONG_SETTING, WEAK_RECTIFIER, FIRST_POWER, REVERSED_NEW, FALSE_CHART -> Sets.SUPPLIED;
    };
  }

  /**
   * The parts of the sets, as they would be typed; the first one hangs on the rail that may be
   * charged.
   */
  private static final class Sets {
    static final List<String> RECEIVER =
        List.of(
            "32 MFD 450 V electrolytic reservoir sees 280 V",
            "16 MFD 450 V electrolytic smoothing sees 260 V",
            "25 MFD 25 V electrolytic cathode bypass sees 12 V",
            ".05 MFD 400 V waxed paper grid coupling sees 110 V",
            ".1 MFD 400 V waxed paper rf bypass sees 90 V",
            ".01 MFD 400 V waxed paper tone sees 200 V",
            "500 pF silver mica tuned",
            "220 pF silver mica tuned");
    static final List<String> TRANSMITTER =
        List.of(
            "16 MFD 500 V electrolytic reservoir sees 420 V",
            "16 MFD 500 V electrolytic smoothing sees 410 V",
            "50 MFD 150 V electrolytic smoothing sees 90 V",
            ".1 MFD 600 V moulded paper rf bypass sees 300 V",
            ".01 MFD 1000 V moulded paper grid coupling sees 250 V",
            "1000 pF silver mica rf bypass sees 420 V",
            "100 pF silver mica tuned");
    static final List<String> TELEVISION =
        List.of(
            "100 MFD 350 V electrolytic reservoir sees 220 V",
            "200 MFD 350 V electrolytic smoothing sees 205 V",
            "100 MFD 25 V electrolytic cathode bypass sees 14 V",
            ".1 MFD 600 V moulded paper coupling sees 200 V",
            ".047 MFD 400 V polyester coupling sees 150 V",
            ".02 MFD 600 V moulded paper rf bypass sees 210 V",
            "10n ceramic rf bypass sees 200 V",
            "330 pF silver mica tuned");
    static final List<String> INSTRUMENT =
        List.of(
            "16 MFD 350 V electrolytic reservoir sees 180 V",
            "8 MFD 350 V electrolytic smoothing sees 170 V",
            ".1 MFD 400 V polyester coupling sees 90 V",
            ".05 MFD 400 V waxed paper rf bypass sees 120 V",
            "1000 pF silver mica tuned",
            "10n ceramic rf bypass sees 100 V");
    static final List<String> TRANSISTOR =
        List.of(
            "1000 MFD 25 V electrolytic reservoir sees 18 V",
            "22 MFD 35 V solid tantalum smoothing sees 15 V",
            "10 MFD 25 V solid tantalum smoothing sees 12 V",
            ".1 MFD 100 V polyester rf bypass sees 15 V",
            "10n ceramic rf bypass sees 12 V",
            "470 pF silver mica tuned");

    static final List<String> BLED =
        Stream.concat(
                TRANSMITTER.stream(),
                Stream.of("R1 220k 10% 3W wirewound bleeder", "R2 47k 10% 2W carbon screen feed"))
            .toList();

    /**
     * Colours by IEC 60062, and the older body, end and dot: brown, black, green is 1, 0 and five
     * noughts (from memory).
     */
    static final List<String> PRINTED =
        List.of(
            "C1, tall can, reservoir: 8 MFD 450 V",
            "C2, can, smoothing: 16 MFD 450 V",
            "C3, waxed tube, from anode to grid: .05 / 400 DC",
            "C4, flat and brown, across a coil: 500 MMFD",
            "R5, bands yellow violet orange silver, anode load",
            "R6, body brown, end black, dot green, grid leak");

    static final List<String> UNLISTED =
        List.of(
            "8 MFD 450 V electrolytic reservoir sees 250 V",
            "16 MFD 450 V electrolytic smoothing sees 240 V",
            ".05 MFD 400 V waxed paper grid coupling sees 110 V",
            "500 pF mica tuned",
            "R5 47k 10% carbon anode load",
            "R6 1M 20% carbon grid leak");
    static final List<String> STORED =
        List.of(
            "32 MFD 450 V electrolytic reservoir sees 300 V",
            "32 MFD 450 V electrolytic smoothing sees 290 V",
            "8 MFD 350 V electrolytic smoothing sees 150 V",
            ".1 MFD 400 V polyester rf bypass sees 150 V");
    static final List<String> RENEWED =
        List.of(
            "32 MFD 450 V electrolytic reservoir sees 310 V",
            ".05 MFD 400 V waxed paper grid coupling sees 120 V",
            ".01 MFD 1000 V waxed paper line to chassis",
            "16 MFD 450 V electrolytic smoothing sees 290 V",
            "220 pF silver mica tuned");
    static final List<String> SUPPLIED =
        List.of(
            "16 MFD 450 V electrolytic reservoir sees 320 V",
            "32 MFD 450 V electrolytic smoothing sees 265 V",
            "8 MFD 450 V electrolytic smoothing sees 200 V",
            "25 MFD 25 V electrolytic cathode bypass sees 12 V",
            "R1 1k2 10% 5W wirewound dropper",
            "R2 22k 10% 2W carbon screen feed",
            "V1 rectifier 5V 2A",
            "V2 output 6.3V 0.45A");

    private Sets() {}
  }
}
