package org.yewledger.core;

import java.time.LocalDate;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

/** A small household for tests. */
public final class Fixtures {
  public static final UUID BOOK = new UUID(0, 1);
  public static final UUID OTHER_BOOK = new UUID(0, 2);
  public static final LocalDate OPENS = LocalDate.of(2025, 10, 1);
  public static final Account CURRENT =
      account(BOOK, "Harbour Current", AccountKind.CURRENT, OPENS);
  public static final Account CARD = account(BOOK, "Quillon Card", AccountKind.CARD, OPENS);
  public static final Account GROCERIES = account(BOOK, "Groceries", AccountKind.EXPENSE, null);
  public static final Account SCHOOL = account(BOOK, "School", AccountKind.EXPENSE, null);
  public static final Account EQUITY =
      account(BOOK, "Opening equity", AccountKind.OPENING_EQUITY, null);
  public static final Account PAPER =
      account(OTHER_BOOK, "Paper and ink", AccountKind.EXPENSE, null);

  private Fixtures() {}

  public static Account account(UUID book, String name, AccountKind kind, LocalDate opensOn) {
    UUID id = UUID.nameUUIDFromBytes(name.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    return new Account(id, book, name, kind, CurrencyUnit.EUR, false, opensOn);
  }

  public static BankLine line(String day, long amount, String text) {
    return line(day, amount, text, null);
  }

  public static BankLine line(String day, long amount, String text, String identity) {
    return new BankLine(LocalDate.parse(day), null, amount, "", text, "", "", identity, text, 1);
  }

  /** The code of the refusal that the work ends with. */
  public static String refusalOf(Runnable work) {
    try {
      work.run();
    } catch (Refusal e) {
      return e.code();
    }
    return "nothing refused";
  }
}
