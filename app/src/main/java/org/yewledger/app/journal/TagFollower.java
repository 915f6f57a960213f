package org.yewledger.app.journal;

/**
 * Something that names tags, and follows when one is called otherwise or becomes part of another.
 */
public interface TagFollower {
  /** What was called {@code from} is called {@code to} now. */
  void renamed(String from, String to);
}
