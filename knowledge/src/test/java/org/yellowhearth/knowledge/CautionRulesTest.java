package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.job.SetPlate.Chassis;
import org.yellowhearth.core.job.SetPlate.Kind;
import org.yellowhearth.core.job.SetPlate.Technology;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.safety.SetCautions;

/**
 * Every rule fires for a set that needs it and stays quiet for one that does not; which is which is
 * common practice.
 */
public class CautionRulesTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();

  private static Job job(
      Consumer<SetPlate.Draft> plate,
      Consumer<Build.Draft> build,
      boolean isolated,
      Capacitor... parts) {
    List<Edit> edits = new ArrayList<>();
    edits.add(new Edit.Arrived(SetPlate.named("x").with(plate), Policy.USUAL));
    Build built = Build.BLANK.with(build);
    if (!built.equals(Build.BLANK)) {
      edits.add(new Edit.AspectChanged(Build.BLANK, built));
    }
    if (isolated) {
      Aspect bench = Bench.BLANK.with(b -> b.isolated = true);
      edits.add(new Edit.AspectChanged(Bench.BLANK, bench));
    }
    Stream.of(parts).forEach(p -> edits.add(new Edit.PartAdded(p)));
    List<Entry> journal = new ArrayList<>();
    edits.forEach(e ->
        journal.add(
            new Entry(journal.size(), Instant.EPOCH.atZone(ZoneOffset.UTC), new Act.Did(e))));
    return Job.of(journal);
  }

  private static Capacitor part(String kind, double farads, double volts, Role role) {
    return new Capacitor(
        PartRef.of("C1"),
        "",
        kind,
        farads,
        Optional.empty(),
        OptionalDouble.of(volts),
        false,
        role,
        Polarity.UNSTATED,
        OptionalDouble.empty(),
        CanMark.UNSTATED,
        "",
        "");
  }

  private static Job plate(Consumer<SetPlate.Draft> plate) {
    return job(plate, _ -> {}, false);
  }

  private static Job build(Consumer<Build.Draft> build) {
    return job(_ -> {}, build, false);
  }

  private static Job feature(Feature feature) {
    return build(b -> b.features = Set.of(feature));
  }

  private static Job parts(Capacitor... parts) {
    return job(p -> p.made = OptionalInt.of(1955), _ -> {}, true, parts);
  }

  /** A pocket transistor radio with film capacitors: as harmless as the trade gets. */
  private static Job pocketRadio() {
    return job(
        p -> {
          p.chassis = Chassis.BATTERY;
          p.technology = Technology.TRANSISTOR;
          p.made = OptionalInt.of(1965);
        },
        b -> b.kilograms = OptionalDouble.of(0.4),
        true,
        part("polyester", 1e-7, 50, Role.COUPLING));
  }

  private static Build.PictureTube tube(double volts) {
    return new Build.PictureTube(volts, OptionalDouble.empty());
  }

  @DataProvider
  public Object[][] needed() {
    Job mains = plate(p -> p.mains = Optional.of(new SetPlate.Mains(230, 50)));
    Job live = plate(p -> p.chassis = Chassis.LIVE);
    return new Object[][] {
      {"mains", mains},
      {"live-chassis", live},
      {"no-isolation", live},
      {"floating-meter", live},
      {"high-voltage", parts(part("electrolytic-dry", 8e-6, 450, Role.SMOOTHING))},
      {"lethal-energy", parts(part("electrolytic-dry", 100e-6, 450, Role.RESERVOIR))},
      {"picture-tube", build(b -> b.pictureTube = Optional.of(tube(14e3)))},
      {"x-rays", build(b -> b.pictureTube = Optional.of(tube(25e3)))},
      {"rf-burns", plate(p -> p.kind = Kind.TRANSMITTER)},
      {"transmitting", plate(p -> p.kind = Kind.TRANSMITTER)},
      {"switching-primary", build(b -> b.switchingSupply = true)},
      {"pcb", parts(part("paper-oil", 2e-6, 600, Role.MOTOR))},
      {"asbestos", feature(Feature.ASBESTOS)},
      {"beryllia", feature(Feature.BERYLLIA)},
      {"radium", feature(Feature.LUMINOUS_DIAL)},
      {"mercury", feature(Feature.MERCURY_PART)},
      {"selenium", feature(Feature.SELENIUM_RECTIFIER)},
      {"lead", plate(p -> p.made = OptionalInt.of(1955))},
      {"electrolyte", parts(part("electrolytic-dry", 8e-6, 25, Role.CATHODE_BYPASS))},
      {"spilled", feature(Feature.SPILLED_ELECTROLYTE)},
      {"reversed", parts(part("tantalum-bead", 1e-6, 35, Role.REGULATOR))},
      {"mains-capacitors", parts(part("paper-metallised", 0.1e-6, 250, Role.ACROSS_LINE))},
      {"static", feature(Feature.MOS_DEVICES)},
      {"weight", build(b -> b.kilograms = OptionalDouble.of(32))},
      {"memory", build(b -> b.memory = Optional.of(new Build.MemoryBattery(3.6, "calibration")))},
      {"reversed-input", pocketRadio()}
    };
  }

  private static Set<String> cautions(Job job) {
    return SetCautions.of(job, KNOWLEDGE).stream()
        .map(CautionRule::id)
        .collect(Collectors.toCollection(TreeSet::new));
  }

  @Test(dataProvider = "needed")
  public void aCautionIsShownWhereItIsNeeded(String id, Job job) {
    assertThat(cautions(job)).contains(id);
  }

  @DataProvider
  public Object[][] quiet() {
    Job isolatedBench = job(p -> p.chassis = Chassis.LIVE, _ -> {}, true);
    Job modern = parts(part("polypropylene", 1e-6, 50, Role.COUPLING));
    return KNOWLEDGE.cautions().stream()
        .map(CautionRule::id)
        .map(id ->
            new Object[] {
              id,
              switch (id) {
                case "reversed-input" -> modern;
                case "no-isolation" -> isolatedBench;
                case "lead" -> null;
                default -> pocketRadio();
              }
            })
        .filter(row -> row[1] != null)
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "quiet")
  public void itStaysQuietWhereItIsNot(String id, Job job) {
    assertThat(cautions(job)).doesNotContain(id);
  }

  @Test
  public void everyRuleStandsInTheTableAndCitesItsSource() {
    Set<String> tested =
        Stream.of(needed()).map(row -> (String) row[0]).collect(Collectors.toSet());
    assertThat(tested)
        .containsExactlyInAnyOrderElementsOf(
            KNOWLEDGE.cautions().stream().map(CautionRule::id).toList());
    KNOWLEDGE
        .cautions()
        .forEach(c -> assertThat(KNOWLEDGE.source(c.source()).title()).isNotBlank());
  }

  @Test
  public void theDangersComeFirstAndBoundsAreKept() {
    List<CautionRule> all = SetCautions.of(plate(p -> p.chassis = Chassis.LIVE), KNOWLEDGE);
    List<Boolean> dangers = all.stream().map(CautionRule::danger).toList();
    assertThat(dangers.lastIndexOf(true)).isLessThan(dangers.indexOf(false));
    assertThat(cautions(build(b -> b.pictureTube = Optional.of(tube(9e3)))))
        .doesNotContain("x-rays")
        .contains("picture-tube");
    assertThat(
            cautions(
                job(
                    p -> p.made = OptionalInt.of(1998),
                    b -> b.features = Set.of(Feature.OIL_FILLED_PART),
                    false)))
        .as("made long after the bans")
        .doesNotContain("pcb");
    assertThat(cautions(plate(p -> p.chassis = Chassis.UNKNOWN)))
        .as("not known is treated as live")
        .contains("no-isolation");
  }

  @Test
  public void corrosionNotedAsASignSpeaksOfSpilledElectrolyte() {
    Job job = plate(_ -> {});
    Observation sign =
        new Observation("o", Observation.Sign.CORROSION, "board", "green", Optional.empty());
    Job seen =
        job.after(
            new Entry(
                1,
                Instant.EPOCH.atZone(ZoneOffset.UTC),
                new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(sign)))));
    assertThat(cautions(job)).doesNotContain("spilled");
    assertThat(cautions(seen)).contains("spilled");
  }
}
