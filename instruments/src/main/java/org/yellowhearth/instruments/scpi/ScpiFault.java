package org.yellowhearth.instruments.scpi;

/**
 * What can be wrong with a message, with the number and words of SCPI-99 (volume 2, chapter 21;
 * from memory).
 */
public enum ScpiFault {
  INVALID_CHARACTER(-101, "Invalid character"), //
  SYNTAX_ERROR(-102, "Syntax error"), //
  INVALID_SEPARATOR(-103, "Invalid separator"), //
  DATA_TYPE(-104, "Data type error"), //
  PARAMETER_NOT_ALLOWED(-108, "Parameter not allowed"), //
  MISSING_PARAMETER(-109, "Missing parameter"), //
  MNEMONIC_TOO_LONG(-112, "Program mnemonic too long"), //
  UNDEFINED_HEADER(-113, "Undefined header"), //
  HEADER_SUFFIX(-114, "Header suffix out of range"), //
  INVALID_SUFFIX(-131, "Invalid suffix"), //
  SETTINGS_CONFLICT(-221, "Settings conflict"), //
  OUT_OF_RANGE(-222, "Data out of range"), //
  ILLEGAL_VALUE(-224, "Illegal parameter value"), //
  STALE(-230, "Data corrupt or stale"), //
  HARDWARE(-240, "Hardware error"), //
  QUEUE_OVERFLOW(-350, "Queue overflow"), //
  INPUT_OVERRUN(-363, "Input buffer overrun"), //
  INTERRUPTED(-410, "Query INTERRUPTED");

  private final int number;
  private final String words;

  ScpiFault(int number, String words) {
    this.number = number;
    this.words = words;
  }

  public int number() {
    return number;
  }

  public String words() {
    return words;
  }

  /** The bit of the standard event status register it sets (IEEE 488.2). */
  int eventBit() {
    return switch (number / 100) {
      case -1 -> 32;
      case -2 -> 16;
      case -3 -> 8;
      default -> 4;
    };
  }
}
