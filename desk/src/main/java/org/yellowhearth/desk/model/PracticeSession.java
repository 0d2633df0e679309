package org.yellowhearth.desk.model;

import java.util.Comparator;
import java.util.Optional;
import java.util.Random;

import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Assessor;
import org.yellowhearth.core.fact.Look;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.FullPower;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PracticeRail;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.trace.SupplySurroundings;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.records.store.Shop;

/**
 * One exercise at the practice bench, without the window: a set with hidden faults in a shop of its own, worked at through the very stages of real work.
 * Only the meters are of the practice bench: they show what is truly there.
 */
public final class PracticeSession {
    private final DeskModel model;
    private final Exercise exercise;
    private final Assessor assessor;
    private final Random random;
    private final ReadOnlyObjectWrapper<Optional<Debrief>> debrief = new ReadOnlyObjectWrapper<>(Optional.empty());
    private int hints;
    private Optional<Message> end = Optional.empty();

    /** Puts the set of an exercise on the bench of a model over an empty shop. */
    public PracticeSession(DeskModel model, Shop shop, Exercise exercise) {
        this.model = model;
        this.exercise = exercise;
        this.assessor = new Assessor(model.knowledge(), SupplySurroundings.by(model.knowledge()));
        this.random = new Random(exercise.seed());
        model.openProperty().addListener(
                (_, _, now) -> now.map(OpenJob::job).filter(j -> j.power().filter(Edit.Power.LIT::equals).isPresent())
                        .ifPresent(this::powered));
        model.background().keep(() -> shop.add(exercise.job(model.now())), id -> model.openJob(id));
    }

    public DeskModel model() {
        return model;
    }

    public Exercise exercise() {
        return exercise;
    }

    /** What came of it; none while it goes on. */
    public ReadOnlyObjectProperty<Optional<Debrief>> debriefProperty() {
        return debrief.getReadOnlyProperty();
    }

    private boolean over() {
        return debrief.get().isPresent() || model.openProperty().get().isEmpty();
    }

    /** Measures the chosen part. Who puts a meter that wants no charge, and the fingers with it, on a charged rail learns why not. */
    public void measure(Measuring how) {
        Optional<Part> part = model.chosenProperty().get().flatMap(model.job()::part);
        if (over() || part.isEmpty()) {
            model.tell(Labels.of("practice.choose"), false);
            return;
        }
        PartRef ref = part.get().ref();
        boolean onRail = exercise.rail().parts().contains(ref);
        if (onRail && PracticeRail.volts(exercise, model.job(), model.now().toInstant()) > PracticeRail.HURTS) {
            end = Optional.of(Message.of(PracticeWords.TOUCHED, Quantity.volts(exercise.charged())));
            handIn();
            return;
        }
        Optional<Figures> shown = how.read(part.get(), exercise.truth(ref), random);
        if (shown.isEmpty()) {
            model.tell(Labels.of("practice.no-use", model.words().word(how), ref), false);
            return;
        }
        Reading reading = new Reading(model.newId(), ref, model.now().toInstant(), shown.get(), how.conditions(part.get()), "");
        model.inTurn(() -> model.act(new Edit.ReadingKept(reading), () -> {
            // It stands in the job now.
        }));
    }

    /** Looks at the chosen part closely; what there is to be seen is written down. */
    public void look() {
        Optional<Part> part = model.chosenProperty().get().flatMap(model.job()::part);
        if (over() || part.isEmpty()) {
            model.tell(Labels.of("practice.choose"), false);
            return;
        }
        PartRef ref = part.get().ref();
        Optional<Look.Sign> sign = exercise.truth(ref).ailment().shows();
        sign.ifPresent(s -> model.put(Look.of(ref, s, "")));
        model.tell(sign.map(s -> Labels.of("practice.seen", ref, model.words().word(s)))
                .orElse(Labels.of("practice.seen-nothing", ref)), false);
    }

    /** Puts the meter across the rail. */
    public void measureRail() {
        if (!over()) {
            double volts = PracticeRail.volts(exercise, model.job(), model.now().toInstant());
            model.happened(new Edit.VoltsMeasured(exercise.rail().id(), Math.round(volts * 10) / 10.0));
            model.tell(Labels.of("practice.rail", exercise.rail().name(), Math.round(volts * 10) / 10.0),
                    volts > PracticeRail.HURTS);
        }
    }

    /** Full mains on a set in which a fault was left wrecks it, and that is the end. */
    private void powered(Job job) {
        Optional<Message> wreck = FullPower.wrecks(exercise, job);
        if (wreck.isPresent()) {
            end = wreck;
            handIn();
        }
    }

    /** Says what to look at next; that costs. */
    public void hint() {
        if (over()) {
            return;
        }
        hints++;
        Optional<Assessment> next = model.openProperty().get().orElseThrow().assessments().stream()
                .filter(a -> a.verdict() == Verdict.RECHECK).max(Comparator.comparingDouble(a -> a.risk().score()));
        model.tell(next.map(a -> Labels.of("practice.hint", a.part().ref(), a.next().map(model.words()::say).orElse("")))
                .orElse(Labels.of("practice.hint-none")), false);
        next.ifPresent(a -> model.chosenProperty().set(Optional.of(a.part().ref())));
    }

    /** The end: what was found against what was there. */
    public void handIn() {
        if (!over()) {
            debrief.set(Optional.of(Debrief.of(exercise, model.job(), assessor, model.now().toLocalDate(), end, hints)));
        }
    }
}
