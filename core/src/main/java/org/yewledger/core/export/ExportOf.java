package org.yewledger.core.export;

/** What each row of an export is. */
public enum ExportOf {
  ENTRIES,
  /** The parts of entries, one for each account. */
  POSTINGS,
  /** Bank lines. */
  LINES
}
