package org.yewledger.app.post;

import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.KeptByHousehold;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.post.Reason;

/**
 * How many lines wait, by account, reason and month. Counted once for the same proposals, and kept
 * until one of them changes.
 */
@Component
public class WaitingCounts {
  private static final int MOST_COUNTS_KEPT = 100_000;

  /** Lines that wait on an account, with one reason, booked in one month. */
  public record Count(Account account, Reason reason, YearMonth month, int lines) {}

  private record Kept(String state, List<Count> counts) {}

  private record Key(Account account, Reason reason, YearMonth month) {}

  private final WaitingLines lines;
  private final KeptByHousehold<Kept> kept =
      new KeptByHousehold<>(MOST_COUNTS_KEPT, k -> k.counts().size());

  WaitingCounts(WaitingLines lines) {
    this.lines = lines;
  }

  /** Of all books. */
  @Transactional(readOnly = true)
  public List<Count> all(Chart chart) {
    UUID household = SignedIn.now().householdId();
    String state = lines.state(chart);
    Kept known = kept.get(household);
    if (known == null || !known.state().equals(state)) {
      known = new Kept(state, counted(chart));
      kept.put(household, known);
    }
    return known.counts();
  }

  private List<Count> counted(Chart chart) {
    return lines.all(chart, null).stream()
        .collect(
            Collectors.groupingBy(
                w -> new Key(w.account(), w.reason(), YearMonth.from(w.line().bookedOn())),
                LinkedHashMap::new,
                Collectors.counting()))
        .entrySet()
        .stream()
        .map(e ->
            new Count(
                e.getKey().account(),
                e.getKey().reason(),
                e.getKey().month(),
                e.getValue().intValue()))
        .toList();
  }
}
