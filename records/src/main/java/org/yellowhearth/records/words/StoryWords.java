package org.yellowhearth.records.words;

import org.yellowhearth.core.message.MessageKey;

/** How the journal tells an entry. */
enum StoryWords implements MessageKey {
    ARRIVED, PLATE_CHANGED, POLICY_CHANGED, PART_ADDED, PART_CHANGED, PART_REMOVED, READING_KEPT, READING_WITHDRAWN, NOTE, LIT, OFF, UNDID, REDID
}
