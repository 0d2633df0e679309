package org.yellowhearth.desk.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Complaint;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Symptom;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Chips;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What is wrong with the set, and what somebody did to it before. */
final class ComplaintPage extends Page {
  private final Form form;
  private final Chips<Symptom> symptoms;
  private final VBox signs = column();
  private final ComboBox<Photograph> photograph = new ComboBox<>();

  ComplaintPage(DeskModel model) {
    super(model);
    form = new Form(model);
    form.area(
        "arrival.complaint",
        "plate-complaint",
        () -> job().plate().complaint(),
        text -> model.changePlate(p -> p.with(d -> d.complaint = text)));
    symptoms =
        new Chips<>(
            model,
            Symptom.class,
            chosen -> model.changeAspect(Complaint.class, _ -> new Complaint(chosen)));
    add(form, heading("arrival.symptoms"), symptoms, heading("arrival.signs"), signs, signLine());
  }

  private AddLine signLine() {
    List<TextField> fields = new ArrayList<>();
    List<ComboBox<Observation.Sign>> kinds = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        model()
                            .put(
                                new Observation(
                                    model().newId(),
                                    kinds.getFirst().getValue(),
                                    fields.get(0).getText().strip(),
                                    fields.get(1).getText().strip(),
                                    Optional.ofNullable(photograph.getValue())
                                        .map(Photograph::id)))));
    kinds.add(line.choice("arrival.sign", "sign-kind", List.of(Observation.Sign.values())));
    fields.add(line.field("arrival.sign.place", "sign-place", 12));
    fields.add(line.field("arrival.sign.text", "sign-text", 22));
    photograph.setConverter(Shown.by(Photographs::name, Labels.of("arrival.sign.no-photograph")));
    photograph.setAccessibleText(Labels.of("arrival.sign.photograph"));
    line.getChildren()
        .add(new VBox(text(Labels.of("arrival.sign.photograph"), "form-label"), photograph));
    return line.button("form.add-line", "sign-add");
  }

  @Override
  protected void show(Job job) {
    form.show();
    symptoms.show(job.aspect(Complaint.class).symptoms());
    List<Photograph> all = job.items(Photograph.class);
    photograph.getItems().setAll(all);
    photograph.getItems().addFirst(null);
    Describe describe = new Describe(model().words());
    fill(
        signs,
        job.items(Observation.class),
        "arrival.signs.none",
        o ->
            signs
                .getChildren()
                .add(
                    row(
                        text(describe.item(o) + shownIn(o, all)),
                        quiet("form.take-out", () -> model().take(o)))));
  }

  private static String shownIn(Observation o, List<Photograph> all) {
    return o.photograph()
        .flatMap(id -> all.stream().filter(p -> p.id().equals(id)).findFirst())
        .map(p -> "  ·  " + Labels.of("arrival.sign.shown", Photographs.name(p)))
        .orElse("");
  }
}
