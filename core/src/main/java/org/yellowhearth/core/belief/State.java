package org.yellowhearth.core.belief;

import org.yellowhearth.core.message.Coded;

/** What a part may be; exactly one of them is so. */
public enum State implements Coded {
  /** It does its work. */
  SOUND,
  /** It still works, but away from its value: dried out, lossy, drifted, weak. */
  WORN,
  /** Current passes where none should. */
  LEAKY,
  SHORT,
  OPEN
}
