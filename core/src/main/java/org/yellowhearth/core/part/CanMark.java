package org.yellowhearth.core.part;

import org.yellowhearth.core.message.Coded;

/** The symbol cut or printed beside the terminal of one section of a can (common practice). */
public enum CanMark implements Coded {
  UNSTATED,
  PLAIN,
  SQUARE,
  HALF_ROUND,
  TRIANGLE
}
