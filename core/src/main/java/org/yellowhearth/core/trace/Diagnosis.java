package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

import org.yellowhearth.core.circuit.StoppedException;
import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.supply.Knob;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;

/**
 * Which fault explains the readings. Every way in which every part may be bad is worked out at several severities by the engine and held
 * against all readings together; what tolerances, the line and the meter leave uncertain is one covariance. The chance of a part is
 * Bayes' rule over its severities, with the odds of its kind before anything was measured.
 */
public final class Diagnosis {
    private static final int FINER = 6;
    /** Of one tolerance, for the slope. */
    private static final double SLOPE_STEP = 0.5;
    private static final double USUAL_ODDS = 0.05;
    /** Explanations whose misfits differ by less cannot be told apart by the readings. */
    private static final double ALIKE = 6;
    private static final double ALIKE_SHARE = 0.02;
    private static final int MOST_PAIRS = 24;

    private final Question question;
    private final Probes probes;
    private final Watcher watcher;
    /** What lines and meters of their own shift each reading by, on the scale of comparison. */
    private final double[] shifts;
    private double[] sound = {};
    private Gaussian around = new Gaussian(new double[0][0]);
    private final List<Sample> samples = new ArrayList<>();
    private int done;
    private int planned;

    /**
     * A reading that the supply is held against.
     *
     * @param relative its standard uncertainty as a fraction
     * @param line the mains at that time, against that of the supply in question
     * @param meterOhms what the meter loads the point with, where that is to be counted
     * @param setup which setup of bridges it was read in; 0 without any
     */
    public record Datum(String point, Kind kind, double volts, double relative, double line, OptionalDouble meterOhms,
            int setup) {
        /** A reading at the mains of the supply by a meter that takes nothing. */
        public static Datum of(String point, Kind kind, double volts, double relative) {
            return new Datum(point, kind, volts, relative, 1, OptionalDouble.empty(), 0);
        }
    }

    /**
     * What is asked.
     *
     * @param supply as it should be
     * @param points where anything can be read
     * @param spread the standard tolerance of each value, as a fraction
     * @param odds of each part being bad before anything was read; a twentieth where none are given
     * @param setups what was clipped across what; the first is without bridges
     */
    public record Question(Supply supply, List<String> points, List<Datum> data, Map<Knob, Double> spread,
            Map<String, Double> odds, List<List<SupplyBridge.Clipped>> setups) {
        public Question {
            setups = List.copyOf(setups);
            points = List.copyOf(points);
            data = List.copyOf(data);
            spread = Map.copyOf(spread);
            odds = Map.copyOf(odds);
        }
    }

    /**
     * Parts that are bad, and in what way they would have to be.
     *
     * @param parts elements or sections; none for a supply whose parts are all within their tolerances
     * @param faults the likeliest severity of the likeliest way of each
     * @param probability that these parts are the ones, given the readings
     * @param misfit how far the readings lie from what these faults predict: the sum of squares in standard deviations
     * @param predicted what the meter would show for each reading
     * @param alike whether the readings cannot tell it from the likeliest
     */
    public record Explanation(List<String> parts, List<Fault> faults, double probability, double misfit, List<Double> predicted,
            boolean alike) {
        public Explanation {
            parts = List.copyOf(parts);
            faults = List.copyOf(faults);
            predicted = List.copyOf(predicted);
        }

        /** Whether nothing is bad. */
        public boolean sound() {
            return parts.isEmpty();
        }

        /** A supply with these faults. */
        public Supply in(Supply supply) {
            Supply s = supply;
            for (Fault f : faults) {
                s = f.in(s);
            }
            return s;
        }

        private Explanation marked(double share, boolean like) {
            return new Explanation(parts, faults, share, misfit, predicted, like);
        }
    }

    /** What a supply shows with some faults at some severity, and the logarithm of how likely it is before and after the readings. */
    static final class Sample {
        private final List<String> parts;
        private final List<Fault> faults;
        private final double[] shown;
        private final double[] whitened;
        private final double logPrior;
        private final double logLikely;

        private Sample(List<String> parts, List<Fault> faults, double[] shown, double[] whitened, double logPrior,
                double logLikely) {
            this.parts = parts;
            this.faults = faults;
            this.shown = shown;
            this.whitened = whitened;
            this.logPrior = logPrior;
            this.logLikely = logLikely;
        }

        List<String> parts() {
            return parts;
        }

        List<Fault> faults() {
            return faults;
        }

        /** What one of the probes shows, on the scale of comparison. */
        double shown(int probe) {
            return shown[probe];
        }

        double log() {
            return logPrior + logLikely;
        }
    }

    private Diagnosis(Question question, Watcher watcher) {
        this.question = question;
        this.probes = new Probes(question.points, question.setups);
        this.shifts = new double[question.data.size()];
        this.watcher = watcher;
    }

    /**
     * The explanations by a single fault, likeliest first; none where the sound supply cannot be worked out.
     *
     * @throws StoppedException where the watcher did not want to go on
     */
    public static List<Explanation> singles(Question question, Watcher watcher) {
        Diagnosis d = new Diagnosis(question, watcher);
        return d.sample(0) ? d.explanations() : List.of();
    }

    /**
     * The explanations by one or two faults. Pairs are pruned by adding up what each does alone; the likeliest are worked out, and left
     * aside where a single fault explains the readings as well.
     *
     * @throws StoppedException where the watcher did not want to go on
     */
    public static List<Explanation> doubles(Question question, Watcher watcher) {
        Diagnosis d = new Diagnosis(question, watcher);
        if (!d.sample(9 * MOST_PAIRS)) {
            return List.of();
        }
        d.pairs();
        d.dropNeedless();
        return d.explanations();
    }

    /** What is worth measuring next, best first. */
    public static List<NextStep> next(Question question, Watcher watcher) {
        Diagnosis d = new Diagnosis(question, watcher);
        if (!d.sample(NextSteps.MOST_SOLVES)) {
            return List.of();
        }
        return new NextSteps(question, d.probes, d.samples, d::worked).all();
    }

    /** How far the readings of a faulty supply lie from those of a sound one, in standard deviations of tolerances and meters. */
    static double signature(Question question, Supply faulty) {
        Diagnosis d = new Diagnosis(question, Watcher.NOBODY);
        double[] from = d.probes.of(question.supply).orElseThrow();
        double[] to = d.probes.of(faulty).orElseThrow();
        double[] between = d.difference(to);
        double[] base = d.difference(from);
        for (int k = 0; k < between.length; k++) {
            between[k] -= base[k];
        }
        return Math.sqrt(new Gaussian(d.covariance(from)).squared(between));
    }

    /** Works out every fault at every severity; false where the sound supply has no steady state. */
    private boolean sample(int more) {
        List<FaultLine> lines = FaultLine.of(question.supply);
        planned = more + 1 + shifts.length + question.spread.size() + lines.stream().mapToInt(l -> l.steps().size()).sum();
        Optional<double[]> whole = worked(question.supply);
        if (whole.isEmpty()) {
            return false;
        }
        sound = whole.get();
        shifts();
        around = new Gaussian(covariance(sound));
        samples.add(sample(List.of(), List.of(), sound, 0));
        lines.forEach(this::sample);
        return true;
    }

    private Sample sample(List<String> parts, List<Fault> faults, double[] shown, double logPrior) {
        double[] d = difference(shown);
        double[] white = around.whitened(d);
        return new Sample(parts, faults, shown, white, logPrior, around.logDensityOf(white));
    }

    private Optional<double[]> worked(Supply s) {
        if (!watcher.goOn(Math.min(1, (double) done / planned))) {
            throw new StoppedException();
        }
        done++;
        return probes.of(s);
    }

    /** The severities of a line, those between its steps taken evenly. */
    private void sample(FaultLine line) {
        List<double[]> shown = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        Optional<double[]> before = Optional.empty();
        Fault from = line.steps().getFirst();
        for (Fault f : line.steps()) {
            Optional<double[]> here = worked(f.in(question.supply));
            for (int k = 1; before.isPresent() && here.isPresent() && k < FINER; k++) {
                double share = (double) k / FINER;
                shown.add(mixed(before.get(), here.get(), share));
                faults.add(new Fault(f.knob(), share > 0.5 ? f.mode() : from.mode(), between(from.value(), f.value(), share)));
            }
            if (here.isPresent()) {
                shown.add(here.get());
                faults.add(f);
            }
            before = here;
            from = f;
        }
        double prior = Math.log(question.odds.getOrDefault(line.part(), USUAL_ODDS) * line.weight() / Math.max(1, shown.size()));
        for (int k = 0; k < shown.size(); k++) {
            samples.add(sample(List.of(line.part()), List.of(faults.get(k)), shown.get(k), prior));
        }
    }

    private static double between(double a, double b, double share) {
        return a > 0 && b > 0 ? a * Math.pow(b / a, share) : a + share * (b - a);
    }

    private static double[] mixed(double[] a, double[] b, double share) {
        double[] m = new double[a.length];
        for (int k = 0; k < m.length; k++) {
            m[k] = a[k] + share * (b[k] - a[k]);
        }
        return m;
    }

    // --- two faults at once ------------------------------------------------------------------------------------------------

    /** Two severities, and how likely they are if what each does adds up. */
    private record Pair(Sample one, Sample other, double log) {
    }

    private void pairs() {
        Map<Set<String>, Pair> best = new HashMap<>();
        Map<Set<String>, Double> sums = new HashMap<>();
        Sample none = samples.getFirst();
        List<Sample> singles = List.copyOf(samples.subList(1, samples.size()));
        for (int i = 0; i < singles.size(); i++) {
            for (int j = i + 1; j < singles.size(); j++) {
                Sample a = singles.get(i);
                Sample b = singles.get(j);
                if (!a.parts.equals(b.parts)) {
                    double squares = 0;
                    for (int k = 0; k < a.whitened.length; k++) {
                        double w = a.whitened[k] + b.whitened[k] - none.whitened[k];
                        squares += w * w;
                    }
                    double log = a.logPrior + b.logPrior + around.logDensityOf(squares);
                    Set<String> key = Set.of(a.parts.getFirst(), b.parts.getFirst());
                    sums.merge(key, log, Diagnosis::logSum);
                    best.merge(key, new Pair(a, b, log), (x, y) -> x.log >= y.log ? x : y);
                }
            }
        }
        best.entrySet().stream().sorted(Comparator.comparingDouble(e -> -e.getValue().log)).limit(MOST_PAIRS)
                .forEach(e -> worked(e.getValue(), sums.get(e.getKey()) - e.getValue().log, singles));
    }

    /**
     * A pair worked out at its likeliest severities and at those beside them.
     *
     * @param room by how much all severities of the pair are likelier than the likeliest alone
     */
    private void worked(Pair pair, double room, List<Sample> singles) {
        Set<List<Fault>> tried = new HashSet<>();
        Optional<Sample> best = Optional.empty();
        int one = singles.indexOf(pair.one);
        int other = singles.indexOf(pair.other);
        int step = FINER / 2;
        for (int round = 0; round < 2; round++, step = 1) {
            int fromOne = one;
            int fromOther = other;
            for (int[] move : new int[][]{{0, 0}, {step, 0}, {-step, 0}, {0, step}, {0, -step}}) {
                Optional<Sample> a = beside(singles, fromOne, move[0]);
                Optional<Sample> b = beside(singles, fromOther, move[1]);
                if (a.isEmpty() || b.isEmpty()) {
                    continue;
                }
                List<Fault> faults = List.of(a.get().faults.getFirst(), b.get().faults.getFirst());
                if (!tried.add(faults)) {
                    continue;
                }
                List<String> parts = List.of(a.get().parts.getFirst(), b.get().parts.getFirst());
                double prior = a.get().logPrior + b.get().logPrior + room;
                Optional<Sample> here = worked(faults.get(1).in(faults.get(0).in(question.supply)))
                        .map(shown -> sample(parts, faults, shown, prior));
                if (here.isPresent() && best.map(s -> here.get().log() > s.log()).orElse(true)) {
                    best = here;
                    one = fromOne + move[0];
                    other = fromOther + move[1];
                }
            }
        }
        best.ifPresent(samples::add);
    }

    /** The severity some steps beside another of the same line. */
    private static Optional<Sample> beside(List<Sample> singles, int at, int step) {
        int to = at + step;
        boolean there = to >= 0 && to < singles.size()
                && singles.get(to).faults.getFirst().knob().equals(singles.get(at).faults.getFirst().knob());
        return there ? Optional.of(singles.get(to)) : Optional.empty();
    }

    /** Two faults at once are not brought up where one, or none, explains the readings as well. */
    private void dropNeedless() {
        double one = Double.POSITIVE_INFINITY;
        double two = Double.POSITIVE_INFINITY;
        for (Sample s : samples) {
            double squares = Gaussian.squares(s.whitened);
            if (s.parts.size() > 1) {
                two = Math.min(two, squares);
            } else {
                one = Math.min(one, squares);
            }
        }
        if (one <= two + ALIKE) {
            samples.removeIf(s -> s.parts.size() > 1);
        }
    }

    // --- what follows from the samples ---------------------------------------------------------------------------------------

    private List<Explanation> explanations() {
        Map<List<String>, Double> logs = new HashMap<>();
        Map<List<String>, Sample> best = new HashMap<>();
        for (Sample s : samples) {
            logs.merge(s.parts, s.log(), Diagnosis::logSum);
            best.merge(s.parts, s, (a, b) -> a.log() >= b.log() ? a : b);
        }
        double whole = logs.values().stream().reduce(Double.NEGATIVE_INFINITY, Diagnosis::logSum);
        List<Explanation> all = new ArrayList<>();
        best.forEach((parts, s) -> all.add(new Explanation(parts, s.faults, Math.exp(logs.get(parts) - whole),
                Gaussian.squares(s.whitened), predicted(s.shown), false)));
        all.sort(Comparator.comparingDouble(Explanation::probability).reversed());
        Explanation first = all.getFirst();
        return all.stream().map(e -> e.marked(e.probability, e.misfit <= first.misfit + ALIKE
                && e.probability >= ALIKE_SHARE * first.probability)).toList();
    }

    static double logSum(double a, double b) {
        double most = Math.max(a, b);
        return most == Double.NEGATIVE_INFINITY ? most : most + Math.log1p(Math.exp(Math.min(a, b) - most));
    }

    private double[] difference(double[] shown) {
        double[] d = new double[question.data.size()];
        for (int k = 0; k < d.length; k++) {
            int at = probes.indexOf(question.data.get(k));
            d[k] = probes.at(at).scaled(question.data.get(k).volts) - shown[at] - shifts[k];
        }
        return d;
    }

    /** A reading at another line, or by a meter that loads its point, is shifted by what that does to the sound supply. */
    private void shifts() {
        for (int k = 0; k < shifts.length; k++) {
            Datum m = question.data.get(k);
            if (m.line == 1 && m.meterOhms.isEmpty()) {
                continue;
            }
            Supply there = new Knob(Knob.MAINS, Knob.Which.MAINS_VOLTS).times(question.supply, m.line);
            if (m.meterOhms.isPresent()) {
                there = there.with(new Section.Resist("meter", "meter", m.point, Section.CHASSIS, m.meterOhms.getAsDouble()));
            }
            int at = probes.indexOf(m);
            int reading = k;
            worked(there).ifPresent(shown -> shifts[reading] = shown[at] - sound[at]);
        }
    }

    private List<Double> predicted(double[] shown) {
        return question.data.stream()
                .map(m -> probes.at(probes.indexOf(m)).volts(shown[probes.indexOf(m)] + shifts[question.data.indexOf(m)]))
                .toList();
    }

    /** What tolerances and meters leave uncertain around what the sound supply shows. */
    private double[][] covariance(double[] shown) {
        int n = question.data.size();
        double[][] s = new double[n][n];
        for (int k = 0; k < n; k++) {
            Datum m = question.data.get(k);
            double noise = probes.at(probes.indexOf(m)).noise(m.volts, m.relative);
            s[k][k] = noise * noise;
        }
        double[] middle = difference(shown);
        question.spread.forEach((knob, sigma) -> worked(knob.times(question.supply, Math.exp(SLOPE_STEP * sigma)))
                .ifPresent(moved -> {
                    double[] d = difference(moved);
                    for (int r = 0; r < n; r++) {
                        for (int c = 0; c <= r; c++) {
                            s[r][c] += (d[r] - middle[r]) * (d[c] - middle[c]) / (SLOPE_STEP * SLOPE_STEP);
                        }
                    }
                }));
        return s;
    }

    /** The names of sections, by which elements are led back to their wholes. */
    static Set<String> sections(Supply supply) {
        Set<String> names = new HashSet<>();
        supply.sections().stream().map(Section::id).forEach(names::add);
        return names;
    }
}
