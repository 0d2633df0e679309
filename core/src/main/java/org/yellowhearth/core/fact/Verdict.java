package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Stored;

/** What is to be done with a part. */
public enum Verdict implements Coded {
  KEEP,
  WATCH,
  REFORM,
  @Stored("renew")
  REPLACE,
  RECHECK
}
