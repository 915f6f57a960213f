package org.yewledger.app.almanac;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.reconcile.AccountMonth;

/** What the API says about the Almanac. */
final class AlmanacJson {
  private AlmanacJson() {}

  /** {@code share} is the agreed part of the lines while in progress, from 0 to 100. */
  record CellJson(
      YearMonth month,
      AccountMonth.State state,
      int share,
      @Nullable BigDecimal difference,
      @Nullable UUID statementId) {}

  /** Where the balance of the month comes from. */
  enum Source {
    FILE,
    PAPER,
    COUNT,
    TO_COUNT,
    /** No statement is in hand; a feed has said a balance on a day of the month. */
    FEED,
    TO_COME
  }

  /**
   * An account's months, and its figures at the end of the chosen one.
   *
   * @param bankOn the day of the bank's balance; null where the bank has not said any
   */
  record AccountRowJson(
      UUID accountId,
      String name,
      String tail,
      String currency,
      List<CellJson> months,
      Source source,
      @Nullable LocalDate bankOn,
      @Nullable BigDecimal bankSays,
      BigDecimal booksSay,
      @Nullable BigDecimal apart,
      int waiting) {}

  /**
   * A book's accounts.
   *
   * @param agreedThrough the last month in which all of them agree
   * @param closedThrough the last month that is closed
   * @param toClose the month through which the book can be closed; null if that is done
   */
  record BookRowsJson(
      UUID bookId,
      String name,
      @Nullable YearMonth agreedThrough,
      @Nullable YearMonth closedThrough,
      @Nullable YearMonth toClose,
      List<AccountRowJson> accounts) {}

  /** What is left at each station of the work path. */
  record StationsJson(int gather, int post, int reconcile, int close) {}

  /** A kind of work that is next. */
  enum Task {
    OPENING_BALANCE,
    /** The count is the days that are left of a consent; negative once it has ended. */
    RENEW_CONSENT,
    STATEMENTS_TO_COME,
    /** Cash that was not counted yet. */
    COUNT,
    DOUBTS,
    /** The count is the lines that trusted rules have posted of late. */
    TRUSTED_POSTED,
    POST_PROPOSED,
    ANSWER,
    /** Something of entries is not placed yet; the difference is what stands in suspense. */
    PLACE,
    /** The count is the due items whose day is over and that have not come. */
    OVERDUE,
    RECONCILE,
    /** A book agrees through a month that is not closed; the count is its accounts. */
    CLOSE
  }

  /**
   * @param accounts their names; of a consent the institution's, of a close the book's
   * @param month that is to be closed
   */
  record NextJson(
      Task task,
      List<String> accounts,
      int count,
      @Nullable UUID statementId,
      @Nullable UUID accountId,
      @Nullable BigDecimal difference,
      @Nullable UUID bookId,
      @Nullable YearMonth month) {

    static NextJson of(Task task, List<String> accounts, int count) {
      return new NextJson(task, accounts, count, null, null, null, null, null);
    }
  }

  /**
   * How the daily backups stand.
   *
   * @param lastGood when the last one was made that can be read back; null if there is none yet
   * @param failing whether the last one failed, or none was made for two days
   */
  record BackupToldJson(@Nullable Instant lastGood, boolean failing) {}

  /**
   * @param month the chosen month; the one to work on where none was chosen
   * @param booksOpen whether the household is set up
   * @param missing what setting up still lacks
   * @param backup null where none are made each day
   * @param unwritten the exports that could not be written when their time came, by name
   * @param reel the months to choose from, each with the state over all accounts
   */
  record AlmanacPageJson(
      YearMonth month,
      YearMonth workingMonth,
      LocalDate today,
      List<CellJson> reel,
      List<YearMonth> months,
      List<BookRowsJson> books,
      int agreed,
      int open,
      StationsJson stations,
      List<NextJson> next,
      @Nullable Instant lastGathered,
      @Nullable BackupToldJson backup,
      List<String> unwritten,
      boolean booksOpen,
      List<String> missing) {}
}
