package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.gather.GatherJson.DoubtJson;
import org.yewledger.app.gather.GatherJson.DoubtSideJson;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/** Lines that may be others once more: shown side by side, decided by a person. */
@Service
class DoubtService {
  private static final int SHOWN = 200;

  /** What a person says of a doubtful line. */
  enum Decision {
    SAME,
    TWO,
    OPEN
  }

  private final EntityManager entities;
  private final ChartService charts;
  private final Acts acts;
  private final Clock clock;

  DoubtService(EntityManager entities, ChartService charts, Acts acts, Clock clock) {
    this.entities = entities;
    this.charts = charts;
    this.acts = acts;
    this.clock = clock;
  }

  /** The undecided lines of a book, or of all, oldest first. */
  @Transactional(readOnly = true)
  List<DoubtJson> undecided(@Nullable UUID bookId) {
    Chart chart = charts.chart();
    List<UUID> accounts = chart.bankAccounts(bookId).map(Account::id).toList();
    List<BankLineStateEntity> states =
        entities
            .createQuery(
                """
                from BankLineState where state = DOUBTFUL and accountId in :accounts
                order by bookedOn, bankLineId\
                """,
                BankLineStateEntity.class)
            .setParameter("accounts", accounts)
            .setMaxResults(SHOWN)
            .getResultList();
    List<UUID> lines =
        states.stream()
            .flatMap(s -> Stream.of(s.bankLineId(), Objects.requireNonNull(s.otherLineId())))
            .toList();
    readLines(lines);
    Map<UUID, BookedAs> booked = bookedAs(lines);
    return states.stream().map(state -> doubt(state, chart, booked)).toList();
  }

  /**
   * Settles a doubt, or opens it again.
   *
   * @throws Conflict if the line is posted by now, or somebody was faster
   */
  @Transactional
  @ForBookkeepers
  void decide(UUID lineId, Decision decision) {
    BankLineStateEntity state =
        Optional.ofNullable(
                entities.find(BankLineStateEntity.class, lineId, LockModeType.PESSIMISTIC_WRITE))
            .orElseThrow(() -> new NotFound("bank line"));
    UUID other = state.otherLineId();
    if (other == null || state.state() == State.POSTED || state.state() == State.REPLACED) {
      throw new Conflict("not-doubtful", "This line is not in doubt any more.");
    }
    acts.begin(ActKind.DECIDE_DOUBT, inWords(decision));
    State next =
        switch (decision) {
          case SAME -> State.COPY;
          case TWO -> State.WAITING;
          case OPEN -> State.DOUBTFUL;
        };
    state.become(next, other, clock.instant(), SignedIn.now().personId());
  }

  private static String inWords(Decision decision) {
    return switch (decision) {
      case SAME -> "Decided that a line is one that was here already";
      case TWO -> "Decided that a line is another one";
      case OPEN -> "Opened a doubt again";
    };
  }

  private DoubtJson doubt(BankLineStateEntity state, Chart chart, Map<UUID, BookedAs> booked) {
    BankLineEntity arrived = line(state.bankLineId());
    BankLineEntity here = line(Objects.requireNonNull(state.otherLineId()));
    BankLine a = arrived.toBankLine();
    BankLine b = here.toBankLine();
    Account account = chart.account(arrived.accountId());
    return new DoubtJson(
        arrived.id(),
        account.id(),
        account.name(),
        chart.tail(account.id()),
        account.currency().getCode(),
        Amount.ofMinor(a.amountMinor(), account.currency()).decimal(),
        side(arrived, booked.get(arrived.id())),
        side(here, booked.get(here.id())),
        (int) Math.abs(a.bookedOn().toEpochDay() - b.bookedOn().toEpochDay()),
        !a.reference().isEmpty() && a.reference().equals(b.reference()),
        List.copyOf(wordsInBoth(a.text(), b.text())));
  }

  private DoubtSideJson side(BankLineEntity row, @Nullable BookedAs booked) {
    BatchEntity batch = entities.find(BatchEntity.class, row.batchId());
    BankLine line = row.toBankLine();
    return new DoubtSideJson(
        row.id(),
        batch.no(),
        batch.source(),
        batch.sourceName(),
        line.sourceLine(),
        line.bookedOn(),
        line.valueOn(),
        line.text(),
        line.reference(),
        booked == null ? null : booked.no(),
        booked == null ? null : booked.payee());
  }

  /** The entry that a line became. Public for the query below. */
  public record BookedAs(UUID lineId, long no, String payee) {}

  private Map<UUID, BookedAs> bookedAs(List<UUID> lines) {
    return entities
        .createQuery(
            """
            select new %s(k.bankLineId, e.no, e.payee.name) from LineLink k join Entry e on e.id = k.entryId
            where k.bankLineId in :lines\
            """
                .formatted(BookedAs.class.getName()),
            BookedAs.class)
        .setParameter("lines", lines)
        .getResultStream()
        .collect(Collectors.toMap(BookedAs::lineId, b -> b, (one, another) -> one));
  }

  /** Reads the lines at once, so that looking each up afterwards costs nothing. */
  private void readLines(List<UUID> ids) {
    entities
        .createQuery("from BankLine where id in :ids", BankLineEntity.class)
        .setParameter("ids", ids)
        .getResultList();
  }

  private BankLineEntity line(UUID id) {
    return Optional.ofNullable(entities.find(BankLineEntity.class, id))
        .orElseThrow(() -> new NotFound("bank line"));
  }

  private static Set<String> wordsInBoth(String a, String b) {
    Set<String> words = words(a);
    words.retainAll(words(b));
    return words;
  }

  private static Set<String> words(String text) {
    return Arrays.stream(text.toUpperCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+", -1))
        .filter(word -> word.length() > 2)
        .collect(Collectors.toCollection(TreeSet::new));
  }
}
