package org.yewledger.core.chart;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.PAPER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.account;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Position;

public class AccountUseTest {
  private static final LocalDate FIRST = LocalDate.of(2025, 10, 9);

  private static AccountUse used(Account account, long balance) {
    return new AccountUse(
        account, new Position(eur(balance), eur(balance)), 3, FIRST, 0, null, 0, 0, 0, 0, 0, 0);
  }

  private static AccountUse unused(Account account) {
    return new AccountUse(account, Position.empty(account), 0, null, 0, null, 0, 0, 0, 0, 0, 0);
  }

  @Test
  public void onlyAnEmptyAccountCloses() {
    used(CURRENT, 0).requireClosable();
    Refusal refusal = expectThrows(Refusal.class, () -> used(CURRENT, 123_45).requireClosable());
    assertEquals(refusal.code(), "balance-not-zero");
    assertTrue(refusal.getMessage().contains("123.45 EUR"), refusal.getMessage());
    used(GROCERIES, 500).requireClosable();
  }

  @Test
  public void onlyWhatWasNeverUsedIsDeleted() {
    unused(GROCERIES).requireNeverUsed();
    assertEquals(refusalOf(() -> used(GROCERIES, 0).requireNeverUsed()), "account-used");
    var ruled =
        new AccountUse(GROCERIES, Position.empty(GROCERIES), 0, null, 0, null, 0, 0, 0, 0, 1, 0);
    assertEquals(refusalOf(ruled::requireNeverUsed), "account-used");
  }

  @Test
  public void aMergeStaysInBookClassAndCurrency() {
    used(GROCERIES, 5).requireMergeableInto(SCHOOL);
    assertEquals(
        refusalOf(() -> used(GROCERIES, 5).requireMergeableInto(CURRENT)), "merge-across-classes");
    assertEquals(
        refusalOf(() -> used(GROCERIES, 5).requireMergeableInto(PAPER)), "merge-across-books");
    Account dollars = account(BOOK, "Purse, USD", AccountKind.CASH, CurrencyUnit.USD, null);
    assertEquals(
        refusalOf(() -> used(CURRENT, 5).requireMergeableInto(dollars)), "merge-across-currencies");
    var withLines =
        new AccountUse(CARD, Position.empty(CARD), 3, FIRST, 9, FIRST, 0, 1, 0, 0, 0, 0);
    Account other = account(BOOK, "Other card", AccountKind.CARD, null);
    assertEquals(refusalOf(() -> withLines.requireMergeableInto(other)), "merge-with-statements");
  }

  @Test
  public void anOpeningBalanceStaysOnceStatementsAgreeWithIt() {
    used(CURRENT, 5).requireOpeningFree(null);
    assertEquals(refusalOf(() -> used(CURRENT, 5).requireOpeningFree(FIRST)), "opening-agreed");
    assertEquals(
        refusalOf(() -> used(GROCERIES, 5).requireOpeningFree(null)), "no-opening-balance");
  }

  @Test
  public void aUsedAccountKeepsItsCurrencyAndOpensBeforeItsFirstEntry() {
    unused(CURRENT).requireCurrencyFree();
    assertEquals(
        refusalOf(() -> used(CURRENT, 5).requireCurrencyFree()), "currency-of-used-account");
    used(CURRENT, 5).requireOpensOn(FIRST);
    assertEquals(
        refusalOf(() -> used(CURRENT, 5).requireOpensOn(FIRST.plusDays(1))),
        "opens-after-first-entry");
  }

  @Test
  public void whatIsStillToDoKeepsAnAccountOpen() {
    assertEquals(refusalOf(() -> atBank(2, 0, 0).requireClosable()), "lines-waiting");
    assertEquals(refusalOf(() -> atBank(0, 1, 0).requireClosable()), "statement-open");
    assertEquals(refusalOf(() -> atBank(0, 0, 1).requireClosable()), "account-connected");
    atBank(0, 0, 0).requireClosable();
  }

  @Test
  public void whatABankSentFixesKindAndOpeningDay() {
    AccountUse use = atBank(2, 0, 0);
    use.requireKindFree(AccountKind.SAVINGS);
    assertEquals(refusalOf(() -> use.requireKindFree(AccountKind.CASH)), "kind-of-bank-account");
    use.requireOpensOn(FIRST.minusDays(3));
    assertEquals(refusalOf(() -> use.requireOpensOn(FIRST.minusDays(2))), "opens-after-first-line");
  }

  private static AccountUse atBank(long undecided, long openStatements, long feeds) {
    return new AccountUse(
        CURRENT,
        Position.empty(CURRENT),
        3,
        FIRST,
        9,
        FIRST.minusDays(3),
        undecided,
        1,
        openStatements,
        feeds,
        0,
        0);
  }
}
