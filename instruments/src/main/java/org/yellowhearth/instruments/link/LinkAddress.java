package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Where an instrument is reached: over TCP, or at a serial port of this machine. */
public sealed interface LinkAddress {
  /** A host and port. */
  record Tcp(String host, int port) implements LinkAddress {
    public Tcp {
      if (host.isBlank() || port < 1 || port > 65_535) {
        throw new IllegalArgumentException(
            "an instrument on the network is host:port with a port of 1 to 65535");
      }
    }

    @Override
    public InstrumentLink open(Duration patience) throws IOException {
      return TcpLink.open(this, patience);
    }

    @Override
    public String toString() {
      return host + ":" + port;
    }
  }

  /** A serial port with its speed in baud; eight bits, no parity, one stop bit. */
  record Serial(String port, int baud) implements LinkAddress {
    public Serial {
      if (port.isBlank() || baud < 110 || baud > 4_000_000) {
        throw new IllegalArgumentException("a serial port is name@baud with 110 to 4000000 baud");
      }
    }

    @Override
    public InstrumentLink open(Duration patience) throws IOException {
      return SerialLink.open(this, patience);
    }

    @Override
    public String toString() {
      return "serial:" + port + "@" + baud;
    }
  }

  /** Opens it; whatever is asked there is waited for so long. */
  InstrumentLink open(Duration patience) throws IOException;

  /**
   * Reads {@code host:port} or {@code serial:port@baud}.
   *
   * @throws IllegalArgumentException that says what was expected
   */
  static LinkAddress parse(String text) {
    Matcher serial = Pattern.compile("serial:([^@\\s]+)(?:@(\\d{2,7}))?").matcher(text.strip());
    if (serial.matches()) {
      return new Serial(
          serial.group(1), serial.group(2) == null ? 9600 : Integer.parseInt(serial.group(2)));
    }
    Matcher tcp =
        Pattern.compile("([A-Za-z0-9.-]+|\\[[0-9A-Fa-f:]+\\]):(\\d{1,5})").matcher(text.strip());
    if (tcp.matches()) {
      return new Tcp(tcp.group(1), Integer.parseInt(tcp.group(2)));
    }
    throw new IllegalArgumentException(
        "\""
            + text.strip()
            + "\" is no instrument's address; expected host:port, as 127.0.0.1:5025, or serial:port@baud, as serial:ttyUSB0@9600");
  }
}
