package org.yellowhearth.core.renew;

import org.yellowhearth.core.message.MessageKey;

/** Why a replacement is proposed, or none. */
public enum RenewWords implements MessageKey {
    VALUE_SAME, VALUE_NEAREST, VALUE_EXACT_OFF, RATING_ORIGINAL, RATING_WORKING, RATING_NO_WORKING, RATING_TANTALUM, RATING_NO_RAIL, //
    RATING_ABOVE_WORKING, HEIR, CLASS_X, CLASS_Y, NO_RATING_MARKED, NO_SINGLE_PART, NO_KIND, NO_MAINS, POSITIVE_EARTH, ONLY_CAPACITORS
}
