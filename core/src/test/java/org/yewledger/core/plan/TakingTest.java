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
import org.jspecify.annotations.Nullable;
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

  private static final SetAsides OF =
      new SetAsides(
          CURRENT,
          eur(100_000),
          List.of(
              new SetAsides.Purpose(CHILDREN, eur(5_000)), new SetAsides.Purpose(FOOD, eur(0))));
  private static final Taking.Pays FOR_SCHOOL =
      new Taking.Pays(CHILDREN, List.of(SCHOOL), DAY, true);
  private static final Taking.Pays FOR_FOOD = new Taking.Pays(FOOD, List.of(GROCERIES), DAY, false);
  private static final List<Taking.Pays> PAYS = List.of(FOR_SCHOOL, FOR_FOOD);

  private static Taking.Spending spending(
      Account category, long spent, long taken, @Nullable Account from) {
    return new Taking.Spending(
        UUID.randomUUID(),
        category.id(),
        DAY,
        eur(spent),
        eur(taken),
        from == null ? null : from.id());
  }

  @Test
  public void whatWasSpentLeavesThePurposeAndIsFreeAgain() {
    Taking taking =
        Taking.of(
            OF,
            PAYS,
            List.of(
                spending(SCHOOL, 4_000, 1_500, CHILDREN),
                spending(GROCERIES, 1_000, 0, null),
                spending(GROCERIES, 200, 0, null)));
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
    Taking back = Taking.of(OF, PAYS, List.of(spending(GROCERIES, 900, 1_200, FOOD)));
    assertEquals(
        back.entry(DAY).postings(),
        List.of(new Posting(FOOD, eur(300)), new Posting(CURRENT, eur(-300))));
    Taking settled = Taking.of(OF, PAYS, List.of(spending(GROCERIES, 900, 900, FOOD)));
    assertEquals(refusalOf(() -> settled.entry(DAY)), "nothing-to-take");
  }

  @Test
  public void whoCoveredItSettlesItWhateverPaysSince() {
    List<Taking.Pays> since =
        List.of(new Taking.Pays(CHILDREN, List.of(GROCERIES), DAY.plusDays(1), false));
    Taking taking =
        Taking.of(
            OF,
            since,
            List.of(
                spending(GROCERIES, 900, 900, FOOD),
                spending(GROCERIES, 0, 500, FOOD),
                // Before the first day of the one that pays now.
                spending(GROCERIES, 70, 0, null)));
    assertEquals(taking.open(FOOD.id()), eur(-500));
    assertEquals(taking.open(CHILDREN.id()), eur(0));
    Account gone = purpose("Closed since");
    assertEquals(
        Taking.of(OF, PAYS, List.of(spending(GROCERIES, 0, 500, gone))).items(), List.of());
  }

  @Test
  public void whileLinesArePostedOnlyThatIsTakenWhichIsToBe() {
    UUID school = UUID.randomUUID();
    Map<UUID, Entry> booked =
        Map.of(
            school,
            paid(CURRENT, SCHOOL, 6_200),
            UUID.randomUUID(),
            paid(CURRENT, GROCERIES, 4_000),
            UUID.randomUUID(),
            paid(CHILDREN, SCHOOL, 300));
    assertEquals(
        Taking.asPosted(OF, PAYS, booked).items(),
        List.of(new Taking.Item(school, SCHOOL.id(), CHILDREN.id(), eur(6_200))));
  }

  private static Entry paid(Account from, Account category, long minor) {
    return new Entry(
        DAY,
        "Pinfold",
        "",
        Entry.Origin.BANK_LINE,
        List.of(new Posting(category, eur(minor)), new Posting(from, eur(-minor))));
  }

  /** Whatever is spent, changed and given to another purpose: in the end as much is taken. */
  @Test
  public void inTheEndAsMuchIsTakenAsWasSpent() {
    var random = new Random(37);
    for (int round = 0; round < 200; round++) {
      Map<UUID, Taking.Spending> books = new HashMap<>();
      Map<UUID, Amount> given = new HashMap<>();
      Account payer = CHILDREN;
      for (int step = 0; step < 8; step++) {
        payer = random.nextInt(4) == 0 ? FOOD : payer;
        List<Taking.Pays> pays =
            List.of(new Taking.Pays(payer, List.of(GROCERIES), DAY.minusDays(1), false));
        changeOne(books, random);
        Taking now = Taking.of(OF, pays, List.copyOf(books.values()));
        if (now.open(FOOD.id()).isZero() && now.open(CHILDREN.id()).isZero()) {
          continue;
        }
        Entry entry = now.entry(DAY);
        assertEquals(
            Amount.sum(CurrencyUnit.EUR, entry.postings().stream().map(Posting::amount).toList()),
            eur(0));
        for (Taking.Item item : now.items()) {
          given.merge(item.purposeId(), item.open(), Amount::plus);
          books.computeIfPresent(item.entryId(), (id, was) -> covered(was, item));
        }
        assertEquals(Taking.of(OF, pays, List.copyOf(books.values())).items(), List.of());
        assertEquals(
            Amount.sum(CurrencyUnit.EUR, given.values()),
            Amount.sum(
                CurrencyUnit.EUR, books.values().stream().map(Taking.Spending::spent).toList()));
      }
    }
  }

  private static void changeOne(Map<UUID, Taking.Spending> books, Random random) {
    Amount spent = eur(random.nextInt(20_000) - 4_000);
    if (books.isEmpty() || random.nextBoolean()) {
      Taking.Spending made = spending(GROCERIES, 0, 0, null);
      books.put(made.entryId(), with(made, spent, made.taken(), null));
    } else {
      UUID one = List.copyOf(books.keySet()).get(random.nextInt(books.size()));
      books.computeIfPresent(one, (id, was) -> with(was, spent, was.taken(), was.from()));
    }
  }

  private static Taking.Spending covered(Taking.Spending was, Taking.Item item) {
    return with(was, was.spent(), was.taken().plus(item.open()), item.purposeId());
  }

  private static Taking.Spending with(
      Taking.Spending was, Amount spent, Amount taken, @Nullable UUID from) {
    return new Taking.Spending(was.entryId(), was.categoryId(), was.day(), spent, taken, from);
  }

  @Test
  public void aPurposePaysForCategoriesOfExpensesThatNoOtherPaysFor() {
    var school = new Taking.Pays(CHILDREN, List.of(SCHOOL), DAY, false);
    assertEquals(school.require(List.of()), school);
    assertEquals(
        refusalOf(() ->
            new Taking.Pays(FOOD, List.of(GROCERIES, SCHOOL), DAY, false).require(List.of(school))),
        "pays-already");
    assertEquals(
        refusalOf(() -> new Taking.Pays(FOOD, List.of(CURRENT), DAY, false).require(List.of())),
        "pays-no-expense");
    Account dollars =
        new Account(
            UUID.randomUUID(), BOOK, "Trip", AccountKind.SET_ASIDE, CurrencyUnit.USD, false, null);
    assertEquals(
        refusalOf(() -> new Taking.Pays(dollars, List.of(SCHOOL), DAY, false).require(List.of())),
        "pays-foreign");
  }
}
