package org.yewledger.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * Something that happened to the family's money: a line at a bank, perhaps its other half at
 * another of their banks, and how it is booked.
 *
 * @param shares where the line's amount goes, with the line's sign
 * @param twin the line on the other account, if that account has lines of its own
 */
public record Happening(
    Line line, String payee, String note, List<Share> shares, Optional<Line> twin) {

  /** A bank line before it is written into any format. {@code account} is a name of the chart. */
  public record Line(
      String account,
      LocalDate day,
      long amountMinor,
      String name,
      String memo,
      String reference,
      String type) {}

  /**
   * A part of the line's amount and the account that it is booked to.
   *
   * @param otherMinor the amount there, where that account is in another currency; zero otherwise
   */
  public record Share(String account, long amountMinor, String note, long otherMinor) {
    public Share(String account, long amountMinor, String note) {
      this(account, amountMinor, note, 0);
    }
  }
}
