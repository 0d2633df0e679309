package org.yellowhearth.records.words;

import org.yellowhearth.core.message.MessageKey;

/** How the journal tells an entry. */
enum StoryWords implements MessageKey {
    ARRIVED, PLATE_CHANGED, POLICY_CHANGED, PART_ADDED, PART_CHANGED, PART_REMOVED, READING_KEPT, READING_WITHDRAWN, NOTE, LIT, OFF, UNDID, REDID, //
    ASPECT_CHANGED, ITEM_ADDED, ITEM_CHANGED, ITEM_REMOVED, VOLTS, VOLTS_FOUND, CLIP, UNCLIP, ANSWERED, ANSWERED_VOLTS, TOGETHER
}
