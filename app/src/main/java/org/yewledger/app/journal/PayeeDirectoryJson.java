package org.yewledger.app.journal;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What the API says about payees and their entries. */
final class PayeeDirectoryJson {
  private PayeeDirectoryJson() {}

  /**
   * @param in what came from them; {@code out} what went to them, below zero
   */
  record PayeeMovedJson(String currency, BigDecimal in, BigDecimal out) {}

  /**
   * @param version to be sent back when it is changed
   * @param knownAs the texts by which banks call it
   * @param query what finds its entries in the journal
   * @param last the day of the newest entry; null if there is none
   * @param moved by currency, without transfers
   * @param usualCategory what most of the newest entries went to; null if there is none
   * @param category what its entries go to by default, as somebody has said; null if nobody has
   * @param contact how it is reached
   */
  record DirectoryPayeeJson(
      UUID id,
      int version,
      String name,
      List<String> knownAs,
      String query,
      int entries,
      @Nullable LocalDate last,
      List<PayeeMovedJson> moved,
      @Nullable String usualCategory,
      @Nullable UUID categoryId,
      @Nullable String category,
      String accountNumber,
      String contact,
      String note) {}
}
