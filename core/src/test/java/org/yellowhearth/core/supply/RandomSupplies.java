package org.yellowhearth.core.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Way;
import org.yellowhearth.core.supply.Section.Winding;

/** Supplies as a set might have them, sound and ageing, each from its own seed. */
final class RandomSupplies {
  private final Random random;
  private final List<Section> sections = new ArrayList<>();
  private int parts;

  /** The negative rail, where there is one: valves then get their bias from it. */
  private double bias;

  private RandomSupplies(long seed) {
    random = new Random(seed);
  }

  static Supply of(long seed) {
    return new RandomSupplies(seed).supply();
  }

  private double log(double from, double to) {
    return from * Math.pow(to / from, random.nextDouble());
  }

  private <T> T one(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }

  /** A third of them aged: low, lossy or leaky. */
  private Cap cap(double farads, double volts) {
    boolean aged = random.nextInt(3) == 0;
    double c = farads * (aged ? log(0.05, 1.2) : log(0.8, 1.4));
    double esr = 0.05 / (2 * Math.PI * 100 * farads) * (aged ? log(1, 60) : 1);
    double leak = aged ? log(3e3, 1e6) * Math.max(1, volts / 100) : log(1e6, 2e7);
    return new Cap("C" + ++parts, c, esr, leak);
  }

  private Supply supply() {
    double nominal = one(List.of(110.0, 117.0, 220.0, 230.0, 240.0));
    double hertz = one(List.of(50.0, 60.0));
    boolean high = random.nextBoolean();
    double volts = high ? log(120, 450) : log(6, 60);
    double amperes = high ? log(0.005, 0.25) : log(0.02, 3);
    double ohms = volts / amperes * log(0.01, 0.12);
    bias = random.nextInt(3) == 0 ? log(12, 70) : 0;
    rail("p", volts, amperes, ohms, false, high);
    if (bias > 0) {
      rail("m", bias, log(0.001, 0.05), bias / 0.05 * log(0.05, 0.3), true, false);
    }
    boolean shared = random.nextInt(3) == 0;
    return new Supply(
        new Supply.Mains(nominal, nominal * (0.3 + 0.8 * random.nextDouble()), hertz),
        shared ? log(0.5, 40) : 0,
        sections);
  }

  private RectifierModel model(boolean high, double volts, double amperes) {
    return switch (random.nextInt(high ? 6 : 4)) {
      case 0 -> RectifierModel.of(RectifierTechnology.SILICON);
      case 1 ->
          RectifierModel.of(
              RectifierTechnology.SELENIUM,
              Math.max(1, (int) (volts / 20)),
              40 * random.nextDouble());
      case 2 ->
          high
              ? RectifierModel.arc(
                  RectifierTechnology.GAS,
                  (RectifierTechnology.Arc) RectifierTechnology.GAS.law(),
                  12)
              : RectifierModel.of(RectifierTechnology.GERMANIUM);
      case 3 ->
          high
              ? RectifierModel.of(RectifierTechnology.SILICON)
              : RectifierModel.of(
                  RectifierTechnology.COPPER_OXIDE, Math.max(1, (int) (volts / 6)), 0);
      default -> RectifierModel.vacuum(log(10, 50), Math.max(0.02, amperes * log(0.7, 2)));
    };
  }

  private void rail(
      String at, double volts, double amperes, double ohms, boolean negative, boolean high) {
    String w = "w" + at;
    String point = at + "0";
    RectifierModel model = model(high, volts, amperes);
    int scheme = random.nextInt(negative ? 3 : 5);
    boolean doubled = scheme > 2;
    sections.add(
        new Winding(w, doubled ? volts / 2 : volts, doubled ? ohms / 4 : ohms, scheme == 1));
    double reservoir = amperes / (2 * 50 * volts * log(0.01, 0.2));
    if (doubled) {
      sections.add(
          new Section.Doubler(
              "D" + at,
              w,
              scheme == 4,
              model,
              point,
              cap(2 * reservoir, volts),
              cap(2 * reservoir, volts)));
    } else {
      Scheme s = List.of(Scheme.values()).get(scheme);
      List<Double> legs = new ArrayList<>(Rectify.whole(s));
      if (random.nextInt(8) == 0) {
        legs.set(0, random.nextBoolean() ? 0.0 : 0.5);
      }
      sections.add(new Rectify("D" + at, w, s, model, negative, point, Section.CHASSIS, legs));
      boolean chokeInput = s != Scheme.HALF_WAVE && high && random.nextInt(6) == 0;
      if (!chokeInput) {
        sections.add(Filter.at("F" + at, point, cap(reservoir, volts)));
      }
      if (chokeInput || (random.nextInt(3) == 0 && high)) {
        String next = at + "l";
        sections.add(
            Filter.through(
                "L" + at,
                point,
                Way.Choke.of("L" + ++parts, log(1, 20), volts / amperes * log(0.005, 0.05)),
                next,
                cap(reservoir, volts)));
        point = next;
      }
    }
    int stages = random.nextInt(4);
    for (int k = 1; k <= stages; k++) {
      String next = at + k;
      sections.add(
          Filter.through(
              "R" + at + k,
              point,
              new Way.Resistor("R" + ++parts, volts / amperes * log(0.02, 0.4)),
              next,
              cap(reservoir * log(0.3, 2), volts)));
      point = next;
      if (random.nextBoolean()) {
        sections.add(
            new Load("I" + at + k, point, Load.Kind.RESISTANCE, volts / amperes * log(2, 20)));
      }
    }
    load(at, point, volts, amperes, negative, high);
  }

  private void load(
      String at, String point, double volts, double amperes, boolean negative, boolean high) {
    switch (random.nextInt(negative ? 1 : 6)) {
      case 1 ->
          sections.add(new Load("load" + at, point, Load.Kind.CURRENT, amperes * log(0.3, 1)));
      case 2 ->
          sections.add(
              high
                  ? stage(at, point, volts, amperes)
                  : Section.Regulate.of("U" + at, point, at + "o", volts * 0.7));
      case 3 ->
          sections.add(
              new Section.Stabilise("Z" + at, point, volts * 0.8, volts / amperes * 0.1, negative));
      default -> {}
    }
    sections.add(new Load("bleed" + at, point, Load.Kind.RESISTANCE, volts / amperes * log(1, 10)));
    if (sections.stream().anyMatch(s -> s.id().equals("U" + at))) {
      sections.add(Filter.at("O" + at, at + "o", cap(100e-6, volts)));
      sections.add(
          new Load("out" + at, at + "o", Load.Kind.RESISTANCE, volts / amperes * log(1, 10)));
    }
  }

  /**
   * A pentode biased by its cathode resistor, or by the negative rail, whose ripple its grid then
   * follows.
   */
  private Section stage(String at, String point, double volts, double amperes) {
    boolean fixed = bias > 0;
    return new Section.Stage(
        "V" + at,
        point,
        ValveModel.through(
            amperes, fixed ? -bias : -8, volts, fixed ? volts / (2 * bias) : 15, 0.85, 20),
        volts / amperes * 0.05,
        Optional.of(new Section.Stage.Decoupled(1000, Optional.of(cap(1e-6, volts)))),
        fixed ? 0 : 8 / amperes,
        fixed ? Optional.empty() : Optional.of(cap(50e-6, 25)),
        470_000,
        fixed ? "m0" : Section.CHASSIS);
  }
}
