package org.yellowhearth.desk.partslist;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Witness;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Chips;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * All that can be written down of one part beside its marking: what is seen, where it sits, what
 * witnesses say, what a person decides.
 */
public final class AboutPage extends Page {
  private final Label title = text("", "stage-title");
  private final Chips<VisualInspection.Sign> seen;
  private final Form place;
  private final Chips<Place.Neighbour> near;
  private final Chips<Place.Attachment> moveOver;
  private final Form body;
  private final Form grid;
  private final VBox witnesses = column();
  private final VBox beside = column();
  private final ComboBox<String> pins;
  private OptionalDouble[] drafts = blank();

  /** A page about the part that is chosen. */
  public AboutPage(DeskModel model) {
    super(model);
    seen = new Chips<>(model, VisualInspection.Sign.class, this::keepSeen);
    place = new Form(model);
    place.text("about.where", "about-where", () -> place().where(), t -> keep(d -> d.where = t));
    millimetres("about.valve", "about-valve", Place::valveMetres, (d, m) -> d.valveMetres = m);
    millimetres(
        "about.transformer",
        "about-transformer",
        Place::transformerMetres,
        (d, m) -> d.transformerMetres = m);
    millimetres(
        "about.resistor", "about-resistor", Place::resistorMetres, (d, m) -> d.resistorMetres = m);
    near = new Chips<>(model, Place.Neighbour.class, set -> keep(d -> d.near = set));
    place.below(near);
    place.choice(
        "about.side",
        "about-side",
        List.of(Place.Height.values()),
        () -> place().side(),
        s -> keep(d -> d.side = s));
    place.text(
        "about.behind", "about-behind", () -> place().behind(), t -> keep(d -> d.behind = t));
    pins =
        place.pick(
            "about.pin",
            "about-pin",
            this::pinWords,
            () -> place().photographPin(),
            t -> keep(d -> d.photographPin = t));
    moveOver = new Chips<>(model, Place.Attachment.class, set -> keep(d -> d.moveOver = set));
    place.below(moveOver);
    body = bodyForm();
    grid = gridForm();
    add(
        title,
        columns(
            column(
                heading("about.seen"),
                seen,
                heading("about.place"),
                place,
                heading("about.body"),
                body),
            column(
                heading("about.witnesses"),
                text(Labels.of("about.witnesses.how"), "quiet"),
                witnesses,
                witnessLine(),
                heading("about.beside"),
                beside,
                besideLine(),
                heading("about.overrule"),
                overruleLine(),
                heading("about.grid"),
                text(Labels.of("about.grid.how"), "quiet"),
                grid)));
    model
        .chosenProperty()
        .addListener((_, _, _) -> model.openProperty().get().ifPresent(o -> show(o.job())));
  }

  private Optional<PartRef> part() {
    return model().chosenProperty().get().filter(ref -> job().part(ref).isPresent());
  }

  private <I extends OfPart> Optional<I> first(Class<I> type) {
    return model().openProperty().get().isEmpty()
        ? Optional.empty()
        : part().flatMap(ref -> job().of(ref, type).stream().findFirst());
  }

  // --- what is seen and where it sits
  // ------------------------------------------------------------------------------------

  private void keepSeen(Set<VisualInspection.Sign> signs) {
    part()
        .ifPresent(ref -> {
          for (VisualInspection.Sign sign : VisualInspection.Sign.values()) {
            Optional<VisualInspection> there =
                job().of(ref, VisualInspection.class).stream()
                    .filter(l -> l.sign() == sign)
                    .findFirst();
            if (signs.contains(sign) && there.isEmpty()) {
              model().put(VisualInspection.of(ref, sign, ""));
            } else if (!signs.contains(sign)) {
              there.ifPresent(model()::take);
            }
          }
        });
  }

  private String pinWords(String id) {
    return id.isEmpty()
        ? Labels.of("about.pin.none")
        : job()
            .item(id)
            .filter(Pin.class::isInstance)
            .map(Pin.class::cast)
            .map(p ->
                Labels.of(
                    "about.pin.in",
                    p.label(),
                    job()
                        .item(p.photograph())
                        .filter(Photograph.class::isInstance)
                        .map(Photograph.class::cast)
                        .map(f -> f.caption().isBlank() ? f.original() : f.caption())
                        .orElse(p.photograph())))
            .orElse(id);
  }

  private Place place() {
    return first(Place.class).orElse(Place.of(part().orElse(new PartRef("X", 0, ""))));
  }

  private void keep(Consumer<Place.Draft> change) {
    part().ifPresent(_ -> model().made(() -> model().put(place().with(change))));
  }

  private void millimetres(
      String label,
      String id,
      Function<Place, OptionalDouble> get,
      BiConsumer<Place.Draft, OptionalDouble> set) {
    place.figure(
        label,
        id,
        Measure.MILLIMETRES,
        () -> scaled(get.apply(place()), 1000),
        mm -> keep(d -> set.accept(d, scaled(mm, 1e-3))));
  }

  // --- what the old one's body is like
  // -------------------------------------------------------------------------------------

  private Form bodyForm() {
    Form form = new Form(model());
    form.figure(
        "about.body.celsius",
        "body-celsius",
        Measure.PLAIN,
        () -> body().celsius(),
        v -> keepBody(d -> d.celsius = v));
    form.choice(
        "about.body.leads",
        "body-leads",
        List.of(Leads.values()),
        () -> body().leads(),
        v -> keepBody(d -> d.leads = v));
    bodyMillimetres(form, "pitch", Body::pitchMetres, (d, m) -> d.pitchMetres = m);
    bodyMillimetres(form, "diameter", Body::diameterMetres, (d, m) -> d.diameterMetres = m);
    bodyMillimetres(form, "length", Body::lengthMetres, (d, m) -> d.lengthMetres = m);
    form.text(
        "about.body.terminals",
        "body-terminals",
        () -> body().terminals(),
        t -> keepBody(d -> d.terminals = t));
    return form;
  }

  private void bodyMillimetres(
      Form form,
      String name,
      Function<Body, OptionalDouble> get,
      BiConsumer<Body.Draft, OptionalDouble> set) {
    form.figure(
        "about.body." + name,
        "body-" + name,
        Measure.MILLIMETRES,
        () -> scaled(get.apply(body()), 1000),
        mm -> keepBody(d -> set.accept(d, scaled(mm, 1e-3))));
  }

  private Body body() {
    return first(Body.class).orElse(Body.of(part().orElse(new PartRef("X", 0, ""))));
  }

  private void keepBody(Consumer<Body.Draft> change) {
    part().ifPresent(_ -> model().made(() -> model().put(body().with(change))));
  }

  private static OptionalDouble scaled(OptionalDouble value, double factor) {
    return value.isPresent() ? OptionalDouble.of(value.getAsDouble() * factor) : value;
  }

  // --- witnesses, neighbours, decisions
  // ----------------------------------------------------------------------------------

  private AddLine witnessLine() {
    TextField[] said = new TextField[1];
    AtomicReference<ComboBox<StatedValue.Origin>> origin = new AtomicReference<>();
    AddLine line =
        new AddLine(
            model(),
            () -> part().isPresent() && stated(origin.get().getValue(), said[0].getText().strip()));
    origin.set(line.choice("about.origin", "witness-origin", List.of(StatedValue.Origin.values())));
    said[0] = line.field("about.said", "witness-said", 12);
    said[0].setPromptText(Labels.of("about.said.prompt"));
    return line.button("about.write", "witness-add");
  }

  private boolean stated(StatedValue.Origin origin, String said) {
    if (said.isEmpty()) {
      return false;
    }
    Part of = job().part(part().orElseThrow()).orElseThrow();
    try {
      model()
          .put(
              Witness.read(
                  of,
                  origin,
                  Token.of(said),
                  PartsListLine.of(job(), model().knowledge().vocabulary()),
                  said));
      return true;
    } catch (UnreadableException e) {
      model().tell(model().words().say(e.problem()), true);
    } catch (AmbiguousException e) {
      model().tell(model().words().say(e.question()), true);
    }
    return false;
  }

  private AddLine besideLine() {
    TextField[] other = new TextField[1];
    AddLine line =
        new AddLine(
            model(),
            () -> {
              Optional<PartRef> ref =
                  PartRef.parse(other[0].getText()).filter(r -> job().part(r).isPresent());
              if (ref.isEmpty() || part().isEmpty() || ref.equals(part())) {
                model().tell(Labels.of("about.beside.unknown", other[0].getText()), true);
                return false;
              }
              model().put(Parallel.of(part().get(), ref.get()));
              return true;
            });
    other[0] = line.field("about.other", "beside-other", 5);
    return line.button("about.write", "beside-add");
  }

  private AddLine overruleLine() {
    TextField[] why = new TextField[1];
    AtomicReference<ComboBox<Verdict>> choice = new AtomicReference<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                part().isPresent()
                    && model()
                        .made(() ->
                            model()
                                .put(
                                    new Overrule(
                                        Overrule.idOf(part().get()),
                                        part().get(),
                                        choice.get().getValue(),
                                        why[0].getText().strip()))));
    choice.set(line.choice("about.verdict", "overrule-verdict", List.of(Verdict.values())));
    why[0] = line.field("about.reason", "overrule-reason", 16);
    return line.button("about.decide", "overrule-add");
  }

  // --- the grid behind a coupling capacitor
  // -----------------------------------------------------------------------------

  private Form gridForm() {
    Form form = new Form(model());
    String[] names = {"source", "leak", "grid", "gm", "current", "anode", "cathode", "watts"};
    Measure[] measures = {
      Measure.VOLTS,
      Measure.OHMS,
      Measure.VOLTS,
      Measure.PLAIN,
      Measure.AMPERES,
      Measure.VOLTS,
      Measure.OHMS,
      Measure.WATTS
    };
    for (int i = 0; i < names.length; i++) {
      int at = i;
      form.figure(
          "about.grid." + names[i],
          "grid-" + names[i],
          measures[i],
          () -> gridFigures()[at],
          value -> keepGrid(at, value));
    }
    return form;
  }

  /** The figures as they stand; while they are not complete, those typed so far. */
  private OptionalDouble[] gridFigures() {
    return first(GridCircuit.class)
        .map(g ->
            new OptionalDouble[] {
              OptionalDouble.of(g.sourceVolts()),
              OptionalDouble.of(g.gridLeakOhms()),
              OptionalDouble.of(g.gridVolts()),
              OptionalDouble.of(g.transconductance() * 1000),
              OptionalDouble.of(g.anodeAmperes()),
              OptionalDouble.of(g.anodeVolts()),
              g.cathodeOhms(),
              g.dissipationWatts()
            })
        .orElse(drafts);
  }

  private static OptionalDouble[] blank() {
    OptionalDouble[] all = new OptionalDouble[8];
    Arrays.fill(all, OptionalDouble.empty());
    return all;
  }

  private void keepGrid(int at, OptionalDouble value) {
    OptionalDouble[] f = gridFigures().clone();
    f[at] = value;
    boolean needed =
        f[0].isPresent()
            && f[1].isPresent()
            && f[2].isPresent()
            && f[3].isPresent()
            && f[4].isPresent()
            && f[5].isPresent();
    if (part().isPresent() && needed) {
      model()
          .put(
              new GridCircuit(
                  GridCircuit.idOf(part().get()),
                  part().get(),
                  f[0].getAsDouble(),
                  f[1].getAsDouble(),
                  f[2].getAsDouble(),
                  f[3].getAsDouble() / 1000,
                  f[4].getAsDouble(),
                  f[5].getAsDouble(),
                  f[6],
                  f[7]));
      drafts = blank();
    } else {
      drafts = f;
    }
  }

  @Override
  protected void show(Job job) {
    Describe describe = new Describe(model().words());
    Optional<Part> about = part().flatMap(job::part);
    title.setText(
        about.map(p -> p.ref() + "  " + describe.part(p)).orElse(Labels.of("about.none")));
    pins.getItems()
        .setAll(Stream.concat(Stream.of(""), job.items(Pin.class).stream().map(Pin::id)).toList());
    place.show();
    body.show();
    grid.show();
    Set<VisualInspection.Sign> signs = new HashSet<>();
    about.ifPresent(p -> job.of(p.ref(), VisualInspection.class).forEach(l -> signs.add(l.sign())));
    seen.show(signs);
    near.show(place().near());
    moveOver.show(place().moveOver());
    rows(
        witnesses,
        about.map(p -> List.<OfPart>copyOf(job.of(p.ref(), StatedValue.class))).orElse(List.of()),
        describe);
    rows(
        beside,
        about.map(p -> List.<OfPart>copyOf(job.of(p.ref(), Parallel.class))).orElse(List.of()),
        describe);
  }

  private void rows(VBox box, List<OfPart> items, Describe describe) {
    fillRows(
        box,
        items,
        "about.nothing",
        i -> row(text(describe.item(i)), quiet("reasons.takeout", () -> model().take(i))));
  }
}
