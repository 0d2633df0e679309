package org.yellowhearth.instruments.link;

import java.io.IOException;

/**
 * A line to one instrument, stand-in or real: messages go out, answers come back, one at a time.
 * Closing it and losing it are the same to the instrument: what it drives stays as it was, so
 * whoever drives something switches it off first.
 */
public interface InstrumentLink extends AutoCloseable {
  /** Where it leads, for a person to read. */
  String address();

  /**
   * Sends a command that has no answer.
   *
   * @throws IOException where the line is lost; it is then closed
   */
  void send(String command) throws IOException;

  /**
   * Sends a command at once, even while an answer to something else is being waited for: what
   * switches off does not wait its turn. An instrument reads it when it comes to it; whether it
   * obeyed is asked afterwards.
   *
   * @throws IOException where the line is lost
   */
  default void urge(String command) throws IOException {
    send(command);
  }

  /**
   * Asks and waits for the answer.
   *
   * @throws IOException where the line is lost or no answer comes in time; it is then closed,
   *     because what comes later would be taken for the answer to the next question
   */
  String ask(String query) throws IOException;

  /** Whether it is still open. */
  boolean open();

  @Override
  void close();
}
