package org.yewledger.demo;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.yewledger.demo.Happening.Line;
import org.yewledger.demo.Happening.Share;

/**
 * Twelve months of the Aldercotts' money, October 2025 to September 2026, the same at every call;
 * and as many months afterwards as their banks are asked for.
 *
 * <p>The months are made one after the other, since some lines depend on balances: the card is paid
 * off on the 20th with what it stood at when the month before ended, the loan's interest is on what
 * is still owed.
 */
public final class AldercottYear {
  public static final YearMonth FIRST = YearMonth.of(2025, 10);
  public static final YearMonth LAST = YearMonth.of(2026, 9);
  static final String HARBOUR = "Harbour Current";
  static final String SAVINGS = "Harbour Savings";
  static final String QUILLON = "Quillon Card";
  static final String LOAN = "Home loan";
  static final String KESTREL = "Kestrel Current";
  static final String KESTREL_CARD = "Kestrel Card";
  static final String SHOP = "Shop takings";

  private static final long SEED = 20_261_005L;
  private static final long LOAN_PAYMENT = 1_086_40;
  private static final double LOAN_YEARLY_RATE = 0.0385;

  private final Random random = new Random(SEED);
  private final Random sales = new Random(SEED + 1);
  private final Map<String, Long> balances = new HashMap<>();
  private final List<Happening> all = new ArrayList<>();
  private YearMonth month = FIRST;

  private AldercottYear() {
    for (var account : AldercottChart.accounts()) {
      balances.put(account.name(), account.openingMinor());
    }
  }

  /** All happenings of the twelve months in order of their days. */
  public static List<Happening> happenings() {
    return through(LAST);
  }

  /** The same with what happens afterwards, or without what has not happened yet. */
  public static List<Happening> through(YearMonth last) {
    var year = new AldercottYear();
    for (YearMonth m = FIRST; !m.isAfter(last); m = m.plusMonths(1)) {
      year.month = m;
      year.makeMonth();
    }
    return List.copyOf(year.all);
  }

  private void makeMonth() {
    int before = all.size();
    long cardOwed = -balance(QUILLON);
    long pressCardOwed = -balance(KESTREL_CARD);
    householdBills();
    householdShopping();
    card();
    transfers(cardOwed);
    press(pressCardOwed);
    shopAbroad();
    all.subList(before, all.size()).sort(Comparator.comparing(h -> h.line().day()));
  }

  private void householdBills() {
    loanPayment();
    bill(2, "PINFOLD SCHOOL LUNCH", "Pinfold School", "School", -62_00);
    in(HARBOUR, 5, "FAMILY OFFICE", "CHILD ALLOWANCE", "Family Office", "Child allowance", 326_00);
    bill(8, "LANTERN ENERGY 7730021", "Lantern Energy", "Energy", -energy());
    bill(10, "TOWN RATE ELLERY", "Town rate", "Town rate", -118_30);
    bill(12, "FIBRELINK HOME", "Fibrelink", "Internet and phone", -39_90);
    bill(14, "LITTLE ALDERS", "Little Alders", "Day care", -180_00);
    bill(21, "ALDER VALE MUSIC", "Alder Vale Music", "Music and swimming", -64_00);
    in(HARBOUR, 25, "MARRAM COUNCIL", "PAY", "Marram Council", "Pay", pay());
    bill(month.lengthOfMonth(), "ACCOUNT KEEPING", "Account keeping", "Bank charges", -6_00);
    if (month.getMonthValue() % 3 == 1) {
      bill(17, "REEDMERE WATER", "Reedmere Water", "Water", -between(74_00, 92_00));
    }
    if (month.getMonthValue() == 11) {
      bill(19, "HOLLIN MUTUAL POLICY 88", "Hollin Mutual", "Insurance", -486_00);
    }
  }

  private void loanPayment() {
    long interest = Math.round(-balance(LOAN) * LOAN_YEARLY_RATE / 12);
    List<Share> shares =
        List.of(
            new Share("Loan interest", -interest, "interest"),
            new Share(LOAN, -(LOAN_PAYMENT - interest), "repaid"));
    add(
        line(HARBOUR, 1, -LOAN_PAYMENT, "HOME LOAN 0315", "DD", "DIRECTDEBIT"),
        "Home loan",
        shares);
  }

  private void householdShopping() {
    for (int day = 3 + random.nextInt(3);
        day <= month.lengthOfMonth();
        day += 3 + random.nextInt(2)) {
      shop(
          HARBOUR,
          day,
          "GREENGAGE MKT " + (random.nextInt(4) == 0 ? "207" : "114"),
          "Greengage Market",
          "Groceries",
          -between(12_40, 74_90));
    }
    for (int day = 4 + random.nextInt(3); day <= month.lengthOfMonth(); day += 7) {
      shop(
          HARBOUR,
          day,
          "COBBLERS ROW BKRY",
          "Cobblers Row Bakery",
          "Bakery",
          -between(4_80, 14_90));
    }
    shop(
        HARBOUR,
        4 + random.nextInt(6),
        "NORTHGATE FUEL STN2",
        "Northgate Fuel",
        "Fuel",
        -between(42_00, 64_00));
    shop(
        HARBOUR,
        18 + random.nextInt(8),
        "NORTHGATE FUEL STN5",
        "Northgate Fuel",
        "Fuel",
        -between(38_00, 61_00));
    shop(
        HARBOUR,
        11 + random.nextInt(4),
        "FERRYGATE BUS",
        "Ferrygate Bus",
        "Bus and ferry",
        -between(2, 5) * 2_80);
    shop(
        HARBOUR,
        9 + random.nextInt(14),
        "MILL LANE PHARM",
        "Mill Lane Pharmacy",
        "Health",
        -between(7_20, 24_80));
    for (int day : new int[] {6 + random.nextInt(3), 23 + random.nextInt(3)}) {
      add(
          line(
              HARBOUR,
              day,
              random.nextBoolean() ? -40_00 : -50_00,
              "ATM HARBOUR SQ 3",
              "CASH " + dayMonth(day),
              "ATM"),
          "Cash",
          "Pocket cash");
    }
    if (month.equals(LAST)) {
      shop(HARBOUR, 14, "TRM 4471 LOWGATE KIOSK", "Lowgate Kiosk", "Outings and gifts", -18_50);
      in(HARBOUR, 24, "H M VANCE", "INCOMING", "H. M. Vance", "Outings and gifts", 60_00);
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
    int purchases = 11 + random.nextInt(4);
    for (int i = 0; i < purchases; i++) {
      Shop shop = shops.get(i % shops.size());
      int day = 1 + random.nextInt(month.lengthOfMonth());
      add(
          line(QUILLON, day, -between(shop.least(), shop.most()), shop.text(), "", "POS"),
          shop.payee(),
          shop.category());
    }
    if (month.getMonthValue() % 4 == 2) {
      add(
          line(QUILLON, 16, -between(58_00, 96_00), "ORCHARD DENTAL", "", "POS"),
          "Orchard Dental",
          "Health");
    }
    if (month.getMonthValue() == 4) {
      add(line(QUILLON, 22, -284_60, "KERROW GARAGE", "", "POS"), "Kerrow Garage", "Car upkeep");
    }
  }

  private void transfers(long cardOwed) {
    if (cardOwed > 0) {
      transfer(
          HARBOUR,
          QUILLON,
          20,
          cardOwed,
          "QUILLON CARD 6650",
          "PAYMENT RECEIVED",
          "Quillon Card payment");
    }
    transfer(HARBOUR, SAVINGS, 28, 220_00, "SAVINGS 9023", "FROM CURRENT 4417", "To savings");
    if (month.getMonthValue() % 3 == 0) {
      long interest = Math.round(balance(SAVINGS) * 0.0112 / 4);
      in(
          SAVINGS,
          month.lengthOfMonth(),
          "INTEREST",
          "QUARTER",
          "Harbour Bank",
          "Interest earned",
          interest);
    }
    long draw = 640_00 + random.nextInt(5) * 20_00;
    Line given = line(KESTREL, 25, -draw, "W ALDERCOTT", "DRAW", "XFER");
    Line taken = line(HARBOUR, 25, draw, "SALTMARSH LETTERPRESS", "DRAW", "XFER");
    book(
        new Happening(
            given,
            "Wren's drawings",
            "",
            List.of(new Share(HARBOUR, -draw, "")),
            Optional.of(taken)));
  }

  private void press(long cardOwed) {
    out(KESTREL, 3, "SALTMARSH YARD RENT", "Saltmarsh Yard", "Workshop", -240_00);
    out(KESTREL, 6, "TYPEFOLD SUBSCRIPTION", "Typefold", "Software", -29_04);
    out(
        KESTREL,
        month.lengthOfMonth(),
        "BUSINESS ACCOUNT FEE",
        "Account fee",
        "Account fees",
        -9_50);
    for (int day = 5; day <= month.lengthOfMonth(); day += 7) {
      in(
          KESTREL,
          day,
          "SHOP PAYOUT WK " + (day / 7 + 1),
          "",
          "Online shop",
          "Online shop",
          between(84_00, 176_00));
    }
    in(
        KESTREL,
        18,
        "THISTLE QUIRE INV " + (380 + month.getMonthValue()),
        "",
        "Thistle & Quire",
        "Stationers",
        between(120_00, 360_00));
    if (month.getMonthValue() % 2 == 0) {
      in(
          KESTREL,
          11,
          "PAPER LANTERN INV " + (210 + month.getMonthValue()),
          "",
          "Paper Lantern",
          "Stationers",
          between(90_00, 240_00));
    }
    String[] weddings = {"HARTWELL", "OAKSHOTT", "PENROSE", "ASHBY"};
    String couple = weddings[month.getMonthValue() % weddings.length];
    in(
        KESTREL,
        24,
        "J " + couple + " BAL",
        "",
        title(couple) + " wedding",
        "Commissions",
        between(260_00, 620_00));
    out(
        KESTREL,
        9,
        "INKWELL AND SONS INV " + (2500 + month.getMonthValue()),
        "Inkwell & Sons Paper",
        "Paper and ink",
        -between(84_00, 210_00));
    if (month.getMonthValue() == 11 || month.getMonthValue() == 12 || month.getMonthValue() == 9) {
      out(KESTREL, 28, "ELLERY MKT P14", "Ellery Winter Market", "Stalls", -163_35);
      in(
          KESTREL,
          29,
          "CASH PAID IN ELLERY",
          "",
          "Ellery Winter Market",
          "Fairs",
          between(320_00, 780_00));
    }
    if (!month.isBefore(YearMonth.from(AldercottChart.CARD_START))) {
      pressCard(cardOwed);
    }
  }

  private void pressCard(long owed) {
    for (int day = 4 + random.nextInt(3); day <= month.lengthOfMonth(); day += 6) {
      add(
          line(KESTREL_CARD, day, -between(9_80, 24_90), "POSTBARROW 0771 COLLECT", "", "POS"),
          "Postbarrow Couriers",
          "Post and couriers");
    }
    add(
        line(KESTREL_CARD, 19, -between(24_00, 58_00), "LAMPBLACK INKS", "", "POS"),
        "Lampblack Inks",
        "Paper and ink");
    if (owed > 0) {
      transfer(
          KESTREL,
          KESTREL_CARD,
          15,
          owed,
          "KESTREL CARD 7731",
          "PAYMENT THANK YOU",
          "Kestrel Card payment");
    }
  }

  /** Sales abroad, in dollars; once a month the shop pays out what has come together, in euros. */
  private void shopAbroad() {
    if (month.isBefore(YearMonth.from(AldercottChart.SHOP_START))) {
      return;
    }
    for (int week = 1; week <= 3; week++) {
      long sold = 38_00 + sales.nextInt(90_00);
      int day = 2 + week * 6;
      in(SHOP, day, "ORDERS WEEK " + week, "", "Orders abroad", "Online shop", sold);
      add(
          line(SHOP, day, -sold * 65 / 1000, "SELLING FEE WEEK " + week, "", "FEE"),
          "Selling fee",
          "Shop fees");
    }
    // Some of it stays there, for what the shop buys abroad.
    long dollars = balance(SHOP) / 2 / 50_00 * 50_00;
    if (dollars > 0) {
      // The shop takes a little more than the market for the exchange.
      long euros = Math.round(dollars * DemoRates.of(month).doubleValue() * 0.988);
      Line given = line(SHOP, 26, -dollars, "PAYOUT TO BANK 2208", "", "XFER");
      Line taken = line(KESTREL, 28, euros, "SHOP PAYOUT ABROAD", "USD " + dollars / 100, "XFER");
      book(
          new Happening(
              given,
              "Shop payout",
              "",
              List.of(new Share(KESTREL, -dollars, "", euros)),
              Optional.of(taken)));
    }
  }

  private long energy() {
    boolean cold = month.getMonthValue() <= 3 || month.getMonthValue() >= 11;
    return cold ? between(118_00, 164_00) : between(58_00, 84_00);
  }

  private long pay() {
    return month.isBefore(YearMonth.of(2026, 1)) ? 2_216_40 : 2_291_75;
  }

  private void bill(int day, String text, String payee, String category, long amount) {
    add(line(HARBOUR, day, amount, text, "DD", "DIRECTDEBIT"), payee, category);
  }

  private void out(
      String account, int day, String text, String payee, String category, long amount) {
    add(line(account, day, amount, "", text, "PAYMENT"), payee, category);
  }

  private void in(
      String account,
      int day,
      String name,
      String memo,
      String payee,
      String category,
      long amount) {
    add(line(account, day, amount, name, memo, "CREDIT"), payee, category);
  }

  private void shop(
      String account, int day, String text, String payee, String category, long amount) {
    add(line(account, day, amount, text, "CARD " + dayMonth(day), "POS"), payee, category);
  }

  private void transfer(
      String from, String to, int day, long amount, String fromText, String toText, String payee) {
    Line twin = line(to, day, amount, toText, "", "XFER");
    Line line = line(from, day, -amount, fromText, "DD", "XFER");
    book(new Happening(line, payee, "", List.of(new Share(to, -amount, "")), Optional.of(twin)));
  }

  private void add(Line line, String payee, String category) {
    add(line, payee, List.of(new Share(category, line.amountMinor(), "")));
  }

  private void add(Line line, String payee, List<Share> shares) {
    book(new Happening(line, payee, "", shares, Optional.empty()));
  }

  private void book(Happening happening) {
    all.add(happening);
    balances.merge(happening.line().account(), happening.line().amountMinor(), Long::sum);
    happening
        .shares()
        .forEach(s ->
            balances.merge(
                s.account(), s.otherMinor() != 0 ? s.otherMinor() : -s.amountMinor(), Long::sum));
  }

  private Line line(String account, int day, long amount, String name, String memo, String type) {
    LocalDate date = month.atDay(Math.min(day, month.lengthOfMonth()));
    String reference =
        "%02d%02d-%04d"
            .formatted(date.getMonthValue(), date.getDayOfMonth(), 1000 + all.size() % 9000);
    return new Line(account, date, amount, name, memo, reference, type);
  }

  private String dayMonth(int day) {
    return "%02d%02d".formatted(Math.min(day, month.lengthOfMonth()), month.getMonthValue());
  }

  private long balance(String account) {
    return balances.getOrDefault(account, 0L);
  }

  private long between(int least, int most) {
    return least + random.nextInt(most - least + 1);
  }

  private static String title(String upper) {
    return upper.charAt(0) + upper.substring(1).toLowerCase(java.util.Locale.ROOT);
  }
}
