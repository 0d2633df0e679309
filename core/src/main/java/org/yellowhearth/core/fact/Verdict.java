package org.yellowhearth.core.fact;

import org.yellowhearth.core.message.Stored;
import org.yellowhearth.core.message.Coded;

/** What is to be done with a part. */
public enum Verdict implements Coded {
    KEEP, WATCH, REFORM, @Stored("renew") REPLACE, RECHECK
}
