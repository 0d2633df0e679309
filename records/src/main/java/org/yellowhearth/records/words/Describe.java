package org.yellowhearth.records.words;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.renew.Replacement;

/** Puts parts, readings, replacements and entries of the journal into words, the same on screen, on paper and in files. */
public final class Describe {
    private final Words words;
    private final Facts facts;
    private final UnaryOperator<String> railNames;

    public Describe(Words words) {
        this(words, id -> id);
    }

    /** One that knows the rails of a job by their names, those that are gone too. */
    public Describe(Words words, Job job) {
        this(words, names(job)::get);
    }

    private Describe(Words words, UnaryOperator<String> railNames) {
        this.words = words;
        this.facts = new Facts(words);
        this.railNames = railNames;
    }

    private static Map<String, String> names(Job job) {
        Map<String, String> names = new HashMap<>(Map.of(Edit.PICTURE_TUBE, "Picture tube"));
        for (Entry entry : job.journal()) {
            if (entry.act() instanceof Act.Did(Edit.ItemChanged change) && change.item() instanceof Rail rail) {
                names.put(rail.id(), rail.name());
            }
        }
        return names;
    }

    /** An item in one line. */
    public String item(Item item) {
        return facts.line(item);
    }

    /** The value and rating of a part: {@code 8 µF 450 V}. */
    public String value(Capacitor part) {
        StringBuilder text = new StringBuilder(Quantity.farads(part.farads()).toString());
        part.ratedVolts().ifPresent(v -> text.append(' ').append(rating(v, part.ratedForMains())));
        part.tolerance().ifPresent(t -> text.append(' ').append(t));
        return text.toString();
    }

    private static String rating(double volts, boolean mains) {
        return Quantity.volts(volts) + (mains ? " AC" : "");
    }

    /** All that is known of a part in one line. */
    public String part(Capacitor part) {
        List<String> pieces = new ArrayList<>(List.of(value(part), words.capacitorKind(part.kind())));
        if (part.role() != Role.UNSTATED) {
            pieces.add(words.word(part.role()));
        }
        if (part.polarity() != Polarity.UNSTATED) {
            pieces.add(words.word(part.polarity()));
        }
        part.workingVolts().ifPresent(v -> pieces.add("sees " + Quantity.volts(v)));
        if (!part.dateCode().isEmpty()) {
            pieces.add("dated " + part.dateCode());
        }
        if (!part.remark().isEmpty()) {
            pieces.add("“" + part.remark() + "”");
        }
        return String.join(", ", pieces);
    }

    /** Figures and conditions as they were understood: {@code 9.1 µF, ESR 400 Ω, D 2.4 at 100 Hz, out of circuit}. */
    public String reading(Figures figures, Conditions conditions) {
        List<String> pieces = new ArrayList<>();
        figures.values().forEach((figure, value) -> pieces.add(figure(figure, value)));
        List<String> at = new ArrayList<>();
        conditions.frequencyHertz().ifPresent(f -> at.add(Quantity.hertz(f).toString()));
        conditions.testVolts().ifPresent(v -> at.add(Quantity.volts(v).toString()));
        conditions.celsius().ifPresent(t -> at.add(new Quantity(t, Unit.CELSIUS).toString()));
        String text = String.join(", ", pieces) + (at.isEmpty() ? "" : " at " + String.join(", ", at));
        String after = conditions.minutesAtVoltage().stream().mapToObj(m -> " after " + new Quantity(m, Unit.MINUTE)).findFirst()
                .orElse("");
        String mode = conditions.mode() == Mode.UNSTATED ? "" : ", " + words.word(conditions.mode());
        return text + after + mode + ", " + words.word(conditions.connection());
    }

    private String figure(Figure figure, double value) {
        String quantity = figure.quantity(value).toString();
        return figure == Figure.CAPACITANCE ? quantity : words.word(figure) + " " + quantity;
    }

    /** A proposed part: {@code 10 µF 450 V electrolytic}; empty where none serves. */
    public Optional<String> replacement(Replacement replacement) {
        return replacement.part().map(p -> Quantity.farads(p.farads()) + " " + rating(p.ratedVolts(), p.ratedForMains()) + " "
                + words.capacitorKind(p.kind()));
    }

    /** The mains of a plate, or a dash while nobody has said. */
    public String mains(SetPlate plate) {
        return plate.mains().map(m -> Quantity.volts(m.volts()) + " " + (m.hertz() == 0 ? "DC" : Quantity.hertz(m.hertz())))
                .orElse("—");
    }

    /** One entry of the journal as a sentence. */
    public String entry(Job job, Entry entry) {
        return switch (entry.act()) {
            case Act.Did did -> edit(did.edit());
            case Act.Undid undo -> words.say(Message.of(StoryWords.UNDID, edit(job.edit(undo.entry()))));
            case Act.Redid redo -> words.say(Message.of(StoryWords.REDID, edit(job.edit(redo.entry()))));
        };
    }

    /** An edit as a sentence. */
    public String edit(Edit edit) {
        return words.say(switch (edit) {
            case Edit.Arrived e -> Message.of(StoryWords.ARRIVED, e.plate().name());
            case Edit.PlateChanged e -> Message.of(StoryWords.PLATE_CHANGED, plateDifference(e.before(), e.after()));
            case Edit.PolicyChanged e -> Message.of(StoryWords.POLICY_CHANGED, policyDifference(e.before(), e.after()));
            case Edit.PartAdded e -> Message.of(StoryWords.PART_ADDED, e.part().ref().toString(), part(e.part()));
            case Edit.PartChanged e ->
                Message.of(StoryWords.PART_CHANGED, e.after().ref().toString(), part(e.after()), part(e.before()));
            case Edit.PartRemoved e -> Message.of(StoryWords.PART_REMOVED, e.part().ref().toString(), part(e.part()));
            case Edit.ReadingKept e -> Message.of(StoryWords.READING_KEPT, e.reading().part().toString(),
                    reading(e.reading().figures(), e.reading().conditions()));
            case Edit.ReadingWithdrawn e -> Message.of(StoryWords.READING_WITHDRAWN, e.reading().part().toString(),
                    reading(e.reading().figures(), e.reading().conditions()));
            case Edit.NoteWritten e -> Message.of(StoryWords.NOTE, e.text());
            case Edit.AspectChanged e -> Message.of(StoryWords.ASPECT_CHANGED, Facts.aspect(e.after()),
                    facts.difference(e.before(), e.after()));
            case Edit.ItemChanged e -> item(e);
            case Edit.PowerSwitched e -> Message.of(e.power() == Edit.Power.LIT ? StoryWords.LIT : StoryWords.OFF);
            case Edit.VoltsMeasured e ->
                Message.of(e.asFound() ? StoryWords.VOLTS_FOUND : StoryWords.VOLTS, store(e.rail()), Quantity.volts(e.volts()));
            case Edit.ClipPut e -> Message.of(StoryWords.CLIP, store(e.rail()), Quantity.ohms(e.ohms()));
            case Edit.ClipTaken e -> Message.of(StoryWords.UNCLIP, store(e.rail()));
            case Edit.Answered e -> e.volts().isEmpty()
                    ? Message.of(StoryWords.ANSWERED, e.question().term(), e.answer())
                    : Message.of(StoryWords.ANSWERED_VOLTS, e.question().term(), e.answer(),
                            Quantity.volts(e.volts().getAsDouble()));
        });
    }

    private Message item(Edit.ItemChanged e) {
        Argument what = Facts.item(e.item());
        if (e.before().isEmpty()) {
            return Message.of(StoryWords.ITEM_ADDED, what, facts.line(e.item()));
        }
        return e.after().isEmpty()
                ? Message.of(StoryWords.ITEM_REMOVED, what, facts.line(e.item()))
                : Message.of(StoryWords.ITEM_CHANGED, what, facts.line(e.after().get()), facts.line(e.before().get()));
    }

    private String store(String id) {
        return railNames.apply(id);
    }

    private String plateDifference(SetPlate before, SetPlate after) {
        List<String> changes = new ArrayList<>();
        difference(changes, "name", before.name(), after.name());
        difference(changes, "kind", words.word(before.kind()), words.word(after.kind()));
        difference(changes, "built of", words.word(before.technology()), words.word(after.technology()));
        difference(changes, "place", before.place(), after.place());
        difference(changes, "made", year(before), year(after));
        difference(changes, "mains", mains(before), mains(after));
        difference(changes, "chassis", words.word(before.chassis()), words.word(after.chassis()));
        difference(changes, "purpose", words.word(before.purpose()), words.word(after.purpose()));
        difference(changes, "workshop words", words.word(before.dialect()), words.word(after.dialect()));
        difference(changes, "complaint", before.complaint(), after.complaint());
        difference(changes, "end state", before.endState(), after.endState());
        return String.join("; ", changes);
    }

    /** The year on a plate, or a dash. */
    public static String year(SetPlate plate) {
        return plate.made().isPresent() ? Integer.toString(plate.made().getAsInt()) : "—";
    }

    private String policyDifference(Policy before, Policy after) {
        List<String> changes = new ArrayList<>();
        List<Coded> was = schools(before);
        List<Coded> is = schools(after);
        for (int i = 0; i < was.size(); i++) {
            difference(changes, "", words.word(was.get(i)), words.word(is.get(i)));
        }
        return String.join("; ", changes);
    }

    /** The schools of a policy, in the order they are shown. */
    public static List<Coded> schools(Policy p) {
        return List.of(p.renew(), p.voltage(), p.capacitance(), p.electrolytics(), p.appearance(), p.tantalum(), p.rectifiers(),
                p.paper(), p.limits());
    }

    private static void difference(List<String> changes, String what, String before, String after) {
        if (!before.equals(after)) {
            changes.add((what + " " + (before.isEmpty() ? "—" : before) + " → " + (after.isEmpty() ? "—" : after)).strip());
        }
    }
}
