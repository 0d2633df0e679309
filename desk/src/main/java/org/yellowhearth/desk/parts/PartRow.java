package org.yellowhearth.desk.parts;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.desk.model.OpenJob;

/** One line of a parts table: the part, its verdict, and the newest figure of each sort in words. */
public record PartRow(Assessment assessment, String capacitance, String esr, String dissipation, String leakage) {
    private static final String NONE = "—";

    /** The rows of a job in the order of the census. */
    public static List<PartRow> of(OpenJob open, Knowledge knowledge) {
        return open.assessments().stream().map(
                a -> of(a, open.job().readingsOf(a.part().ref()).reversed(),
                        a.part() instanceof Capacitor c && knowledge.kind(c.kind()).lossyByNature()))
                .toList();
    }

    private static PartRow of(Assessment a, List<Reading> newestFirst, boolean lossy) {
        Optional<Derived> derived = newestFirst.stream().map(r -> Derived.of(r.figures(), r.conditions()))
                .filter(d -> d.esrOhms().isPresent() || d.dissipation().isPresent()).findFirst();
        String leakage = newest(newestFirst, Figure.LEAKAGE).or(() -> newest(newestFirst, Figure.INSULATION)).orElse(NONE);
        return new PartRow(a, newest(newestFirst, Figure.CAPACITANCE).orElse(NONE),
                newest(newestFirst, Figure.ESR).or(() -> derived.filter(_ -> lossy).flatMap(d -> words(d.esrOhms(), Figure.ESR)))
                        .orElse(NONE),
                derived.flatMap(d -> words(d.dissipation(), Figure.DISSIPATION)).orElse(NONE),
                leakage);
    }

    private static Optional<String> words(OptionalDouble value, Figure figure) {
        return value.stream().mapToObj(v -> figure.quantity(v).toString()).findFirst();
    }

    private static Optional<String> newest(List<Reading> newestFirst, Figure figure) {
        return newestFirst.stream().filter(r -> r.figures().has(figure)).findFirst()
                .flatMap(r -> words(r.figures().get(figure), figure));
    }

    /** The part. */
    public Part part() {
        return assessment.part();
    }
}
