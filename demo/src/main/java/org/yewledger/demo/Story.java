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
 * What has happened so far, in order, and what stands on every account. Told in the same words from
 * the same seed it is the same at every time.
 */
final class Story {
  private static final long SEED = 20_261_005L;

  final Random random = new Random(SEED);

  /** Of its own, so that the sales abroad change nothing of the rest. */
  final Random sales = new Random(SEED + 1);

  private final Map<String, Long> balances = new HashMap<>();
  private final List<Happening> all = new ArrayList<>();
  private YearMonth month = AldercottYear.FIRST;

  Story() {
    for (var account : AldercottChart.accounts()) {
      balances.put(account.name(), account.openingMinor());
    }
  }

  /** The month that is being told. */
  YearMonth month() {
    return month;
  }

  /** Tells a month; within it the order is that of the days. */
  void tell(YearMonth next, Runnable happenings) {
    month = next;
    int before = all.size();
    happenings.run();
    all.subList(before, all.size()).sort(Comparator.comparing(h -> h.line().day()));
  }

  List<Happening> all() {
    return List.copyOf(all);
  }

  void bill(int day, String text, String payee, String category, long amount) {
    add(line(AldercottYear.HARBOUR, day, amount, text, "DD", "DIRECTDEBIT"), payee, category);
  }

  void out(String account, int day, String text, String payee, String category, long amount) {
    add(line(account, day, amount, "", text, "PAYMENT"), payee, category);
  }

  void in(
      String account,
      int day,
      String name,
      String memo,
      String payee,
      String category,
      long amount) {
    add(line(account, day, amount, name, memo, "CREDIT"), payee, category);
  }

  void shop(String account, int day, String text, String payee, String category, long amount) {
    add(line(account, day, amount, text, "CARD " + dayMonth(day), "POS"), payee, category);
  }

  void transfer(
      String from, String to, int day, long amount, String fromText, String toText, String payee) {
    Line twin = line(to, day, amount, toText, "", "XFER");
    Line line = line(from, day, -amount, fromText, "DD", "XFER");
    book(new Happening(line, payee, "", List.of(new Share(to, -amount, "")), Optional.of(twin)));
  }

  void add(Line line, String payee, String category) {
    add(line, payee, List.of(new Share(category, line.amountMinor(), "")));
  }

  void add(Line line, String payee, List<Share> shares) {
    book(new Happening(line, payee, "", shares, Optional.empty()));
  }

  void book(Happening happening) {
    all.add(happening);
    balances.merge(happening.line().account(), happening.line().amountMinor(), Long::sum);
    happening
        .shares()
        .forEach(s ->
            balances.merge(
                s.account(), s.otherMinor() != 0 ? s.otherMinor() : -s.amountMinor(), Long::sum));
  }

  Line line(String account, int day, long amount, String name, String memo, String type) {
    LocalDate date = month.atDay(Math.min(day, month.lengthOfMonth()));
    String reference =
        "%02d%02d-%04d"
            .formatted(date.getMonthValue(), date.getDayOfMonth(), 1000 + all.size() % 9000);
    return new Line(account, date, amount, name, memo, reference, type);
  }

  String dayMonth(int day) {
    return "%02d%02d".formatted(Math.min(day, month.lengthOfMonth()), month.getMonthValue());
  }

  long balance(String account) {
    return balances.getOrDefault(account, 0L);
  }

  long between(int least, int most) {
    return least + random.nextInt(most - least + 1);
  }
}
