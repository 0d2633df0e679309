package org.yellowhearth.storage.jobfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;

public class JobFileTest {
  private static final JobReader READER = new JobReader(KnowledgeFiles.read());
  private static final ZonedDateTime NOW =
      Instant.parse("2026-06-01T08:00:00Z").atZone(ZoneId.of("Europe/London"));
  private static final Path ROOT = Path.of(System.getProperty("hearth.root"));

  static JobFile read(String json) {
    return READER.read(JsonText.read(json), NOW);
  }

  private static String file(String rest) {
    return "{\"format\":\"yellow-hearth-job\",\"version\":1,\"set\":{\"name\":\"Test set\"}"
        + rest
        + "}";
  }

  /** A job of random work, with every sort of entry. */
  public static Job randomJob(long seed) {
    Random random = new Random(seed);
    Job job =
        Job.of(
            List.of(
                new Entry(
                    0,
                    NOW,
                    new Act.Did(new Edit.Arrived(SetPlate.named("Set " + seed), Policy.USUAL)))));
    for (int i = 1; i < 60; i++) {
      job =
          job.after(
              new Entry(
                  i, NOW.plusSeconds(i * 7L).plusNanos(random.nextInt(1000)), act(job, random, i)));
    }
    return job;
  }

  private static Act act(Job job, Random r, int i) {
    List<Part> census = job.census();
    if (census.isEmpty() || r.nextInt(4) == 0) {
      Sort sort = List.of(Sort.values()).get(r.nextInt(Sort.values().length));
      return new Act.Did(
          new Edit.PartAdded(
              RandomParts.part(sort, "C" + (200 + i) + (r.nextBoolean() ? "a" : ""), r)));
    }
    Part some = census.get(r.nextInt(census.size()));
    return switch (r.nextInt(15)) {
      case 9 -> RandomFacts.aspectChanged(job, r);
      case 10, 11 -> RandomFacts.itemChanged(job, r, i);
      case 12 -> RandomFacts.event(job, r);
      case 13, 14 ->
          new Act.Did(
              new Edit.Together(
                  List.of(
                      new Edit.ItemChanged(
                          Optional.empty(),
                          Optional.of(RandomParts.written("w" + i, some.ref(), r))),
                      new Edit.NoteWritten("together"))));
      case 0, 1, 2 ->
          new Act.Did(
              new Edit.ReadingKept(
                  RandomParts.reading(
                      "r" + i, some.ref(), NOW.plusSeconds(r.nextInt(9000)).toInstant(), r)));
      case 3 ->
          new Act.Did(
              new Edit.PartChanged(some, RandomParts.part(some.sort(), some.ref().toString(), r)));
      case 4 -> new Act.Did(removed(job, some));
      case 5 ->
          new Act.Did(
              new Edit.PlateChanged(
                  job.plate(),
                  job.plate()
                      .with(p -> {
                        p.made = OptionalInt.of(1930 + r.nextInt(60));
                        p.mains = Optional.of(new SetPlate.Mains(110 + r.nextInt(140), 60));
                        p.complaint = "hums \"loudly\"\n" + i;
                      })));
      case 6 ->
          new Act.Did(new Edit.PowerSwitched(r.nextBoolean() ? Edit.Power.LIT : Edit.Power.OFF));
      case 7 ->
          job.nextUndo().isPresent()
              ? new Act.Undid(job.nextUndo().getAsInt())
              : new Act.Did(new Edit.NoteWritten("µΩ – ‘quoted’ " + i));
      default ->
          job.nextRedo().isPresent()
              ? new Act.Redid(job.nextRedo().getAsInt())
              : new Act.Did(
                  new Edit.PolicyChanged(
                      job.policy(),
                      job.policy()
                          .with(
                              r.nextBoolean()
                                  ? Policy.Profile.MODERN
                                  : Policy.Paper.LEAKAGE_DECIDES)));
    };
  }

  private static Edit removed(Job job, Part part) {
    List<Edit> edits = new ArrayList<>();
    job.of(part.ref(), OfPart.class)
        .forEach(o -> edits.add(new Edit.ItemChanged(Optional.of(o), Optional.empty())));
    edits.add(new Edit.PartRemoved(part, job.readingsOf(part.ref())));
    return new Edit.Together(edits);
  }

  @Test
  public void aRoundTripLosesNothing() {
    for (int seed = 0; seed < 60; seed++) {
      Job job = randomJob(seed);
      String written = JobWriter.write("id-" + seed, job);
      JobFile back = read(written);
      assertThat(back.id()).contains("id-" + seed);
      assertThat(back.job().journal()).isEqualTo(job.journal());
      assertThat(back.job().census()).isEqualTo(job.census());
      assertThat(back.job().readings()).isEqualTo(job.readings());
      assertThat(back.job().plate()).isEqualTo(job.plate());
      assertThat(back.job().policy()).isEqualTo(job.policy());
      assertThat(back.job().power()).isEqualTo(job.power());
      assertThat(back.job().aspects()).isEqualTo(job.aspects());
      assertThat(back.job().items()).isEqualTo(job.items());
      assertThat(back.job().events()).isEqualTo(job.events());
      assertThat(back.job().nextRedo()).isEqualTo(job.nextRedo());
      assertThat(JobWriter.write("id-" + seed, back.job())).isEqualTo(written);
    }
  }

  private static Schema schema() throws IOException {
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(Files.readString(ROOT.resolve("docs/job.schema.json")), InputFormat.JSON);
  }

  @Test
  public void whatIsWrittenKeepsToTheSchema() throws IOException {
    for (int seed = 0; seed < 20; seed++) {
      assertThat(schema().validate(JobWriter.write("x", randomJob(seed)), InputFormat.JSON))
          .isEmpty();
    }
    assertThat(schema().validate(file(",\"parts\":[{\"ref\":\"C1\"}]"), InputFormat.JSON))
        .isNotEmpty();
    assertThat(Files.readString(ROOT.resolve("docs/job.schema.json")))
        .contains("\"title\": \"Yellow Hearth job file, version " + JobFormat.VERSION + "\"");
    assertThat(Files.readString(ROOT.resolve("docs/job-format.md")))
        .contains("version " + JobFormat.VERSION + " (versions 1 to " + (JobFormat.VERSION - 1));
  }

  @Test
  public void theDemoFilesAreReadLikeAnybodysAndKeepToTheSchema() throws IOException {
    try (Stream<Path> files = Files.list(ROOT.resolve("demo"))) {
      List<Path> jobs = files.filter(f -> f.toString().endsWith(".json")).toList();
      assertThat(jobs).hasSizeGreaterThanOrEqualTo(5);
      for (Path job : jobs) {
        assertThat(schema().validate(Files.readString(job), InputFormat.JSON))
            .as(job.toString())
            .isEmpty();
        assertThat(READER.read(JsonText.read(job), NOW).job().census())
            .as(job.toString())
            .isNotEmpty();
      }
    }
  }

  @Test
  public void aFileByHandMayLeaveOutWhatFollows() {
    Job job =
        read(file(
                ",\"parts\":[{\"ref\":\"c5\",\"marking\":\".05 MFD 600 V paper\",\"role\":\"coupling\"},"
                    + "{\"ref\":\"C2\",\"capacitanceFarads\":8e-6,\"marking\":\"illegible\"}],"
                    + "\"readings\":[{\"part\":\"C5\",\"typed\":\"C5 0,07u @1k\"},{\"part\":\"C2\",\"esrOhms\":12,\"frequencyHertz\":100}],"
                    + "\"notes\":[{\"text\":\"first look\"}]"))
            .job();
    assertThat(job.census()).extracting(c -> c.ref().toString()).containsExactly("C2", "C5");
    assertThat(job.capacitors().get(1).farads()).isEqualTo(0.05e-6);
    assertThat(job.capacitors().get(1).role()).isEqualTo(Role.COUPLING);
    assertThat(job.capacitors().get(0).kind()).isEqualTo(Capacitor.UNSTATED_KIND);
    assertThat(job.readingsOf(PartRef.of("C5")).getFirst().figures())
        .isEqualTo(Figures.of(Figure.CAPACITANCE, 0.07e-6));
    assertThat(job.readings()).extracting(Reading::id).doesNotHaveDuplicates();
    assertThat(job.journal().getLast().act())
        .isEqualTo(new Act.Did(new Edit.NoteWritten("first look")));
    assertThat(job.policy()).isEqualTo(Policy.USUAL);
  }

  /** As on the bench line: R is a resistor and V a valve; one that states farads is a capacitor. */
  @Test
  public void aPartIsWhatItsLettersSay() {
    Job job =
        read(file(
                ",\"parts\":[{\"ref\":\"R1\",\"marking\":\"15k 2 W\"},{\"ref\":\"V1\",\"marking\":\"ECL86\"},"
                    + "{\"ref\":\"C1\",\"marking\":\"8 MFD 450 V\"},"
                    + "{\"ref\":\"R2\",\"capacitanceFarads\":1e-6}]"))
            .job();
    assertThat(job.census())
        .extracting(Part::sort)
        .containsExactly(Sort.CAPACITOR, Sort.RESISTOR, Sort.CAPACITOR, Sort.VALVE);
    assertThat(((Resistor) job.part(PartRef.of("R1")).orElseThrow()).ohms()).isEqualTo(15_000);
  }

  @DataProvider
  public Object[][] refused() {
    String part = ",\"parts\":[{\"ref\":\"C1\",\"marking\":\"8 MFD\"}]";
    return new Object[][] { //
      {"[]", "", "expected an object"},
      {"7", "", "expected an object"},
      {"{}", "", "\"format\" is missing"}, //
      {"{\"format\":\"other\"}", "/format", "no job file"}, //
      {"{\"format\":\"yellow-hearth-job\",\"version\":16}", "/version", "newer program"}, //
      {"{\"format\":\"yellow-hearth-job\",\"version\":1}", "", "\"set\" is missing"}, //
      {file(",\"extra\":1"), "/extra", "unknown field"},
      {file(",\"id\":\"../../x\""), "/id", "letters, digits"}, //
      {file(",\"parts\":{}"), "/parts", "expected a list"},
      {file(",\"parts\":[7]"), "/parts/0", "expected an object"}, //
      {file(",\"parts\":[{\"marking\":\"8 MFD\"}]"), "/parts/0", "\"ref\" is missing"}, //
      {
        file(",\"parts\":[{\"ref\":\"21C\",\"marking\":\"8 MFD\"}]"), "/parts/0/ref", "such as C21"
      }, //
      {file(",\"parts\":[{\"ref\":\"C1\"}]"), "/parts/0", "capacitanceFarads or a marking"}, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"marking\":\"450 V\"}]"),
        "/parts/0/marking",
        "no capacitance"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"marking\":\"5..5 MFD\"}]"),
        "/parts/0/marking",
        "not a number"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"marking\":\"1,000 pF\"}]"),
        "/parts/0/marking",
        "Write it plainly"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"capacitanceFarads\":-1}]"),
        "/parts/0/capacitanceFarads",
        "above zero"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"capacitanceFarads\":\"8u\"}]"),
        "/parts/0/capacitanceFarads",
        "expected a number"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"capacitanceFarads\":1e-6,\"kind\":\"chocolate\"}]"),
        "/parts/0/kind",
        "unknown kind"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"capacitanceFarads\":1e-6,\"role\":\"hero\"}]"),
        "/parts/0/role",
        "one of"
      }, //
      {
        file(",\"parts\":[{\"ref\":\"C1\",\"capacitanceFarads\":1e-6,\"ratedForMains\":true}]"),
        "/parts/0",
        "ratedForMains"
      }, //
      {
        file(
            ",\"parts\":[{\"ref\":\"C1\",\"marking\":\"8 MFD\"},{\"ref\":\"c1\",\"marking\":\"8 MFD\"}]"),
        "/parts/1/ref",
        "twice"
      }, //
      {
        file(part + ",\"readings\":[{\"part\":\"C2\",\"typed\":\"8u\"}]"),
        "/readings/0/part",
        "no C2"
      }, //
      {file(part + ",\"readings\":[{\"part\":\"C1\"}]"), "/readings/0", "at least one figure"}, //
      {
        file(part + ",\"readings\":[{\"part\":\"C1\",\"typed\":\"450 V\"}]"),
        "/readings/0/typed",
        "450 V is a voltage"
      }, //
      {
        file(part + ",\"readings\":[{\"part\":\"C1\",\"esrOhms\":0}]"),
        "/readings/0/esrOhms",
        "above zero"
      }, //
      {
        file(part + ",\"readings\":[{\"part\":\"C1\",\"esrOhms\":1,\"at\":\"yesterday\"}]"),
        "/readings/0/at",
        "time in UTC"
      }, //
      {
        file(part + ",\"readings\":[{\"part\":\"C1\",\"quality\":1,\"dissipation\":1}]"),
        "/readings/0",
        "not both"
      }, //
      {
        file(
            part
                + ",\"readings\":[{\"part\":\"C1\",\"esrOhms\":1,\"id\":\"a\"},{\"part\":\"C1\",\"esrOhms\":1,\"id\":\"a\"}]"),
        "/readings/1",
        "second time"
      }, //
      {
        file(",\"aspects\":[{\"aspect\":\"weather\"}]"),
        "/aspects/0/aspect",
        "one of bench, bench-hours, budget"
      }, //
      {
        file(",\"aspects\":[{\"aspect\":\"bench\",\"wind\":1}]"), "/aspects/0/wind", "unknown field"
      }, //
      {
        file(",\"aspects\":[{\"aspect\":\"bench\",\"mainsVolts\":1e6}]"),
        "/aspects/0",
        "out of range"
      }, //
      {
        file(",\"aspects\":[{\"aspect\":\"bench\"},{\"aspect\":\"bench\"}]"),
        "/aspects/1",
        "second time"
      }, //
      {file(",\"items\":[{\"item\":\"paper\",\"id\":\"p1\"}]"), "/items/0", "title of a paper"}, //
      {
        file(",\"items\":[{\"item\":\"paper\",\"id\":\"../p\",\"title\":\"x\"}]"),
        "/items/0",
        "letters, digits"
      }, //
      {
        file(
            ",\"items\":[{\"item\":\"paper\",\"title\":\"x\",\"id\":\"a\"},{\"item\":\"paper\",\"title\":\"x\",\"id\":\"a\"}]"),
        "/items/1/id",
        "second time"
      }, //
      {
        file(
            ",\"items\":[{\"item\":\"rail\",\"id\":\"r\",\"name\":\"HT\",\"volts\":250,\"bleeder\":\"marked\",\"otherFarads\":1e-6}]"),
        "/items/0",
        "bleeder"
      }, //
      {
        file(
            ",\"items\":[{\"item\":\"photograph\",\"id\":\"f\",\"file\":\"../../etc/passwd\",\"widthPixels\":1,"
                + "\"heightPixels\":1,\"side\":\"front\"}]"),
        "/items/0",
        "SHA-256"
      }, //
      {file(part + ",\"journal\":[]"), "/journal", "arrival"}, //
      {
        file(
            part
                + ",\"journal\":[{\"at\":\"2026-01-01T00:00:00Z\",\"zone\":\"UTC\",\"act\":\"note\",\"text\":\"x\"}]"),
        "/journal/0",
        "arrival"
      }, //
      {
        file(
            part
                + ",\"journal\":[{\"at\":\"2026-01-01T00:00:00Z\",\"zone\":\"Mars/Base\",\"act\":\"note\",\"text\":\"x\"}]"),
        "/journal/0/zone",
        "time zone"
      }, //
      {
        file(
            part
                + ",\"journal\":[{\"at\":\"2026-01-01T00:00:00Z\",\"zone\":\"UTC\",\"act\":\"explode\"}]"),
        "/journal/0/act",
        "unknown act"
      }, //
      {file(part + ",\"notes\":[{\"text\":\"x\"}],\"journal\":[]"), "/notes", "leave out one"}, //
      {
        file(part + ",\"policy\":{\"renew\":\"never\"}"),
        "/policy/renew",
        "one of measured-plus-precaution"
      }
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsNotAsItMustBeIsRefusedWithItsPlace(String json, String pointer, String why) {
    BadFileException e = catchThrowableOfType(BadFileException.class, () -> read(json));
    assertThat(e).hasMessageContaining(why);
    assertThat(e.pointer()).isEqualTo(pointer);
  }

  @Test
  public void aJournalThatDoesNotLeadToThePartsIsRefused() {
    String written = JobWriter.write("x", randomJob(3));
    String changed = written.replaceFirst("\"name\" : \"Set 3\"", "\"name\" : \"Set 4\"");
    assertThat(catchThrowableOfType(BadFileException.class, () -> read(changed)))
        .hasMessageContaining("leave the journal out");
  }

  /**
   * Damage anywhere in a real file is either harmless or refused, never half-read into something
   * that cannot stand.
   */
  @Test
  public void damagedFilesAreRefusedOrWhole() {
    Random random = new Random(17);
    String good = JobWriter.write("x", randomJob(5));
    for (int i = 0; i < (Boolean.getBoolean("hearth.long") ? 20_000 : 800); i++) {
      StringBuilder damaged = new StringBuilder(good);
      for (int n = random.nextInt(3); n >= 0; n--) {
        int at = random.nextInt(damaged.length());
        switch (random.nextInt(3)) {
          case 0 -> damaged.setCharAt(at, "{}[]\",:0x-9e".charAt(random.nextInt(12)));
          case 1 -> damaged.delete(at, Math.min(damaged.length(), at + random.nextInt(40)));
          default -> damaged.insert(at, good, at % 100, at % 100 + 20);
        }
      }
      try {
        Job job = read(damaged.toString()).job();
        assertThat(read(JobWriter.write("x", job)).job().census()).isEqualTo(job.census());
      } catch (BadFileException e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
  }
}
