package org.yewledger.app.chart;

import java.time.LocalDate;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.chart.AccountUse;

/**
 * What a part of the application uses accounts for. Each part answers for its own tables; the chart
 * asks all of them.
 */
public interface AccountUsage {
  /** Counts go up to one more than this. */
  int MOST = AccountUse.MOST_COUNTED + 1;

  /** What an account is used for. Cost: the same however much that is. */
  Part of(UUID accountId);

  /** How many lines wait, by account; empty for parts that know of none. */
  default Map<UUID, Integer> waiting() {
    return Map.of();
  }

  /** Counts and days; null and zero where the part does not know. */
  record Part(
      long postings,
      @Nullable LocalDate firstEntry,
      long lines,
      @Nullable LocalDate firstLine,
      long undecided,
      long statements,
      long openStatements,
      long feeds,
      long rules) {
    public static final Part NONE = new Part(0, null, 0, null, 0, 0, 0, 0, 0);

    public static Part ofPostings(long postings, @Nullable LocalDate firstEntry) {
      return new Part(postings, firstEntry, 0, null, 0, 0, 0, 0, 0);
    }

    public static Part ofLines(long lines, @Nullable LocalDate firstLine, long undecided) {
      return new Part(0, null, lines, firstLine, undecided, 0, 0, 0, 0);
    }

    public static Part ofStatements(long statements, long open) {
      return new Part(0, null, 0, null, 0, statements, open, 0, 0);
    }

    public static Part ofFeeds(long feeds) {
      return new Part(0, null, 0, null, 0, 0, 0, feeds, 0);
    }

    public static Part ofRules(long rules) {
      return new Part(0, null, 0, null, 0, 0, 0, 0, rules);
    }

    Part and(Part other) {
      return new Part(
          postings + other.postings,
          firstEntry == null ? other.firstEntry : firstEntry,
          lines + other.lines,
          firstLine == null ? other.firstLine : firstLine,
          undecided + other.undecided,
          statements + other.statements,
          openStatements + other.openStatements,
          feeds + other.feeds,
          rules + other.rules);
    }
  }
}
