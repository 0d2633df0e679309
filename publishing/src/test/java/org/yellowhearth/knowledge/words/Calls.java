package org.yellowhearth.knowledge.words;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What the program's own text says in each place where it says something: which key, and what goes
 * into its gaps.
 */
public final class Calls {
  private Calls() {}

  /** One such place. */
  public record Call(String key, List<String> arguments, String where) {}

  /**
   * Every call whose text begins like this, with its arguments as they are written; the first is
   * the key.
   */
  public static List<Call> of(Path root, Pattern begins) throws IOException {
    List<Call> all = new ArrayList<>();
    try (Stream<Path> files = Files.walk(root)) {
      for (Path file :
          files
              .filter(
                  f -> f.toString().contains("/src/main/java/") && f.toString().endsWith(".java"))
              .sorted()
              .toList()) {
        String text = Files.readString(file);
        Matcher m = begins.matcher(text);
        while (m.find()) {
          List<String> arguments = arguments(text, m.end());
          all.add(
              new Call(
                  arguments.getFirst(),
                  arguments.subList(1, arguments.size()),
                  file.getFileName()
                      + ":"
                      + (1 + text.substring(0, m.start()).chars().filter(c -> c == '\n').count())));
        }
      }
    }
    return all;
  }

  /**
   * What stands between the parenthesis before here and the one that closes it, parted at its own
   * commas.
   */
  private static List<String> arguments(String text, int from) {
    List<String> arguments = new ArrayList<>();
    int depth = 0;
    int start = from;
    boolean quoted = false;
    for (int k = from; ; k++) {
      char c = text.charAt(k);
      if (quoted) {
        quoted = c != '"' || text.charAt(k - 1) == '\\';
      } else if (c == '"') {
        quoted = true;
      } else if (c == '(' || c == '{' || c == '[') {
        depth++;
      } else if (c == ',' && depth == 0) {
        arguments.add(text.substring(start, k).strip());
        start = k + 1;
      } else if (c == ')' || c == '}' || c == ']') {
        if (depth-- == 0) {
          arguments.add(text.substring(start, k).strip());
          return arguments;
        }
      }
    }
  }
}
