package org.yellowhearth.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import org.yellowhearth.core.assess.OwnLimits;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.LimitChange.Which;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Thousand;

/**
 * Makes practice sets: the same ones for the same theme and seed. What is sound lies well within
 * the limits of its kind, and what is not well beyond them, so that a right reading always shows
 * it.
 */
public final class ExerciseMaker {
  /** What is the matter with an electrolytic, as often as it stands here. */
  private static final List<Ailment> WET =
      List.of(
          Ailment.DRY,
          Ailment.DRY,
          Ailment.DRY,
          Ailment.DRY,
          Ailment.UNFORMED,
          Ailment.UNFORMED,
          Ailment.REVERSED,
          Ailment.CORRODED,
          Ailment.SHORTED,
          Ailment.OPEN);

  private static final PartRef BLEEDER = PartRef.of("R1");
  private static final double OPEN_TIMES = 500;
  private static final double DRIFTED_TIMES = 2;
  private static final double MAINS = 230;
  private static final double HERTZ = 50;

  /** What the voltage setting stands at where it is wrong. */
  private static final double SETTING = 200;

  private static final double RATE = 30;
  private static final double USUAL_DISSIPATION = 0.02;
  private static final double USUAL_SECONDS = 500;
  private static final String[] NAMES = {
    "Brackenshoal", "Withernape", "Oldmarrow", "Candlefleet", "Tidewick", "Harrowquay"
  };
  private static final double MICRO = 1e-6;

  private final Knowledge knowledge;

  /** A maker with this knowledge. */
  public ExerciseMaker(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** The graded exercises, one of every theme. */
  public List<Exercise> graded() {
    List<Exercise> all = new ArrayList<>();
    for (Theme t : Theme.values()) {
      all.add(make(t, 1));
    }
    return all;
  }

  /** One exercise. */
  public Exercise make(Theme theme, long seed) {
    Random random = new Random(seed * 1_000_003 + theme.name().hashCode());
    List<Part> parts = parts(theme);
    List<Part> bad = new ArrayList<>(parts.stream().filter(this::fails).toList());
    Collections.shuffle(bad, random);
    Map<PartRef, Ailment> ailments = ailments(theme, parts, bad, random);
    Map<PartRef, Truth> truths = new HashMap<>();
    int minutes = theme.extraMinutes();
    for (Part p : parts) {
      Ailment ailment = ailments.getOrDefault(p.ref(), Ailment.SOUND);
      truths.put(
          p.ref(),
          theme == Theme.REVERSED_NEW && ailment == Ailment.REVERSED
              ? PracticeSupply.reversed((Capacitor) p)
              : truth(p, ailment, random));
      minutes += minutes(theme, p);
    }
    SetPlate plate =
        SetPlate.named(NAMES[random.nextInt(NAMES.length)] + " " + (10 + random.nextInt(80)))
            .with(d -> {
              d.kind = theme.kind();
              d.technology = theme.technology();
              d.made = OptionalInt.of(theme.year());
              d.place = "practice bench";
              d.mains = Optional.of(new SetPlate.Mains(MAINS, HERTZ));
              if (theme.supplied()) {
                d.chassis = SetPlate.Chassis.ISOLATED;
              }
            });
    Rail rail = rail(theme, parts);
    double charged = theme.charged() ? theme.railVolts() * (0.6 + 0.3 * random.nextDouble()) : 0;
    OptionalDouble set =
        theme == Theme.WRONG_SETTING ? OptionalDouble.of(SETTING) : OptionalDouble.empty();
    List<Aspect> aspects = new ArrayList<>(List.of(Budget.BLANK.with(b -> b.ratePerHour = RATE)));
    List<Item> items =
        new ArrayList<>(
            List.of(
                theme.printed().isEmpty() ? rail : unlisted(rail, (Capacitor) parts.getFirst())));
    if (theme.supplied()) {
      aspects.add(
          new Bench(
              OptionalDouble.of(20),
              OptionalDouble.of(MAINS),
              OptionalDouble.of(HERTZ),
              true,
              true));
      items.addAll(PracticeSupply.sections());
    }
    if (theme.supplied() && set.isEmpty()) {
      aspects.add(PracticeSupply.entry(MAINS));
    }
    if (theme == Theme.REVERSED_NEW) {
      items.addAll(PracticeSupply.fittedBefore((Capacitor) parts.getFirst()));
    }
    if (theme == Theme.FALSE_CHART) {
      items.addAll(PracticeSupply.drawing(plate, parts, knowledge));
    }
    return new Exercise(
        theme.code() + "-" + seed,
        theme,
        seed,
        plate,
        parts,
        truths,
        rail,
        charged,
        set,
        minutes,
        aspects,
        items);
  }

  /** The parts as they are typed, those without a reference as capacitors. */
  private List<Part> parts(Theme theme) {
    PartsListLine line = new PartsListLine(knowledge.vocabulary(), Thousand.MEGOHM);
    List<Part> parts = new ArrayList<>();
    for (String typed : theme.lines()) {
      String first = typed.substring(0, typed.indexOf(' '));
      boolean named = first.matches("[RV]\\d");
      String rest = named ? typed.substring(first.length() + 1) : typed;
      PartRef ref = PartRef.of(named ? first : "C" + (parts.size() + 1));
      parts.add(line.read(ref, Token.of(rest), rest, "").getFirst());
    }
    return parts;
  }

  /** What is the matter with which part. */
  private Map<PartRef, Ailment> ailments(
      Theme theme, List<Part> parts, List<Part> bad, Random random) {
    Map<PartRef, Ailment> all = new HashMap<>();
    switch (theme) {
      case WEAK_RECTIFIER -> all.put(PracticeSupply.RECTIFIER, Ailment.WEAK);
      case FALSE_CHART -> all.put(PracticeSupply.SCREEN, Ailment.DRIFTED);
      case REVERSED_NEW -> all.put(parts.getFirst().ref(), Ailment.REVERSED);
      case FORM_OR_RENEW -> {
        all.put(bad.getFirst().ref(), Ailment.UNFORMED);
        all.put(bad.get(1).ref(), Ailment.HOPELESS);
      }
      case CHOOSE_WISELY ->
          bad.subList(0, theme.faults())
              .forEach(p -> all.put(p.ref(), wet((Capacitor) p) ? Ailment.DRY : Ailment.LEAKY));
      default -> {
        bad.subList(0, Math.min(theme.faults(), bad.size()))
            .forEach(p -> all.put(p.ref(), ailment((Capacitor) p, random)));
        if (theme == Theme.OPEN_BLEEDER) {
          all.put(BLEEDER, Ailment.DRIFTED);
        }
      }
    }
    return all;
  }

  private int minutes(Theme theme, Part p) {
    return switch (p) {
      case Capacitor c ->
          theme.measured()
              ? 0
              : Measuring.LCR.minutes() + (fails(c) ? Measuring.LEAKAGE.minutes() : 0);
      case Valve _ -> Measuring.TESTER.minutes();
      default -> Measuring.OHMS.minutes();
    };
  }

  private static Rail rail(Theme theme, List<Part> parts) {
    Optional<Resistor> bleeder =
        parts.stream()
            .filter(p -> p instanceof Resistor r && r.task() == Resistor.Task.BLEEDER)
            .map(Resistor.class::cast)
            .findFirst();
    return new Rail(
        "practice-ht",
        "HT",
        theme.railVolts(),
        List.of(parts.getFirst().ref()),
        OptionalDouble.empty(),
        "",
        bleeder.isPresent() ? Rail.Bleeder.MARKED : Rail.Bleeder.NONE,
        bleeder.map(b -> OptionalDouble.of(b.ohms())).orElse(OptionalDouble.empty()));
  }

  /** The same rail while its capacitor does not stand in the census. */
  private static Rail unlisted(Rail rail, Capacitor reservoir) {
    return new Rail(
        rail.id(),
        rail.name(),
        rail.volts(),
        List.of(),
        OptionalDouble.of(reservoir.farads()),
        reservoir.kind(),
        rail.bleeder(),
        rail.bleederOhms());
  }

  private CapacitorKind kind(Capacitor c) {
    return knowledge.kind(c.kind());
  }

  private boolean wet(Capacitor c) {
    return kind(c).family() == Family.ELECTROLYTIC;
  }

  /** Kinds that fail often enough to be taught with. */
  private boolean fails(Part p) {
    if (!(p instanceof Capacitor c)) {
      return false;
    }
    Family family = kind(c).family();
    return family == Family.ELECTROLYTIC || family == Family.PAPER || family == Family.TANTALUM;
  }

  private Truth truth(Part part, Ailment ailment, Random random) {
    double near = 1 + 0.02 * (2 * random.nextDouble() - 1);
    return switch (part) {
      case Capacitor c -> truth(c, ailment, random);
      case Resistor r ->
          new Truth(
              r.ref(),
              ailment,
              r.ohms()
                  * (ailment == Ailment.SOUND
                      ? near
                      : r.task() == Resistor.Task.BLEEDER
                          ? OPEN_TIMES
                          : DRIFTED_TIMES + random.nextDouble()),
              0,
              Double.POSITIVE_INFINITY);
      default ->
          new Truth(
              part.ref(),
              ailment,
              (ailment == Ailment.SOUND ? 0.95 : 0.15 + 0.1 * random.nextDouble()) * near,
              0,
              Double.POSITIVE_INFINITY);
    };
  }

  private Ailment ailment(Capacitor c, Random random) {
    return switch (kind(c).family()) {
      case ELECTROLYTIC -> WET.get(random.nextInt(WET.size()));
      case TANTALUM -> Ailment.SHORTED;
      case PAPER, UNSTATED, FILM, MICA, CERAMIC, SUPPRESSION, AIR ->
          random.nextInt(10) < 8 ? Ailment.LEAKY : Ailment.SHORTED;
    };
  }

  private Truth truth(Capacitor c, Ailment ailment, Random random) {
    Optional<Limits> limits = Optional.ofNullable(kind(c).limits().get(LimitProfile.PERIOD));
    double least = limits.map(l -> l.kept().watchBelow()).orElse(0.9);
    double most = Math.min(1.05, limits.map(l -> l.kept().watchAbove()).orElse(1.1));
    double middle = (least + most) / 2 + (most - least) * 0.2 * (random.nextDouble() - 0.5);
    double watch = value(limits, Which.WATCH_DISSIPATION).orElse(USUAL_DISSIPATION);
    double renew = value(limits, Which.RENEW_DISSIPATION).orElse(3 * USUAL_DISSIPATION);
    double sound = 0.4 * watch;
    double fine = fineOhms(c, limits);
    double farads = c.farads();
    return switch (ailment) {
      case SOUND -> new Truth(c.ref(), ailment, farads * middle, sound, fine);
      case DRY ->
          new Truth(
              c.ref(),
              ailment,
              farads * 0.4 * limits.map(l -> l.kept().renewBelow()).orElse(0.7),
              3 * renew,
              fine);
      case UNFORMED -> new Truth(c.ref(), ailment, farads * middle, sound, fine / Truth.THINNED);
      case HOPELESS -> new Truth(c.ref(), ailment, farads * middle, sound, fine / Truth.HOPELESS);
      case REVERSED -> new Truth(c.ref(), ailment, farads * middle, sound, fine / 150);
      case CORRODED -> new Truth(c.ref(), ailment, farads * middle, sound, fine);
      case LEAKY -> new Truth(c.ref(), ailment, farads * middle, sound, fine / 200);
      case SHORTED -> new Truth(c.ref(), ailment, farads, sound, 4 + 20 * random.nextDouble());
      case OPEN -> new Truth(c.ref(), ailment, farads * 1e-4, sound, fine * 1e3);
      case DRIFTED, WEAK ->
          throw new IllegalArgumentException("a capacitor is no resistor and no valve");
    };
  }

  /**
   * A resistance across it that is beyond doubt: a fifth of the leakage allowed, or five times the
   * insulation asked.
   */
  private double fineOhms(Capacitor c, Optional<Limits> limits) {
    double volts = c.ratedVolts().orElse(c.workingVolts().orElse(100));
    if (wet(c) || c.farads() >= MICRO) {
      double allowed =
          limits
              .flatMap(Limits::leakage)
              .map(l -> l.amperes(c.farads(), c.ratedVolts().orElse(volts)))
              .orElse(OptionalDouble.empty())
              .orElse(0.01 * c.farads() * volts);
      return volts / (allowed / Truth.SOUND_SHARE);
    }
    double seconds = value(limits, Which.WATCH_INSULATION).orElse(USUAL_SECONDS);
    return Math.max(5 * seconds / c.farads(), 1e9);
  }

  private static OptionalDouble value(Optional<Limits> limits, Which which) {
    return limits.map(l -> OwnLimits.value(l, which)).orElse(OptionalDouble.empty());
  }
}
