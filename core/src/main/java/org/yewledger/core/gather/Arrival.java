package org.yewledger.core.gather;

/**
 * A bank line of a file, compared with what is already there.
 *
 * @param ordinal which of the equal lines of its day this is, counted from 1 over the whole account
 */
public record Arrival(BankLine line, Standing standing, int ordinal) {

  /** Whether the line is already in the books. */
  public enum Standing {
    NEW,
    KNOWN
  }

  public boolean isNew() {
    return standing == Standing.NEW;
  }
}
