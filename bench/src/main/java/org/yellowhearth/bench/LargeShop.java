package org.yellowhearth.bench;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Random;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Thousand;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reading.ReadingParser;

/**
 * Makes up jobs by a seed, the same every time: a plate, thirty parts, so many readings of them, a
 * note or two.
 */
final class LargeShop {
  private static final String[] MARKINGS = {
    "32 MFD 450 V can reservoir",
    ".05 MFD 400 V waxed paper coupling",
    "500 pF silver mica tuned",
    "25 MFD 25 V electrolytic cathode bypass sees 12 V",
    "10n ceramic rf bypass",
    ".1 MFD 400 V moulded paper rf bypass",
    "8 MFD 500 V electrolytic smoothing",
    "270 pF mica tuned"
  };
  private static final String[] NAMES = {
    "Brackwater", "Tollenhythe", "Harrowmere", "Quillsand", "Ferrowick", "Dunmarrow"
  };
  private static final String[] PLACES = {
    "wheelhouse", "mess", "radio room", "workshop", "loft", "engine room"
  };
  private static final String[] NOTES = {
    "Wax dripped on the wafer switch.",
    "Mouse nest behind the transformer, cleaned out.",
    "Rattles when tilted: a washer.",
    "Smells of old varnish when warm.",
    "Parameter cracked, glued with the crack closed."
  };
  private static final int PARTS = 30;

  private final PartsListLine line;
  private final Random random;

  LargeShop(Knowledge knowledge, long seed) {
    line = new PartsListLine(knowledge.vocabulary(), Thousand.MEGOHM);
    random = new Random(seed);
  }

  Job job(int number, int readings) {
    ZonedDateTime at =
        Instant.parse("2016-01-01T09:00:00Z")
            .plus(Duration.ofHours(8L * number))
            .atZone(ZoneOffset.UTC);
    SetPlate plate =
        SetPlate.named(NAMES[number % NAMES.length] + " " + number)
            .with(p -> {
              p.place = PLACES[random.nextInt(PLACES.length)];
              p.made = OptionalInt.of(1930 + random.nextInt(40));
              p.complaint = "hums and fades";
            });
    List<Entry> journal = new ArrayList<>();
    journal.add(new Entry(0, at, new Act.Did(new Edit.Arrived(plate, Policy.USUAL))));
    List<Part> parts = new ArrayList<>();
    for (int i = 0; i < PARTS; i++) {
      String marking = MARKINGS[random.nextInt(MARKINGS.length)];
      parts.add(line.read(PartRef.of("C" + (i + 1)), Token.of(marking), marking, "").getFirst());
    }
    parts.forEach(p -> add(journal, at, new Edit.PartAdded(p)));
    for (int k = 0; k < readings; k++) {
      Part part = parts.get(random.nextInt(PARTS));
      ReadingParser parser = new ReadingParser(part.sort());
      double farads =
          ((org.yellowhearth.core.part.Capacitor) part).farads()
              * Math.exp(0.2 * random.nextGaussian());
      parser.read(
          Token.of(
              String.format(
                  java.util.Locale.ROOT,
                  "%.1fp D%.3f @1k",
                  farads * 1e12,
                  0.01 + 0.2 * random.nextDouble())));
      add(
          journal,
          at.plusMinutes(k),
          new Edit.ReadingKept(
              new Reading(
                  "r" + k,
                  part.ref(),
                  at.plusMinutes(k).toInstant(),
                  parser.figures(),
                  parser.conditions(),
                  "")));
    }
    add(
        journal,
        at.plusMinutes(readings),
        new Edit.NoteWritten(NOTES[random.nextInt(NOTES.length)]));
    return Job.of(journal);
  }

  private static void add(List<Entry> journal, ZonedDateTime at, Edit edit) {
    journal.add(new Entry(journal.size(), at, new Act.Did(edit)));
  }
}
