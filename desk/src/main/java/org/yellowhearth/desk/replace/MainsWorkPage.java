package org.yellowhearth.desk.replace;

import java.util.Optional;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.MainsFit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.replace.MainsSide;
import org.yellowhearth.core.replace.MainsWork;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The mains side: classes by position, what a hand would feel, the bleeder that makes the plug
 * safe, the fuse, and cord, plug and switch.
 */
final class MainsWorkPage extends Page {
  private static final double FELT_AMPERES = 0.5e-3;

  private final ReplaceModel renew;
  private final VBox parts = column();
  private final VBox sums = column();
  private final VBox cord = column();

  MainsWorkPage(DeskModel model) {
    super(model);
    renew = model.renew();
    parts.setId("mains-parts");
    sums.setId("mains-sums");
    ProgressBar progress = new ProgressBar();
    progress.progressProperty().bind(Bound.number(renew.sums().progressProperty()));
    progress
        .visibleProperty()
        .bind(Bound.number(renew.sums().progressProperty()).greaterThanOrEqualTo(0));
    FlowPane work =
        new FlowPane(button("replace.mains.work", "mains-work", renew::workMains), progress);
    work.getStyleClass().add("line-form");
    add(
        text(Labels.of("replace.mains.caution"), "caution", "caution-danger"),
        columns(
            column(
                heading("replace.mains.parts"), parts, heading("replace.mains.sums"), work, sums),
            column(heading("replace.mains.cord"), cord)));
    renew.mainsProperty().addListener((_, _, _) -> again());
  }

  private void again() {
    if (getScene() != null && model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  @Override
  protected void show(Job job) {
    Describe describe = new Describe(model().words());
    fill(
        parts,
        job.capacitors().stream().filter(c -> c.role().duty() == Role.Duty.MAINS).toList(),
        "replace.mains.no-parts",
        c ->
            parts
                .getChildren()
                .add(
                    text(
                        c.ref()
                            + "  "
                            + describe.value(c)
                            + ", "
                            + model().words().word(c.role())
                            + ": "
                            + Labels.of(
                                c.role() == Role.LINE_TO_CHASSIS
                                    ? "replace.mains.y"
                                    : "replace.mains.x")
                            + chosen(job, c))));
    sums.getChildren().clear();
    renew
        .mainsProperty()
        .get()
        .ifPresentOrElse(
            m -> show(job, m),
            () -> sums.getChildren().add(text(Labels.of("replace.mains.not-yet"), "quiet")));
    fill(
        cord,
        MainsFit.of(job),
        "replace.mains.battery",
        p -> {
          cord.getChildren()
              .add(
                  text(
                      model().words().word(p.severity()) + ": " + model().words().say(p.words()),
                      p.severity() == MainsFit.Severity.STOP ? "strong-note" : "quiet"));
          p.remedy().forEach(r -> cord.getChildren().add(text("→ " + model().words().say(r))));
        });
    boolean live = job.plate().chassis() == SetPlate.Chassis.LIVE;
    cord.getChildren()
        .add(
            text(
                Labels.of(live ? "replace.mains.live" : "replace.mains.three-wire"),
                live ? "strong-note" : "quiet"));
  }

  private static String chosen(Job job, Capacitor c) {
    return job.of(c.ref(), org.yellowhearth.core.fact.Choice.class).stream()
        .findFirst()
        .map(x -> "  → " + Describe.choice(x))
        .orElse("");
  }

  private void show(Job job, MainsWork m) {
    m.touchAmperes()
        .ifPresent(a -> {
          double hertz = job.plate().mains().orElseThrow().hertz();
          sums.getChildren()
              .add(
                  text(
                      Labels.of(
                          "replace.mains.touch",
                          Quantity.farads(m.earthFarads()),
                          Quantity.amperes(a),
                          Quantity.volts(m.lineVolts()),
                          Quantity.amperes(FELT_AMPERES),
                          Quantity.farads(
                              MainsSide.mostFarads(FELT_AMPERES, m.lineVolts(), hertz))),
                      a > FELT_AMPERES ? "point-against" : "point-for"));
        });
    Optional<MainsSide.Bleeder> bleeder = m.bleeder();
    bleeder.ifPresent(b ->
        sums.getChildren()
            .add(
                text(
                    Labels.of(
                        "replace.mains.bleeder",
                        Quantity.farads(m.acrossFarads()),
                        Quantity.ohms(b.ohms()),
                        Quantity.of(b.seconds(), Unit.SECOND),
                        Quantity.watts(b.watts())))));
    if (m.runningAmperes().isPresent()) {
      sums.getChildren()
          .add(
              text(
                  Labels.of(
                      "replace.mains.running",
                      Quantity.amperes(m.runningAmperes().getAsDouble()),
                      Quantity.of(m.squareSeconds().getAsDouble(), Unit.RATIO))));
      sums.getChildren()
          .add(
              m.fuse()
                  .map(f ->
                      text(
                          Labels.of(
                              "replace.mains.fuse",
                              Quantity.amperes(f.amperes()),
                              Labels.of(f.lag() ? "replace.mains.lag" : "replace.mains.quick"),
                              Labels.of(f.holds() ? "replace.mains.holds" : "replace.mains.melts")),
                          "strong-note"))
                  .orElseGet(() -> text(Labels.of("replace.mains.no-fuse"))));
    } else {
      sums.getChildren().add(text(Labels.of("replace.mains.no-supply"), "quiet"));
    }
    sums.getChildren().add(text(Labels.of("replace.mains.how"), "quiet"));
  }
}
