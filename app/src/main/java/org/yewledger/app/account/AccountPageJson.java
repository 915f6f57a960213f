package org.yewledger.app.account;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.FactsJson;
import org.yewledger.app.reconcile.ChainBreakJson.OpenedAgainJson;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;

/**
 * An account with all that is known of it. Amounts are in its own currency unless said otherwise.
 *
 * @param base the balance in the book's currency
 * @param seen what of the balance the bank has confirmed; {@code open} is the rest
 * @param bank what the bank says in the month of the day, by a statement or else by a feed, or what
 *     it said last; null if it never did
 * @param balances the balance after each day on which it changed, over twelve months
 * @param whyNotDeleted why it cannot be deleted; empty if it can
 */
record AccountPageJson(
    UUID id,
    int version,
    UUID bookId,
    String bookName,
    @Nullable UUID parentId,
    String groupName,
    String name,
    AccountKind kind,
    AccountClass accountClass,
    boolean group,
    boolean keptByCore,
    boolean hasStatements,
    String currency,
    String baseCurrency,
    @Nullable LocalDate opensOn,
    @Nullable LocalDate closedOn,
    FactsJson facts,
    @Nullable String taxRate,
    LocalDate on,
    BigDecimal balance,
    BigDecimal base,
    BigDecimal seen,
    BigDecimal open,
    @Nullable BankJson bank,
    @Nullable OpeningOnPageJson opening,
    List<DayJson> balances,
    List<StatementOnPageJson> statements,
    List<RuleOnPageJson> rules,
    List<HistoryJson> history,
    String whyNotDeleted) {

  /** What the bank says, what the books say of the same, and how far they are apart. */
  record BankJson(LocalDate on, BigDecimal says, BigDecimal booksSay, BigDecimal apart) {}

  /** The opening balance; {@code base} in the book's currency. */
  record OpeningOnPageJson(
      LocalDate balanceOn, long entryNo, BigDecimal balance, BigDecimal base, String equityName) {}

  record DayJson(LocalDate day, BigDecimal balance) {}

  /**
   * A statement in the chain of the account.
   *
   * @param openedAgain what became of it since it agreed; null where it agrees, or never did
   */
  record StatementOnPageJson(
      UUID id,
      LocalDate closesOn,
      BigDecimal closing,
      boolean finished,
      BigDecimal apart,
      @Nullable OpenedAgainJson openedAgain) {}

  record RuleOnPageJson(UUID id, String told, String payee, boolean booksHere) {}

  record HistoryJson(Instant at, String who, String what) {}
}
