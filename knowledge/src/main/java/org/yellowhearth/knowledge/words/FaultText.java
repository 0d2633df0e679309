package org.yellowhearth.knowledge.words;

import java.util.List;
import java.util.stream.IntStream;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Fault;

/** Faults and explanations in words. */
public final class FaultText {
  private final Words words;

  /** In the words of a dialect. */
  public FaultText(Words words) {
    this.words = words;
  }

  /** A fault with its severity: {@code C16a capacitance low, about 5 µF}. */
  public String of(String part, Fault fault) {
    String element = fault.knob().element();
    String name = element.equals(part) ? part : part + " (" + element + ")";
    String figure = figure(fault);
    return name + " " + words.word(fault.mode()) + (figure.isEmpty() ? "" : ", about " + figure);
  }

  private static String figure(Fault f) {
    return switch (f.mode()) {
      case OPEN,
          SHORTED,
          LEG_OPEN,
          DRAWS_NOTHING,
          DRAWS_MUCH,
          DRAWS_LITTLE,
          NO_MAINS,
          WRONG_SETTING ->
          "";
      case CAPACITANCE_LOW -> round(f.value(), Unit.FARAD);
      case LOSSY, LEAKY, DRIFTED_HIGH, DRIFTED_LOW -> round(f.value(), Unit.OHM);
      case TURNS_SHORTED ->
          f.knob().which() == Parameter.Which.INDUCTANCE
              ? round(f.value(), Unit.HENRY)
              : round(f.value(), Unit.WATT);
      case HOLDS_HIGH, HOLDS_LOW -> round(f.value(), Unit.VOLT);
      case WEAK, LEG_WEAK -> Quantity.percent(Math.round(20 * f.value()) / 20.0).toString();
    };
  }

  /** Two figures are enough for what is only estimated. */
  private static String round(double value, Unit unit) {
    double power = Math.pow(10, Math.floor(Math.log10(Math.abs(value))) - 1);
    return Quantity.of(Math.round(value / power) * power, unit).toString();
  }

  /** An explanation in one line; {@code nothing} for a supply within its tolerances. */
  public String of(Diagnosis.Explanation explanation, String nothing) {
    return explanation.sound()
        ? nothing
        : String.join(
            " + ",
            IntStream.range(0, explanation.parts().size())
                .mapToObj(k -> of(explanation.parts().get(k), explanation.faults().get(k)))
                .toList());
  }

  /** Parts by their names; {@code nothing} for none. */
  public static String parts(List<String> parts, String nothing) {
    return parts.isEmpty() ? nothing : String.join(" + ", parts);
  }
}
