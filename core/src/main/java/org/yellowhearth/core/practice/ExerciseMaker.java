package org.yellowhearth.core.practice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;

import org.yellowhearth.core.assess.OwnLimits;
import org.yellowhearth.core.census.CensusLine;
import org.yellowhearth.core.census.Thousand;
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

/**
 * Makes practice sets: the same ones for the same theme and seed. What is sound lies well within the limits of its kind, and what is not well
 * beyond them, so that a right reading always shows it.
 */
public final class ExerciseMaker {
    /** What is the matter with an electrolytic, as often as it stands here. */
    private static final List<Ailment> WET = List.of(Ailment.DRY, Ailment.DRY, Ailment.DRY, Ailment.DRY, Ailment.UNFORMED,
            Ailment.UNFORMED,
            Ailment.REVERSED, Ailment.CORRODED, Ailment.SHORTED, Ailment.OPEN);

    private static final double USUAL_DISSIPATION = 0.02;
    private static final double USUAL_SECONDS = 500;
    private static final String[] NAMES = {"Brackenshoal", "Withernape", "Oldmarrow", "Candlefleet", "Tidewick", "Harrowquay"};
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
        CensusLine line = new CensusLine(knowledge.vocabulary(), Thousand.MEGOHM);
        List<Part> parts = new ArrayList<>();
        for (String typed : theme.lines()) {
            parts.add(line.read(PartRef.of("C" + (parts.size() + 1)), Token.of(typed), typed, "").getFirst());
        }
        List<Part> bad = new ArrayList<>(parts.stream().filter(p -> fails((Capacitor) p)).toList());
        java.util.Collections.shuffle(bad, random);
        List<Part> faulty = bad.subList(0, Math.min(theme.faults(), bad.size()));
        Map<PartRef, Truth> truths = new HashMap<>();
        int minutes = 0;
        for (Part p : parts) {
            Capacitor c = (Capacitor) p;
            Ailment ailment = faulty.contains(p) ? ailment(c, random) : Ailment.SOUND;
            truths.put(p.ref(), truth(c, ailment, random));
            minutes += Measuring.LCR.minutes() + (leaks(c) ? Measuring.LEAKAGE.minutes() : 0);
        }
        SetPlate plate = SetPlate.named(NAMES[random.nextInt(NAMES.length)] + " " + (10 + random.nextInt(80))).with(d -> {
            d.kind = theme.kind();
            d.technology = theme.technology();
            d.made = OptionalInt.of(theme.year());
            d.place = "practice bench";
        });
        Rail rail = new Rail("practice-ht", "HT", theme.railVolts(), List.of(parts.getFirst().ref()), OptionalDouble.empty(), "",
                Rail.Bleeder.NONE, OptionalDouble.empty());
        double charged = theme.charged() ? theme.railVolts() * (0.6 + 0.3 * random.nextDouble()) : 0;
        return new Exercise(theme.code() + "-" + seed, theme, seed, plate, parts, truths, rail, charged, minutes);
    }

    private CapacitorKind kind(Capacitor c) {
        return knowledge.kind(c.kind());
    }

    private boolean wet(Capacitor c) {
        return kind(c).family() == Family.ELECTROLYTIC;
    }

    /** Kinds that fail often enough to be taught with. */
    private boolean fails(Capacitor c) {
        Family family = kind(c).family();
        return family == Family.ELECTROLYTIC || family == Family.PAPER || family == Family.TANTALUM;
    }

    /** Kinds of which only a test at voltage tells all. */
    private boolean leaks(Capacitor c) {
        return fails(c);
    }

    private Ailment ailment(Capacitor c, Random random) {
        return switch (kind(c).family()) {
            case ELECTROLYTIC ->
                WET.get(random.nextInt(WET.size()));
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
                new Truth(c.ref(), ailment, farads * 0.4 * limits.map(l -> l.kept().renewBelow()).orElse(0.7), 3 * renew, fine);
            case UNFORMED -> new Truth(c.ref(), ailment, farads * middle, sound, fine / 60);
            case REVERSED -> new Truth(c.ref(), ailment, farads * middle, sound, fine / 150);
            case CORRODED -> new Truth(c.ref(), ailment, farads * middle, sound, fine);
            case LEAKY -> new Truth(c.ref(), ailment, farads * middle, sound, fine / 200);
            case SHORTED -> new Truth(c.ref(), ailment, farads, sound, 4 + 20 * random.nextDouble());
            case OPEN -> new Truth(c.ref(), ailment, farads * 1e-4, sound, fine * 1e3);
            case DRIFTED -> throw new IllegalArgumentException("a capacitor does not drift like a resistor");
        };
    }

    /** A resistance across it that is beyond doubt: a fifth of the leakage allowed, or five times the insulation asked. */
    private double fineOhms(Capacitor c, Optional<Limits> limits) {
        double volts = c.ratedVolts().orElse(c.workingVolts().orElse(100));
        if (wet(c) || c.farads() >= MICRO) {
            double allowed = limits.flatMap(Limits::leakage).map(l -> l.amperes(c.farads(), c.ratedVolts().orElse(volts)))
                    .orElse(OptionalDouble.empty()).orElse(0.01 * c.farads() * volts);
            return volts / (allowed / 5);
        }
        double seconds = value(limits, Which.WATCH_INSULATION).orElse(USUAL_SECONDS);
        return Math.max(5 * seconds / c.farads(), 1e9);
    }

    private static OptionalDouble value(Optional<Limits> limits, Which which) {
        return limits.map(l -> OwnLimits.value(l, which)).orElse(OptionalDouble.empty());
    }
}
