package org.yellowhearth.desk.replace;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.SheetHints;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.publishing.dossier.ReplacePapers;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What to do at the bench, one step beneath another in large type, the next one open; ticks when
 * out, when in, when looked at a second time.
 */
final class SheetPage extends Page {
  private final ReplaceModel renew;
  private final PaperTray tray;
  private final ProgressBar bar = new ProgressBar(0);
  private final javafx.scene.control.Label progress = text("", "strong-note");
  private final VBox steps = column();
  private final VBox owed = column();
  private final FlowPane hints = new FlowPane();
  private final List<TextField> typed = new ArrayList<>();

  /** The step that was opened by hand; the next one where none was. */
  private Optional<String> opened = Optional.empty();

  private String next = "";

  SheetPage(DeskModel model, PaperTray tray) {
    super(model);
    this.tray = tray;
    renew = model.renew();
    steps.setId("sheet-steps");
    owed.setId("sheet-owed");
    hints.setId("sheet-hints");
    hints.getStyleClass().add("line-form");
    progress.setId("sheet-progress");
    HBox top =
        row(
            progress,
            bar,
            button("replace.sheet.save", "sheet-save", this::save),
            button("replace.print", "sheet-print", this::print));
    add(
        text(Labels.of("replace.sheet.caution"), "caution", "caution-danger"),
        top,
        steps,
        heading("replace.sheet.more"),
        hints,
        adding(),
        heading("replace.owed"),
        owed);
  }

  private void save() {
    Job job = job();
    ZonedDateTime now = model().now();
    tray.save(
        Labels.of("replace.sheet.file"), () -> ReplacePapers.sheet(job, model().knowledge(), now));
  }

  private void print() {
    Job job = job();
    ZonedDateTime now = model().now();
    tray.print(() -> ReplacePapers.sheet(job, model().knowledge(), now));
  }

  private AddLine adding() {
    List<ComboBox<BenchTask.Doing>> doing = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                renew.task(
                    doing.getFirst().getValue(), typed.get(0).getText(), typed.get(1).getText()));
    doing.add(line.choice("replace.task.doing", "task-doing", List.of(BenchTask.Doing.values())));
    typed.add(line.field("replace.task.where", "task-where", 12));
    typed.add(line.field("replace.task.what", "task-what", 22));
    return line.button("replace.task.add", "task-add");
  }

  @Override
  protected void show(Job job) {
    FittingSheet sheet = FittingSheet.of(job, model().knowledge());
    String nextNow = sheet.next().map(FittingSheet.Step::id).orElse("");
    if (!nextNow.equals(next)) {
      next = nextNow;
      opened = Optional.empty();
    }
    progress.setText(
        sheet.steps().isEmpty()
            ? ""
            : Labels.of("replace.sheet.progress", sheet.done(), sheet.steps().size()));
    bar.setVisible(!sheet.steps().isEmpty());
    bar.setProgress(sheet.steps().isEmpty() ? 0 : (double) sheet.done() / sheet.steps().size());
    int[] number = {1};
    fill(
        steps,
        sheet.steps(),
        "replace.sheet.empty",
        s -> steps.getChildren().add(step(s, number[0]++)));
    hints.getChildren().setAll(SheetHints.of(job).stream().map(this::hint).toList());
    fill(
        owed,
        SignOff.of(job).owed(),
        "replace.owed.none",
        o ->
            owed.getChildren()
                .add(
                    text(
                        (o.blocks() ? "!  " : "·  ")
                            + o.about()
                            + "  "
                            + model().words().say(o.why()),
                        o.blocks() ? "point-against" : "quiet")));
  }

  /** A step that the set asks for; pressed, it stands on the sheet. */
  private Button hint(SheetHints.Hint h) {
    String what = model().words().say(h.what());
    Button add =
        new Button(
            "+ "
                + model().words().word(h.doing())
                + (h.where().isEmpty() ? "" : " " + h.where())
                + ": "
                + what);
    add.setId("hint-" + h.doing().code());
    add.setOnAction(_ -> renew.task(h.doing(), h.where(), what));
    return add;
  }

  private VBox step(FittingSheet.Step s, int number) {
    boolean open = opened.orElse(next).equals(s.id());
    Describe describe = new Describe(model().words());
    javafx.scene.control.Label name =
        text(number + "   " + ReplacePapers.what(s, model().words(), describe), "sheet-step");
    Button show =
        button(
            open ? "replace.sheet.shut" : "replace.sheet.open",
            "sheet-open-" + number,
            () -> {
              opened = Optional.of(open ? "" : s.id());
              show(job());
            });
    show.getStyleClass().add("quiet-button");
    javafx.scene.control.Label state =
        text(
            Labels.of("replace.sheet.state." + s.state().name().toLowerCase(java.util.Locale.ROOT)),
            s.state() == FittingSheet.State.DONE ? "point-for" : "quiet");
    state.setMinWidth(USE_PREF_SIZE);
    VBox box = column(row(name, state, show));
    box.getStyleClass().add("renew-card");
    if (open) {
      box.getStyleClass().add("sheet-open");
      if (!s.place().isEmpty()) {
        box.getChildren().add(text(Labels.of("replace.sheet.where", s.place()), "sheet-line"));
      }
      s.part()
          .filter(Capacitor.class::isInstance)
          .filter(p -> renew.polar(p.ref()))
          .ifPresent(p -> box.getChildren().add(new PolarityDrawing(((Capacitor) p).polarity())));
      s.mind()
          .forEach(m -> box.getChildren().add(text("•  " + model().words().say(m), "sheet-line")));
      s.part().ifPresent(p -> exchange(s, p, box));
      s.task()
          .ifPresent(t ->
              box.getChildren()
                  .add(
                      tick(
                          "replace.sheet.done",
                          "sheet-done-" + number,
                          t.done(),
                          is -> model().put(t.done(is)))));
    }
    return box;
  }

  private static CheckBox tick(
      String label, String id, boolean is, java.util.function.Consumer<Boolean> then) {
    CheckBox box = new CheckBox(Labels.of(label));
    box.setId(id);
    box.setSelected(is);
    box.getStyleClass().add("sheet-tick");
    box.setOnAction(_ -> {
      boolean now = box.isSelected();
      // It shows what stands; what cannot be ticked yet stays as it is.
      box.setSelected(is);
      then.accept(now);
    });
    return box;
  }

  private void exchange(FittingSheet.Step s, Part p, VBox box) {
    PartRef ref = p.ref();
    Fitting f = s.fitting();
    FlowPane ticks =
        new FlowPane(
            tick(
                "replace.sheet.removed",
                "sheet-removed",
                f.removed(),
                is ->
                    renew.fit(
                        ref,
                        d -> {
                          d.removed = is;
                          if (!is) {
                            d.fitted = false;
                            d.checked = false;
                          }
                        })),
            tick(
                "replace.sheet.fitted",
                "sheet-fitted",
                f.fitted(),
                is ->
                    renew.fit(
                        ref,
                        d -> {
                          d.fitted = is;
                          d.removed |= is;
                          if (!is) {
                            d.checked = false;
                            d.sign = Fitting.MeterSign.UNSTATED;
                          }
                        })));
    ticks.getStyleClass().add("line-form");
    if (renew.polar(ref)) {
      ComboBox<Fitting.MeterSign> sign = new ComboBox<>();
      sign.getItems().setAll(Fitting.MeterSign.values());
      sign.setConverter(Form.words(model()));
      sign.setValue(f.sign());
      sign.setId("sheet-sign");
      sign.setAccessibleText(Labels.of("replace.sheet.sign"));
      sign.setOnAction(_ ->
          renew.fit(
              ref,
              d -> {
                d.sign = sign.getValue();
                if (d.sign != Fitting.MeterSign.RIGHT) {
                  d.checked = false;
                }
              }));
      ticks.getChildren().add(column(text(Labels.of("replace.sheet.sign"), "form-label"), sign));
    }
    ticks
        .getChildren()
        .add(
            tick(
                "replace.sheet.checked",
                "sheet-checked",
                f.checked(),
                is -> renew.fit(ref, d -> d.checked = is)));
    box.getChildren().add(ticks);
    if (f.sign() == Fitting.MeterSign.REVERSED) {
      box.getChildren().add(text(Labels.of("replace.sheet.reversed"), "caution", "caution-danger"));
    }
    box.getChildren().add(debt(ref, f));
  }

  /** A part that is fitted because nothing better was at hand. */
  private FlowPane debt(PartRef ref, Fitting f) {
    ComboBox<Fitting.Debt> debt = new ComboBox<>();
    debt.getItems().setAll(Fitting.Debt.values());
    debt.setConverter(Form.words(model()));
    debt.setValue(f.debt());
    debt.setId("sheet-debt");
    debt.setAccessibleText(Labels.of("replace.sheet.debt"));
    TextField reason = new TextField(f.debtReason());
    reason.setId("sheet-debt-reason");
    reason.setPromptText(Labels.of("replace.sheet.debt-reason"));
    reason.setAccessibleText(Labels.of("replace.sheet.debt-reason"));
    FlowPane line =
        new FlowPane(
            text(Labels.of("replace.sheet.debt"), "form-label"),
            debt,
            reason,
            button(
                "replace.sheet.debt-keep",
                "sheet-debt-keep",
                () ->
                    renew.fit(
                        ref,
                        d -> {
                          d.debt = debt.getValue();
                          d.debtReason = reason.getText().strip();
                        })));
    line.getStyleClass().add("line-form");
    return line;
  }
}
