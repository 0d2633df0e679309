package org.yellowhearth.instruments.link;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import java.io.IOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;

/** A line over a serial port. */
final class SerialLink extends StreamLink {
  private final SerialPort port;

  private SerialLink(String address, SerialPort port) {
    super(address, port.getInputStream(), port.getOutputStream());
    this.port = port;
  }

  static SerialLink open(LinkAddress.Serial to, Duration patience) throws IOException {
    SerialPort port;
    try {
      port = SerialPort.getCommPort(to.port());
    } catch (SerialPortInvalidPortException e) {
      throw new IOException(
          "there is no serial port " + to.port() + " here; there are: " + names(), e);
    }
    port.setComPortParameters(to.baud(), 8, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
    port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, (int) patience.toMillis(), 0);
    if (!port.openPort()) {
      throw new IOException(
          "the serial port " + to.port() + " cannot be opened: it is in use, or this user may not");
    }
    return new SerialLink(to.toString(), port);
  }

  /** The serial ports of this machine. */
  static List<String> names() {
    return Arrays.stream(SerialPort.getCommPorts())
        .map(SerialPort::getSystemPortName)
        .sorted()
        .toList();
  }

  @Override
  void release() {
    port.closePort();
  }
}
