package org.yellowhearth.knowledge.words;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Battery;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Connector;
import org.yellowhearth.core.part.Fuse;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Lamp;
import org.yellowhearth.core.part.Makes;
import org.yellowhearth.core.part.Movement;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Relay;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.part.Zener;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Bound;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Contact;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.replace.Replacement;

/**
 * Puts parts, readings, replacements and entries of the journal into words, the same on screen, on
 * paper and in files.
 */
public final class Describe {
  /** Of edits that stand together so many are told one by one. */
  private static final int TOLD = 12;

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
      if (entry.act() instanceof Act.Did(Edit.ItemChanged change)
          && change.item() instanceof Rail rail) {
        names.put(rail.id(), rail.name());
      }
    }
    return names;
  }

  /** An item in one line. */
  public String item(Item item) {
    return facts.line(item);
  }

  /** The value and rating of a part: {@code 8 µF 450 V}, {@code 4.7 kΩ 1 W ±10 %}. */
  public String value(Part part) {
    return switch (part) {
      case Capacitor c ->
          joined(
              Quantity.farads(c.farads()),
              c.ratedVolts().stream().mapToObj(v -> rating(v, c.ratedForMains())).findFirst(),
              c.tolerance());
      case Resistor r ->
          joined(Quantity.ohms(r.ohms()), shown(r.watts(), Unit.WATT), r.tolerance());
      case Potentiometer p ->
          joined(Quantity.ohms(p.ohms()), shown(p.watts(), Unit.WATT), p.tolerance());
      case Rectifier r ->
          joined(
              type(r),
              shown(r.inverseVolts(), Unit.VOLT),
              shown(r.amperes(), Unit.AMPERE),
              r.plates().isPresent()
                  ? Optional.of(r.plates().getAsInt() + " plates")
                  : Optional.empty());
      case Zener z -> joined(Quantity.volts(z.volts()), shown(z.watts(), Unit.WATT), z.tolerance());
      case Transistor t -> joined(type(t), gain(t));
      case IntegratedCircuit i -> joined(type(i), shown(i.volts(), Unit.VOLT));
      case Valve v ->
          joined(type(v), shown(v.heaterVolts(), Unit.VOLT), shown(v.heaterAmperes(), Unit.AMPERE));
      case Winding w -> joined(shown(w.ohms(), Unit.OHM), shown(w.henries(), Unit.HENRY));
      case Movement m ->
          joined(shown(m.fullScaleAmperes(), Unit.AMPERE), shown(m.ohms(), Unit.OHM));
      case Relay r -> joined(shown(r.coilVolts(), Unit.VOLT), shown(r.ohms(), Unit.OHM));
      case Fuse f -> joined(shown(f.amperes(), Unit.AMPERE));
      case Lamp l -> joined(shown(l.volts(), Unit.VOLT), shown(l.amperes(), Unit.AMPERE));
      case Connector c ->
          joined(
              c.contacts().isPresent()
                  ? Optional.of(c.contacts().getAsInt() + " contacts")
                  : Optional.empty());
      case Battery b -> joined(shown(b.volts(), Unit.VOLT));
    };
  }

  /** What is put together of pieces, of which some may be missing. */
  private static String joined(Object... pieces) {
    return Stream.of(pieces)
        .flatMap(p -> p instanceof Optional<?> o ? o.stream() : Stream.of(p))
        .map(Object::toString)
        .filter(t -> !t.isEmpty())
        .collect(Collectors.joining(" "));
  }

  private static Optional<Quantity> shown(OptionalDouble value, Unit unit) {
    return value.stream().mapToObj(v -> Quantity.of(v, unit)).findFirst();
  }

  /** Of a part that carries a type, what is printed on it. */
  private static String type(Part part) {
    return part.marking();
  }

  private static Optional<String> gain(Transistor t) {
    return t.leastGain().stream()
        .mapToObj(g ->
            "hFE "
                + Quantity.ratio(g)
                + (t.mostGain().isPresent()
                    ? "–" + Quantity.ratio(t.mostGain().getAsDouble())
                    : ""))
        .findFirst();
  }

  /** What a part is: the kind of a capacitor, how another part is made, or its sort. */
  public String kind(Part part) {
    if (part instanceof Capacitor c) {
      return words.capacitorKind(c.kind());
    }
    return Stream.concat(
            Stream.of(words.word(part.sort())), Makes.of(part).stream().map(words::word))
        .collect(Collectors.joining(", "));
  }

  private static String rating(double volts, boolean mains) {
    return Quantity.volts(volts) + (mains ? " AC" : "");
  }

  /** A ware in a few words: {@code 22 µF 450 V, electrolytic, axial}. */
  public String ware(Ware ware) {
    List<String> pieces = new ArrayList<>();
    switch (ware) {
      case CapacitorWare c -> {
        pieces.add(joined(Quantity.farads(c.farads()), rating(c.volts(), c.ratedForMains())));
        pieces.add(c.safety() == SafetyClass.UNSTATED ? "" : words.word(c.safety()));
        pieces.add(words.capacitorKind(c.kind()));
      }
      case ResistorWare r -> pieces.add(joined(Quantity.ohms(r.ohms()), Quantity.watts(r.watts())));
      case DeviceWare w -> {
        pieces.add(w.type());
        pieces.add(w.ratings());
      }
    }
    String leads = ware.leads() == Leads.UNSTATED ? "" : words.word(ware.leads());
    pieces.add(pieces.getLast().contains(leads) ? "" : leads);
    return String.join(", ", pieces.stream().filter(t -> !t.isEmpty()).toList());
  }

  /** What was chosen, every ware by its value and rating: {@code 220 µF 400 V — 220 µF 400 V}. */
  public static String choice(Choice choice) {
    return choice.text(t ->
        switch (t.ware()) {
          case CapacitorWare c ->
              joined(Quantity.farads(c.farads()), rating(c.volts(), c.ratedForMains()));
          case ResistorWare r -> joined(Quantity.ohms(r.ohms()), Quantity.watts(r.watts()));
          case DeviceWare w -> w.type();
        });
  }

  /** All that is known of a part in one line. */
  public String part(Part part) {
    List<String> pieces = new ArrayList<>(List.of(value(part), kind(part)));
    if (part instanceof Capacitor c) {
      if (c.role() != Role.UNSTATED) {
        pieces.add(words.word(c.role()));
      }
      if (c.polarity() != Polarity.UNSTATED) {
        pieces.add(words.word(c.polarity()));
      }
      if (c.canMark() != CanMark.UNSTATED) {
        pieces.add(words.word(c.canMark()));
      }
      c.workingVolts().ifPresent(v -> pieces.add("sees " + Quantity.volts(v)));
    }
    if (!part.dateCode().isEmpty()) {
      pieces.add("dated " + part.dateCode());
    }
    if (!part.remark().isEmpty()) {
      pieces.add("“" + part.remark() + "”");
    }
    return String.join(", ", pieces.stream().filter(t -> !t.isEmpty()).toList());
  }

  /**
   * Figures and conditions as they were understood: {@code 9.1 µF, ESR 400 Ω, D 2.4 at 100 Hz, out
   * of circuit}.
   */
  public String reading(Figures figures, Conditions conditions) {
    List<String> pieces = new ArrayList<>();
    figures
        .values()
        .forEach((figure, value) ->
            pieces.add(
                figure(figure, figure.quantity(value).toString())
                    + repeats(figures.repeats().getOrDefault(figure, List.of()))));
    figures.bounds().forEach((figure, bound) -> pieces.add(figure(figure, bound(figure, bound))));
    figures.qualifiers().forEach(q -> pieces.add(words.word(q)));
    return String.join(", ", pieces) + conditions(conditions, pieces.isEmpty());
  }

  /** Conditions alone: {@code at 100 kHz, in circuit}. */
  public String conditions(Conditions conditions) {
    return conditions(conditions, true);
  }

  private String conditions(Conditions conditions, boolean first) {
    List<String> at = new ArrayList<>();
    shown(conditions.frequencyHertz(), Unit.HERTZ).ifPresent(q -> at.add(q.toString()));
    shown(conditions.testVolts(), Unit.VOLT).ifPresent(q -> at.add(q.toString()));
    shown(conditions.testAmperes(), Unit.AMPERE).ifPresent(q -> at.add(q.toString()));
    shown(conditions.celsius(), Unit.CELSIUS).ifPresent(q -> at.add(q.toString()));
    String text = at.isEmpty() ? "" : (first ? "" : " ") + "at " + String.join(", ", at);
    String after =
        shown(conditions.minutesAtVoltage(), Unit.MINUTE).map(q -> " after " + q).orElse("");
    List<String> told = new ArrayList<>();
    if (conditions.mode() != Mode.UNSTATED) {
      told.add(words.word(conditions.mode()));
    }
    told.add(words.word(conditions.connection()));
    shown(conditions.secondsOn(), Unit.SECOND).ifPresent(q -> told.add(q + " since switched on"));
    shown(conditions.leadOhms(), Unit.OHM).ifPresent(q -> told.add("leads of " + q + " taken off"));
    conditions.uncertainty().ifPresent(u -> told.add("±" + Quantity.percent(u)));
    if (conditions.contact() != Contact.UNSTATED) {
      told.add(words.word(conditions.contact()));
    }
    if (!conditions.instrument().isEmpty()) {
      told.add("by " + conditions.instrument());
    }
    String sofar = text + after;
    return sofar + (first && sofar.isEmpty() ? "" : ", ") + String.join(", ", told);
  }

  private static String repeats(List<Double> all) {
    return all.isEmpty() ? "" : " (median of " + all.size() + ")";
  }

  private String bound(Figure figure, Bound bound) {
    return bound.range().isEmpty()
        ? words.word(bound.side())
        : (bound.side() == Bound.End.ABOVE ? "> " : "< ")
            + figure.quantity(bound.range().getAsDouble());
  }

  private String figure(Figure figure, String shown) {
    return figure == Figure.CAPACITANCE ? shown : words.word(figure) + " " + shown;
  }

  /** A proposed part: {@code 10 µF 450 V electrolytic}; empty where none serves. */
  public Optional<String> replacement(Replacement replacement) {
    return replacement
        .part()
        .map(p ->
            Quantity.farads(p.farads())
                + " "
                + rating(p.ratedVolts(), p.ratedForMains())
                + " "
                + words.capacitorKind(p.kind()));
  }

  /** The mains of a plate, or a dash while nobody has said. */
  public String mains(SetPlate plate) {
    return plate
        .mains()
        .map(m ->
            Quantity.volts(m.volts()) + " " + (m.hertz() == 0 ? "DC" : Quantity.hertz(m.hertz())))
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
    return words.say(
        switch (edit) {
          case Edit.Arrived e -> Message.of(StoryWords.ARRIVED, e.plate().name());
          case Edit.PlateChanged e ->
              Message.of(StoryWords.PLATE_CHANGED, plateDifference(e.before(), e.after()));
          case Edit.PolicyChanged e ->
              Message.of(StoryWords.POLICY_CHANGED, policyDifference(e.before(), e.after()));
          case Edit.PartAdded e ->
              Message.of(StoryWords.PART_ADDED, e.part().ref().toString(), part(e.part()));
          case Edit.PartChanged e ->
              Message.of(
                  StoryWords.PART_CHANGED,
                  e.after().ref().toString(),
                  part(e.after()),
                  part(e.before()));
          case Edit.PartRemoved e ->
              Message.of(StoryWords.PART_REMOVED, e.part().ref().toString(), part(e.part()));
          case Edit.ReadingKept e ->
              Message.of(
                  StoryWords.READING_KEPT,
                  e.reading().part().toString(),
                  reading(e.reading().figures(), e.reading().conditions()));
          case Edit.ReadingWithdrawn e ->
              Message.of(
                  StoryWords.READING_WITHDRAWN,
                  e.reading().part().toString(),
                  reading(e.reading().figures(), e.reading().conditions()));
          case Edit.NoteWritten e -> Message.of(StoryWords.NOTE, e.text());
          case Edit.AspectChanged e ->
              Message.of(
                  StoryWords.ASPECT_CHANGED,
                  Facts.aspect(e.after()),
                  facts.difference(e.before(), e.after()));
          case Edit.ItemChanged e -> item(e);
          case Edit.Together e ->
              Message.of(
                  StoryWords.TOGETHER,
                  Integer.toString(e.edits().size()),
                  e.edits().stream().map(this::edit).limit(TOLD).collect(Collectors.joining(" "))
                      + (e.edits().size() > TOLD ? " …" : ""));
          case Edit.PowerSwitched e ->
              Message.of(e.power() == Edit.Power.LIT ? StoryWords.LIT : StoryWords.OFF);
          case Edit.VoltsMeasured e ->
              Message.of(
                  e.asFound() ? StoryWords.VOLTS_FOUND : StoryWords.VOLTS,
                  store(e.rail()),
                  Quantity.volts(e.volts()));
          case Edit.ClipPut e ->
              Message.of(StoryWords.CLIP, store(e.rail()), Quantity.ohms(e.ohms()));
          case Edit.ClipTaken e -> Message.of(StoryWords.UNCLIP, store(e.rail()));
          case Edit.Answered e ->
              e.volts().isEmpty()
                  ? Message.of(StoryWords.ANSWERED, e.question().term(), e.answer())
                  : Message.of(
                      StoryWords.ANSWERED_VOLTS,
                      e.question().term(),
                      e.answer(),
                      Quantity.volts(e.volts().getAsDouble()));
          case Reforming e -> reforming(e);
          case PoweringUp e -> waking(e);
        });
  }

  private Message waking(PoweringUp event) {
    return switch (event) {
      case PoweringUp.PowerUpBegun _ -> Message.of(StoryWords.RAMP_BEGUN);
      case PoweringUp.PowerUpStepped e ->
          Message.of(StoryWords.RAMP_STEPPED, Integer.toString(e.step() + 1));
      case PoweringUp.PowerUpRead e ->
          Message.of(StoryWords.RAMP_READ, clip(e.clip()), shown(e.clip(), e.value()));
      case PoweringUp.PowerUpStopped e ->
          e.note().isEmpty()
              ? Message.of(StoryWords.RAMP_STOPPED, e.cause().term())
              : Message.of(StoryWords.RAMP_STOPPED_NOTE, e.cause().term(), e.note());
      case PoweringUp.PowerUpFinished _ -> Message.of(StoryWords.RAMP_FINISHED);
    };
  }

  /** Where a meter is clipped, and what it shows. */
  public String clip(PowerUpPlan.Clip clip) {
    return facts.clip(clip);
  }

  /** What a clipped meter shows, with its unit. */
  public static String shown(PowerUpPlan.Clip clip, double value) {
    if (clip.shows() == PowerUpPlan.Shows.WATTS || Math.abs(value) >= 1) {
      return Quantity.of(value, clip.shows() == PowerUpPlan.Shows.WATTS ? Unit.WATT : Unit.VOLT)
          .toString();
    }
    // A meter on volts shows no millivolts: what it cannot tell is no figure.
    return String.format(
            Locale.ROOT,
            clip.shows() == PowerUpPlan.Shows.DIRECT ? "%.2f V" : "%.3f V",
            value + 0.0)
        .replaceAll("^-(0\\.0+ V)$", "$1");
  }

  private static Message reforming(Reforming event) {
    String part = ReformPlan.partOf(event.plan());
    return switch (event) {
      case Reforming.ReformBegun e ->
          Message.of(StoryWords.REFORM_BEGUN, part, Integer.toString(e.step() + 1));
      case Reforming.ReformRead e ->
          e.celsius().isEmpty()
              ? Message.of(
                  StoryWords.REFORM_READ,
                  part,
                  Quantity.volts(e.volts()),
                  Quantity.amperes(e.amperes()))
              : Message.of(
                  StoryWords.REFORM_READ_WARM,
                  part,
                  Quantity.volts(e.volts()),
                  Quantity.amperes(e.amperes()),
                  Quantity.of(e.celsius().getAsDouble(), Unit.CELSIUS));
      case Reforming.ReformStepped e ->
          Message.of(StoryWords.REFORM_STEPPED, part, Integer.toString(e.step() + 1));
      case Reforming.ReformPaused e -> Message.of(StoryWords.REFORM_PAUSED, part, e.cause().term());
      case Reforming.ReformStopped e ->
          Message.of(StoryWords.REFORM_STOPPED, part, e.rule().term());
      case Reforming.ReformAborted e -> Message.of(StoryWords.REFORM_ABORTED, part, e.reason());
      case Reforming.ReformFinished _ -> Message.of(StoryWords.REFORM_FINISHED, part);
      case Reforming.ReformProving _ -> Message.of(StoryWords.REFORM_PROVING, part);
      case Reforming.ReformDischarging e ->
          Message.of(StoryWords.REFORM_DISCHARGING, part, Quantity.ohms(e.ohms()));
      case Reforming.ReformDischarged e ->
          Message.of(StoryWords.REFORM_DISCHARGED, part, Quantity.volts(e.volts()));
    };
  }

  private Message item(Edit.ItemChanged e) {
    Argument what = Facts.item(e.item());
    if (e.before().isEmpty()) {
      return Message.of(StoryWords.ITEM_ADDED, what, facts.line(e.item()));
    }
    return e.after().isEmpty()
        ? Message.of(StoryWords.ITEM_REMOVED, what, facts.line(e.item()))
        : Message.of(
            StoryWords.ITEM_CHANGED,
            what,
            facts.line(e.after().get()),
            facts.line(e.before().get()));
  }

  private String store(String id) {
    return railNames.apply(id);
  }

  private String plateDifference(SetPlate before, SetPlate after) {
    List<String> changes = new ArrayList<>();
    difference(changes, "name", before.name(), after.name());
    difference(changes, "kind", words.word(before.kind()), words.word(after.kind()));
    difference(
        changes, "built of", words.word(before.technology()), words.word(after.technology()));
    difference(changes, "place", before.place(), after.place());
    difference(changes, "made", year(before), year(after));
    difference(changes, "mains", mains(before), mains(after));
    difference(changes, "chassis", words.word(before.chassis()), words.word(after.chassis()));
    difference(changes, "purpose", words.word(before.purpose()), words.word(after.purpose()));
    difference(
        changes, "workshop words", words.word(before.dialect()), words.word(after.dialect()));
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
    return List.of(
        p.renew(),
        p.voltage(),
        p.capacitance(),
        p.electrolytics(),
        p.appearance(),
        p.tantalum(),
        p.rectifiers(),
        p.paper(),
        p.limits());
  }

  private static void difference(List<String> changes, String what, String before, String after) {
    if (!before.equals(after)) {
      changes.add(
          (what + " " + (before.isEmpty() ? "—" : before) + " → " + (after.isEmpty() ? "—" : after))
              .strip());
    }
  }
}
