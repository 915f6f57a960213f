package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.EntryTags;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.journal.RevisionService;
import org.yewledger.app.platform.Found;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.money.Amount;

/**
 * Lines that stand in the books already: as one posting, as several that add up to the line, as one
 * that several lines add up to, or as one but for a difference, which is booked then.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class KnownLines {
  private final EntityManager entities;
  private final Pairings pairings;
  private final EntryStore entries;
  private final EntryTags tags;
  private final RevisionService revisions;

  KnownLines(
      EntityManager entities,
      Pairings pairings,
      EntryStore entries,
      EntryTags tags,
      RevisionService revisions) {
    this.entities = entities;
    this.pairings = pairings;
    this.entries = entries;
    this.tags = tags;
    this.revisions = revisions;
  }

  /** What is to be linked, and the difference that is to be booked before; not carried out yet. */
  record Wanted(
      List<UUID> postingIds, List<EntryEntity> entries, List<Link> links, @Nullable Apart apart) {}

  /** A posting whose amount becomes that of a line. */
  record Apart(BankLineEntity line, PostingEntity posting, EntryEntity entry, UUID differenceTo) {}

  /** The accounts of entries that are changed for a difference, to be locked before. */
  Set<UUID> accountsToChange(PostService.Known known) {
    if (known.differenceTo() == null) {
      return Set.of();
    }
    List<UUID> of = known.postingIds().stream().map(id -> posting(id).entryId()).toList();
    Set<UUID> accounts =
        entries.postingsOf(of).stream().map(PostingEntity::accountId).collect(Collectors.toSet());
    accounts.add(known.differenceTo());
    return accounts;
  }

  /**
   * @throws Refusal {@code not-the-same} if amounts do not add up, {@code not-answered} if it is
   *     unclear what is meant
   */
  Wanted wanted(PostService.Accepted accepted, Found<BankLineEntity> lines, Chart chart) {
    PostService.Known known = accepted.asKnown();
    List<BankLineEntity> all = accepted.seen().map(seen -> lines.of(seen.lineId())).toList();
    boolean oneToMany = known.postingIds().size() > 1;
    if (known.postingIds().isEmpty()
        || (all.size() > 1 && oneToMany)
        || (known.differenceTo() != null && (all.size() > 1 || oneToMany))) {
      throw Refusal.ofField(
          "not-answered", "lines", "Say of each line how it is booked, or what it is already.");
    }
    List<PostingEntity> postings = known.postingIds().stream().map(this::posting).toList();
    List<EntryEntity> of = postings.stream().map(p -> pairings.free(p)).toList();
    UUID account = all.getFirst().accountId();
    if (known.differenceTo() != null) {
      pairings.requireOn(account, postings);
      return new Wanted(
          known.postingIds(),
          of,
          List.of(),
          new Apart(all.getFirst(), postings.getFirst(), of.getFirst(), known.differenceTo()));
    }
    pairings.requireSum(all, postings, chart.account(account).currency());
    var links = new ArrayList<Link>();
    for (BankLineEntity line : all) {
      for (PostingEntity posting : postings) {
        long amount = oneToMany ? posting.amountMinor() : line.amountMinor();
        links.add(new Link(line.id(), posting.id(), posting.entryId(), account, amount, false));
      }
    }
    return new Wanted(known.postingIds(), of, links, null);
  }

  /** Books the difference, if there is one; the links that are to be made then. */
  List<Link> carriedOut(Wanted wanted, Chart chart) {
    Apart apart = wanted.apart();
    if (apart == null) {
      return wanted.links();
    }
    Account bank = chart.account(apart.line().accountId());
    UUID entryId = apart.entry().id();
    revisions.revise(entryId, apart.entry().version(), draft(apart, bank, chart));
    PostingEntity now =
        entries.postingsOf(List.of(entryId)).stream()
            .filter(p ->
                p.accountId().equals(bank.id()) && p.amountMinor() == apart.line().amountMinor())
            .findFirst()
            .orElseThrow();
    return List.of(
        new Link(apart.line().id(), now.id(), entryId, bank.id(), now.amountMinor(), false));
  }

  /** The entry with the line's amount at the bank, and the difference placed. */
  private Draft draft(Apart apart, Account bank, Chart chart) {
    var lines = new ArrayList<Draft.Line>();
    for (PostingEntity p : entries.postingsOf(List.of(apart.entry().id()))) {
      Account account = chart.account(p.accountId());
      if (account.isForeign()) {
        throw Refusal.ofField(
            "difference-abroad",
            "lines",
            "No. %d is in another currency too. Change its amounts in the journal."
                .formatted(apart.entry().no()));
      }
      if (account.kind() != AccountKind.DRAWINGS) {
        Amount amount =
            p.id().equals(apart.posting().id())
                ? Amount.ofMinor(apart.line().amountMinor(), bank.currency())
                : p.amount(account.currency());
        lines.add(new Draft.Line(account, amount, p.note(), p.tax()));
      }
    }
    long beyond = apart.line().amountMinor() - apart.posting().amountMinor();
    lines.add(
        new Draft.Line(
            chart.account(apart.differenceTo()), Amount.ofMinor(-beyond, bank.currency()), ""));
    UUID id = apart.entry().id();
    return new Draft(
        apart.entry().date(),
        apart.entry().payee(),
        apart.entry().note(),
        lines,
        Marks.of(
            apart.entry().reference(),
            apart.entry().method(),
            tags.of(List.of(id)).getOrDefault(id, List.of())));
  }

  private PostingEntity posting(UUID id) {
    return Optional.ofNullable(entities.find(PostingEntity.class, Objects.requireNonNull(id)))
        .orElseThrow(() -> new NotFound("posting"));
  }
}
