package org.yewledger.app.chart;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;

/** What the API says about the chart of accounts. */
final class ChartJson {
  private ChartJson() {}

  /** An account for switches and type-ahead. */
  record AccountJson(
      UUID id,
      UUID bookId,
      String name,
      String groupName,
      AccountClass accountClass,
      AccountKind kind,
      boolean group,
      boolean hasStatements,
      boolean hasOpeningBalance,
      boolean keptByCore,
      boolean pinned,
      String tail,
      String currency,
      @Nullable LocalDate opensOn,
      @Nullable LocalDate closedOn) {

    static AccountJson of(Account account, Chart chart) {
      return new AccountJson(
          account.id(),
          account.bookId(),
          account.name(),
          chart.groupName(account.id()),
          account.accountClass(),
          account.kind(),
          account.group(),
          account.kind().hasStatements(),
          account.kind().hasOpeningBalance(),
          account.kind().isKeptByCore(),
          chart.facts(account.id()).pinned(),
          chart.tail(account.id()),
          account.currency().getCode(),
          account.opensOn(),
          account.closedOn());
    }
  }

  /**
   * A row of the chart; groups stand before what is in them.
   *
   * @param depth how many groups it stands in
   * @param debit the balance, or that of the whole group, in the book's currency; on the other side
   *     it is {@code credit}. Both are null at zero
   * @param currency that of the account, or the one that all of a group shares
   * @param own the balance in that currency, where it is not the book's
   * @param agreedThrough the closing day of the last finished statement
   * @param waiting bank lines that are not posted yet
   */
  record ChartRowJson(
      UUID id,
      int version,
      @Nullable UUID parentId,
      int place,
      int depth,
      String name,
      String tail,
      AccountKind kind,
      boolean group,
      boolean keptByCore,
      boolean pinned,
      String currency,
      @Nullable BigDecimal own,
      @Nullable BigDecimal debit,
      @Nullable BigDecimal credit,
      @Nullable LocalDate opensOn,
      @Nullable LocalDate closedOn,
      @Nullable LocalDate agreedThrough,
      int waiting) {}

  record ClassJson(
      AccountClass accountClass,
      @Nullable BigDecimal debit,
      @Nullable BigDecimal credit,
      List<ChartRowJson> rows) {}

  /** A book's chart; its debits and credits are summed by account and are equal. */
  record BookChartJson(
      UUID bookId,
      String name,
      String currency,
      int accounts,
      BigDecimal debit,
      BigDecimal credit,
      List<ClassJson> classes) {}

  record ChartPageJson(LocalDate on, List<BookChartJson> books) {}

  /**
   * An account as the person writes it.
   *
   * @param opening for a new one with an opening day: what stands on it at the end of the day
   *     before
   */
  record AccountDraftJson(
      @NotNull UUID bookId,
      @Nullable UUID parentId,
      @NotNull @Size(max = 200) String name,
      @NotNull AccountKind kind,
      @NotNull @Size(max = Texts.SHORT) String currency,
      boolean group,
      @Nullable LocalDate opensOn,
      @Nullable BigDecimal opening,
      @NotNull @jakarta.validation.Valid FactsJson facts) {}

  /** {@code place} counts from 0 among the new neighbours; missing: at the end. */
  record MoveAccountJson(@Nullable UUID parentId, @Nullable Integer place) {}

  record MergeJson(@NotNull UUID intoId) {}

  record MergedJson(long postings) {}

  record MadeJson(UUID id) {}
}
