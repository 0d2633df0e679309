package org.yellowhearth.instruments.link;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.time.Duration;

/** A line over TCP. */
final class TcpLink extends StreamLink {
  private final Socket socket;

  private TcpLink(String address, Socket socket) throws IOException {
    super(address, new BufferedInputStream(socket.getInputStream()), socket.getOutputStream());
    this.socket = socket;
  }

  static TcpLink open(LinkAddress.Tcp to, Duration patience) throws IOException {
    Socket socket = new Socket();
    try {
      socket.connect(new InetSocketAddress(to.host(), to.port()), (int) patience.toMillis());
      socket.setSoTimeout((int) patience.toMillis());
      socket.setTcpNoDelay(true);
      return new TcpLink(to.toString(), socket);
    } catch (IOException e) {
      socket.close();
      throw new IOException("no instrument answers at " + to + ": " + e.getMessage(), e);
    }
  }

  @Override
  void release() throws IOException {
    socket.close();
  }
}
