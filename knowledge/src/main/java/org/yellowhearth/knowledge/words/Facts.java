package org.yellowhearth.knowledge.words;

import java.lang.reflect.RecordComponent;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.AccuracyTest;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.AgendaMark;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.fact.HeadroomReading;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.fact.LoadTest;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.Paper;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyEvidence;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyState;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.knowledge.json.RecordJson;

/** Puts aspects and items into words. */
final class Facts {
  private final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);

  private final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  private final Words words;

  Facts(Words words) {
    this.words = words;
  }

  static Argument aspect(Aspect aspect) {
    return Message.term("Aspect." + RecordJson.tag(aspect.getClass()));
  }

  static Argument item(Item item) {
    return Message.term("Item." + RecordJson.tag(item.getClass()));
  }

  /** What differs between two aspects of one type: {@code cord not looked at → sound}. */
  String difference(Aspect before, Aspect after) {
    String tag = RecordJson.tag(after.getClass());
    List<String> changes = new ArrayList<>();
    for (RecordComponent c : after.getClass().getRecordComponents()) {
      String was = text(get(c, before));
      String is = text(get(c, after));
      if (!was.equals(is)) {
        changes.add(words.term("Field." + tag + "." + c.getName()) + " " + was + " → " + is);
      }
    }
    return String.join("; ", changes);
  }

  private static Object get(RecordComponent component, Object value) {
    try {
      return component.getAccessor().invoke(value);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("a public record can be read: " + component, e);
    }
  }

  private String text(Object value) {
    return switch (value) {
      case Boolean b -> b ? words.term("Fact.yes") : words.term("Fact.no");
      case Double d -> number(d);
      case OptionalDouble d -> d.isPresent() ? number(d.getAsDouble()) : "—";
      case OptionalInt i -> i.isPresent() ? Integer.toString(i.getAsInt()) : "—";
      case Optional<?> o -> o.map(this::text).orElse("—");
      case Coded c -> words.word(c);
      case Collection<?> all ->
          all.isEmpty() ? "—" : all.stream().map(this::text).collect(Collectors.joining(", "));
      case ThreePoint e -> number(e.low()) + " / " + number(e.likely()) + " / " + number(e.high());
      case Build.PictureTube t -> Quantity.volts(t.anodeVolts()).toString();
      case Build.MemoryBattery b ->
          Quantity.volts(b.volts())
              + (b.holds().isEmpty() ? "" : ", " + words.term("Fact.holds") + " " + b.holds());
      case Build.LowVoltageInput i -> Quantity.volts(i.volts()) + ", " + words.word(i.pole());
      case ShopExperience.Seen s ->
          words.capacitorKind(s.kind())
              + " "
              + s.bad()
              + " "
              + words.term("Fact.of")
              + " "
              + s.measured()
              + " "
              + words.term("Fact.bad");
      default -> value.toString().isEmpty() ? "—" : value.toString();
    };
  }

  private static String number(double value) {
    return Quantity.ratio(value).toString();
  }

  /** An item in one line. */
  String line(Item item) {
    return joined(
        switch (item) {
          case Paper p -> List.of(p.title(), p.revision());
          case Observation o -> List.of(words.word(o.sign()), o.place(), o.text());
          case Photograph p ->
              List.of(p.caption().isEmpty() ? p.original() : p.caption(), words.word(p.side()));
          case Pin p -> List.of(p.label());
          case TakeApartStep s ->
              List.of(
                  s.number() + ".",
                  s.count() + " × " + s.what(),
                  words.word(s.fixing()),
                  s.orientation(),
                  s.kept().isEmpty() ? "" : "→ " + s.kept(),
                  s.refitted() ? words.term("Fact.back-in-place") : "");
          case Wish w -> List.of(words.word(w.kind()), w.text(), words.word(w.wanted()));
          case EstimateLine e ->
              List.of(words.word(e.phase()), e.text(), text(e.hours()) + " h", text(e.money()));
          case Consent c ->
              List.of(
                  words.word(c.phase()),
                  words.term("Fact.up-to") + " " + number(c.amount()),
                  c.how());
          case DryingHold d ->
              List.of(
                  d.text(),
                  words.term("Fact.dry")
                      + " "
                      + MOMENT.format(d.until().atZone(ZoneId.systemDefault())));
          case Rail r ->
              List.of(r.name(), Quantity.volts(r.volts()).toString(), capacitors(r), bleeder(r));
          case CheckResult c ->
              List.of(
                  c.check(),
                  words.word(c.outcome()),
                  c.measured().isPresent() ? number(c.measured().getAsDouble()) : "",
                  c.note());
          case Jumper j ->
              List.of(j.place(), j.removed() ? words.term("Fact.removed") : words.term("Fact.on"));
          case LimitChange l ->
              List.of(
                  words.capacitorKind(l.kind()),
                  words.term("Profile." + l.profile()),
                  words.word(l.which()),
                  number(l.value()));
          case VisualInspection l -> List.of(l.part() + " " + words.word(l.sign()), l.note());
          case StatedValue s -> List.of(s.part() + " " + words.word(s.origin()) + ": " + s.said());
          case Overrule o -> List.of(o.part() + " " + words.word(o.verdict()), o.reason());
          case Parallel p -> List.of(p.part() + " ∥ " + p.with());
          case Place p -> place(p);
          case Body b -> body(b);
          case GridCircuit g ->
              List.of(
                  g.part() + " " + Quantity.volts(g.sourceVolts()),
                  words.term("Fact.grid-leak") + " " + Quantity.ohms(g.gridLeakOhms()),
                  words.term("Fact.grid-at") + " " + Quantity.volts(g.gridVolts()),
                  words.term("Fact.gm") + " " + Quantity.of(g.transconductance(), Unit.MHO),
                  Quantity.amperes(g.anodeAmperes()).toString());
          case Replaceable r ->
              List.of(
                  r.part().toString(),
                  r.rare() ? words.term("Fact.cannot-be-had-again") : "",
                  r.price().isPresent()
                      ? words.term("Fact.a-new-one-costs") + " " + number(r.price().getAsDouble())
                      : "");
          case ReformPlan r ->
              List.of(
                  r.part() + " " + words.word(r.school()),
                  words.term("Fact.to") + " " + Quantity.volts(r.targetVolts()),
                  words.term("Fact.at-most") + " " + Quantity.amperes(r.limitAmperes()),
                  r.steps().size() == 1
                      ? words.term("Fact.one-step")
                      : r.steps().size() + " " + words.term("Fact.steps"));
          case Choice c ->
              List.of(
                  c.part() + ": " + c.text(t -> t.title()),
                  words.word(c.way()),
                  shown(words.term("Fact.balanced-with"), c.balanceOhms(), Unit.OHM),
                  c.standing() ? words.term("Fact.under-voltage-while-off") : "",
                  c.reason());
          case Fitting f -> fitting(f);
          case CanWork c ->
              List.of(
                  c.can().toString(),
                  words.word(c.way()),
                  shown(words.term("Fact.bore"), c.boreMetres(), Unit.METRE),
                  shown(words.term("Fact.height"), c.heightMetres(), Unit.METRE),
                  c.insulation(),
                  c.mark());
          case BenchTask t ->
              List.of(
                  words.word(t.doing()),
                  t.where(),
                  t.what(),
                  t.done() ? words.term("Fact.done") : "");
          case RectifierSwap r ->
              List.of(
                  r.rectifier(),
                  r.swapped() ? words.term("Fact.silicon") : words.term("Fact.stays"),
                  shown(words.term("Fact.behind"), r.seriesOhms(), Unit.OHM),
                  r.filament());
          case PowerUpPlan r ->
              List.of(
                  words.word(r.kind()),
                  String.join(" + ", r.fed()),
                  r.valves() || r.kind() == PowerUpPlan.PowerUpKind.POLARITY
                      ? ""
                      : words.term("PowerUp.valves-out"),
                  shown(words.term("Fact.series-lamp"), r.lampWatts(), Unit.WATT),
                  r.steps().stream()
                      .map(s -> Quantity.volts(s.mainsVolts()).toString())
                      .collect(Collectors.joining(" → ")),
                  r.clips().stream().map(this::clip).collect(Collectors.joining(", ")));
          case FunctionCheck f -> List.of(f.group(), f.what(), words.word(f.outcome()), f.note());
          case LoadTest l ->
              List.of(
                  l.point(),
                  l.loads().stream()
                      .map(x ->
                          Quantity.volts(x.volts())
                              + " "
                              + words.term("Fact.at")
                              + " "
                              + Quantity.amperes(x.amperes()))
                      .collect(Collectors.joining(", ")));
          case AccuracyTest a ->
              List.of(
                  a.range(),
                  "±"
                      + Quantity.percent(a.ofReading())
                      + " ±"
                      + Quantity.percent(a.ofFullScale())
                      + " "
                      + words.term("Fact.of-full-scale"),
                  a.reference(),
                  a.points().size() + " " + words.term("Fact.points"));
          case BurnIn b ->
              List.of(
                  number(b.hours()) + " h",
                  b.channels().stream()
                      .map(BurnIn.BurnChannel::name)
                      .collect(Collectors.joining(", ")),
                  words.word(b.end()),
                  b.reason());
          case BurnReading b ->
              List.of(
                  b.shown().stream()
                      .map(x -> x.channel() + " " + number(x.value()))
                      .collect(Collectors.joining(", ")),
                  b.note());
          case CalibrationHold c ->
              List.of(
                  c.what(),
                  c.hours().isPresent() ? number(c.hours().getAsDouble()) + " h" : "",
                  c.settled() ? words.term("Fact.done") : "");
          case OwnTask t ->
              List.of(
                  words.word(t.kind()),
                  t.what(),
                  t.at().map(at -> t.wholeDay() ? DAY.format(at) : MOMENT.format(at)).orElse(""),
                  t.done() ? words.term("Fact.done") : "");
          case AgendaMark m ->
              List.of(
                  m.until()
                      .map(u ->
                          words.term("Fact.not-before")
                              + " "
                              + MOMENT.format(u.atZone(ZoneId.systemDefault())))
                      .orElse(""),
                  m.done() ? words.term("Fact.done") : "");
          case Adjustment a ->
              List.of(
                  words.word(a.kind()),
                  a.point(),
                  number(a.target()) + " ± " + number(a.tolerance()) + " " + a.unit(),
                  a.turns().isEmpty()
                      ? ""
                      : words.term("Fact.now")
                          + " "
                          + number(a.turns().getLast().after())
                          + " "
                          + a.unit());
          case HeadroomReading h ->
              List.of(
                  h.regulator(),
                  Quantity.volts(h.inputVolts()) + " " + words.term("Fact.in"),
                  Quantity.volts(h.ripple()) + " " + words.term("Fact.ripple"),
                  Quantity.volts(h.outputVolts()) + " " + words.term("Fact.out"));
          case ProofFigure f ->
              List.of(
                  words.word(f.measurand()),
                  f.how(),
                  text(f.before()) + " → " + text(f.after()) + " " + f.unit());
          case FaultTrail f ->
              List.of(
                  f.symptom() + " ← " + f.suspicion(),
                  f.part().map(PartRef::toString).orElse(""),
                  f.outcome() == FaultTrail.Outcome.UNDECIDED ? "" : words.word(f.outcome()),
                  f.seen(),
                  f.swappedBack() ? words.term("Trail.swapped-back") : "",
                  f.undoes().isEmpty() ? "" : words.term("Trail.came-back"));
          case SupplySection s -> supply(s);
          case SupplyEvidence e -> evidence(e);
        });
  }

  String clip(PowerUpPlan.Clip clip) {
    if (clip.equals(PowerUpPlan.Clip.BEHIND_LAMP)) {
      return words.term("Clip.behind-lamp");
    }
    if (clip.equals(PowerUpPlan.Clip.HEATERS)) {
      return words.term("Clip.heaters");
    }
    return clip.shows() == PowerUpPlan.Shows.WATTS
        ? words.word(clip.shows())
        : clip.point() + " " + words.word(clip.shows());
  }

  private List<String> fitting(Fitting f) {
    return List.of(
        f.part().toString(),
        f.removed() ? words.term("Fact.old-one-out") : "",
        f.fitted() ? words.term("Fact.new-one-in") : "",
        f.checked() ? words.term("Fact.checked") : "",
        f.sign() == Fitting.MeterSign.UNSTATED ? "" : words.word(f.sign()),
        f.debt() == Fitting.Debt.UNSTATED ? "" : words.word(f.debt()),
        f.debtReason(),
        f.condition(),
        f.keptAt().isEmpty() ? "" : "→ " + f.keptAt(),
        f.reversal(),
        f.movedOver().stream().map(words::word).collect(Collectors.joining(", ")));
  }

  private List<String> supply(SupplySection section) {
    return switch (section) {
      case SupplyMains m ->
          List.of(
              Quantity.volts(m.nominalVolts()).toString(),
              Quantity.hertz(m.hertz()).toString(),
              shown(words.term("Fact.there"), m.volts(), Unit.VOLT),
              shown(words.term("Fact.primary"), m.primaryOhms(), Unit.OHM),
              shown(words.term("Fact.heaters-and-iron"), m.otherWatts(), Unit.WATT),
              shown(words.term("Fact.series-lamp"), m.lampWatts(), Unit.WATT));
      case SupplyWinding w ->
          List.of(
              w.name(),
              w.part().map(PartRef::toString).orElse(""),
              (w.tapped() ? "2 × " : "") + Quantity.volts(w.volts()),
              shown("", w.ohms(), Unit.OHM));
      case SupplyRectifier r ->
          List.of(
              r.name(),
              r.part().map(PartRef::toString).orElse(""),
              words.word(r.scheme()),
              r.winding() + " → " + r.to(),
              r.negative() ? words.term("Fact.negative") : "");
      case SupplyFilter f ->
          List.of(
              f.from().equals(f.to()) ? f.to() : f.from() + " → " + f.to(),
              f.through().map(PartRef::toString).orElse(shown("", f.ohms(), Unit.OHM)),
              f.shunt().map(PartRef::toString).orElse(shown("", f.farads(), Unit.FARAD)));
      case SupplyLoad l ->
          List.of(
              l.name(),
              words.term("Fact.at") + " " + l.at(),
              Quantity.of(
                      l.value(),
                      switch (l.kind()) {
                        case RESISTANCE -> Unit.OHM;
                        case CURRENT -> Unit.AMPERE;
                        case POWER -> Unit.WATT;
                      })
                  .toString());
      case SupplyStage v ->
          List.of(
              v.name(),
              v.part().map(PartRef::toString).orElse(""),
              words.term("Fact.at") + " " + v.at(),
              Quantity.amperes(v.amperes()).toString());
      case SupplyRegulator r ->
          List.of(
              r.name(),
              words.word(r.kind()),
              r.from() + " → " + r.to(),
              Quantity.volts(r.volts()).toString());
      case SupplyConverter c ->
          List.of(
              c.name(),
              c.part().map(PartRef::toString).orElse(""),
              words.word(c.shape()),
              words.term("Fact.at") + " " + c.from());
      case SupplyOutput o ->
          List.of(
              o.converter() + " → " + o.name(),
              Quantity.volts(o.volts()).toString(),
              Quantity.amperes(o.amperes()).toString(),
              o.capacitor().map(PartRef::toString).orElse(shown("", o.farads(), Unit.FARAD)));
    };
  }

  private List<String> evidence(SupplyEvidence evidence) {
    return switch (evidence) {
      case SupplyReading r ->
          List.of(
              r.point(),
              words.word(r.kind())
                  + " "
                  + Quantity.of(
                      r.volts(), r.kind() == SupplyReading.Kind.WATTS ? Unit.WATT : Unit.VOLT),
              shown(words.term("Fact.line"), r.lineVolts(), Unit.VOLT),
              said(r.state()),
              r.settings(),
              r.after().isEmpty() ? "" : words.term("Fact.after") + " " + r.after(),
              r.bridged().stream().map(this::clipped).collect(Collectors.joining(", ")),
              shown(words.term("Fact.twin"), r.twinVolts(), Unit.VOLT));
      case SupplyTarget t ->
          List.of(
              t.point(),
              Quantity.volts(t.volts()).toString(),
              t.tolerance().isPresent() ? "±" + Quantity.percent(t.tolerance().getAsDouble()) : "",
              shown(words.term("Fact.at-a-line-of"), t.lineVolts(), Unit.VOLT));
      case SupplyBridge b ->
          List.of(clipped(b.clipped()), shown(words.term("Fact.rated"), b.ratedVolts(), Unit.VOLT));
      case SupplySign s ->
          List.of(
              sign(s.sign()),
              s.place(),
              s.figure().isPresent() ? number(s.figure().getAsDouble()) : "",
              s.said());
      case SupplyState s ->
          List.of(words.word(s.state()), s.name(), Quantity.percent(s.share()).toString());
      case SupplyValue v ->
          List.of(
              v.element(),
              words.has("Which." + v.which()) ? words.term("Which." + v.which()) : v.which(),
              number(v.value()));
    };
  }

  /** A sign by its words; one that came in a file and is not known here by its id. */
  private String sign(String id) {
    return words.has("FaultSign." + id) ? words.term("FaultSign." + id) : id;
  }

  private String said(SupplyReading.State state) {
    return state == SupplyReading.State.UNSTATED ? "" : words.word(state);
  }

  private String clipped(SupplyBridge.Clipped c) {
    return Quantity.farads(c.farads()) + " " + words.term("Fact.across") + " " + c.across();
  }

  private String shown(String what, OptionalDouble value, Unit unit) {
    return value.isEmpty() ? "" : (what + " " + Quantity.of(value.getAsDouble(), unit)).strip();
  }

  private List<String> place(Place p) {
    List<String> all = new ArrayList<>(List.of(p.part().toString(), p.where()));
    distance(
        all,
        Place.Height.UNSTATED == p.side() ? words.term("Fact.near") : words.word(p.side()),
        words.term("Fact.valve"),
        p.valveMetres());
    distance(all, words.term("Fact.near"), words.term("Fact.transformer"), p.transformerMetres());
    distance(all, words.term("Fact.near"), words.term("Fact.resistor"), p.resistorMetres());
    if (!p.near().isEmpty()) {
      all.add(p.side() == Place.Height.UNSTATED ? "" : words.word(p.side()));
      p.near().forEach(h -> all.add(words.word(h)));
    }
    all.add(p.behind().isEmpty() ? "" : words.term("Fact.behind") + " " + p.behind());
    p.moveOver().stream().sorted().map(words::word).forEach(all::add);
    return all;
  }

  private List<String> body(Body b) {
    return List.of(
        b.part().toString(),
        b.celsius().isPresent()
            ? new Quantity(b.celsius().getAsDouble(), Unit.CELSIUS).toString()
            : "",
        b.leads() == Leads.UNSTATED ? "" : words.word(b.leads()),
        shown(words.term("Fact.pitch"), b.pitchMetres(), Unit.METRE),
        shown(words.term("Fact.diameter"), b.diameterMetres(), Unit.METRE),
        shown(words.term("Fact.length"), b.lengthMetres(), Unit.METRE),
        b.terminals());
  }

  private void distance(List<String> all, String how, String what, OptionalDouble metres) {
    metres.ifPresent(m -> all.add(how + " " + what + " " + Quantity.of(m, Unit.METRE)));
  }

  private String joined(List<String> pieces) {
    return pieces.stream().filter(p -> !p.isBlank()).collect(Collectors.joining(", "));
  }

  private String capacitors(Rail r) {
    List<String> all = new ArrayList<>(r.parts().stream().map(PartRef::toString).toList());
    r.otherFarads().ifPresent(f -> all.add(Quantity.farads(f).toString()));
    return String.join(" + ", all);
  }

  private String bleeder(Rail r) {
    return words.word(r.bleeder())
        + (r.bleederOhms().isPresent() ? " " + Quantity.ohms(r.bleederOhms().getAsDouble()) : "");
  }
}
