package org.yewledger.core.chart;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.OTHER_BOOK;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.account;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.chart.AccountTree.Node;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;

public class AccountTreeTest {
  private static Account group(Book book, String name, AccountKind kind) {
    return new Account(UUID.randomUUID(), book, name, kind, CurrencyUnit.EUR, true, null);
  }

  private final Account food = group(BOOK, "Food", AccountKind.EXPENSE);
  private final Account inner = group(BOOK, "Eating in", AccountKind.EXPENSE);
  private final Account pay = group(BOOK, "Pay and allowance", AccountKind.INCOME);
  private final Account making = group(OTHER_BOOK, "Making", AccountKind.EXPENSE);
  private final AccountTree tree =
      new AccountTree(
          List.of(
              new Node(food, null, 0),
              new Node(inner, food.id(), 0),
              new Node(GROCERIES, inner.id(), 0),
              new Node(pay, null, 1),
              new Node(CURRENT, null, 2),
              new Node(making, null, 0)));

  @Test
  public void aMoveStaysInItsBookItsClassAndOutOfItself() {
    tree.requireMove(GROCERIES, food.id());
    tree.requireMove(food, null);
    assertEquals(refusalOf(() -> tree.requireMove(food, inner.id())), "circle");
    assertEquals(refusalOf(() -> tree.requireMove(food, food.id())), "circle");
    assertEquals(refusalOf(() -> tree.requireMove(food, CURRENT.id())), "parent-not-group");
    assertEquals(refusalOf(() -> tree.requireMove(GROCERIES, pay.id())), "parent-other-class");
    assertEquals(refusalOf(() -> tree.requireMove(GROCERIES, making.id())), "parent-other-book");
  }

  @Test
  public void aSetAsideStandsBelowAnAccountAtABankAndNowhereElse() {
    Account holiday =
        new Account(
            UUID.randomUUID(),
            BOOK,
            "Holiday",
            AccountKind.SET_ASIDE,
            CurrencyUnit.EUR,
            false,
            null);
    tree.requireMove(holiday, CURRENT.id());
    for (UUID elsewhere : new UUID[] {null, food.id(), GROCERIES.id(), making.id()}) {
      assertEquals(refusalOf(() -> tree.requireMove(holiday, elsewhere)), "set-aside-where");
    }
    Account dollars =
        new Account(
            UUID.randomUUID(), BOOK, "Trip", AccountKind.SET_ASIDE, CurrencyUnit.USD, false, null);
    assertEquals(refusalOf(() -> tree.requireMove(dollars, CURRENT.id())), "set-aside-where");
    var with =
        new AccountTree(List.of(new Node(CURRENT, null, 0), new Node(holiday, CURRENT.id(), 0)));
    var rows = with.rows(BOOK.id(), a -> eur(a.equals(holiday) ? 300 : 1_000));
    assertEquals(rows.getFirst().sum(), eur(1_300));
  }

  @Test
  public void namesAreUniqueInTheirBookWhateverTheirCase() {
    assertEquals(refusalOf(() -> tree.requireName(BOOK.id(), " groceries ", null)), "name-taken");
    assertEquals(tree.requireName(BOOK.id(), "Groceries", GROCERIES.id()), "Groceries");
    assertEquals(tree.requireName(OTHER_BOOK.id(), " Groceries ", null), "Groceries");
    assertEquals(refusalOf(() -> tree.requireName(BOOK.id(), " ", null)), "name-missing");
    assertEquals(
        refusalOf(() -> tree.requireName(BOOK.id(), "x".repeat(61), null)), "name-too-long");
  }

  @Test
  public void aGroupHasACurrencyWhereAllOfItHas() {
    assertEquals(tree.commonCurrency(food.id()), Optional.of(CurrencyUnit.EUR));
    assertEquals(tree.commonCurrency(pay.id()), Optional.empty());
    Account abroad = group(OTHER_BOOK, "Abroad", AccountKind.PAYOUT);
    var mixed =
        new AccountTree(
            List.of(
                new Node(abroad, null, 0),
                new Node(SHOP_USD, abroad.id(), 0),
                new Node(KESTREL, abroad.id(), 1)));
    assertEquals(mixed.commonCurrency(abroad.id()), Optional.empty());
    assertEquals(mixed.commonCurrency(SHOP_USD.id()), Optional.of(CurrencyUnit.USD));
  }

  @Test
  public void twoCurrenciesAreNotSummed() {
    Account abroad = group(OTHER_BOOK, "Abroad", AccountKind.PAYOUT);
    Account empty = group(OTHER_BOOK, "Empty", AccountKind.PAYOUT);
    var mixed =
        new AccountTree(
            List.of(
                new Node(empty, null, 0),
                new Node(abroad, null, 1),
                new Node(SHOP_USD, abroad.id(), 0),
                new Node(KESTREL, abroad.id(), 1)));
    var rows = mixed.rows(OTHER_BOOK.id(), a -> Amount.ofMinor(7, a.currency()));
    assertNull(rows.get(0).sum());
    assertNull(rows.get(1).sum());
    assertEquals(rows.get(2).sum(), usd(7));
  }

  @Test
  public void aGroupSumsAllThatStandsBelowIt() {
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      var nodes = new ArrayList<Node>();
      Map<UUID, Long> values = new HashMap<>();
      for (int i = 0; i < 60; i++) {
        Account account = account(BOOK, "A" + i, AccountKind.EXPENSE, null);
        UUID parent =
            nodes.isEmpty() || random.nextInt(4) == 0
                ? null
                : nodes.get(random.nextInt(nodes.size())).account().id();
        nodes.add(new Node(account, parent, i));
        values.put(account.id(), random.nextLong(-10_000, 10_000));
      }
      var random60 = new AccountTree(nodes);
      var rows = random60.rows(BOOK.id(), a -> eur(values.getOrDefault(a.id(), 0L)));
      assertEquals(rows.size(), 60);
      for (var row : rows) {
        long below =
            nodes.stream()
                .filter(n -> random60.isWithin(n.account().id(), row.node().account().id()))
                .mapToLong(n -> values.getOrDefault(n.account().id(), 0L))
                .sum();
        assertEquals(row.sum(), eur(below), "seed " + seed);
      }
    }
  }
}
