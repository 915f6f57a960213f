package org.yewledger.demo;

import static org.yewledger.demo.AldercottYear.HARBOUR;
import static org.yewledger.demo.AldercottYear.KESTREL;
import static org.yewledger.demo.AldercottYear.LAST;
import static org.yewledger.demo.AldercottYear.LOAN;
import static org.yewledger.demo.AldercottYear.QUILLON;
import static org.yewledger.demo.AldercottYear.SAVINGS;

import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import org.yewledger.demo.Happening.Line;
import org.yewledger.demo.Happening.Share;

/** A month of the family: bills, shopping, the card, and what goes to savings and comes home. */
final class HouseholdMonth {
  private final Story story;

  HouseholdMonth(Story story) {
    this.story = story;
  }

  /**
   * @param cardOwed what the card stood at when the month began
   */
  void happen(long cardOwed) {
    bills();
    shopping();
    card();
    transfers(cardOwed);
  }

  private void bills() {
    loanPayment();
    story.bill(2, "PINFOLD SCHOOL LUNCH", "Pinfold School", "School", -62_00);
    story.in(
        HARBOUR, 5, "FAMILY OFFICE", "CHILD ALLOWANCE", "Family Office", "Child allowance", 326_00);
    story.bill(8, "LANTERN ENERGY 7730021", "Lantern Energy", "Energy", -energy());
    story.bill(10, "TOWN RATE ELLERY", "Town rate", "Town rate", -118_30);
    story.bill(12, "FIBRELINK HOME", "Fibrelink", "Internet and phone", -39_90);
    story.bill(14, "LITTLE ALDERS", "Little Alders", "Day care", -180_00);
    story.bill(21, "ALDER VALE MUSIC", "Alder Vale Music", "Music and swimming", -64_00);
    story.in(HARBOUR, 25, "MARRAM COUNCIL", "PAY", "Marram Council", "Pay", pay());
    story.bill(
        story.month().lengthOfMonth(), "ACCOUNT KEEPING", "Account keeping", "Bank charges", -6_00);
    if (story.month().getMonthValue() % 3 == 1) {
      story.bill(17, "REEDMERE WATER", "Reedmere Water", "Water", -story.between(74_00, 92_00));
    }
    if (story.month().getMonthValue() == 11) {
      story.bill(19, "HOLLIN MUTUAL POLICY 88", "Hollin Mutual", "Insurance", -486_00);
    }
  }

  private void loanPayment() {
    long interest = DemoLoan.interestOf(-story.balance(LOAN));
    List<Share> shares =
        List.of(
            new Share("Loan interest", -interest, "interest"),
            new Share(LOAN, -(DemoLoan.PAYMENT - interest), "repaid"));
    story.add(
        story.line(HARBOUR, 1, -DemoLoan.PAYMENT, "HOME LOAN 0315", "DD", "DIRECTDEBIT"),
        "Home loan",
        shares);
  }

  private void shopping() {
    for (int day = 3 + story.random.nextInt(3);
        day <= story.month().lengthOfMonth();
        day += 3 + story.random.nextInt(2)) {
      story.shop(
          HARBOUR,
          day,
          "GREENGAGE MKT " + (story.random.nextInt(4) == 0 ? "207" : "114"),
          "Greengage Market",
          "Groceries",
          -story.between(12_40, 74_90));
    }
    for (int day = 4 + story.random.nextInt(3); day <= story.month().lengthOfMonth(); day += 7) {
      story.shop(
          HARBOUR,
          day,
          "COBBLERS ROW BKRY",
          "Cobblers Row Bakery",
          "Bakery",
          -story.between(4_80, 14_90));
    }
    story.shop(
        HARBOUR,
        4 + story.random.nextInt(6),
        "NORTHGATE FUEL STN2",
        "Northgate Fuel",
        "Fuel",
        -story.between(42_00, 64_00));
    story.shop(
        HARBOUR,
        18 + story.random.nextInt(8),
        "NORTHGATE FUEL STN5",
        "Northgate Fuel",
        "Fuel",
        -story.between(38_00, 61_00));
    story.shop(
        HARBOUR,
        11 + story.random.nextInt(4),
        "FERRYGATE BUS",
        "Ferrygate Bus",
        "Bus and ferry",
        -story.between(2, 5) * 2_80);
    story.shop(
        HARBOUR,
        9 + story.random.nextInt(14),
        "MILL LANE PHARM",
        "Mill Lane Pharmacy",
        "Health",
        -story.between(7_20, 24_80));
    for (int day : new int[] {6 + story.random.nextInt(3), 23 + story.random.nextInt(3)}) {
      story.add(
          story.line(
              HARBOUR,
              day,
              story.random.nextBoolean() ? -40_00 : -50_00,
              "ATM HARBOUR SQ 3",
              "CASH " + story.dayMonth(day),
              "ATM"),
          "Cash",
          "Pocket cash");
    }
    if (story.month().equals(LAST)) {
      story.shop(
          HARBOUR, 14, "TRM 4471 LOWGATE KIOSK", "Lowgate Kiosk", "Outings and gifts", -18_50);
      story.in(HARBOUR, 24, "H M VANCE", "INCOMING", "H. M. Vance", "Outings and gifts", 60_00);
    }
  }

  private void card() {
    record Shop(String text, String payee, String category, int least, int most) {}
    List<Shop> shops =
        List.of(
            new Shop("GREENGAGE MKT 114", "Greengage Market", "Groceries", 14_20, 96_30),
            new Shop("LAMPLIGHT CINEMA", "Lamplight Cinema", "Outings and gifts", 18_00, 42_00),
            new Shop("OTTERDALE POOL", "Otterdale Pool", "Music and swimming", 8_40, 16_80),
            new Shop("TANSY & THREAD ELLERY", "Tansy & Thread", "Clothes", 19_90, 89_00),
            new Shop("QUAY FERRIES", "Quay Ferries", "Bus and ferry", 8_20, 24_60),
            new Shop("HARROW HARDWARE", "Harrow Hardware", "House upkeep", 6_90, 58_00),
            new Shop("COBBLERS ROW BKRY", "Cobblers Row Bakery", "Bakery", 4_80, 14_00),
            new Shop("GREENGAGE MKT 207", "Greengage Market", "Groceries", 11_00, 48_00));
    int purchases = 11 + story.random.nextInt(4);
    for (int i = 0; i < purchases; i++) {
      Shop shop = shops.get(i % shops.size());
      int day = 1 + story.random.nextInt(story.month().lengthOfMonth());
      story.add(
          story.line(
              QUILLON, day, -story.between(shop.least(), shop.most()), shop.text(), "", "POS"),
          shop.payee(),
          shop.category());
    }
    if (story.month().getMonthValue() % 4 == 2) {
      story.add(
          story.line(QUILLON, 16, -story.between(58_00, 96_00), "ORCHARD DENTAL", "", "POS"),
          "Orchard Dental",
          "Health");
    }
    if (story.month().getMonthValue() == 4) {
      story.add(
          story.line(QUILLON, 22, -284_60, "KERROW GARAGE", "", "POS"),
          "Kerrow Garage",
          "Car upkeep");
    }
  }

  private void transfers(long cardOwed) {
    if (cardOwed > 0) {
      story.transfer(
          HARBOUR,
          QUILLON,
          20,
          cardOwed,
          "QUILLON CARD 6650",
          "PAYMENT RECEIVED",
          "Quillon Card payment");
    }
    story.transfer(HARBOUR, SAVINGS, 28, 220_00, "SAVINGS 9023", "FROM CURRENT 4417", "To savings");
    if (story.month().getMonthValue() % 3 == 0) {
      long interest = Math.round(story.balance(SAVINGS) * 0.0112 / 4);
      story.in(
          SAVINGS,
          story.month().lengthOfMonth(),
          "INTEREST",
          "QUARTER",
          "Harbour Bank",
          "Interest earned",
          interest);
    }
    long draw = 640_00 + story.random.nextInt(5) * 20_00;
    Line given = story.line(KESTREL, 25, -draw, "W ALDERCOTT", "DRAW", "XFER");
    Line taken = story.line(HARBOUR, 25, draw, "SALTMARSH LETTERPRESS", "DRAW", "XFER");
    story.book(
        new Happening(
            given,
            "Wren's drawings",
            "",
            List.of(new Share(HARBOUR, -draw, "")),
            Optional.of(taken)));
  }

  private long energy() {
    boolean cold = story.month().getMonthValue() <= 3 || story.month().getMonthValue() >= 11;
    return cold ? story.between(118_00, 164_00) : story.between(58_00, 84_00);
  }

  private long pay() {
    return story.month().isBefore(YearMonth.of(2026, 1)) ? 2_216_40 : 2_291_75;
  }
}
