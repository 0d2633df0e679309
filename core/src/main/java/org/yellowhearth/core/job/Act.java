package org.yellowhearth.core.job;

/** What an entry of the journal does: an edit, or taking back or repeating an earlier one. */
public sealed interface Act {
  record Did(Edit edit) implements Act {}

  /** Takes back the edit of an earlier entry. */
  record Undid(int entry) implements Act {}

  /** Does the edit of an earlier entry again. */
  record Redid(int entry) implements Act {}
}
