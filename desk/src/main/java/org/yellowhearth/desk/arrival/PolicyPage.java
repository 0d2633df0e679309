package org.yellowhearth.desk.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Label;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** The schools the job follows where practitioners disagree, and what each one means. */
final class PolicyPage extends Page {
  private final Form form;
  private final List<Runnable> shown = new ArrayList<>();

  PolicyPage(DeskModel model) {
    super(model);
    form = new Form(model);
    add(text(Labels.of("arrival.policy.note"), "quiet"), form);
    school("arrival.renew", Policy.WhenToRenew.values(), Policy::renew);
    school("arrival.voltage", Policy.VoltageRating.values(), Policy::voltage);
    school("arrival.capacitance", Policy.CapacitanceChoice.values(), Policy::capacitance);
    school("arrival.electrolytics", Policy.OldElectrolytics.values(), Policy::electrolytics);
    school("arrival.appearance", Policy.Appearance.values(), Policy::appearance);
    school("arrival.tantalum", Policy.Tantalum.values(), Policy::tantalum);
    school("arrival.rectifiers", Policy.Rectifiers.values(), Policy::rectifiers);
    school("arrival.paper", Policy.Paper.values(), Policy::paper);
    school("arrival.limits", Policy.Profile.values(), Policy::limits);
  }

  private <T extends Policy.School> void school(
      String label, T[] options, Function<Policy, T> get) {
    form.choice(
        label,
        label.replace('.', '-'),
        List.of(options),
        () -> get.apply(job().policy()),
        model()::changePolicy);
    Label meaning = text("", "meaning");
    form.below(meaning);
    shown.add(() -> meaning.setText(model().words().meaning(get.apply(job().policy()))));
  }

  @Override
  protected void show(Job job) {
    form.show();
    shown.forEach(Runnable::run);
  }
}
