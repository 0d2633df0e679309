package org.yellowhearth.desk.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.OwnLimits;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The limits of the kinds that are in the set, both profiles side by side; what this job holds
 * otherwise goes with it.
 */
final class LimitsPage extends Page {
  private final VBox kinds = column();
  private final VBox experience = column();

  LimitsPage(DeskModel model) {
    super(model);
    experience.setId("experience");
    add(
        heading("limits.title"),
        text(Labels.of("limits.how"), "quiet"),
        kinds,
        heading("experience.title"),
        experience);
  }

  @Override
  protected void show(Job job) {
    List<CapacitorKind> there =
        job.capacitors().stream()
            .map(Capacitor::kind)
            .distinct()
            .sorted()
            .filter(k -> !k.equals(Capacitor.UNSTATED_KIND))
            .map(model().knowledge()::kind)
            .toList();
    fill(kinds, there, "limits.empty", k -> kinds.getChildren().add(kind(k, job)));
    experience(job, there);
  }

  /**
   * What other sets of the shop had seen of the kinds in this one weighs only where somebody lets
   * it.
   */
  private void experience(Job job, List<CapacitorKind> there) {
    ShopExperience taken = job.aspect(ShopExperience.class);
    boolean alone = taken.equals(ShopExperience.BLANK);
    experience
        .getChildren()
        .setAll(
            row(
                text(Labels.of(alone ? "experience.alone" : "experience.weighs"), "quiet"),
                alone
                    ? button("experience.take", "experience-take", model().archive()::takeOver)
                    : button("experience.drop", "experience-drop", model().archive()::standAlone)));
    there.forEach(k ->
        taken
            .of(k.id())
            .ifPresent(s ->
                experience
                    .getChildren()
                    .add(
                        text(
                            Labels.of(
                                "experience.seen",
                                model().words().capacitorKind(k.id()),
                                s.bad(),
                                s.measured())))));
  }

  private VBox kind(CapacitorKind kind, Job job) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("sums");
    grid.addRow(
        0,
        text(""),
        text(Labels.of("limits.period"), "quiet"),
        text(""),
        text(Labels.of("limits.modern"), "quiet"),
        text(""));
    int row = 1;
    for (LimitChange.Which which : LimitChange.Which.values()) {
      boolean any = false;
      int column = 1;
      for (LimitProfile profile : List.of(LimitProfile.PERIOD, LimitProfile.MODERN)) {
        OptionalDouble stands = value(kind, profile, which, job);
        if (stands.isPresent()) {
          any = true;
          grid.add(field(kind, profile, which, stands), column, row);
          int beside = column + 1;
          int line = row;
          change(kind, profile, which, job)
              .ifPresent(c -> grid.add(quiet("limits.reset", () -> model().take(c)), beside, line));
        }
        column += 2;
      }
      if (any) {
        grid.add(text(model().words().word(which)), 0, row);
        row++;
      }
    }
    return column(text(model().words().capacitorKind(kind.id()), "form-title"), grid);
  }

  private static Optional<LimitChange> change(
      CapacitorKind kind, LimitProfile profile, LimitChange.Which which, Job job) {
    return job.item(LimitChange.idOf(kind.id(), profile.code(), which))
        .filter(LimitChange.class::isInstance)
        .map(LimitChange.class::cast);
  }

  private static OptionalDouble value(
      CapacitorKind kind, LimitProfile profile, LimitChange.Which which, Job job) {
    Optional<LimitChange> changed = change(kind, profile, which, job);
    Limits plain = kind.limits().get(profile);
    return plain == null
        ? OptionalDouble.empty()
        : changed.map(c -> OptionalDouble.of(c.value())).orElse(OwnLimits.value(plain, which));
  }

  private TextField field(
      CapacitorKind kind, LimitProfile profile, LimitChange.Which which, OptionalDouble stands) {
    TextField field = new TextField(Quantity.ratio(stands.orElseThrow()).toString());
    String id = LimitChange.idOf(kind.id(), profile.code(), which);
    field.setId(id);
    field.setPrefColumnCount(6);
    field.setAccessibleText(
        model().words().capacitorKind(kind.id()) + ", " + model().words().word(which));
    Runnable keep =
        () ->
            model()
                .made(() -> {
                  OptionalDouble typed = Measure.PLAIN.read(field.getText());
                  if (typed.isPresent()
                      && !field
                          .getText()
                          .strip()
                          .equals(Quantity.ratio(stands.orElseThrow()).toString())) {
                    model()
                        .put(
                            new LimitChange(
                                id, kind.id(), profile.code(), which, typed.getAsDouble()));
                  }
                });
    field.setOnAction(_ -> keep.run());
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) {
            keep.run();
          }
        });
    return field;
  }
}
