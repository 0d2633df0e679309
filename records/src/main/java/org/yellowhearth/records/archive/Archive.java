package org.yellowhearth.records.archive;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.records.words.Describe;
import org.yellowhearth.records.words.Words;

/**
 * Everything that is written in the jobs of a shop, to be found again by words and by values in any notation. Every word of a search must be
 * there, in the thing itself or on the plate of its set; words may be begun only. A figure with a unit means that value, give or take one
 * per cent; one without means it too as microfarads, picofarads, ohms or volts.
 *
 * <p>
 * Method: one line of folded text and a few values for each thing, gone through one after the other; 200,000 of them take some tens of
 * milliseconds, so that no index has to be kept in step.
 */
public final class Archive {
    private static final double ALIKE = 0.01;
    private static final double MICRO = 1e-6;
    private static final double PICO = 1e-12;

    /** A job with the verdicts on its parts. */
    public record Shelved(String id, Job job, List<Assessment> assessments) {
    }

    /** What sort of thing was found. */
    public enum Where {
        SET, PART, WRITTEN, NOTE
    }

    /**
     * Something that was found.
     *
     * @param part the part to open at, where it is about one
     * @param text what stands there
     */
    public record Hit(String job, String set, Where where, Optional<PartRef> part, String text) {
    }

    private record Thing(Hit hit, String own, String all, Map<Dimension, double[]> values) {
    }

    private final List<Thing> things;

    private Archive(List<Thing> things) {
        this.things = things;
    }

    /** The archive of these jobs. */
    public static Archive of(List<Shelved> jobs, Knowledge knowledge) {
        List<Thing> all = new ArrayList<>();
        jobs.forEach(j -> new Reader(j, knowledge).read(all));
        return new Archive(all);
    }

    /** How many things there are to be found. */
    public int size() {
        return things.size();
    }

    /** Reads one job. */
    private static final class Reader {
        private final Shelved of;
        private final Knowledge knowledge;
        private final Words words;
        private final Describe describe;
        private final String plate;

        Reader(Shelved of, Knowledge knowledge) {
            this.of = of;
            this.knowledge = knowledge;
            SetPlate p = of.job().plate();
            words = Words.of(p.dialect());
            describe = new Describe(words, of.job());
            plate = folded(p.name() + " " + words.word(p.kind()) + " " + words.word(p.technology()) + " " + Describe.year(p) + " "
                    + p.place());
        }

        void read(List<Thing> all) {
            SetPlate p = of.job().plate();
            add(all, Where.SET, Optional.empty(),
                    p.name() + "  " + words.word(p.kind()) + "  " + Describe.year(p) + "  " + p.place(),
                    p.complaint() + " " + p.endState(), Map.of());
            of.assessments().forEach(a -> part(all, a));
            for (Item item : of.job().items()) {
                add(all, Where.WRITTEN, item instanceof OfPart o ? Optional.of(o.part()) : Optional.empty(), describe.item(item),
                        "", Map.of());
            }
            for (Entry e : of.job().journal()) {
                if (e.act() instanceof Act.Did(Edit.NoteWritten(String text))) {
                    add(all, Where.NOTE, Optional.empty(), text, "", Map.of());
                }
            }
        }

        private void part(List<Thing> all, Assessment a) {
            Part part = a.part();
            String family = part instanceof Capacitor c ? words.word(knowledge.kind(c.kind()).family()) : "";
            Map<Dimension, double[]> values = new EnumMap<>(Dimension.class);
            if (part instanceof Capacitor c) {
                values.put(Dimension.CAPACITANCE, new double[]{c.farads()});
                values.put(Dimension.VOLTAGE,
                        java.util.stream.DoubleStream.concat(c.ratedVolts().stream(), c.workingVolts().stream()).toArray());
            } else if (part instanceof Resistor r) {
                values.put(Dimension.RESISTANCE, new double[]{r.ohms()});
            }
            add(all, Where.PART, Optional.of(part.ref()),
                    part.ref() + "  " + describe.part(part) + "  " + words.word(a.verdict()),
                    part.marking() + " " + family, values);
        }

        private void add(List<Thing> all, Where where, Optional<PartRef> part, String text, String besides,
                Map<Dimension, double[]> values) {
            String own = folded(text + " " + besides);
            all.add(new Thing(new Hit(of.id(), of.job().plate().name(), where, part, text), own, own + plate, values));
        }
    }

    /** Small letters, each word after a space. */
    private static String folded(String text) {
        return " " + text.toLowerCase(Locale.ROOT).replaceAll("[\\s,;:()·→“”\"]+", " ") + " ";
    }

    /**
     * What a search finds, parts first, then what is written, then sets; of each at most so many as there is room for.
     *
     * @param most how many are wanted
     */
    public List<Hit> find(String search, int most) {
        List<Wanted> wanted = wanted(search);
        if (wanted.isEmpty()) {
            return List.of();
        }
        // What is found by its set's plate alone is not the thing that was looked for.
        return things.stream().filter(t -> wanted.stream().allMatch(w -> w.in(t, t.all))
                && (t.hit.where() == Where.SET || wanted.stream().anyMatch(w -> w.in(t, t.own))))
                .map(Thing::hit).sorted(Comparator.comparing((Hit h) -> h.where() != Where.PART).thenComparing(Hit::where))
                .limit(most)
                .toList();
    }

    /** One word of a search: as text, and as a value where it is a figure. */
    private record Wanted(String text, Map<Dimension, List<Double>> values) {
        boolean in(Thing thing, String where) {
            return where.contains(" " + text) || values.entrySet().stream()
                    .anyMatch(e -> thing.values.containsKey(e.getKey()) && Arrays.stream(thing.values.get(e.getKey()))
                            .anyMatch(v -> e.getValue().stream().anyMatch(w -> Math.abs(v - w) <= ALIKE * Math.abs(w))));
        }
    }

    private static List<Wanted> wanted(String search) {
        List<Token> line = Token.of(search.strip());
        List<Wanted> all = new ArrayList<>();
        for (int at = 0; at < line.size();) {
            Optional<FigureText> figure = figure(line, at);
            String text = folded(figure.map(FigureText::text).orElse(line.get(at).text())).strip();
            all.add(new Wanted(text, figure.map(Archive::values).orElse(Map.of())));
            at += figure.map(FigureText::words).orElse(1);
        }
        return all.stream().filter(w -> !w.text.isEmpty()).collect(Collectors.toList());
    }

    private static Optional<FigureText> figure(List<Token> line, int at) {
        try {
            return FigureText.read(line, at);
        } catch (UnreadableException | AmbiguousException _) {
            // No figure, or one with two meanings: it is looked for as it is written.
            return Optional.empty();
        }
    }

    private static Map<Dimension, List<Double>> values(FigureText f) {
        Optional<UnitText> unit = f.unit().isEmpty() ? Optional.empty() : UnitText.find(f.unit());
        if (unit.isPresent()) {
            return Map.of(unit.get().dimension(), List.of(f.number() * unit.get().factor()));
        }
        return f.unit().isEmpty()
                ? Map.of(Dimension.CAPACITANCE, List.of(f.number() * MICRO, f.number() * PICO), Dimension.RESISTANCE,
                        List.of(f.number()),
                        Dimension.VOLTAGE, List.of(f.number()))
                : Map.of();
    }
}
