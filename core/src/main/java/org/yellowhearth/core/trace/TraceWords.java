package org.yellowhearth.core.trace;

import org.yellowhearth.core.message.MessageKey;

/** What can be said about a supply that cannot be worked out, or was worked out on an assumption. */
public enum TraceWords implements MessageKey {
    /** A part that is pointed at is not in the census: section, part. */
    NO_SUCH_PART,
    /** A part is of a sort that cannot stand there: section, part. */
    WRONG_SORT,
    /** A value is neither typed nor known of a part: section, which. */
    VALUE_MISSING,
    /** The supply as described cannot be: where, why. */
    CANNOT_BE,
    /** No steady state was found. */
    NO_STEADY_STATE,
    /** Nothing is described yet. */
    NOTHING_DESCRIBED
}
