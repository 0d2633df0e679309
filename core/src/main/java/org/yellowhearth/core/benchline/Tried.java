package org.yellowhearth.core.benchline;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;

/**
 * Reads what was tried at a part and what came of it: a good capacitor clipped across it ({@code
 * bridge C3 cured it}, {@code bridged C1 with 22u, hum gone}), or its leg lifted while a rail reads
 * as a short ({@code C4 lifted, short gone}).
 */
final class Tried {
  private static final String REF = "([a-z]{1,3}\\d{1,5}[a-z]?)";
  private static final Pattern BRIDGE =
      Pattern.compile(
          "(?:bridged?|bridging|bridge across|shunting|shunted) (?:across )?" + REF + " (.+)");
  private static final Pattern BRIDGED =
      Pattern.compile(REF + " (?:bridged|shunted)(?: with \\S+)? (.+)");
  private static final Pattern ACROSS =
      Pattern.compile("\\S+(?: ?[uµ]f?)? across " + REF + " (.+)");
  private static final Pattern LIFT =
      Pattern.compile("(?:lifted|lift|lifting)(?: (?:a|one) leg of)? " + REF + " (.+)");
  private static final Pattern LIFTED =
      Pattern.compile(REF + " (?:lifted|leg lifted|one leg lifted|leg up|lift)(?: and)? (.+)");
  private static final Pattern CURED =
      Pattern.compile(
          ".*\\b(?:cured?|cures|gone|goes|went|disappear\\w*|vanish\\w*|fixed|fixes|works|quiet|better|helped|helps)\\b.*");

  /** {@code 345 to 325}, {@code brings 345V to 325V}: what a bridge moves was missing. */
  private static final Pattern MOVED =
      Pattern.compile(".*?(\\d+(?:[.,]\\d+)?) ?v?\\s*(?:to|->|→)\\s*(\\d+(?:[.,]\\d+)?) ?v?\\b.*");

  private static final double MOVED_SHARE = 0.03;
  private static final Pattern NOTHING =
      Pattern.compile(
          ".*\\b(?:nothing|no (?:change|difference|better|effect|help)|not (?:better|cured|gone)|still|same|stays|remains|unchanged)\\b.*");
  private static final Pattern SHORT_GONE =
      Pattern.compile(
          ".*\\b(?:short\\b.*\\b(?:gone|goes|cleared|clears|disappear\\w*)|clears? (?:it|the short)|cleared(?: it| the short)?|that was it|found it)\\b.*");
  private static final Pattern STILL_SHORT =
      Pattern.compile(
          "(?:and )?(?:it is |its |rail )?(?:still (?:short\\w*|there|low|0.*)|no (?:change|difference)|changed nothing|short (?:stays|remains|still there)|same)");

  private Tried() {}

  static Optional<BenchEntry> of(Job job, String plain) {
    String folded = SignLine.folded(plain);
    Optional<BenchEntry> bridge =
        part(job, folded, BRIDGE, BRIDGED, ACROSS)
            .flatMap(m ->
                cured(m.group(2))
                    .map(yes ->
                        notice(
                            yes ? SupplySign.BRIDGE_CURED : SupplySign.BRIDGE_NO_CHANGE,
                            m,
                            plain)));
    return bridge.or(() ->
        part(job, folded, LIFT, LIFTED)
            .flatMap(m ->
                SHORT_GONE.matcher(m.group(2)).matches()
                    ? Optional.of(notice(SupplySign.LIFTED_SHORT_GONE, m, plain))
                    : STILL_SHORT.matcher(m.group(2)).matches()
                        ? Optional.of(notice(SupplySign.LIFTED_STILL_SHORT, m, plain))
                        : Optional.empty()));
  }

  private static Optional<Matcher> part(Job job, String folded, Pattern... forms) {
    for (Pattern form : forms) {
      Matcher m = form.matcher(folded);
      if (m.matches()
          && PartRef.parse(m.group(1)).filter(ref -> job.part(ref).isPresent()).isPresent()) {
        return Optional.of(m);
      }
    }
    return Optional.empty();
  }

  /** Whether it cured the set or changed nothing; empty where neither is said. */
  private static Optional<Boolean> cured(String rest) {
    if (NOTHING.matcher(rest).matches()) {
      return Optional.of(false);
    }
    if (CURED.matcher(rest).matches()) {
      return Optional.of(true);
    }
    Matcher moved = MOVED.matcher(rest);
    if (!moved.matches()) {
      return Optional.empty();
    }
    double from = Double.parseDouble(moved.group(1).replace(',', '.'));
    double to = Double.parseDouble(moved.group(2).replace(',', '.'));
    return Optional.of(Math.abs(to - from) > MOVED_SHARE * Math.max(from, to));
  }

  private static BenchEntry notice(String sign, Matcher m, String plain) {
    return new BenchEntry.Notice(
        sign, PartRef.of(m.group(1)).toString(), OptionalDouble.empty(), plain.strip());
  }
}
