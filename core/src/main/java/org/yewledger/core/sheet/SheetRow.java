package org.yewledger.core.sheet;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/**
 * A row of a person's own sheet, its cells read and its names not yet understood.
 *
 * @param line where it stands in the file, from 1
 * @param payee who it is; empty where the sheet does not say
 * @param amount as it is written; what its sign means is for {@link SheetSign} to say
 * @param currency its sign or code; empty where the sheet has none
 * @param account the name of the account that paid or received it; empty where the sheet names none
 * @param category the name of what it went to or came from
 * @param tax the name of a rate, its percentage, or that there is none; empty for what is usual
 */
public record SheetRow(
    int line,
    LocalDate day,
    String payee,
    BigDecimal amount,
    String currency,
    String account,
    String category,
    String tax,
    String note,
    List<String> tags) {
  public SheetRow {
    tags = List.copyOf(tags);
  }

  SheetName accountName() {
    return SheetName.of(SheetName.Side.ACCOUNT, account);
  }

  SheetName categoryName() {
    return SheetName.of(SheetName.Side.CATEGORY, category);
  }
}
