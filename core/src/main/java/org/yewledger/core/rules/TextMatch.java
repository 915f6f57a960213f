package org.yewledger.core.rules;

/** How a text has to compare with what a condition says. Case and accents play no part. */
public enum TextMatch {
  /** Whole words next to each other, in this order, however they are set apart. */
  HAS_WORDS("has the words"),
  IS("is"),
  CONTAINS("contains"),
  STARTS("begins with"),
  ENDS("ends with"),
  /** A regular expression is found in it. */
  LIKE("is like");

  private final String words;

  TextMatch(String words) {
    this.words = words;
  }

  /** As it is written in a rule. */
  public String words() {
    return words;
  }
}
