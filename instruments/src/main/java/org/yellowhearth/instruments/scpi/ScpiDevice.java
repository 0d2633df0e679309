package org.yellowhearth.instruments.scpi;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * An instrument that understands messages: the common commands of IEEE 488.2 with their status
 * registers, the error queue of SCPI, and whatever commands it adds. One message at a time; several
 * clients share one device and its status, as at a real one.
 */
public abstract class ScpiDevice {
  /** Longer messages are not taken. */
  public static final int LONGEST_MESSAGE = 4096;

  private static final int DEEPEST_QUEUE = 20;
  private static final int POWER_ON = 128;
  private static final int OPERATION_COMPLETE = 1;
  private static final int QUEUE_BIT = 4;
  private static final int EVENT_BIT = 32;
  private static final int SERVICE_BIT = 64;

  private final List<Command> commands = new ArrayList<>();
  private final Deque<String> errors = new ArrayDeque<>();
  private int events = POWER_ON;
  private int eventMask;
  private int serviceMask;

  /** A command with its header as a pattern. */
  private record Command(
      List<PatternNode> pattern, boolean query, Function<ScpiArguments, String> action) {}

  private record PatternNode(String word, boolean optional) {}

  protected ScpiDevice() {
    query("*IDN", a -> identity());
    command("*RST", a -> reset());
    command("*CLS", a -> clear());
    query(
        "*ESR",
        a -> {
          int was = events;
          events = 0;
          return Integer.toString(was);
        });
    command("*ESE", a -> eventMask = (int) a.number(0, "", 0, 255));
    query("*ESE", a -> Integer.toString(eventMask));
    command("*SRE", a -> serviceMask = (int) a.number(0, "", 0, 255) & ~SERVICE_BIT);
    query("*SRE", a -> Integer.toString(serviceMask));
    query("*STB", a -> Integer.toString(statusByte()));
    command("*OPC", a -> events |= OPERATION_COMPLETE);
    query("*OPC", a -> "1");
    command(
        "*WAI",
        a -> {
          // Every command is complete when the next is read.
        });
    query("*TST", a -> "0");
    query("SYSTem:ERRor[:NEXT]", a -> errors.isEmpty() ? "0,\"No error\"" : errors.poll());
    query("SYSTem:VERSion", a -> "1999.0");
  }

  /** What it says it is: maker, model, serial, version, without commas of its own. */
  protected abstract String identity();

  /** Back to how it was switched on; whatever it drives goes off. */
  protected abstract void reset();

  /** What happens before every message: time has passed. */
  protected abstract void catchUp();

  /**
   * Adds a command; the header is written with its short form in capitals and optional nodes in
   * brackets.
   */
  protected final void command(String header, Consumer<ScpiArguments> action) {
    commands.add(
        new Command(
            pattern(header),
            false,
            a -> {
              action.accept(a);
              return null;
            }));
  }

  /** Adds a query. */
  protected final void query(String header, Function<ScpiArguments, String> action) {
    commands.add(new Command(pattern(header), true, action));
  }

  private static List<PatternNode> pattern(String header) {
    String spread = header.replace("[:", ":[");
    return Arrays.stream(spread.split(":", -1))
        .filter(n -> !n.isEmpty())
        .map(n -> new PatternNode(n.replaceAll("[\\[\\]]", ""), n.startsWith("[")))
        .toList();
  }

  private void clear() {
    errors.clear();
    events = 0;
  }

  private int statusByte() {
    int status = (errors.isEmpty() ? 0 : QUEUE_BIT) | ((events & eventMask) == 0 ? 0 : EVENT_BIT);
    return status | ((status & serviceMask) == 0 ? 0 : SERVICE_BIT);
  }

  /** Puts an error into the queue; where the queue is full, its last place says so. */
  public final synchronized void fault(ScpiFault fault, String detail) {
    events |= fault.eventBit();
    if (errors.size() < DEEPEST_QUEUE) {
      errors.add(
          fault.number()
              + ",\""
              + fault.words()
              + "; "
              + ScpiUnit.printable(detail).replace("\"", "'")
              + "\"");
    } else {
      errors.pollLast();
      errors.add(
          ScpiFault.QUEUE_OVERFLOW.number() + ",\"" + ScpiFault.QUEUE_OVERFLOW.words() + "\"");
    }
  }

  /**
   * Carries out a message; what its queries answer, joined by semicolons. The first thing wrong
   * ends it, and stands in the error queue.
   */
  public final synchronized Optional<String> execute(String message) {
    List<String> answers = new ArrayList<>();
    try {
      if (message.length() > LONGEST_MESSAGE) {
        throw new ScpiException(
            ScpiFault.INPUT_OVERRUN, "a message has at most " + LONGEST_MESSAGE + " characters");
      }
      catchUp();
      for (ScpiUnit unit : ScpiUnit.parse(message)) {
        String answer = find(unit).action.apply(new ScpiArguments(unit));
        if (answer != null) {
          answers.add(answer);
        }
      }
    } catch (ScpiException e) {
      String words = e.fault().words();
      fault(
          e.fault(),
          e.getMessage().substring(Math.min(e.getMessage().length(), words.length() + 2)));
    }
    return answers.isEmpty() ? Optional.empty() : Optional.of(String.join(";", answers));
  }

  private Command find(ScpiUnit unit) {
    return commands.stream()
        .filter(c -> c.query == unit.query() && fits(c.pattern, unit.nodes(), 0, 0))
        .findFirst()
        .orElseThrow(() -> new ScpiException(ScpiFault.UNDEFINED_HEADER, unit.header()));
  }

  private static boolean fits(List<PatternNode> pattern, List<ScpiUnit.Node> nodes, int p, int n) {
    if (p == pattern.size()) {
      return n == nodes.size();
    }
    PatternNode node = pattern.get(p);
    boolean here =
        n < nodes.size()
            && ScpiArguments.matches(node.word, nodes.get(n).mnemonic())
            && fits(pattern, nodes, p + 1, n + 1);
    return here || (node.optional && fits(pattern, nodes, p + 1, n));
  }

  /** A figure as instruments print it. */
  public static String figure(double value) {
    return String.format(Locale.ROOT, "%+.6E", value);
  }

  /** What stands for a reading beyond the range (SCPI-99). */
  public static final double OVERFLOW = 9.9e37;
}
