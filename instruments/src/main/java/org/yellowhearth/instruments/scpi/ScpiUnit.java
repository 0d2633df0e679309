package org.yellowhearth.instruments.scpi;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One command or query of a message.
 *
 * @param nodes its header from the root, as written; a common command is one node that begins with
 *     an asterisk
 * @param arguments its parameters, as written
 */
public record ScpiUnit(List<Node> nodes, boolean query, List<String> arguments) {
  private static final int LONGEST_MNEMONIC = 12;
  private static final Pattern NODE = Pattern.compile("(\\*?[A-Za-z][A-Za-z_]*)(\\d{0,3})");

  /** One mnemonic of a header with its numeric suffix, 1 where none is written. */
  public record Node(String mnemonic, int suffix) {}

  public ScpiUnit {
    nodes = List.copyOf(nodes);
    arguments = List.copyOf(arguments);
  }

  boolean common() {
    return nodes.getFirst().mnemonic().startsWith("*");
  }

  /**
   * The units of a message. After a semicolon a header without a colon goes on from where the last
   * one stood (SCPI-99, compound commands); a common command does not move that place.
   */
  static List<ScpiUnit> parse(String message) {
    List<ScpiUnit> units = new ArrayList<>();
    List<Node> path = List.of();
    for (String text : split(message, ';')) {
      if (text.isBlank()) {
        continue;
      }
      ScpiUnit unit = one(text.strip(), path);
      units.add(unit);
      if (!unit.common()) {
        path = unit.nodes.subList(0, unit.nodes.size() - 1);
      }
    }
    return units;
  }

  private static ScpiUnit one(String text, List<Node> path) {
    int end = 0;
    while (end < text.length() && !Character.isWhitespace(text.charAt(end))) {
      end++;
    }
    String header = text.substring(0, end);
    String rest = text.substring(end).strip();
    boolean query = header.endsWith("?");
    String plain = query ? header.substring(0, header.length() - 1) : header;
    List<Node> nodes =
        new ArrayList<>(plain.startsWith(":") || plain.startsWith("*") ? List.of() : path);
    for (String part : (plain.startsWith(":") ? plain.substring(1) : plain).split(":", -1)) {
      nodes.add(node(part));
    }
    return new ScpiUnit(
        nodes,
        query,
        rest.isEmpty() ? List.of() : split(rest, ',').stream().map(String::strip).toList());
  }

  private static Node node(String text) {
    Matcher m = NODE.matcher(text);
    if (!m.matches()) {
      boolean strange = text.chars().anyMatch(c -> c < ' ' || c > '~');
      throw new ScpiException(
          strange ? ScpiFault.INVALID_CHARACTER : ScpiFault.SYNTAX_ERROR,
          "\"" + printable(text) + "\"");
    }
    if (m.group(1).length() > LONGEST_MNEMONIC) {
      throw new ScpiException(ScpiFault.MNEMONIC_TOO_LONG, printable(m.group(1)));
    }
    return new Node(
        m.group(1).toUpperCase(Locale.ROOT),
        m.group(2).isEmpty() ? 1 : Integer.parseInt(m.group(2)));
  }

  /** Splits outside of quotes and brackets. */
  private static List<String> split(String text, char at) {
    List<String> parts = new ArrayList<>();
    StringBuilder part = new StringBuilder();
    char quote = 0;
    int depth = 0;
    for (int k = 0; k < text.length(); k++) {
      char c = text.charAt(k);
      if (quote != 0) {
        quote = c == quote ? 0 : quote;
      } else if (c == '"' || c == '\'') {
        quote = c;
      } else if (c == '(' || c == ')') {
        depth += c == '(' ? 1 : -1;
      } else if (c == at && depth == 0) {
        parts.add(part.toString());
        part.setLength(0);
        continue;
      }
      part.append(c);
    }
    if (quote != 0 || depth != 0) {
      throw new ScpiException(ScpiFault.SYNTAX_ERROR, "a quote or bracket is not closed");
    }
    parts.add(part.toString());
    return parts;
  }

  static String printable(String text) {
    String shown = text.replaceAll("[^ -~]", "?");
    return shown.length() > 40 ? shown.substring(0, 40) + "..." : shown;
  }

  /** What was written, for error messages. */
  String header() {
    List<String> names =
        nodes.stream().map(n -> n.mnemonic() + (n.suffix() == 1 ? "" : n.suffix())).toList();
    return String.join(":", names) + (query ? "?" : "");
  }
}
