package org.yewledger.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.Proposer;
import org.yewledger.core.post.Reason;
import org.yewledger.core.post.Situation;
import org.yewledger.core.post.WaitingLine;

/**
 * Waiting lines matched with as many entries that were typed ahead, all together, in the core
 * alone. Half of the lines have their entry among them, some days off; amounts are those of daily
 * life, so that many are equal. Baseline: the same with half as many.
 */
final class MatchBench {
  private static final int WARM_UP = 20;
  private static final int RUNS = 9;
  private static final List<String> PAYEES =
      List.of("GREENGAGE", "NORTHGATE", "COBBLERS", "LAMPLIGHT", "FERRYGATE", "HARROW", "TANSY");

  private MatchBench() {}

  static void run() throws Exception {
    double before = 0;
    for (int size : List.of(2_500, 5_000, 10_000, 20_000)) {
      Situation situation = situation(size);
      double millis = Timing.medianMillis(WARM_UP, RUNS, () -> Proposer.proposals(situation));
      Bench.figure("match-" + size, millis, "ms", size == 10_000 ? "<= 1000" : ">= 0");
      if (before > 0) {
        Bench.figure("match-" + size + "-times-half", millis / before, "ratio", "<= 2.6");
      }
      before = millis;
      long known =
          Proposer.proposals(situation).stream()
              .filter(p -> p.reason() == Reason.KNOWN_ENTRY)
              .count();
      Bench.figure("match-" + size + "-known", known, "lines", ">= " + size / 2);
    }
  }

  /** A current account of a household in euros. */
  static Account account() {
    var book = new Book(new UUID(0, 1), "Household", CurrencyUnit.EUR);
    return new Account(
        new UUID(0, 2),
        book,
        "Harbour Current",
        AccountKind.CURRENT,
        CurrencyUnit.EUR,
        false,
        LocalDate.of(2020, 1, 1));
  }

  private static Situation situation(int size) {
    var random = new Random(45);
    Account account = account();
    var lines = new ArrayList<WaitingLine>(size);
    var open = new ArrayList<OpenPosting>(size);
    // As many lines a day, however many days: a longer time has more of them, not a denser one.
    int days = size / 25;
    for (int i = 0; i < size; i++) {
      LocalDate day = LocalDate.of(2020, 1, 1).plusDays(random.nextInt(days));
      long minor = -100L * (1 + random.nextInt(60)) - random.nextInt(4) * 25;
      String payee = PAYEES.get(random.nextInt(PAYEES.size()));
      lines.add(new WaitingLine(new UUID(1, i), account, line(day, minor, payee, i)));
      boolean isItsEntry = i % 2 == 0;
      open.add(
          new OpenPosting(
              new UUID(2, i),
              account.id(),
              isItsEntry ? day.minusDays(random.nextInt(4)) : day.plusDays(40),
              isItsEntry ? minor : -7L - 10_000_000L - i,
              payee,
              false));
    }
    return new Situation(lines, open, Map.of(), Map.of(), Map.of(), ExchangeRates.NONE, Map.of());
  }

  private static BankLine line(LocalDate day, long minor, String payee, int i) {
    return new BankLine(
        day, null, minor, payee + " MKT " + i % 300, "CARD " + i, "", "POS", null, "", i + 1);
  }
}
