package org.yewledger.core.post;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Predicate;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.match.Pairs;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.Words;

/**
 * Which waiting lines are two halves of one transfer between accounts of one's own: what leaves one
 * account arrives on another within days, the same amount or, across currencies, about what the
 * day's rate makes of it.
 *
 * <p>Cost: linear in the lines, times the few of one amount within days; across currencies, those
 * of the other currency within days.
 */
public final class OwnTransfers {
  static final int WINDOW_DAYS = 5;

  /** What nobody names may be two payments that happen to be equal. */
  private static final int DAYS_UNNAMED = 3;

  /** By so much a bank's rate may differ from the day's. */
  private static final BigDecimal RATE_TOLERANCE = new BigDecimal("0.02");

  private static final int UNNAMED = 14;
  private static final int OTHER_CURRENCY = 6;
  private static final int ALONE = 100;
  private static final int NEAREST = 24;

  private record Sum(CurrencyUnit currency, long sizeMinor) {}

  private final List<WaitingLine> lines;
  private final Map<UUID, String> tails;
  private final ExchangeRates rates;
  private final Predicate<WaitingLine> isSettled;
  private final Map<Sum, List<Integer>> arriving = new HashMap<>();
  private final Map<CurrencyUnit, TreeMap<LocalDate, List<Integer>>> arrivingByDay =
      new HashMap<>();
  private final Map<Integer, Set<String>> words = new HashMap<>();

  /**
   * @param tails the last digits of accounts, by which lines name them
   * @param isSettled whether something says already that a line is no transfer, so that it is one
   *     only if it is named
   */
  private OwnTransfers(
      List<WaitingLine> lines,
      Map<UUID, String> tails,
      ExchangeRates rates,
      Predicate<WaitingLine> isSettled) {
    this.lines = lines;
    this.tails = tails;
    this.rates = rates;
    this.isSettled = isSettled;
  }

  /**
   * The transfer that two lines are the halves of, told from the first.
   *
   * @throws Refusal {@code not-two-halves} if they cannot be
   */
  public static Booking booking(String payee, WaitingLine one, WaitingLine other) {
    Amount amount = one.line().amount(one.account().currency());
    Amount there = other.line().amount(other.account().currency());
    boolean exchanged = !there.currency().equals(amount.currency());
    if (one.account().id().equals(other.account().id())
        || amount.sign() * there.sign() >= 0
        || !(exchanged || amount.equals(there.negated()))) {
      throw Refusal.of(
          "not-two-halves",
          "The two lines are no halves of one transfer: what leaves one account has to arrive on"
              + " the other.");
    }
    var part = new Booking.Part(other.account(), amount, "", exchanged ? there.size() : null);
    return new Booking(payee, "", List.of(part));
  }

  /**
   * The place of the posting in an entry that is exactly a line, the other half of a transfer.
   *
   * @throws Refusal {@code not-two-halves} if there is none
   */
  public static int sideOf(WaitingLine half, Entry entry) {
    Amount amount = half.line().amount(half.account().currency());
    for (int place = 0; place < entry.postings().size(); place++) {
      Posting posting = entry.postings().get(place);
      if (posting.account().id().equals(half.account().id()) && posting.amount().equals(amount)) {
        return place;
      }
    }
    throw Refusal.of(
        "not-two-halves",
        "The two lines are no halves of one transfer as it would be booked: account or"
            + " amount of the other side differ.");
  }

  /**
   * What the other half of each line is, by its place among the lines.
   *
   * @param free the places of the lines that may be a half
   */
  static Map<Integer, Evidence.OtherHalf> of(
      List<WaitingLine> lines,
      Collection<Integer> free,
      Map<UUID, String> tails,
      ExchangeRates rates,
      Predicate<WaitingLine> isSettled) {
    return new OwnTransfers(lines, tails, rates, isSettled).halves(free);
  }

  private Map<Integer, Evidence.OtherHalf> halves(Collection<Integer> free) {
    free.stream().filter(place -> minor(place) > 0).forEach(this::note);
    var pairs = new Pairs(lines.size(), lines.size());
    free.stream().filter(place -> minor(place) < 0).forEach(out -> offer(out, pairs));
    Map<Integer, Evidence.OtherHalf> halves = new HashMap<>();
    for (Pairs.Pair pair : pairs.best(ALONE)) {
      long days = daysApart(pair.left(), pair.right());
      boolean named = isNamed(pair.left(), pair.right());
      halves.put(
          pair.left(),
          new Evidence.OtherHalf(lines.get(pair.right()).id(), days, named, pair.rivalled()));
      halves.put(
          pair.right(),
          new Evidence.OtherHalf(lines.get(pair.left()).id(), days, named, pair.rivalled()));
    }
    return halves;
  }

  private void note(int place) {
    CurrencyUnit currency = lines.get(place).account().currency();
    arriving.computeIfAbsent(new Sum(currency, minor(place)), s -> new ArrayList<>()).add(place);
    arrivingByDay
        .computeIfAbsent(currency, c -> new TreeMap<>())
        .computeIfAbsent(day(place), d -> new ArrayList<>())
        .add(place);
  }

  private void offer(int out, Pairs pairs) {
    Account from = lines.get(out).account();
    arriving.getOrDefault(new Sum(from.currency(), -minor(out)), List.of()).stream()
        .filter(in -> daysApart(out, in) <= WINDOW_DAYS)
        .limit(NEAREST)
        .forEach(in -> offer(out, in, 0, pairs));
    arrivingByDay.forEach((currency, byDay) -> {
      if (!currency.equals(from.currency())) {
        byDay
            .subMap(day(out).minusDays(WINDOW_DAYS), true, day(out).plusDays(WINDOW_DAYS), true)
            .values()
            .forEach(those ->
                those.stream()
                    .filter(in -> isWorthAbout(out, in))
                    .limit(NEAREST)
                    .forEach(in -> offer(out, in, OTHER_CURRENCY, pairs)));
      }
    });
  }

  private void offer(int out, int in, int more, Pairs pairs) {
    if (lines.get(out).account().id().equals(lines.get(in).account().id())) {
      return;
    }
    int days = (int) daysApart(out, in);
    boolean named = isNamed(out, in);
    if (named || (days <= DAYS_UNNAMED && mayBeUnnamed(out, in))) {
      pairs.mayBe(out, in, Pairs.apart(days) + more + (named ? 0 : UNNAMED));
    }
  }

  /**
   * Two lines that name nobody may be a transfer: where one tells of somebody else, such as a shop
   * that paid something back, equal amounts are a coincidence.
   */
  private boolean mayBeUnnamed(int out, int in) {
    boolean settled = isSettled.test(lines.get(out)) || isSettled.test(lines.get(in));
    boolean tellsNobody =
        LastingWords.telling(lines.get(out).line()).isEmpty()
            || LastingWords.telling(lines.get(in).line()).isEmpty();
    return !settled && tellsNobody;
  }

  /** Whether what arrives is what leaves at the rate of its day, but for what banks take. */
  private boolean isWorthAbout(int out, int in) {
    Amount leaves = lines.get(out).line().amount(lines.get(out).account().currency()).size();
    Amount arrives = lines.get(in).line().amount(lines.get(in).account().currency());
    try {
      BigDecimal worth = rates.convert(leaves, arrives.currency(), day(out)).decimal();
      BigDecimal off = worth.subtract(arrives.decimal()).abs();
      return off.compareTo(worth.multiply(RATE_TOLERANCE)) <= 0;
    } catch (Refusal noRate) {
      return false;
    }
  }

  private boolean isNamed(int one, int other) {
    return names(one, lines.get(other).account()) || names(other, lines.get(one).account());
  }

  /** Whether a line's text has an account's last digits, or all words of its name. */
  private boolean names(int place, Account account) {
    Set<String> said =
        words.computeIfAbsent(
            place,
            p -> {
              var line = lines.get(p).line();
              return new HashSet<>(Words.of(line.payee() + ' ' + line.memo()).list());
            });
    String tail = tails.getOrDefault(account.id(), "");
    return (!tail.isEmpty() && said.contains(tail))
        || said.containsAll(Words.of(account.name()).list());
  }

  private long minor(int place) {
    return lines.get(place).line().amountMinor();
  }

  private LocalDate day(int place) {
    return lines.get(place).line().bookedOn();
  }

  private long daysApart(int one, int other) {
    return Math.abs(ChronoUnit.DAYS.between(day(one), day(other)));
  }
}
