package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Revision;
import org.yewledger.core.post.Because;

/** Gives entries another form; number and identity stay, and history keeps each form. */
@Service
public class RevisionService {
  private final EntityManager entities;
  private final ChartService charts;
  private final AccountLocks locks;
  private final LedgerService ledgers;
  private final LineLinks links;
  private final EntryStore entries;
  private final Acts acts;

  RevisionService(
      EntityManager entities,
      ChartService charts,
      AccountLocks locks,
      LedgerService ledgers,
      LineLinks links,
      EntryStore entries,
      Acts acts) {
    this.entities = entities;
    this.charts = charts;
    this.locks = locks;
    this.ledgers = ledgers;
    this.links = links;
    this.entries = entries;
    this.acts = acts;
  }

  /**
   * Changes an entry.
   *
   * @param version what the person saw
   * @param wanted the new form, without what the core adds between books
   */
  @Transactional
  @ForBookkeepers
  public void revise(UUID id, int version, Draft wanted) {
    revise(id, version, wanted, null);
  }

  /**
   * Changes an entry.
   *
   * @param because why it is booked so from now on; null if that stays as it was
   */
  @Transactional
  @ForBookkeepers
  public void revise(UUID id, int version, Draft wanted, @Nullable Because because) {
    Set<UUID> accounts = new HashSet<>();
    wanted.lines().forEach(line -> accounts.add(line.account().id()));
    entries.postingsOf(List.of(id)).forEach(p -> accounts.add(p.accountId()));
    locks.shared(accounts);
    entities.clear();
    EntryEntity entry =
        Optional.ofNullable(entities.find(EntryEntity.class, id, LockModeType.PESSIMISTIC_WRITE))
            .orElseThrow(() -> new NotFound("entry"));
    if (entry.version() != version) {
      throw Conflict.changedMeanwhile("entry");
    }
    Chart chart = charts.chart();
    List<PostingEntity> stored = entries.postingsOf(List.of(id));
    List<Revision.Standing> standing = standing(stored, chart);
    acts.begin(ActKind.REVISE, "Changed no. %d, %s".formatted(entry.no(), wanted.payee().strip()));
    Entry after =
        wanted.entry(
            entry.origin(),
            standing.stream().map(Revision.Standing::posting).toList(),
            ledgers.ledger(chart));
    if (because != null) {
      entry.bookedBecause(because);
    }
    entries.revise(entry, Revision.of(entry.date(), standing, after));
  }

  private List<Revision.Standing> standing(List<PostingEntity> stored, Chart chart) {
    List<UUID> ids = stored.stream().map(PostingEntity::entryId).distinct().toList();
    Map<UUID, List<Link>> byPosting =
        links.ofEntries(ids).stream().collect(Collectors.groupingBy(Link::postingId));
    return stored.stream()
        .map(p ->
            new Revision.Standing(
                p.toPosting(chart.account(p.accountId())),
                byPosting.containsKey(p.id()),
                p.statementId() != null))
        .toList();
  }
}
