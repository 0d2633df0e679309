package org.yellowhearth.core.arrival;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.at;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.arrival.MainsFit.MainsWords;
import org.yellowhearth.core.arrival.MainsFit.Severity;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate.Chassis;
import org.yellowhearth.core.job.SetPlate.Mains;
import org.yellowhearth.core.message.MessageKey;

public class MainsFitTest {
  private static Job set(
      Chassis chassis, double volts, double hertz, double localVolts, double localHertz) {
    Job job =
        arrived(p -> {
          p.chassis = chassis;
          p.mains = Optional.of(new Mains(volts, hertz));
        });
    return at(
        job,
        0,
        new Edit.AspectChanged(
            Bench.BLANK,
            new Bench(
                OptionalDouble.empty(),
                OptionalDouble.of(localVolts),
                OptionalDouble.of(localHertz),
                true,
                true)));
  }

  private static Severity severity(Job job, MainsWords... words) {
    return MainsFit.of(job).stream()
        .filter(p -> List.of(words).contains(p.words().key()))
        .findFirst()
        .orElseThrow()
        .severity();
  }

  private static List<MessageKey> said(Job job) {
    return MainsFit.of(job).stream().map(p -> p.words().key()).toList();
  }

  /**
   * Flux follows volts over frequency (transformer equation V = 4.44·f·N·Φ, textbook): 60 Hz on 50
   * Hz is a fifth too much.
   */
  @Test
  public void fluxFollowsVoltSeconds() {
    assertThat(MainsFit.fluxRatio(115, 60, 115, 50)).isCloseTo(1.2, within(1e-12));
    assertThat(MainsFit.fluxRatio(230, 50, 230, 60)).isCloseTo(0.8333333, within(1e-6));
    assertThat(MainsFit.fluxRatio(115, 60, 115 * 50 / 60.0, 50)).isCloseTo(1, within(1e-12));
    assertThatThrownBy(() -> MainsFit.fluxRatio(230, 0, 230, 50))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** 60 Hz iron on 50 Hz mains runs hot and is run at reduced voltage (common practice). */
  @DataProvider
  public Object[][] transformers() {
    return new Object[][] {
      {230, 50, 230, 50, Severity.GOOD},
      {115, 60, 115, 50, Severity.STOP},
      {115, 60, 120, 60, Severity.GOOD},
      {115, 60, 96, 50, Severity.GOOD},
      {230, 50, 245, 50, Severity.CARE},
      {220, 50, 230, 60, Severity.GOOD}
    };
  }

  @Test(dataProvider = "transformers")
  public void aTransformerIsJudgedByItsFlux(
      double volts, double hertz, double local, double localHertz, Severity expected) {
    assertThat(
            severity(
                set(Chassis.ISOLATED, volts, hertz, local, localHertz),
                MainsWords.FLUX_GOOD,
                MainsWords.FLUX_HIGH,
                MainsWords.FLUX_TOO_HIGH))
        .isEqualTo(expected);
  }

  @Test
  public void aSetWithoutTransformerHasNoFlux() {
    assertThat(said(set(Chassis.LIVE, 115, 60, 115, 50)))
        .doesNotContain(MainsWords.FLUX_TOO_HIGH, MainsWords.FLUX_GOOD)
        .contains(MainsWords.VOLTS_GOOD);
  }

  /**
   * Heaters are held to ten per cent (common practice); 220 V sets on 240 V and more are overrun.
   */
  @DataProvider
  public Object[][] voltages() {
    return new Object[][] {
      {230, 238, MainsWords.VOLTS_GOOD},
      {220, 238, MainsWords.VOLTS_HIGH},
      {220, 245, MainsWords.VOLTS_TOO_HIGH},
      {115, 230, MainsWords.VOLTS_TOO_HIGH},
      {240, 210, MainsWords.VOLTS_LOW}
    };
  }

  @Test(dataProvider = "voltages")
  public void theSupplyIsHeldAgainstTheSetting(double setting, double supply, MainsWords expected) {
    Job job =
        at(
            set(Chassis.LIVE, 230, 50, supply, 50),
            0,
            new Edit.AspectChanged(
                MainsEntry.BLANK,
                MainsEntry.BLANK.with(m -> m.settingVolts = OptionalDouble.of(setting))));
    assertThat(said(job)).contains(expected);
  }

  /** Direct current burns a transformer's primary (facts of physics); ships had direct mains. */
  @Test
  public void directCurrentStopsATransformer() {
    assertThat(severity(set(Chassis.ISOLATED, 110, 50, 110, 0), MainsWords.DIRECT_ON_TRANSFORMER))
        .isEqualTo(Severity.STOP);
    assertThat(MainsFit.stops(set(Chassis.ISOLATED, 110, 50, 110, 0))).isTrue();
  }

  @Test
  public void theFrequencySettingForgottenIsCaught() {
    Job job =
        at(
            set(Chassis.ISOLATED, 115, 60, 115, 60),
            0,
            new Edit.AspectChanged(
                MainsEntry.BLANK,
                MainsEntry.BLANK.with(m -> m.settingHertz = OptionalDouble.of(50))));
    assertThat(said(job)).contains(MainsWords.FREQUENCY_SETTING);
  }

  @Test
  public void whatRunsByTheLineFrequencyIsNamed() {
    Job job = set(Chassis.ISOLATED, 115, 60, 96, 50);
    Job clock =
        at(
            job,
            0,
            new Edit.AspectChanged(
                Build.BLANK,
                Build.BLANK.with(b ->
                    b.features =
                        Set.of(Feature.MAINS_MOTOR, Feature.INTEGRATING_METER, Feature.ASBESTOS))));
    assertThat(said(clock).stream().filter(k -> k == MainsWords.FREQUENCY_PART)).hasSize(2);
    assertThat(said(job)).doesNotContain(MainsWords.FREQUENCY_PART);
  }

  private static Job entry(Chassis chassis, MainsEntry entry, double watts) {
    return at(
        set(chassis, 230, 50, 230, 50),
        0,
        new Edit.AspectChanged(MainsEntry.BLANK, entry),
        new Edit.AspectChanged(
            Build.BLANK, Build.BLANK.with(b -> b.watts = OptionalDouble.of(watts))));
  }

  @DataProvider
  public Object[][] entries() {
    MainsEntry b = MainsEntry.BLANK;
    return new Object[][] {
      {
        Chassis.ISOLATED,
        b.with(m -> m.cord = MainsEntry.Cord.CRACKED),
        MainsWords.CORD_BAD,
        Severity.STOP
      },
      {
        Chassis.LIVE,
        b.with(m -> m.plug = MainsEntry.Plug.REVERSIBLE),
        MainsWords.PLUG_LIVE,
        Severity.STOP
      },
      {
        Chassis.ISOLATED,
        b.with(m -> m.plug = MainsEntry.Plug.REVERSIBLE),
        MainsWords.PLUG_REVERSIBLE,
        Severity.NOTE
      },
      {
        Chassis.ISOLATED,
        b.with(m -> m.fusePlace = MainsEntry.FusePlace.BRIDGED),
        MainsWords.FUSE_BRIDGED,
        Severity.STOP
      },
      {
        Chassis.ISOLATED,
        b.with(m -> m.fusePlace = MainsEntry.FusePlace.NEUTRAL),
        MainsWords.FUSE_NEUTRAL,
        Severity.CARE
      },
      {
        Chassis.ISOLATED,
        b.with(m -> m.switchPlace = MainsEntry.SwitchPlace.NEUTRAL),
        MainsWords.SWITCH_NEUTRAL,
        Severity.CARE
      },
      {
        Chassis.ISOLATED,
        b.with(m -> m.earth = MainsEntry.Earth.ABSENT),
        MainsWords.EARTH_ABSENT,
        Severity.CARE
      },
      {
        Chassis.LIVE,
        b.with(m -> m.earth = MainsEntry.Earth.CONNECTED),
        MainsWords.EARTH_LIVE,
        Severity.STOP
      }
    };
  }

  @Test(dataProvider = "entries")
  public void theMainsEntryIsJudged(
      Chassis chassis, MainsEntry entry, MainsWords words, Severity severity) {
    assertThat(severity(entry(chassis, entry, 60), words)).isEqualTo(severity);
  }

  /**
   * 60 W at 230 V runs at 0.26 A: half an ampere to one is right, ten amperes protect nothing
   * (common practice).
   */
  @DataProvider
  public Object[][] fuses() {
    return new Object[][] {
      {0.5, MainsWords.FUSE_GOOD},
      {1, MainsWords.FUSE_GOOD},
      {0.25, MainsWords.FUSE_LOW},
      {10, MainsWords.FUSE_HIGH}
    };
  }

  @Test(dataProvider = "fuses")
  public void theFuseIsHeldAgainstTheRunningCurrent(double amperes, MainsWords words) {
    MainsEntry fused =
        MainsEntry.BLANK.with(m -> {
          m.fusePlace = MainsEntry.FusePlace.LINE;
          m.fuseAmperes = OptionalDouble.of(amperes);
        });
    assertThat(said(entry(Chassis.ISOLATED, fused, 60))).contains(words);
  }

  /** 3 A in the plug and 250 mA in the set are two fuses, each right (common practice). */
  @Test
  public void theFuseOfThePlugIsAnother() {
    MainsEntry two =
        MainsEntry.BLANK.with(m -> {
          m.fusePlace = MainsEntry.FusePlace.LINE;
          m.fuseAmperes = OptionalDouble.of(0.5);
          m.plugFuseAmperes = OptionalDouble.of(3);
        });
    assertThat(said(entry(Chassis.ISOLATED, two, 60)))
        .contains(MainsWords.FUSE_GOOD, MainsWords.PLUG_FUSE_GOOD);
    assertThat(
            said(
                entry(
                    Chassis.ISOLATED,
                    two.with(m -> m.plugFuseAmperes = OptionalDouble.of(13)),
                    60)))
        .contains(MainsWords.FUSE_GOOD, MainsWords.PLUG_FUSE_HIGH);
    assertThat(
            said(
                entry(
                    Chassis.ISOLATED,
                    two.with(m -> m.fusePlace = MainsEntry.FusePlace.BRIDGED),
                    60)))
        .contains(MainsWords.FUSE_BRIDGED, MainsWords.PLUG_FUSE_ALONE);
  }

  @Test
  public void aLiveChassisWantsAnIsolatingTransformer() {
    Job bare =
        at(
            set(Chassis.LIVE, 230, 50, 230, 50),
            0,
            new Edit.AspectChanged(
                new Bench(
                    OptionalDouble.empty(),
                    OptionalDouble.of(230),
                    OptionalDouble.of(50),
                    true,
                    true),
                Bench.BLANK));
    assertThat(said(bare)).contains(MainsWords.LIVE_NO_ISOLATION);
    assertThat(said(set(Chassis.LIVE, 230, 50, 230, 50)))
        .doesNotContain(MainsWords.LIVE_NO_ISOLATION);
    assertThat(MainsFit.of(arrived(p -> p.chassis = Chassis.BATTERY))).isEmpty();
  }
}
