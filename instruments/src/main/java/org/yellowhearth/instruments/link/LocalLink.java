package org.yellowhearth.instruments.link;

import java.io.IOException;
import org.yellowhearth.instruments.scpi.ScpiDevice;

/** A line to a stand-in inside this very program, without a network. */
public final class LocalLink implements InstrumentLink {
  private final ScpiDevice device;
  private volatile boolean open = true;

  public LocalLink(ScpiDevice device) {
    this.device = device;
  }

  @Override
  public String address() {
    return "stand-in";
  }

  private void requireOpen() throws IOException {
    if (!open) {
      throw new IOException("the line to the stand-in is closed");
    }
  }

  @Override
  public void send(String command) throws IOException {
    requireOpen();
    device.execute(command);
  }

  @Override
  public String ask(String query) throws IOException {
    requireOpen();
    return device
        .execute(query)
        .orElseThrow(() -> new IOException("the stand-in has no answer to " + query));
  }

  @Override
  public boolean open() {
    return open;
  }

  @Override
  public void close() {
    open = false;
  }
}
