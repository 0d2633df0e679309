package org.yellowhearth.instruments.scpi;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The parameters of a command, and the channel its header names. */
public final class ScpiArguments {
  private static final Pattern NUMBER =
      Pattern.compile("([+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d{1,3})?)\\s*([A-Za-z/%]*)");
  private static final Pattern CHANNEL = Pattern.compile("\\(@(\\d{1,3})\\)");

  /** In SCPI an M before ohms or hertz is mega, elsewhere milli. */
  private static final Map<String, Double> PREFIXES =
      Map.of("", 1.0, "K", 1e3, "MA", 1e6, "M", 1e-3, "U", 1e-6, "N", 1e-9, "P", 1e-12, "G", 1e9);

  private final ScpiUnit unit;
  private final List<String> plain;
  private final int channel;

  ScpiArguments(ScpiUnit unit) {
    this.unit = unit;
    OptionalInt listed = channelOf(unit.arguments());
    plain =
        listed.isPresent()
            ? unit.arguments().subList(0, unit.arguments().size() - 1)
            : unit.arguments();
    channel = listed.orElse(unit.nodes().stream().mapToInt(ScpiUnit.Node::suffix).max().orElse(1));
  }

  private static OptionalInt channelOf(List<String> all) {
    if (all.isEmpty() || !all.getLast().startsWith("(")) {
      return OptionalInt.empty();
    }
    Matcher m = CHANNEL.matcher(all.getLast());
    if (!m.matches()) {
      throw new ScpiException(
          ScpiFault.ILLEGAL_VALUE,
          "expected a channel as (@1), not " + ScpiUnit.printable(all.getLast()));
    }
    return OptionalInt.of(Integer.parseInt(m.group(1)));
  }

  /** The channel named by a suffix of the header or a channel list. */
  public int channel(int count) {
    if (channel < 1 || channel > count) {
      throw new ScpiException(
          ScpiFault.HEADER_SUFFIX, "there are channels 1 to " + count + ", not " + channel);
    }
    return channel;
  }

  /** Refuses more parameters than this. */
  public void atMost(int count) {
    if (plain.size() > count) {
      throw new ScpiException(ScpiFault.PARAMETER_NOT_ALLOWED, unit.header());
    }
  }

  public boolean given(int index) {
    return index < plain.size();
  }

  private String text(int index) {
    if (!given(index) || plain.get(index).isEmpty()) {
      throw new ScpiException(ScpiFault.MISSING_PARAMETER, unit.header());
    }
    return plain.get(index);
  }

  /** A number in a unit, with SCPI's multipliers; MIN and MAX stand for the bounds. */
  public double number(int index, String unitName, double low, double high) {
    String text = text(index);
    String upper = text.toUpperCase(Locale.ROOT);
    if (matches("MINimum", upper)) {
      return low;
    }
    if (matches("MAXimum", upper)) {
      return high;
    }
    Matcher m = NUMBER.matcher(text);
    if (!m.matches()) {
      throw new ScpiException(
          ScpiFault.DATA_TYPE, "expected a number, not " + ScpiUnit.printable(text));
    }
    double value =
        Double.parseDouble(m.group(1)) * factor(m.group(2).toUpperCase(Locale.ROOT), unitName);
    if (!(value >= low && value <= high)) {
      throw new ScpiException(
          ScpiFault.OUT_OF_RANGE, unit.header() + " takes " + low + " to " + high + " " + unitName);
    }
    return value;
  }

  private static double factor(String suffix, String unitName) {
    if (suffix.isEmpty()) {
      return 1;
    }
    boolean megaByM = unitName.equals("OHM") || unitName.equals("HZ");
    String prefix =
        suffix.endsWith(unitName)
            ? suffix.substring(0, suffix.length() - unitName.length())
            : "none";
    Double factor = megaByM && prefix.equals("M") ? Double.valueOf(1e6) : PREFIXES.get(prefix);
    if (factor == null) {
      throw new ScpiException(
          ScpiFault.INVALID_SUFFIX,
          ScpiUnit.printable(suffix) + " where " + unitName + " is expected");
    }
    return factor;
  }

  /** ON, OFF, 1 or 0. */
  public boolean onOff(int index) {
    return switch (text(index).toUpperCase(Locale.ROOT)) {
      case "ON", "1" -> true;
      case "OFF", "0" -> false;
      default -> throw new ScpiException(ScpiFault.ILLEGAL_VALUE, "expected ON or OFF");
    };
  }

  /**
   * One of some words, each written as its long form with the short form in capitals; the long form
   * in capitals comes back.
   */
  public String word(int index, String... words) {
    String given = text(index).replace("\"", "").toUpperCase(Locale.ROOT);
    for (String w : words) {
      if (matches(w, given)) {
        return w.toUpperCase(Locale.ROOT);
      }
    }
    throw new ScpiException(ScpiFault.ILLEGAL_VALUE, "expected one of " + String.join(", ", words));
  }

  /** Whether a written mnemonic is the short or the long form of a word. */
  static boolean matches(String word, String written) {
    String shortForm = word.replaceAll("[a-z]", "");
    return written.equalsIgnoreCase(word) || written.equalsIgnoreCase(shortForm);
  }
}
