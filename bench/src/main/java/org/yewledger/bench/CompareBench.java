package org.yewledger.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import org.yewledger.core.compare.Comparison;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;

/**
 * A statement's lines compared with the postings of the books, in the core alone. Baseline: the
 * same with half as many of both.
 */
final class CompareBench {
  private static final int LINES = 5_000;
  private static final int POSTINGS = 20_000;
  private static final int WARM_UP = 20;
  private static final int RUNS = 15;
  private static final LocalDate FIRST = LocalDate.of(2020, 1, 1);

  private CompareBench() {}

  static void run() throws Exception {
    double before = 0;
    for (int part : List.of(4, 2, 1)) {
      var ledgers = new Ledgers(LINES / part, POSTINGS / part);
      double millis = Timing.medianMillis(WARM_UP, RUNS, ledgers::compare);
      Bench.figure(
          "compare-%d-with-%d".formatted(LINES / part, POSTINGS / part),
          millis,
          "ms",
          part == 1 ? "<= 500" : ">= 0");
      if (before > 0) {
        Bench.figure(
            "compare-%d-times-half".formatted(LINES / part), millis / before, "ratio", "<= 2.6");
      }
      before = millis;
    }
  }

  /** Lines of which half have their entry; some of the rest have one with a slip in its amount. */
  private static final class Ledgers {
    private static final List<String> PAYEES =
        List.of("Greengage", "Northgate", "Cobblers", "Lamplight", "Ferrygate", "Harrow", "Tansy");

    private final List<WaitingLine> lines = new ArrayList<>();
    private final List<OpenPosting> postings = new ArrayList<>();

    Ledgers(int lineCount, int postingCount) {
      var random = new Random(46);
      Account account = MatchBench.account();
      int days = postingCount / 50;
      for (int i = 0; i < postingCount; i++) {
        LocalDate day = FIRST.plusDays(random.nextInt(days));
        long minor = -100L * (1 + random.nextInt(90)) - random.nextInt(100);
        String payee =
            PAYEES.get(random.nextInt(PAYEES.size()))
                + " number "
                + (char) ('a' + i % 26)
                + "street";
        if (i < lineCount) {
          lines.add(
              new WaitingLine(
                  new UUID(1, i), account, line(day, minor, payee.toUpperCase(Locale.ROOT), i)));
        }
        long typed = i % 10 == 0 ? minor - 900 : minor;
        if (i % 2 == 0 || i >= lineCount) {
          postings.add(
              new OpenPosting(
                  new UUID(2, i),
                  account.id(),
                  day.minusDays(random.nextInt(3)),
                  typed,
                  payee,
                  false));
        }
      }
    }

    private static BankLine line(LocalDate day, long minor, String payee, int i) {
      return new BankLine(day, null, minor, payee, "CARD " + i, "", "POS", null, "", i + 1);
    }

    Comparison compare() {
      return Comparison.of(lines, postings, FIRST.plusYears(30));
    }
  }
}
