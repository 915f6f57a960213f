package org.yewledger.core.export;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What a column of an export can hold. */
public enum ExportColumn {
  /**
   * By what the row is known for ever: the number of an entry, the identity of a posting or a line.
   */
  ID("Id", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES),
  DATE("Date", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES),
  VALUE_DATE("Value date", ExportOf.LINES),
  PAYEE("Payee", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES),
  /** Where the money came from; several accounts are joined. */
  FROM("From", ExportOf.ENTRIES),
  /** Where it went; several are joined. */
  TO("To", ExportOf.ENTRIES),
  ACCOUNT("Account", ExportOf.POSTINGS, ExportOf.LINES),
  /** Whether the account is an asset, a liability, equity, income or expense. */
  CLASS("Class", ExportOf.POSTINGS),
  /** Seen from the money: spent is below zero. Of a posting, a debit is above zero. */
  AMOUNT("Amount", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES),
  CURRENCY("Currency", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES),
  /** In the currency of the book; empty on the other side. */
  DEBIT("Debit", ExportOf.POSTINGS),
  CREDIT("Credit", ExportOf.POSTINGS),
  /** The sales tax in it. */
  TAX("Tax", ExportOf.ENTRIES),
  NOTE("Note", ExportOf.ENTRIES, ExportOf.POSTINGS),
  /** What the bank says. */
  TEXT("Text", ExportOf.LINES),
  REFERENCE("Reference", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES),
  METHOD("Method", ExportOf.ENTRIES, ExportOf.POSTINGS),
  TAGS("Tags", ExportOf.ENTRIES, ExportOf.POSTINGS),
  /** How far the bank confirms it; of a line, what became of it. */
  STATE("State", ExportOf.POSTINGS, ExportOf.LINES),
  BOOK("Book", ExportOf.ENTRIES, ExportOf.POSTINGS, ExportOf.LINES);

  private final String title;
  private final Set<ExportOf> of;

  ExportColumn(String title, ExportOf... of) {
    this.title = title;
    this.of = EnumSet.copyOf(List.of(of));
  }

  /** What it is called unless a person calls it otherwise. */
  public String title() {
    return title;
  }

  public boolean isOf(ExportOf rows) {
    return of.contains(rows);
  }

  /** The columns that rows can have, in their usual order. */
  public static List<ExportColumn> all(ExportOf rows) {
    return Arrays.stream(values()).filter(column -> column.isOf(rows)).toList();
  }
}
