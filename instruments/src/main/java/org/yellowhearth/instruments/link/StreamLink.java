package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;

/** What links over two streams have in common: lines out and lines in. */
abstract class StreamLink implements InstrumentLink {
  private static final int LONGEST_ANSWER = 65_536;

  private final String address;
  private final InputStream in;
  private final OutputStream out;

  /** Held while something is written, and not while an answer is waited for. */
  private final Object writing = new Object();

  private volatile boolean open = true;

  StreamLink(String address, InputStream in, OutputStream out) {
    this.address = address;
    this.in = in;
    this.out = out;
  }

  @Override
  public String address() {
    return address;
  }

  @Override
  public boolean open() {
    return open;
  }

  @Override
  public synchronized void send(String command) throws IOException {
    write(command);
  }

  @Override
  public void urge(String command) throws IOException {
    write(command);
  }

  private void write(String command) throws IOException {
    if (!open) {
      throw new IOException("the connection to " + address + " is closed");
    }
    try {
      synchronized (writing) {
        out.write((command + "\n").getBytes(StandardCharsets.US_ASCII));
        out.flush();
      }
    } catch (IOException e) {
      close();
      throw new IOException("the connection to " + address + " is lost: " + e.getMessage(), e);
    }
  }

  @Override
  public synchronized String ask(String query) throws IOException {
    send(query);
    try {
      StringBuilder line = new StringBuilder();
      for (int c = in.read(); c != '\n'; c = in.read()) {
        if (c == -1) {
          throw new IOException("it was closed at the other end");
        }
        if (line.length() == LONGEST_ANSWER) {
          throw new IOException("an answer without end");
        }
        line.append((char) c);
      }
      return line.toString().strip();
    } catch (SocketTimeoutException e) {
      close();
      throw new IOException("no answer from " + address + " to " + query + " in time", e);
    } catch (IOException e) {
      close();
      throw new IOException("the connection to " + address + " is lost: " + e.getMessage(), e);
    }
  }

  /** Lets go of what the streams hang on. */
  abstract void release() throws IOException;

  @Override
  public void close() {
    open = false;
    try {
      release();
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(
          "the connection to " + address + " cannot be closed", e);
    }
  }
}
