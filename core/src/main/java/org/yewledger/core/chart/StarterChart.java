package org.yewledger.core.chart;

import java.util.List;
import org.yewledger.core.ledger.AccountClass;

/** Categories to begin a book with; every one can be changed before and after. */
public enum StarterChart {
  FAMILY,
  SIDE_BUSINESS,
  EMPTY;

  /** A group of income or expense categories. */
  public record Group(String name, AccountClass accountClass, List<String> categories) {}

  public List<Group> groups() {
    return switch (this) {
      case FAMILY -> family();
      case SIDE_BUSINESS -> sideBusiness();
      case EMPTY -> List.of();
    };
  }

  private static List<Group> family() {
    return List.of(
        income("Earnings", "Pay", "Allowances", "Interest earned"),
        expense("Food", "Groceries", "Eating out"),
        expense("Children", "School", "Clubs and care"),
        expense(
            "House and home",
            "Energy and water",
            "Internet and phone",
            "Insurance",
            "House upkeep"),
        expense("Getting about", "Fuel", "Bus and train", "Car upkeep"),
        expense("Ourselves", "Health", "Clothes", "Outings and gifts"),
        expense("Bank and loan", "Loan interest", "Bank charges"));
  }

  private static List<Group> sideBusiness() {
    return List.of(
        income("Sales", "Online sales", "Fairs and markets", "Orders to invoice"),
        expense("Making", "Materials", "Workshop"),
        expense("Selling", "Post and couriers", "Stalls and fees", "Advertising"),
        expense("Office", "Software", "Travel", "Account fees"));
  }

  private static Group income(String name, String... categories) {
    return new Group(name, AccountClass.INCOME, List.of(categories));
  }

  private static Group expense(String name, String... categories) {
    return new Group(name, AccountClass.EXPENSE, List.of(categories));
  }
}
