package org.yewledger.app.platform;

/** What a person may do in a household: each role may do all that the ones after it may. */
public enum Role {
  /** Everything, people and their roles among it. */
  OWNER,
  /** Keeps the books. */
  BOOKKEEPER,
  /** Sees everything, changes nothing. */
  READER
}
