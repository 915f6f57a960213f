package org.yewledger.core.close;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.eur;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.close.CloseChecklist.AccountThrough;
import org.yewledger.core.close.CloseChecklist.Check;
import org.yewledger.core.close.CloseChecklist.Shown;
import org.yewledger.core.report.Span;

public class CloseChecklistTest {
  private static final YearMonth AUGUST = YearMonth.of(2026, 8);
  private static final LocalDate OPENS = LocalDate.of(2025, 10, 1);
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 5);

  private static AccountThrough through(String name, String day) {
    return new AccountThrough(name, OPENS, LocalDate.parse(day));
  }

  private static CloseChecklist of(List<AccountThrough> accounts, long waiting, long suspense) {
    return of(accounts, waiting, suspense, 0);
  }

  private static CloseChecklist of(
      List<AccountThrough> accounts, long waiting, long suspense, long unexplained) {
    return CloseChecklist.of(
        "Household",
        AUGUST,
        TODAY,
        new Shown(
            accounts,
            waiting,
            Optional.of(eur(suspense)),
            unexplained,
            Optional.empty(),
            Optional.empty()));
  }

  @Test
  public void whatAgreesAndHasNothingLeftIsReady() {
    CloseChecklist list = of(List.of(through("Harbour Current", "2026-08-31")), 0, 0);
    assertTrue(list.isReady());
    list.requireReady();
  }

  @Test
  public void allThatIsLeftIsToldAtOnce() {
    CloseChecklist list =
        of(
            List.of(
                through("Harbour Current", "2026-08-31"),
                through("Harbour Savings", "2026-08-30"),
                new AccountThrough("Quillon Card", OPENS, null)),
            3,
            1240);
    var refusal = expectThrows(Refusal.class, list::requireReady);
    assertEquals(refusal.code(), "month-not-ready");
    assertEquals(
        refusal.getMessage(),
        "Household cannot be closed through 2026-08: Harbour Savings and Quillon Card do not agree through"
            + " 2026-08-31; 3 lines wait to be posted; 12.40 stands in suspense.");
  }

  @Test
  public void aMonthThatIsNotOverIsNotReady() {
    CloseChecklist list =
        CloseChecklist.of(
            "Household",
            AUGUST,
            AUGUST.atEndOfMonth(),
            new Shown(List.of(), 0, Optional.empty(), 0, Optional.empty(), Optional.empty()));
    assertEquals(
        list.checks().stream().filter(c -> !c.isMet()).map(Check::kind).toList(),
        List.of(CloseChecklist.Kind.OVER));
  }

  @Test
  public void aDifferenceThatNothingExplainsIsLeft() {
    CloseChecklist list = of(List.of(), 0, 0, 2);
    assertFalse(list.isReady());
    assertTrue(list.checks().getLast().open().contains("2 reconciliation differences"), "" + list);
  }

  @Test
  public void ofARegisteredBookTheTaxOfEachPeriodIsReturned() {
    Span quarter = new Span(YearMonth.of(2026, 4), YearMonth.of(2026, 6));
    CloseChecklist list =
        CloseChecklist.of(
            "Press",
            AUGUST,
            TODAY,
            new Shown(
                List.of(),
                0,
                Optional.empty(),
                0,
                Optional.of(List.of(quarter)),
                Optional.empty()));
    assertEquals(
        list.checks().getLast().open(), "the sales tax of 2026-04 to 2026-06 is not returned");
    assertTrue(
        CloseChecklist.of(
                "Press",
                AUGUST,
                TODAY,
                new Shown(
                    List.of(), 0, Optional.empty(), 0, Optional.of(List.of()), Optional.empty()))
            .isReady());
  }

  @Test
  public void whatIsDueHasToComeOrToBeSkipped() {
    CloseChecklist list =
        CloseChecklist.of(
            "Household",
            AUGUST,
            TODAY,
            new Shown(List.of(), 0, Optional.empty(), 0, Optional.empty(), Optional.of(1L)));
    assertEquals(list.checks().getLast().open(), "1 due item has not come");
  }

  @Test
  public void anAccountThatOpensLaterIsNotAskedFor() {
    assertTrue(
        of(List.of(new AccountThrough("New", AUGUST.atEndOfMonth().plusDays(1), null)), 0, 0)
            .isReady());
    assertFalse(
        of(List.of(new AccountThrough("New", AUGUST.atEndOfMonth(), null)), 0, 0).isReady());
  }

  /** It is ready just where no account is behind. */
  @Test
  public void oneAccountBehindIsEnough() {
    var random = new Random(20261126);
    for (int i = 0; i < 500; i++) {
      List<AccountThrough> accounts = new ArrayList<>();
      boolean behind = false;
      for (int n = random.nextInt(6); n >= 0; n--) {
        LocalDate day = AUGUST.atEndOfMonth().plusDays(random.nextInt(-2, 20));
        behind |= day.isBefore(AUGUST.atEndOfMonth());
        accounts.add(new AccountThrough("Account " + n, OPENS, day));
      }
      assertEquals(of(accounts, 0, 0).isReady(), !behind, accounts.toString());
    }
  }
}
