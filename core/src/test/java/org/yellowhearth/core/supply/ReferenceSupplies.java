package org.yellowhearth.core.supply;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Way;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply.Mains;

/**
 * Supplies of every topology, by which the engine is held against a general-purpose circuit
 * simulator.
 */
final class ReferenceSupplies {
  private ReferenceSupplies() {}

  /**
   * One of them.
   *
   * @param settles seconds after which the simulator has settled
   * @param nodes whose direct voltage and ripple are compared
   * @param currents elements whose RMS and peak current are compared
   */
  record Reference(
      String name, Supply supply, double settles, List<String> nodes, List<String> currents) {
    @Override
    public String toString() {
      return name;
    }
  }

  private static final RectifierModel SILICON = RectifierModel.of(RectifierTechnology.SILICON);
  private static final RectifierModel VALVE = RectifierModel.vacuum(20, 0.125);
  private static final RectifierModel SMALL_VALVE = RectifierModel.vacuum(18, 0.06);

  private static Cap cap(String part, double micro) {
    return new Cap(part, micro * 1e-6, 20 / micro, 5e6);
  }

  private static Way r(String part, double ohms) {
    return new Way.Resistor(part, ohms);
  }

  private static Load ohms(String id, String at, double ohms) {
    return new Load(id, at, Load.Kind.RESISTANCE, ohms);
  }

  private static Reference of(
      String name, double settles, Supply supply, String nodes, String currents) {
    return new Reference(
        name, supply, settles, List.of(nodes.split(" ")), List.of(currents.split(" ")));
  }

  static List<Reference> all() {
    Mains fifty = Mains.of(230, 50);
    Mains sixty = Mains.of(117, 60);
    return List.of(
        of(
            "half-wave-silicon",
            2,
            Supply.of(
                fifty,
                new Winding("w", 230, 25, false),
                Rectify.of("D1", "w", Scheme.HALF_WAVE, SILICON, "b"),
                Filter.at("f1", "b", cap("C1", 47)),
                Filter.through("f2", "b", r("R1", 1000), "c", cap("C2", 47)),
                ohms("load", "c", 4700)),
            "b c",
            "C1 D1"),
        of(
            "half-wave-valve-dropper",
            2,
            Supply.of(
                Mains.of(220, 50),
                new Winding("w", 220, 180, false),
                Rectify.of("V1", "w", Scheme.HALF_WAVE, SMALL_VALVE, "b"),
                Filter.at("f1", "b", cap("C1", 50)),
                Filter.through("f2", "b", r("R1", 1200), "c", cap("C2", 50)),
                new Load("load", "c", Load.Kind.CURRENT, 0.045)),
            "b c",
            "C1 V1"),
        of(
            "full-wave-valve-choke",
            2,
            Supply.of(
                fifty,
                new Winding("w", 300, 150, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b"),
                Filter.at("f1", "b", cap("C1", 16)),
                Filter.through("f2", "b", Way.Choke.of("L1", 10, 300), "c", cap("C2", 32)),
                ohms("load", "c", 4000)),
            "b c",
            "C1 V1.1 C2"),
        of(
            "choke-input",
            2,
            Supply.of(
                fifty,
                new Winding("w", 350, 80, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b"),
                Filter.through("f2", "b", Way.Choke.of("L1", 12, 180), "c", cap("C2", 32)),
                ohms("load", "c", 2500)),
            "c",
            "V1.1"),
        of(
            "choke-input-near-critical",
            3,
            Supply.of(
                fifty,
                new Winding("w", 350, 80, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b"),
                Filter.through("f2", "b", Way.Choke.of("L1", 10, 180), "c", cap("C2", 16)),
                ohms("load", "c", 9400)),
            "c",
            "V1.1"),
        of(
            "full-wave-silicon-60",
            2,
            Supply.of(
                sixty,
                new Winding("w", 240, 60, true),
                Rectify.of("D1", "w", Scheme.FULL_WAVE, SILICON, "b"),
                Filter.at("f1", "b", cap("C1", 40)),
                Filter.through("f2", "b", r("R1", 470), "c", cap("C2", 40)),
                Filter.through("f3", "c", r("R2", 2200), "d", cap("C3", 20)),
                ohms("load", "c", 5000),
                ohms("load2", "d", 20000)),
            "b c d",
            "C1 D1.1"),
        of(
            "bridge-silicon-60",
            1,
            Supply.of(
                sixty,
                new Winding("w", 18, 0.6, false),
                Rectify.of("D1", "w", Scheme.BRIDGE, SILICON, "b"),
                Filter.at("f1", "b", new Cap("C1", 2200e-6, 0.05, 1e5)),
                ohms("load", "b", 22)),
            "b",
            "C1 D1.1"),
        of(
            "bridge-selenium",
            1,
            Supply.of(
                fifty,
                new Winding("w", 24, 1.5, false),
                Rectify.of(
                    "D1",
                    "w",
                    Scheme.BRIDGE,
                    RectifierModel.of(RectifierTechnology.SELENIUM, 1, 0),
                    "b"),
                Filter.at("f1", "b", new Cap("C1", 1000e-6, 0.1, 1e5)),
                ohms("load", "b", 150)),
            "b",
            "C1 D1.1"),
        of(
            "half-wave-selenium",
            2,
            Supply.of(
                fifty,
                new Winding("w", 220, 60, false),
                Rectify.of(
                    "D1",
                    "w",
                    Scheme.HALF_WAVE,
                    RectifierModel.of(RectifierTechnology.SELENIUM, 12, 30),
                    "b"),
                Filter.at("f1", "b", cap("C1", 32)),
                Filter.through("f2", "b", r("R1", 1500), "c", cap("C2", 32)),
                ohms("load", "c", 6000)),
            "b c",
            "C1 D1"),
        of(
            "doubler-silicon-60",
            2,
            Supply.of(
                sixty,
                new Winding("w", 117, 8, false),
                new Section.Doubler("D1", "w", false, SILICON, "b", cap("C1", 100), cap("C2", 100)),
                ohms("load", "b", 2500)),
            "b",
            "C1 C2 D1.1"),
        of(
            "doubler-cascade",
            2,
            Supply.of(
                fifty,
                new Winding("w", 110, 12, false),
                new Section.Doubler("D1", "w", true, SILICON, "b", cap("C1", 64), cap("C2", 64)),
                Filter.through("f2", "b", r("R1", 680), "c", cap("C3", 32)),
                ohms("load", "c", 5000)),
            "b c",
            "C1 C2 D1.2"),
        of(
            "doubler-selenium",
            2,
            Supply.of(
                sixty,
                new Winding("w", 117, 22, false),
                new Section.Doubler(
                    "D1",
                    "w",
                    false,
                    RectifierModel.of(RectifierTechnology.SELENIUM, 5, 15),
                    "b",
                    cap("C1", 80),
                    cap("C2", 80)),
                ohms("load", "b", 4000)),
            "b",
            "C1 D1.1"),
        of(
            "split-shared-transformer",
            1.5,
            new Supply(
                fifty,
                6,
                List.of(
                    new Winding("w", 27, 0.2, true),
                    Rectify.of("D1", "w", Scheme.FULL_WAVE, SILICON, "p"),
                    Rectify.of("D2", "w", Scheme.FULL_WAVE, SILICON, "n").negativeSide(),
                    Filter.at("f1", "p", new Cap("C1", 4700e-6, 0.03, 1e5)),
                    new Filter(
                        "f2",
                        "n",
                        new Way.Wire(),
                        "n",
                        Optional.of(new Cap("C2", 4700e-6, 0.03, 1e5)),
                        Section.CHASSIS),
                    ohms("load", "p", 20),
                    ohms("load2", "n", 33))),
            "p n",
            "C1 C2 D1.1"),
        of(
            "valve-with-bias-branch",
            2,
            new Supply(
                fifty,
                12,
                List.of(
                    new Winding("w", 280, 110, true),
                    new Winding("v", 55, 30, false),
                    Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b"),
                    Filter.at("f1", "b", cap("C1", 32)),
                    Filter.through("f2", "b", r("R1", 330), "c", cap("C2", 32)),
                    ohms("load", "c", 3300),
                    Rectify.of("D1", "v", Scheme.HALF_WAVE, SILICON, "m").negativeSide(),
                    Filter.at("f3", "m", cap("C3", 25)),
                    Filter.through("f4", "m", r("R2", 4700), "g", cap("C4", 25)),
                    ohms("load2", "g", 22000))),
            "b c m g",
            "C1 C3 V1.1"),
        of(
            "back-bias",
            2,
            Supply.of(
                fifty,
                new Winding("w", 260, 120, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b").from("n"),
                new Filter("f1", "b", new Way.Wire(), "b", Optional.of(cap("C1", 16)), "n"),
                Filter.through("f2", "b", Way.Choke.of("L1", 8, 350), "c", cap("C2", 16)),
                new Section.Resist("back", "R1", "n", Section.CHASSIS, 120),
                Filter.through("f3", "n", r("R2", 100_000), "g", cap("C3", 1)),
                ohms("load", "c", 4500),
                ohms("load2", "g", 1e6)),
            "c n g",
            "C1 V1.1"),
        of(
            "full-wave-gas",
            2,
            Supply.of(
                fifty,
                new Winding("w", 300, 100, true),
                Rectify.of(
                    "V1",
                    "w",
                    Scheme.FULL_WAVE,
                    RectifierModel.arc(
                        RectifierTechnology.GAS,
                        (RectifierTechnology.Arc) RectifierTechnology.GAS.law(),
                        12),
                    "b"),
                Filter.at("f1", "b", cap("C1", 8)),
                Filter.through("f2", "b", r("R1", 1500), "c", cap("C2", 16)),
                ohms("load", "c", 5000)),
            "b c",
            "C1 V1.1"),
        of(
            "regulated",
            1,
            Supply.of(
                fifty,
                new Winding("w", 18, 0.6, false),
                Rectify.of("D1", "w", Scheme.BRIDGE, SILICON, "b"),
                Filter.at("f1", "b", new Cap("C1", 2200e-6, 0.05, 1e5)),
                Section.Regulate.of("U1", "b", "o", 15),
                Filter.at("f2", "o", new Cap("C2", 100e-6, 0.2, 1e5)),
                ohms("load", "o", 30)),
            "b o",
            "C1 D1.1"),
        of(
            "tracking-pair",
            1,
            Supply.of(
                fifty,
                new Winding("w", 18, 0.5, true),
                Rectify.of("D1", "w", Scheme.FULL_WAVE, SILICON, "p"),
                Rectify.of("D2", "w", Scheme.FULL_WAVE, SILICON, "n").negativeSide(),
                Filter.at("f1", "p", new Cap("C1", 2200e-6, 0.05, 1e5)),
                Filter.at("f2", "n", new Cap("C2", 2200e-6, 0.05, 1e5)),
                Section.Regulate.of("U1", "p", "o", 15),
                new Section.Regulate(
                    "U2",
                    "n",
                    "q",
                    true,
                    15,
                    2,
                    0.05,
                    0.5,
                    Double.POSITIVE_INFINITY,
                    Optional.of(new Section.Regulate.Tracked("o", 15))),
                Filter.at("f3", "o", new Cap("C3", 47e-6, 0.3, 1e5)),
                Filter.at("f4", "q", new Cap("C4", 47e-6, 0.3, 1e5)),
                ohms("load", "o", 60),
                ohms("load2", "q", 100)),
            "p n o q",
            "C1 D1.1"),
        of(
            "stabilised",
            1.5,
            Supply.of(
                fifty,
                new Winding("w", 250, 200, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, SMALL_VALVE, "b"),
                Filter.at("f1", "b", cap("C1", 16)),
                Filter.through("f2", "b", r("R1", 5600), "s", cap("C2", 0.1)),
                new Section.Stabilise("Z1", "s", 150, 120, false),
                ohms("load", "s", 15000)),
            "b s",
            "C1 V1.1"),
        of(
            "valve-stages",
            3,
            Supply.of(
                fifty,
                new Winding("w", 260, 120, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b"),
                Filter.at("f1", "b", cap("C1", 32)),
                Filter.through("f2", "b", r("R1", 1000), "c", cap("C2", 32)),
                Filter.through("f3", "c", r("R2", 22000), "d", cap("C3", 8)),
                new Section.Stage(
                    "V2",
                    "c",
                    ValveModel.through(0.042, -7, 240, 19, 0.87, 20),
                    400,
                    Optional.of(new Section.Stage.Decoupled(470, Optional.of(cap("C4", 1)))),
                    170,
                    Optional.of(cap("C5", 50)),
                    470_000,
                    Section.CHASSIS),
                new Section.Stage(
                    "V3",
                    "d",
                    ValveModel.triode(2e-6, 100),
                    220_000,
                    Optional.empty(),
                    2200,
                    Optional.of(cap("C6", 25)),
                    1e6,
                    Section.CHASSIS)),
            "b c d V2.k V2.g2",
            "C1 V1.1"),
        of(
            "bridge-copper-oxide",
            1.5,
            Supply.of(
                fifty,
                new Winding("w", 12, 20, false),
                Rectify.of(
                    "D1",
                    "w",
                    Scheme.BRIDGE,
                    RectifierModel.of(RectifierTechnology.COPPER_OXIDE, 2, 0),
                    "b"),
                Filter.at("f1", "b", new Cap("C1", 100e-6, 0.3, 1e5)),
                ohms("load", "b", 2200)),
            "b",
            "C1 D1.1"),
        of(
            "converter-input",
            1,
            Supply.of(
                fifty,
                new Winding("w", 230, 3, false),
                Rectify.of("D1", "w", Scheme.BRIDGE, SILICON, "b"),
                Filter.at("f1", "b", new Cap("C1", 220e-6, 0.15, 1e6)),
                new Load("load", "b", Load.Kind.POWER, 60)),
            "b",
            "C1 D1.1"),
        of(
            "four-stages",
            3,
            Supply.of(
                sixty,
                new Winding("w", 280, 130, true),
                Rectify.of("V1", "w", Scheme.FULL_WAVE, VALVE, "b"),
                Filter.at("f1", "b", cap("C1", 20)),
                Filter.through("f2", "b", Way.Choke.of("L1", 5, 200), "c", cap("C2", 20)),
                Filter.through("f3", "c", r("R1", 2200), "d", cap("C3", 20)),
                Filter.through("f4", "d", r("R2", 10_000), "e", cap("C4", 10)),
                new Load("load", "c", Load.Kind.CURRENT, 0.05),
                new Load("load2", "d", Load.Kind.CURRENT, 0.012),
                ohms("load3", "e", 100_000)),
            "b c d e",
            "C1 V1.1"),
        of(
            "germanium-60",
            1,
            Supply.of(
                sixty,
                new Winding("w", 6.3, 1, false),
                Rectify.of(
                    "D1",
                    "w",
                    Scheme.HALF_WAVE,
                    RectifierModel.of(RectifierTechnology.GERMANIUM),
                    "b"),
                Filter.at("f1", "b", new Cap("C1", 470e-6, 0.3, 1e5)),
                ohms("load", "b", 220)),
            "b",
            "C1 D1"),
        of(
            "one-leg-weak",
            2,
            Supply.of(
                fifty,
                new Winding("w", 300, 150, true),
                new Rectify(
                    "V1",
                    "w",
                    Scheme.FULL_WAVE,
                    VALVE,
                    false,
                    "b",
                    Section.CHASSIS,
                    List.of(1.0, 0.5)),
                Filter.at("f1", "b", cap("C1", 16)),
                Filter.through("f2", "b", r("R1", 1000), "c", cap("C2", 16)),
                ohms("load", "c", 5000)),
            "b c",
            "C1 V1.1 V1.2"));
  }
}
