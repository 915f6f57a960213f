package org.yewledger.core.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;

/**
 * A year of a made-up household's bank lines, week by week, with what is true of each: which typed
 * entry it is, which other line is its other half, or what it is for. Bank texts carry branches,
 * towns, card tails and dates; entries are typed some days early or late, some under names that the
 * bank does not use, some that never come; halves of transfers arrive days apart, some without a
 * name; refunds and payments of others happen to be equal to them.
 */
final class LabelledYear {
  /**
   * What is true of a line; exactly one of the three, or none where nothing was known.
   *
   * @param entries the typed entries that it is, or is a part of
   */
  record Truth(Set<UUID> entries, @Nullable UUID twin, @Nullable Account category) {
    static Truth of(UUID... entries) {
      return new Truth(Set.of(entries), null, null);
    }
  }

  /** What arrives in a week, and what the person has typed by then. */
  record Week(List<WaitingLine> lines, List<OpenPosting> typed, Map<UUID, Truth> truth) {}

  private record Shop(String name, String text, Account category, Account other, boolean byCard) {}

  private static final Book BOOK = new Book(new UUID(0, 1), "Household", CurrencyUnit.EUR);
  static final Account CURRENT = account(1, "Harbour Current", AccountKind.CURRENT);
  static final Account CARD = account(2, "Quillon Card", AccountKind.CARD);
  static final Account SAVINGS = account(3, "Harbour Savings", AccountKind.SAVINGS);
  static final Map<UUID, String> TAILS =
      Map.of(CURRENT.id(), "4417", CARD.id(), "6650", SAVINGS.id(), "9023");

  private static final List<String> TOWNS = List.of("ELLERY", "MARSH END", "QUAYSIDE", "");
  private static final List<String> FIRST =
      List.of(
          "Greengage",
          "Northgate",
          "Cobblers",
          "Lantern",
          "Reedmere",
          "Fibrelink",
          "Orchard",
          "Pinfold",
          "Alder",
          "Ferrygate",
          "Hollin",
          "Kerrow",
          "Ashlock",
          "Harrow",
          "Tansy",
          "Lamplight",
          "Otterdale",
          "Inkwell",
          "Postbarrow",
          "Saltmarsh",
          "Typefold",
          "Mill");
  private static final List<String> SECOND =
      List.of("Market", "Fuel", "Bakery", "Energy", "Water", "Dental", "Hardware", "Cinema");

  private final Random random;
  private final int typedInHundred;
  private final List<Shop> shops = new ArrayList<>();
  private int count;

  /**
   * @param typedInHundred how many of a hundred purchases are typed by hand before their line comes
   */
  LabelledYear(long seed, int typedInHundred) {
    random = new Random(seed);
    this.typedInHundred = typedInHundred;
    for (int i = 0; i < FIRST.size(); i++) {
      String name = FIRST.get(i) + " " + SECOND.get(random.nextInt(SECOND.size()));
      String text = name.toUpperCase(java.util.Locale.ROOT).replace("MARKET", "MKT");
      Account category = category(i);
      // Of some, what was bought is for two things in turn.
      Account other = random.nextInt(5) == 0 ? category(40 + i) : category;
      shops.add(new Shop(name, text, category, other, random.nextBoolean()));
    }
  }

  static Account category(int number) {
    return account(100 + number, "Category " + number, AccountKind.EXPENSE);
  }

  private static Account account(int number, String name, AccountKind kind) {
    return new Account(
        new UUID(1, number),
        BOOK,
        name,
        kind,
        CurrencyUnit.EUR,
        false,
        kind == AccountKind.EXPENSE ? null : LocalDate.of(2024, 1, 1));
  }

  List<Week> weeks() {
    var weeks = new ArrayList<Week>();
    for (int week = 0; week < 52; week++) {
      weeks.add(week(LocalDate.of(2025, 10, 6).plusWeeks(week)));
    }
    return weeks;
  }

  private Week week(LocalDate monday) {
    var week = new Week(new ArrayList<>(), new ArrayList<>(), new HashMap<>());
    for (int i = 10 + random.nextInt(8); i > 0; i--) {
      purchase(monday.plusDays(random.nextInt(7)), week);
    }
    transfer(CURRENT, SAVINGS, monday.plusDays(random.nextInt(3)), week);
    if (monday.getDayOfMonth() <= 7) {
      transfer(CURRENT, CARD, monday.plusDays(2), week);
    }
    coincidence(monday, week);
    deposit(monday, week);
    inTwo(monday, week);
    tip(monday.plusDays(random.nextInt(6)), week);
    neverComes(monday, week);
    return week;
  }

  private void purchase(LocalDate day, Week week) {
    Shop shop = shops.get(random.nextInt(shops.size()));
    Account account = shop.byCard() ? CARD : CURRENT;
    long minor = -amount();
    WaitingLine line = arrives(account, day, minor, noisy(shop.text(), day), week);
    if (random.nextInt(100) < typedInHundred) {
      String name = random.nextInt(12) == 0 ? "Something for Tobias" : shop.name();
      LocalDate typedFor = day.minusDays(name.equals(shop.name()) ? random.nextInt(4) : 1);
      OpenPosting typed = typed(account, typedFor, minor, name, false, week);
      week.truth().put(line.id(), Truth.of(typed.id()));
    } else {
      Account category = random.nextInt(4) == 0 ? shop.other() : shop.category();
      week.truth().put(line.id(), new Truth(Set.of(), null, category));
    }
  }

  private void transfer(Account from, Account to, LocalDate day, Week week) {
    long minor = 5_000L + 100L * random.nextInt(200);
    LocalDate later = day.plusDays(random.nextInt(4));
    boolean named = random.nextInt(8) > 0;
    String tail = named ? TAILS.get(to.id()) + " " : "";
    WaitingLine in =
        arrives(to, later, minor, random.nextBoolean() ? "PAYMENT RECEIVED" : "CREDIT", week);
    if (random.nextInt(4) == 0) {
      // Booked from its other side before this one came.
      OpenPosting open = typed(to, day, minor, "Transfer to " + to.name(), true, week);
      week.truth().put(in.id(), Truth.of(open.id()));
      return;
    }
    WaitingLine out = arrives(from, day, -minor, "TRANSFER " + tail + "DD", week);
    week.truth().put(out.id(), new Truth(Set.of(), in.id(), null));
    week.truth().put(in.id(), new Truth(Set.of(), out.id(), null));
  }

  /** A refund on one account that happens to be what a shop took from another. */
  private void coincidence(LocalDate monday, Week week) {
    if (random.nextInt(6) > 0) {
      return;
    }
    long minor = amount();
    Shop shop = shops.get(random.nextInt(shops.size()));
    Account one = shop.byCard() ? CARD : CURRENT;
    WaitingLine spent = arrives(one, monday.plusDays(2), -minor, noisy(shop.text(), monday), week);
    WaitingLine back =
        arrives(
            one.equals(CARD) ? CURRENT : CARD,
            monday.plusDays(2L + random.nextInt(3)),
            minor,
            noisy(shop.text(), monday) + " REFUND",
            week);
    week.truth().put(spent.id(), new Truth(Set.of(), null, shop.category()));
    week.truth().put(back.id(), new Truth(Set.of(), null, shop.category()));
  }

  /** Cheques are typed one by one and paid in together. */
  private void deposit(LocalDate monday, Week week) {
    if (random.nextInt(2) > 0) {
      return;
    }
    long sum = 0;
    var entries = new UUID[2 + random.nextInt(3)];
    for (int i = 0; i < entries.length; i++) {
      long minor = 1_000L + random.nextInt(20_000);
      sum += minor;
      entries[i] =
          typed(
                  CURRENT,
                  monday.plusDays(random.nextInt(3)),
                  minor,
                  "Cheque of " + FIRST.get(random.nextInt(FIRST.size())),
                  false,
                  week)
              .id();
    }
    WaitingLine line = arrives(CURRENT, monday.plusDays(3), sum, "PAYING IN 000" + count, week);
    week.truth().put(line.id(), Truth.of(entries));
  }

  /** One order is typed once, and taken as two deliveries. */
  private void inTwo(LocalDate monday, Week week) {
    if (random.nextInt(2) > 0) {
      return;
    }
    Shop shop = shops.get(random.nextInt(shops.size()));
    long one = 1_500L + random.nextInt(4_000);
    long two = 700L + random.nextInt(3_000);
    OpenPosting order = typed(CARD, monday, -one - two, shop.name(), false, week);
    for (long part : new long[] {one, two}) {
      WaitingLine line =
          arrives(
              CARD,
              monday.plusDays(1L + random.nextInt(4)),
              -part,
              noisy(shop.text(), monday),
              week);
      week.truth().put(line.id(), Truth.of(order.id()));
    }
  }

  /** The bill is typed at the table, and comes with the tip. */
  private void tip(LocalDate day, Week week) {
    if (random.nextInt(2) > 0) {
      return;
    }
    long bill = 1_800L + random.nextInt(6_000);
    long tip = bill / 100 * (5 + random.nextInt(11));
    OpenPosting typed = typed(CARD, day, -bill, "Whimbrel Tearoom", false, week);
    WaitingLine line =
        arrives(
            CARD,
            day.plusDays(random.nextInt(3)),
            -bill - tip,
            noisy("WHIMBREL TEAROOM", day),
            week);
    week.truth().put(line.id(), Truth.of(typed.id()));
  }

  /** Typed by mistake, or paid in cash after all. */
  private void neverComes(LocalDate monday, Week week) {
    if (random.nextInt(3) == 0) {
      Shop shop = shops.get(random.nextInt(shops.size()));
      typed(CURRENT, monday.plusDays(random.nextInt(7)), -amount(), shop.name(), false, week);
    }
  }

  private WaitingLine arrives(Account account, LocalDate day, long minor, String text, Week week) {
    var line = new BankLine(day, null, minor, text, "", "", "POS", null, "", ++count);
    var waiting = new WaitingLine(new UUID(2, count), account, line);
    week.lines().add(waiting);
    return waiting;
  }

  private OpenPosting typed(
      Account account, LocalDate day, long minor, String name, boolean awaited, Week week) {
    var posting = new OpenPosting(new UUID(3, ++count), account.id(), day, minor, name, awaited);
    week.typed().add(posting);
    return posting;
  }

  private String noisy(String text, LocalDate day) {
    String branch = random.nextBoolean() ? " " + (100 + random.nextInt(900)) : "";
    String town = " " + TOWNS.get(random.nextInt(TOWNS.size()));
    String card = random.nextBoolean() ? " CARD %02d%02d".formatted(day.getDayOfMonth(), 6) : "";
    return (text + branch + town + card).strip();
  }

  /** Amounts of daily life: many are equal. */
  private long amount() {
    return switch (random.nextInt(4)) {
      case 0 -> 500L + 500L * random.nextInt(10);
      case 1 -> 295L + 100L * random.nextInt(30);
      default -> 300L + random.nextInt(9_000);
    };
  }
}
