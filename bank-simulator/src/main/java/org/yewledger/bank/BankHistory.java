package org.yewledger.bank;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.yewledger.demo.AldercottChart;
import org.yewledger.demo.AldercottChart.ChartAccount;
import org.yewledger.demo.AldercottYear;
import org.yewledger.demo.Happening;

/**
 * What has happened on the household's accounts up to today: the same story that the demo books
 * tell, from the same seed, going on as the days go by. A line is pending for its first two days.
 */
@Component
class BankHistory {
  private static final int DAYS_PENDING = 2;

  /**
   * A line of an account.
   *
   * @param bookedOn the day on which it is or will be booked
   */
  record Entry(
      String id,
      LocalDate bookedOn,
      LocalDate valueOn,
      long amountMinor,
      String name,
      String text,
      String reference,
      String type,
      boolean pending) {}

  private final BankClock clock;
  private YearMonth madeThrough = AldercottYear.FIRST.minusMonths(1);
  private List<Happening> happenings = List.of();

  BankHistory(BankClock clock) {
    this.clock = clock;
  }

  LocalDate today() {
    return clock.today();
  }

  static ChartAccount account(String name) {
    return AldercottChart.accounts().stream()
        .filter(a -> a.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  /** All lines of an account, oldest first. */
  List<Entry> entries(String account) {
    LocalDate today = today();
    Map<LocalDate, Integer> nth = new HashMap<>();
    var entries = new ArrayList<Entry>();
    for (Happening.Line line : lines(account)) {
      int n = nth.merge(line.day(), 1, Integer::sum);
      if (!line.day().isAfter(today)) {
        entries.add(entry(line, n, today));
      }
    }
    return entries;
  }

  /** The account's balance in minor units, with or without what is pending. */
  long balance(String account, boolean withPending) {
    return account(account).openingMinor()
        + entries(account).stream()
            .filter(e -> withPending || !e.pending())
            .mapToLong(Entry::amountMinor)
            .sum();
  }

  private static Entry entry(Happening.Line line, int n, LocalDate today) {
    String day = line.day().toString().replace("-", "");
    String tail = account(line.account()).tail();
    boolean cash = line.type().equals("ATM");
    // The feed books cash a day later than the file does, and says it in other words.
    LocalDate bookedOn = cash ? line.day().plusDays(1) : line.day();
    boolean pending = bookedOn.isAfter(today.minusDays(DAYS_PENDING));
    return new Entry(
        "%s%s-%s-%03d".formatted(pending ? "P" : "F", tail, day, n),
        bookedOn,
        line.day(),
        line.amountMinor(),
        cash ? "CASH MACHINE HARBOUR SQUARE" : line.name(),
        cash ? "" : line.memo(),
        line.reference(),
        line.type(),
        pending);
  }

  private synchronized List<Happening.Line> lines(String account) {
    YearMonth month = YearMonth.from(today());
    if (month.isAfter(madeThrough)) {
      happenings = AldercottYear.through(month);
      madeThrough = month;
    }
    return happenings.stream()
        .flatMap(h -> Stream.concat(Stream.of(h.line()), h.twin().stream()))
        .filter(l -> l.account().equals(account))
        .sorted(Comparator.comparing(Happening.Line::day))
        .toList();
  }
}
