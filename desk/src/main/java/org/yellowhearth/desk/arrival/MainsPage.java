package org.yellowhearth.desk.arrival;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.MainsFit;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** The supply of the bench beside how the mains comes into the set, and what does not fit. */
final class MainsPage extends Page {
  private final Form bench;
  private final Form entry;
  private final VBox points = column();

  MainsPage(DeskModel model) {
    super(model);
    bench = new Form(model);
    entry = new Form(model);
    bench.figure(
        "arrival.bench.volts",
        "bench-volts",
        Measure.VOLTS,
        () -> bench().mainsVolts(),
        v -> bench(d -> d.mainsVolts = v));
    bench.figure(
        "arrival.bench.hertz",
        "bench-hertz",
        Measure.HERTZ,
        () -> bench().mainsHertz(),
        v -> bench(d -> d.mainsHertz = v));
    bench.tick(
        "arrival.bench.measured",
        "bench-measured",
        () -> bench().measured(),
        v -> bench(d -> d.measured = v));
    bench.tick(
        "arrival.bench.isolated",
        "bench-isolated",
        () -> bench().isolated(),
        v -> bench(d -> d.isolated = v));
    bench.figure(
        "arrival.bench.celsius",
        "bench-celsius",
        Measure.CELSIUS,
        () -> bench().celsius(),
        v -> bench(d -> d.celsius = v));
    entry.figure(
        "arrival.entry.volts",
        "entry-volts",
        Measure.VOLTS,
        () -> entry().settingVolts(),
        v -> entry(d -> d.settingVolts = v));
    entry.figure(
        "arrival.entry.hertz",
        "entry-hertz",
        Measure.HERTZ,
        () -> entry().settingHertz(),
        v -> entry(d -> d.settingHertz = v));
    entry.choice(
        "arrival.entry.cord",
        "entry-cord",
        List.of(MainsEntry.Cord.values()),
        () -> entry().cord(),
        v -> entry(d -> d.cord = v));
    entry.choice(
        "arrival.entry.plug",
        "entry-plug",
        List.of(MainsEntry.Plug.values()),
        () -> entry().plug(),
        v -> entry(d -> d.plug = v));
    entry.choice(
        "arrival.entry.fuse",
        "entry-fuse",
        List.of(MainsEntry.FusePlace.values()),
        () -> entry().fusePlace(),
        v -> entry(d -> d.fusePlace = v));
    entry.figure(
        "arrival.entry.amperes",
        "entry-amperes",
        Measure.AMPERES,
        () -> entry().fuseAmperes(),
        v -> entry(d -> d.fuseAmperes = v));
    entry.figure(
        "arrival.entry.plug-fuse",
        "entry-plug-fuse",
        Measure.AMPERES,
        () -> entry().plugFuseAmperes(),
        v -> entry(d -> d.plugFuseAmperes = v));
    entry.choice(
        "arrival.entry.switch",
        "entry-switch",
        List.of(MainsEntry.SwitchPlace.values()),
        () -> entry().switchPlace(),
        v -> entry(d -> d.switchPlace = v));
    entry.figure(
        "arrival.entry.hours",
        "entry-hours",
        Measure.PLAIN,
        () -> entry().hoursADay(),
        v -> entry(d -> d.hoursADay = v));
    entry.choice(
        "arrival.entry.earth",
        "entry-earth",
        List.of(MainsEntry.Earth.values()),
        () -> entry().earth(),
        v -> entry(d -> d.earth = v));
    VBox left =
        column(
            text(Labels.of("arrival.mains.caution"), "caution", "caution-danger"),
            heading("arrival.bench"),
            bench,
            heading("arrival.entry"),
            entry);
    add(columns(left, column(heading("arrival.fit"), points)));
  }

  private Bench bench() {
    return job().aspect(Bench.class);
  }

  private MainsEntry entry() {
    return job().aspect(MainsEntry.class);
  }

  private void bench(Consumer<Bench.Draft> change) {
    model().changeAspect(Bench.class, b -> b.with(change));
  }

  private void entry(Consumer<MainsEntry.Draft> change) {
    model().changeAspect(MainsEntry.class, m -> m.with(change));
  }

  @Override
  protected void show(Job job) {
    bench.show();
    entry.show();
    fill(points, MainsFit.of(job), "arrival.fit.battery", p -> points.getChildren().add(point(p)));
  }

  private VBox point(MainsFit.Point p) {
    Region glyph = new Region();
    glyph.getStyleClass().addAll("glyph", "severity-" + p.severity().code());
    HBox head =
        new HBox(
            glyph,
            text(
                model().words().word(p.severity()),
                "severity-word",
                "word-" + p.severity().code()));
    head.getStyleClass().add("severity-head");
    VBox box = column(head, text(model().words().say(p.words())));
    p.remedy().forEach(r -> box.getChildren().add(text("→ " + model().words().say(r))));
    p.working()
        .forEach(w -> box.getChildren().add(text(model().words().say(w), "reasons-working")));
    box.getStyleClass().addAll("point", "point-" + p.severity().code());
    return box;
  }
}
