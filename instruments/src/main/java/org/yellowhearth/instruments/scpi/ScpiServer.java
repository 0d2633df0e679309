package org.yellowhearth.instruments.scpi;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One device on one port of the loopback address: nobody beyond this machine can reach it. Messages
 * end with a line feed; every client has a thread of its own, so a slow one holds up nobody.
 */
public final class ScpiServer implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(ScpiServer.class);
  private static final int MOST_CLIENTS = 8;

  private final ScpiDevice device;
  private final ServerSocket listener;
  private final Set<Socket> clients = ConcurrentHashMap.newKeySet();

  private ScpiServer(ScpiDevice device, ServerSocket listener) {
    this.device = device;
    this.listener = listener;
  }

  /**
   * Starts to listen on 127.0.0.1.
   *
   * @param port the port, 0 for any that is free
   * @throws IOException where the port is taken
   */
  public static ScpiServer open(ScpiDevice device, int port) throws IOException {
    ServerSocket listener = new ServerSocket();
    try {
      listener.setReuseAddress(true);
      listener.bind(
          new InetSocketAddress(InetAddress.getByAddress(new byte[] {127, 0, 0, 1}), port),
          MOST_CLIENTS);
    } catch (IOException e) {
      listener.close();
      throw new IOException("port " + port + " on 127.0.0.1 cannot be taken: " + e.getMessage(), e);
    }
    ScpiServer server = new ScpiServer(device, listener);
    Thread.ofVirtual().name("scpi-" + listener.getLocalPort()).start(server::accept);
    return server;
  }

  public int port() {
    return listener.getLocalPort();
  }

  /** Where it listens. */
  public InetSocketAddress address() {
    return (InetSocketAddress) listener.getLocalSocketAddress();
  }

  private void accept() {
    while (!listener.isClosed()) {
      try {
        Socket client = listener.accept();
        if (clients.size() >= MOST_CLIENTS) {
          client.close();
          continue;
        }
        clients.add(client);
        Thread.ofVirtual().start(() -> serve(client));
      } catch (IOException e) {
        if (!listener.isClosed()) {
          LOG.warn("a client of {} could not be taken", device.identity(), e);
        }
      }
    }
  }

  private void serve(Socket client) {
    try (client) {
      client.setTcpNoDelay(true);
      InputStream in = new BufferedInputStream(client.getInputStream());
      OutputStream out = client.getOutputStream();
      for (Optional<String> line = readLine(in); line.isPresent(); line = readLine(in)) {
        Optional<String> answer = device.execute(line.get());
        if (answer.isPresent()) {
          out.write((answer.get() + "\n").getBytes(StandardCharsets.US_ASCII));
          out.flush();
        }
      }
    } catch (IOException e) {
      // A client that is gone asks for nothing more; what it set stays set, as at a real
      // instrument.
      LOG.debug("a client of {} is gone", device.identity(), e);
    } finally {
      clients.remove(client);
    }
  }

  /**
   * A line without its end; empty when the client has closed. What is too long is read to its end
   * and refused once.
   */
  private Optional<String> readLine(InputStream in) throws IOException {
    StringBuilder line = new StringBuilder();
    boolean tooLong = false;
    for (int c = in.read(); c != -1; c = in.read()) {
      if (c == '\n') {
        if (tooLong) {
          device.fault(
              ScpiFault.INPUT_OVERRUN,
              "a message has at most " + ScpiDevice.LONGEST_MESSAGE + " characters");
          return Optional.of("");
        }
        return Optional.of(line.toString().strip());
      }
      if (line.length() < ScpiDevice.LONGEST_MESSAGE) {
        line.append((char) c);
      } else {
        tooLong = true;
      }
    }
    return Optional.empty();
  }

  @Override
  public void close() throws IOException {
    listener.close();
    for (Socket client : clients) {
      client.close();
    }
  }
}
