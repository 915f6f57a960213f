package org.yewledger.core.chart;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;

/**
 * What an account was used for so far, and what that still allows to change.
 *
 * @param postings how many, its opening balance among them; at most one more than {@link
 *     #MOST_COUNTED}, as all counts here
 * @param firstEntry the day of the first entry that is not its opening balance; null if none
 * @param bankLines lines that a bank gave for it
 * @param firstLine the day of the first of them; null if none
 * @param undecided lines that wait, or are in doubt, or announced
 * @param statements begun or finished
 * @param openStatements of them, those that do not agree yet
 * @param feeds connections that bring its lines
 * @param rules that book to it or look at it
 * @param below accounts in it, where it is a group
 */
public record AccountUse(
    Account account,
    Position position,
    long postings,
    @Nullable LocalDate firstEntry,
    long bankLines,
    @Nullable LocalDate firstLine,
    long undecided,
    long statements,
    long openStatements,
    long feeds,
    long rules,
    long below) {
  /** More are said to be more: nobody counts on, and counting ten years of them takes time. */
  public static final int MOST_COUNTED = 1_000;

  /**
   * @throws Refusal {@code account-used}: only what was never used can be deleted
   */
  public void requireNeverUsed() {
    String by = "";
    if (postings > 0) {
      by = counted(postings, "posting");
    } else if (bankLines > 0) {
      by = counted(bankLines, "bank line");
    } else if (statements > 0) {
      by = counted(statements, "statement");
    } else if (rules > 0) {
      by = counted(rules, "rule");
    } else if (below > 0) {
      by = counted(below, "account") + " in it";
    }
    if (!by.isEmpty()) {
      throw Refusal.of(
          "account-used",
          "%s has %s, so it cannot be deleted. Close it, or merge it into another account."
              .formatted(account.name(), by));
    }
  }

  /**
   * @throws Refusal {@code balance-not-zero} with the amount; {@code group-in-use}
   */
  public void requireClosable() {
    if (account.kind().isKeptByCore()) {
      throw Refusal.of("kept-by-core", "%s is kept by itself and stays.".formatted(account.name()));
    }
    if (below > 0) {
      throw Refusal.of(
          "group-in-use",
          "%s still holds %s. Move or close those first."
              .formatted(account.name(), counted(below, "account")));
    }
    if (undecided > 0) {
      throw notClosed(
          "lines-waiting", counted(undecided, "bank line") + " still to post. Post them first");
    }
    if (openStatements > 0) {
      throw notClosed(
          "statement-open",
          counted(openStatements, "statement")
              + " that does not agree yet. Agree or remove it first");
    }
    if (feeds > 0) {
      throw notClosed("account-connected", "a connection to its bank. Disconnect it first");
    }
    // Categories run on from year to year; only what is owned or owed has to be empty.
    if (!account.accountClass().isCategory() && !position.isEmpty()) {
      throw Refusal.of(
          "balance-not-zero",
          "%s still stands at %s %s. Move that to another account first, then close it."
              .formatted(account.name(), position.amount().shown(), account.currency()));
    }
  }

  private Refusal notClosed(String code, String what) {
    return Refusal.of(code, "%s still has %s, then close it.".formatted(account.name(), what));
  }

  /** What stands below an account that is no group. */
  private boolean hasSetAsides() {
    return !account.group() && below > 0;
  }

  /**
   * What a bank has sent lines or statements for stays an account at a bank.
   *
   * @throws Refusal {@code kind-of-bank-account}
   */
  public void requireKindFree(AccountKind wanted) {
    if (account.kind().isPart() != wanted.isPart() || !wanted.hasStatements() && hasSetAsides()) {
      throw Refusal.ofField(
          "set-aside-where",
          "kind",
          "%s cannot become another kind: set-asides stand below accounts at a bank, and only there."
              .formatted(account.name()));
    }
    if (!wanted.hasStatements() && (bankLines > 0 || statements > 0 || feeds > 0)) {
      throw Refusal.ofField(
          "kind-of-bank-account",
          "kind",
          "%s has lines or statements of its bank. Choose a kind of account that is at a bank."
              .formatted(account.name()));
    }
  }

  /**
   * @throws Refusal {@code currency-of-used-account}
   */
  public void requireCurrencyFree() {
    if (postings > 0 || bankLines > 0 || statements > 0 || hasSetAsides()) {
      throw Refusal.ofField(
          "currency-of-used-account",
          "currency",
          "%s already has %s in %s. Open a new account in the other currency and move the balance by a transfer."
              .formatted(
                  account.name(),
                  postings > 0 ? counted(postings, "posting") : "lines",
                  account.currency()));
    }
  }

  /**
   * @throws Refusal {@code opens-after-first-entry}, naming that day
   */
  public void requireOpensOn(LocalDate opensOn) {
    if (firstLine != null && opensOn.isAfter(firstLine)) {
      throw Refusal.ofField(
          "opens-after-first-line",
          "opensOn",
          "%s has a bank line of %s already. It opens on that day or before."
              .formatted(account.name(), firstLine));
    }
    if (firstEntry != null && opensOn.isAfter(firstEntry)) {
      throw Refusal.ofField(
          "opens-after-first-entry",
          "opensOn",
          "%s has an entry on %s already. It opens on that day or before."
              .formatted(account.name(), firstEntry));
    }
  }

  /**
   * Checks that the account may be given an opening balance, or another one.
   *
   * @param agreedThrough the last day through which statements agree; null if none does
   * @throws Refusal {@code no-opening-balance} or {@code opening-agreed}
   */
  public void requireOpeningFree(@Nullable LocalDate agreedThrough) {
    if (!account.kind().hasOpeningBalance() || account.group()) {
      throw Refusal.ofField(
          "no-opening-balance",
          "accountId",
          "%s has no opening balance: only what is owned or owed has one."
              .formatted(account.name()));
    }
    if (agreedThrough != null) {
      throw Refusal.ofField(
          "opening-agreed",
          "accountId",
          "%s agrees with its statements through %s, and they begin with this opening balance. It stays as it is."
              .formatted(account.name(), agreedThrough));
    }
  }

  /**
   * Checks that all that was posted here may move to another account.
   *
   * @throws Refusal saying what stands in the way and what can be done instead
   */
  public void requireMergeableInto(Account into) {
    if (into.id().equals(account.id())) {
      throw Refusal.ofField("same-account", "intoId", "Choose another account than itself.");
    }
    if (!into.bookId().equals(account.bookId())) {
      throw merge("merge-across-books", into, "they are in different books");
    }
    if (into.accountClass() != account.accountClass()) {
      throw merge(
          "merge-across-classes",
          into,
          "%s is %s, %s is %s"
              .formatted(
                  account.name(),
                  account.accountClass().singular(),
                  into.name(),
                  into.accountClass().singular()));
    }
    if (!into.currency().equals(account.currency())) {
      throw merge(
          "merge-across-currencies",
          into,
          "%s is in %s, %s in %s"
              .formatted(account.name(), account.currency(), into.name(), into.currency()));
    }
    if (into.group() != account.group()) {
      throw merge("merge-group", into, "one is a group and the other is not");
    }
    if (account.kind().isKeptByCore() || into.kind().isKeptByCore()) {
      throw merge("kept-by-core", into, "one of them is kept by itself");
    }
    if (bankLines > 0 || statements > 0) {
      throw merge(
          "merge-with-statements",
          into,
          "the bank's lines and statements of %s are its own".formatted(account.name()));
    }
    if (into.closedOn() != null) {
      throw merge("account-closed", into, "%s is closed".formatted(into.name()));
    }
    LocalDate opens = into.opensOn();
    if (opens != null && firstEntry != null && firstEntry.isBefore(opens)) {
      throw merge(
          "before-opening",
          into,
          "%s has an entry on %s, before %s opens on %s"
              .formatted(account.name(), firstEntry, into.name(), opens));
    }
  }

  private Refusal merge(String code, Account into, String reason) {
    return Refusal.ofField(
        code,
        "intoId",
        "%s cannot be merged into %s: %s. Move its entries one by one, or its balance by a transfer, and close it."
            .formatted(account.name(), into.name(), reason));
  }

  private static String counted(long count, String one) {
    if (count > MOST_COUNTED) {
      return "more than %,d %ss".formatted(MOST_COUNTED, one);
    }
    return count == 1 ? "1 " + one : count + " " + one + "s";
  }
}
