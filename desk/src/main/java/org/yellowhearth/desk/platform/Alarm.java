package org.yellowhearth.desk.platform;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Three short tones; where the machine has no sound, colour and words must do. */
public final class Alarm {
  private static final Logger LOG = LoggerFactory.getLogger(Alarm.class);
  private static final float RATE = 22_050;
  private static final double HERTZ = 880;
  private static final double TONE_SECONDS = 0.18;
  private static final double CYCLE_SECONDS = 0.3;
  private static final int TONES = 3;
  private static final double LOUD = 90;

  private Alarm() {}

  /** Sounds them. */
  public static void sound() {
    Thread.ofVirtual().name("alarm").start(Alarm::play);
  }

  private static void play() {
    AudioFormat format = new AudioFormat(RATE, 8, 1, true, false);
    try (SourceDataLine line = AudioSystem.getSourceDataLine(format)) {
      byte[] wave = new byte[(int) (RATE * CYCLE_SECONDS * TONES)];
      for (int k = 0; k < wave.length; k++) {
        boolean on = k / RATE % CYCLE_SECONDS < TONE_SECONDS;
        wave[k] = (byte) (on ? LOUD * Math.sin(2 * Math.PI * HERTZ * k / RATE) : 0);
      }
      line.open(format);
      line.start();
      line.write(wave, 0, wave.length);
      line.drain();
    } catch (LineUnavailableException | IllegalArgumentException e) {
      LOG.info("No sound here: {}", e.getMessage());
    }
  }
}
