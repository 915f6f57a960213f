package org.yewledger.demo;

import static org.yewledger.core.ledger.AccountKind.CARD;
import static org.yewledger.core.ledger.AccountKind.CASH;
import static org.yewledger.core.ledger.AccountKind.CURRENT;
import static org.yewledger.core.ledger.AccountKind.DRAWINGS;
import static org.yewledger.core.ledger.AccountKind.EXCHANGE;
import static org.yewledger.core.ledger.AccountKind.EXPENSE;
import static org.yewledger.core.ledger.AccountKind.INCOME;
import static org.yewledger.core.ledger.AccountKind.INVESTMENT;
import static org.yewledger.core.ledger.AccountKind.LOAN;
import static org.yewledger.core.ledger.AccountKind.OPENING_EQUITY;
import static org.yewledger.core.ledger.AccountKind.PAYOUT;
import static org.yewledger.core.ledger.AccountKind.PROPERTY;
import static org.yewledger.core.ledger.AccountKind.SAVINGS;
import static org.yewledger.core.ledger.AccountKind.SET_ASIDE;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.AccountKind;

/**
 * The two books of the Aldercotts and their accounts. Names are unique over both, and serve as
 * keys.
 */
public final class AldercottChart {
  public static final String HOUSEHOLD = "Household";
  public static final String PRESS = "Saltmarsh Letterpress";

  static final LocalDate START = LocalDate.of(2025, 10, 1);

  /** The shop began to sell abroad, and to be paid out in dollars. */
  static final LocalDate SHOP_START = LocalDate.of(2026, 4, 1);

  static final LocalDate CARD_START = LocalDate.of(2026, 1, 1);

  /**
   * @param parent the group that it stands in, null at the top
   * @param tail the last digits of its number, empty for a category
   * @param opensOn null for accounts without an opening balance
   */
  public record ChartAccount(
      String book,
      String name,
      AccountKind kind,
      boolean group,
      @Nullable String parent,
      String tail,
      CurrencyUnit currency,
      @Nullable LocalDate opensOn,
      long openingMinor) {}

  private final List<ChartAccount> accounts = new ArrayList<>();

  private AldercottChart() {}

  /** All accounts, each after its group. */
  public static List<ChartAccount> accounts() {
    var chart = new AldercottChart();
    chart.household();
    chart.press();
    return List.copyOf(chart.accounts);
  }

  private void household() {
    bank(HOUSEHOLD, DemoSetAsides.ACCOUNT, CURRENT, "4417", START, 1_842_60);
    DemoSetAsides.purposes().forEach(purpose -> setAside(purpose.name()));
    bank(HOUSEHOLD, "Harbour Savings", SAVINGS, "9023", START, 11_865_20);
    bank(HOUSEHOLD, "Quillon Card", CARD, "6650", START, -612_40);
    bank(HOUSEHOLD, "Home loan", LOAN, "0315", START, -188_204_36);
    bank(HOUSEHOLD, "Purse", CASH, "", START, 42_50);
    bank(HOUSEHOLD, DemoWorth.DEPOT, INVESTMENT, "", DemoWorth.DEPOT_OPENED, DemoWorth.HELD_COST);
    bank(HOUSEHOLD, DemoWorth.HOUSE, PROPERTY, "", START, DemoWorth.HOUSE_COST);
    equity(HOUSEHOLD, "Opening equity, household", OPENING_EQUITY);
    equity(HOUSEHOLD, "From the press", DRAWINGS);
    group(HOUSEHOLD, "Pay and allowance", INCOME, "Pay", "Child allowance", "Interest earned");
    group(HOUSEHOLD, "Invested", INCOME, DemoWorth.DIVIDENDS, DemoWorth.GAINS);
    group(HOUSEHOLD, "Food", EXPENSE, "Groceries", "Bakery");
    group(HOUSEHOLD, "Children", EXPENSE, "School", "Music and swimming", "Day care");
    group(
        HOUSEHOLD,
        "House and home",
        EXPENSE,
        "Energy",
        "Water",
        "Internet and phone",
        "Insurance",
        "Town rate",
        "House upkeep");
    group(HOUSEHOLD, "Getting about", EXPENSE, "Fuel", "Bus and ferry", "Car upkeep");
    group(HOUSEHOLD, "Ourselves", EXPENSE, "Health", "Clothes", "Outings and gifts", "Pocket cash");
    group(HOUSEHOLD, "Bank and loan", EXPENSE, "Loan interest", "Bank charges");
  }

  private void press() {
    bank(PRESS, "Kestrel Current", CURRENT, "2208", START, 4_120_35);
    bank(PRESS, "Kestrel Card", CARD, "7731", CARD_START, 0);
    account(PRESS, "Shop takings", PAYOUT, "5150", CurrencyUnit.USD, SHOP_START, 0);
    bank(PRESS, "Cash box", CASH, "", START, 60_00);
    bank(PRESS, DemoWorth.PRESS, PROPERTY, "", START, DemoWorth.PRESS_COST);
    equity(PRESS, "Opening equity, press", OPENING_EQUITY);
    equity(PRESS, "Drawings", DRAWINGS);
    equity(PRESS, "Exchange gains and losses", EXCHANGE);
    group(PRESS, "Sales", INCOME, "Online shop", "Fairs", "Stationers", "Commissions");
    group(PRESS, "Making", EXPENSE, "Paper and ink", "Workshop", DemoWorth.WRITTEN_DOWN);
    group(PRESS, "Selling", EXPENSE, "Post and couriers", "Stalls", "Shop fees");
    group(PRESS, "Office", EXPENSE, "Software", "Account fees");
  }

  private void bank(
      String book, String name, AccountKind kind, String tail, LocalDate opensOn, long opening) {
    account(book, name, kind, tail, CurrencyUnit.EUR, opensOn, opening);
  }

  private void account(
      String book,
      String name,
      AccountKind kind,
      String tail,
      CurrencyUnit currency,
      @Nullable LocalDate opensOn,
      long opening) {
    accounts.add(new ChartAccount(book, name, kind, false, null, tail, currency, opensOn, opening));
  }

  private void setAside(String name) {
    accounts.add(
        new ChartAccount(
            HOUSEHOLD,
            name,
            SET_ASIDE,
            false,
            DemoSetAsides.ACCOUNT,
            "",
            CurrencyUnit.EUR,
            null,
            0));
  }

  private void equity(String book, String name, AccountKind kind) {
    account(book, name, kind, "", CurrencyUnit.EUR, null, 0);
  }

  private void group(String book, String name, AccountKind kind, String... categories) {
    accounts.add(new ChartAccount(book, name, kind, true, null, "", CurrencyUnit.EUR, null, 0));
    for (String category : categories) {
      accounts.add(
          new ChartAccount(book, category, kind, false, name, "", CurrencyUnit.EUR, null, 0));
    }
  }
}
