package org.yellowhearth.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.yellowhearth.core.Sets.KNOWLEDGE;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.at;
import static org.yellowhearth.core.Sets.moment;
import static org.yellowhearth.core.Sets.part;
import static org.yellowhearth.core.Sets.rail;
import static org.yellowhearth.core.Sets.with;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.Rail.Bleeder;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;

public class ChecksTest {
  private static Job valveSet() {
    Job set =
        arrived(p -> {
          p.chassis = SetPlate.Chassis.ISOLATED;
          p.mains = Optional.of(new SetPlate.Mains(230, 50));
        });
    return at(
        set,
        0,
        new Edit.AspectChanged(Build.BLANK, Build.BLANK.with(b -> b.watts = OptionalDouble.of(60))),
        new Edit.AspectChanged(
            Bench.BLANK,
            new Bench(
                OptionalDouble.empty(),
                OptionalDouble.of(230),
                OptionalDouble.of(50),
                true,
                false)),
        new Edit.PartAdded(part("C1", 32e-6, Role.SMOOTHING, "")));
  }

  private static Check check(Job job, String code) {
    return Checks.of(job, moment(10)).stream()
        .filter(c -> c.code().equals(code))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> codes(Job job) {
    return Checks.of(job, moment(10)).stream().map(Check::code).toList();
  }

  private static CheckResult result(String check, CheckResult.Outcome outcome, String note) {
    return new CheckResult("x-" + check, check, outcome, OptionalDouble.empty(), note, moment(5));
  }

  @Test
  public void theChecksAreThoseOfThisSet() {
    assertThat(codes(valveSet()))
        .contains(
            "mains-setting", "cord", "fuse", "switch", "earth", "primary", "insulation", "choke")
        .doesNotContain("heat-sinks", "exposed-metal", "dry");
    assertThat(codes(arrived(p -> p.chassis = SetPlate.Chassis.LIVE)))
        .contains("exposed-metal")
        .doesNotContain("primary", "insulation", "earth");
    assertThat(
            codes(
                arrived(p -> {
                  p.chassis = SetPlate.Chassis.BATTERY;
                  p.technology = SetPlate.Technology.TRANSISTOR;
                })))
        .contains("heat-sinks")
        .doesNotContain("cord", "fuse", "mains-setting");
  }

  /**
   * Setting, cord, plug and fuse are checks of their own: a bad cord is no wrong setting, and what
   * nobody entered yet is open, not failed (common practice).
   */
  @Test
  public void eachOfTheMainsSideFailsForItself() {
    assertThat(check(arrived(p -> p.chassis = SetPlate.Chassis.ISOLATED), "mains-setting").state())
        .isEqualTo(Check.State.OPEN);
    Job taped = entry(valveSet(), MainsEntry.BLANK.with(m -> m.cord = MainsEntry.Cord.TAPED));
    assertThat(check(taped, "cord").state()).isEqualTo(Check.State.FAILED);
    assertThat(check(taped, "mains-setting").state()).isEqualTo(Check.State.OPEN);
    Job wrong =
        entry(valveSet(), MainsEntry.BLANK.with(m -> m.settingVolts = OptionalDouble.of(117)));
    assertThat(check(wrong, "mains-setting").state()).isEqualTo(Check.State.FAILED);
    assertThat(check(wrong, "cord").state()).isEqualTo(Check.State.OPEN);
    Job bare = entry(valveSet(), MainsEntry.BLANK.with(m -> m.plug = MainsEntry.Plug.NONE));
    assertThat(check(bare, "plug").state()).isEqualTo(Check.State.FAILED);
    assertThat(check(bare, "cord").state()).isEqualTo(Check.State.OPEN);
    Job nail =
        entry(valveSet(), MainsEntry.BLANK.with(m -> m.fusePlace = MainsEntry.FusePlace.BRIDGED));
    assertThat(check(nail, "fuse").state()).isEqualTo(Check.State.FAILED);
    assertThat(check(nail, "mains-setting").state()).isEqualTo(Check.State.OPEN);
    assertThat(Checks.blocking(nail, moment(10))).extracting(Check::code).contains("fuse");
  }

  private static Job entry(Job job, MainsEntry entry) {
    return at(job, 1, new Edit.AspectChanged(MainsEntry.BLANK, entry));
  }

  /**
   * A sound primary of a 60 W set for 230 V reads some tens of ohms (common practice); an open one
   * and a shorted one do not fit.
   */
  @Test
  public void thePrimaryIsJudgedAgainstThePower() {
    Check.Range range = check(valveSet(), "primary").expected().orElseThrow();
    assertThat(range.holds(30)).isTrue();
    assertThat(range.holds(0.5)).isFalse();
    assertThat(range.holds(2000)).isFalse();
  }

  @Test
  public void aRailIsExpectedToReadItsBleeders() {
    Job job =
        with(
            valveSet(),
            rail("HT", 300, 40e-6, Bleeder.MARKED, 47e3),
            rail("screen", 200, 4e-6, Bleeder.NONE, 0));
    Check drained = check(job, "rail-HT");
    assertThat(drained.outcome(45e3)).isEqualTo(CheckResult.Outcome.PASSED);
    assertThat(drained.outcome(3e3))
        .as("a leaky part hangs on it")
        .isEqualTo(CheckResult.Outcome.FAILED);
    assertThat(drained.outcome(1e6))
        .as("the bleeder is open")
        .isEqualTo(CheckResult.Outcome.FAILED);
    assertThat(check(job, "rail-screen").outcome(10e6)).isEqualTo(CheckResult.Outcome.PASSED);
  }

  @Test
  public void missingAndFailedChecksKeepItShutUntilAReasonIsWritten() {
    Job job = valveSet();
    assertThat(check(job, "cord").state()).isEqualTo(Check.State.OPEN);
    assertThat(check(job, "cord").blocks()).isTrue();
    Job failed = with(job, result("cord", CheckResult.Outcome.FAILED, ""));
    assertThat(check(failed, "cord").blocks()).isTrue();
    Job overridden = with(job, result("cord", CheckResult.Outcome.OVERRIDDEN, "bench cord used"));
    assertThat(check(overridden, "cord").blocks()).isFalse();
    assertThat(check(with(job, result("cord", CheckResult.Outcome.PASSED, "")), "cord").state())
        .isEqualTo(Check.State.PASSED);
  }

  @Test
  public void jumpersAndDryingHoldItShutByThemselves() {
    Jumper jumper = new Jumper("j", "lid switch", false);
    Job bridged = with(valveSet(), jumper, result("jumpers", CheckResult.Outcome.PASSED, "looked"));
    assertThat(check(bridged, "jumpers").state()).isEqualTo(Check.State.FAILED);
    Job off =
        at(
            bridged,
            1,
            new Edit.ItemChanged(Optional.of(jumper), Optional.of(jumper.removed(true))));
    assertThat(check(off, "jumpers").state()).isEqualTo(Check.State.PASSED);
    Job washed = with(valveSet(), new DryingHold("d", moment(0), 48, "chassis"));
    assertThat(check(washed, "dry").blocks()).isTrue();
    assertThat(
            Checks.of(washed, moment(48 * 3600 + 1)).stream()
                .filter(c -> c.code().equals("dry"))
                .findFirst()
                .orElseThrow()
                .blocks())
        .isFalse();
  }

  private static Optional<Gate> gate(Job job, Edit edit) {
    return Gate.before(edit, job, Hearth.of(job, KNOWLEDGE).at(moment(20)), moment(20));
  }

  private static Edit reading(Figure figure, double value) {
    return new Edit.ReadingKept(
        new Reading(
            "r1",
            PartRef.of("C1"),
            moment(20),
            Figures.of(figure, value),
            Conditions.UNSTATED,
            ""));
  }

  @Test
  public void aReadingInAChargedSetIsAskedAbout() {
    Job off =
        at(
            at(
                with(valveSet(), rail("HT", 300, 40e-6, Bleeder.NONE, 0)),
                0,
                new Edit.PowerSwitched(Edit.Power.LIT)),
            10,
            new Edit.PowerSwitched(Edit.Power.OFF));
    assertThat(gate(off, reading(Figure.ESR, 2)).orElseThrow().question())
        .isEqualTo(Edit.Question.READ_WHILE_BANKED);
    assertThat(gate(off, reading(Figure.ESR, 2)).orElseThrow().volts()).hasValue(300);
    assertThat(gate(off, reading(Figure.LEAKAGE, 1e-3)))
        .as("leakage is read under voltage")
        .isEmpty();
    assertThat(
            gate(
                off,
                new Edit.ItemChanged(
                    Optional.empty(),
                    Optional.of(
                        new CheckResult(
                            "k",
                            "primary",
                            CheckResult.Outcome.PASSED,
                            OptionalDouble.of(30),
                            "",
                            moment(20))))))
        .isPresent();
    Rail rail = off.items(Rail.class).getFirst();
    assertThat(gate(off, new Edit.ItemChanged(Optional.of(rail), Optional.of(rail.bledBy(47e3)))))
        .as("an ohmmeter on the rail")
        .isPresent();
    assertThat(gate(valveSet(), reading(Figure.ESR, 2))).as("nothing is listed").isEmpty();
  }

  @Test
  public void aLitSetLetsNothingOutWithoutAReason() {
    Job lit = at(valveSet(), 0, new Edit.PowerSwitched(Edit.Power.LIT));
    Gate out =
        gate(lit, new Edit.PartRemoved(part("C1", 32e-6, Role.SMOOTHING, ""), List.of()))
            .orElseThrow();
    assertThat(out.reasonNeeded()).isTrue();
    assertThat(gate(lit, reading(Figure.CAPACITANCE, 1e-6)).orElseThrow().question())
        .isEqualTo(Edit.Question.READ_WHILE_LIT);
    assertThat(gate(lit, new Edit.NoteWritten("x"))).isEmpty();
  }

  @Test
  public void powerIsAskedAboutWhileAnyCheckIsOpen() {
    Edit lit = new Edit.PowerSwitched(Edit.Power.LIT);
    assertThat(gate(valveSet(), lit).orElseThrow().question())
        .isEqualTo(Edit.Question.POWER_UNCHECKED);
    Job job = valveSet();
    for (Check c : Checks.blocking(job, moment(10))) {
      job = with(job, result(c.code(), CheckResult.Outcome.OVERRIDDEN, "because"));
    }
    assertThat(gate(job, lit)).isEmpty();
  }
}
