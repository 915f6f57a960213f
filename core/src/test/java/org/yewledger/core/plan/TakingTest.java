package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

public class TakingTest {
  private static final LocalDate DAY = LocalDate.of(2026, 10, 23);
  private static final Account CHILDREN = purpose("Children");
  private static final Account FOOD = purpose("Food");

  private static Account purpose(String name) {
    return new Account(
        UUID.randomUUID(), BOOK, name, AccountKind.SET_ASIDE, CurrencyUnit.EUR, false, null);
  }

  private static Taking taking(Map<UUID, Amount> spent, Map<UUID, Amount> taken) {
    return new Taking(
        new SetAsides(
            CURRENT,
            eur(100_000),
            List.of(
                new SetAsides.Purpose(CHILDREN, eur(5_000)), new SetAsides.Purpose(FOOD, eur(0)))),
        spent,
        taken);
  }

  @Test
  public void whatWasSpentLeavesThePurposeAndIsFreeAgain() {
    Taking taking =
        taking(
            Map.of(CHILDREN.id(), eur(4_000), FOOD.id(), eur(1_200)),
            Map.of(CHILDREN.id(), eur(1_500)));
    assertEquals(taking.open(CHILDREN.id()), eur(2_500));
    assertEquals(taking.open(), eur(3_700));
    assertEquals(
        taking.entry(DAY).postings(),
        List.of(
            new Posting(CHILDREN, eur(-2_500)),
            new Posting(FOOD, eur(-1_200)),
            new Posting(CURRENT, eur(3_700))));
  }

  @Test
  public void whatCameBackIsPutBackAndNothingIsTakenTwice() {
    Taking back = taking(Map.of(FOOD.id(), eur(900)), Map.of(FOOD.id(), eur(1_200)));
    assertEquals(
        back.entry(DAY).postings(),
        List.of(new Posting(FOOD, eur(300)), new Posting(CURRENT, eur(-300))));
    assertEquals(
        refusalOf(
            () -> taking(Map.of(FOOD.id(), eur(900)), Map.of(FOOD.id(), eur(900))).entry(DAY)),
        "nothing-to-take");
  }

  /** In whatever steps it is taken out: in the end as much is taken as was spent. */
  @Test
  public void inTheEndAsMuchIsTakenAsWasSpent() {
    var random = new Random(37);
    for (int round = 0; round < 200; round++) {
      Map<UUID, Amount> spent = new HashMap<>();
      Map<UUID, Amount> taken = new HashMap<>();
      for (int step = 0; step < 8; step++) {
        UUID of = random.nextBoolean() ? CHILDREN.id() : FOOD.id();
        spent.merge(of, eur(random.nextInt(20_000) - 4_000), Amount::plus);
        Taking now = taking(spent, taken);
        if (random.nextBoolean() && (!now.open(FOOD.id()).isZero() || !now.open().isZero())) {
          Entry entry = now.entry(DAY);
          assertEquals(
              Amount.sum(CurrencyUnit.EUR, entry.postings().stream().map(Posting::amount).toList()),
              eur(0));
          for (Posting posting : entry.postings()) {
            if (!posting.account().equals(CURRENT)) {
              taken.merge(posting.account().id(), posting.amount().negated(), Amount::plus);
            }
          }
          assertEquals(taking(spent, taken).open(CHILDREN.id()), eur(0));
          assertEquals(taking(spent, taken).open(FOOD.id()), eur(0));
        }
      }
    }
  }

  @Test
  public void aPurposePaysForCategoriesOfExpensesThatNoOtherPaysFor() {
    var school = new Taking.Pays(CHILDREN, List.of(SCHOOL), DAY);
    assertEquals(school.require(List.of()), school);
    assertEquals(
        refusalOf(
            () -> new Taking.Pays(FOOD, List.of(GROCERIES, SCHOOL), DAY).require(List.of(school))),
        "pays-already");
    assertEquals(
        refusalOf(() -> new Taking.Pays(FOOD, List.of(CURRENT), DAY).require(List.of())),
        "pays-no-expense");
    Account dollars =
        new Account(
            UUID.randomUUID(), BOOK, "Trip", AccountKind.SET_ASIDE, CurrencyUnit.USD, false, null);
    assertEquals(
        refusalOf(() -> new Taking.Pays(dollars, List.of(SCHOOL), DAY).require(List.of())),
        "pays-foreign");
  }
}
