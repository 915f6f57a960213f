package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Pairing;

/** Finds the posting that a line is said to be, and whether it can be. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Pairings {
  private final EntityManager entities;
  private final LineLinks links;

  Pairings(EntityManager entities, LineLinks links) {
    this.entities = entities;
    this.links = links;
  }

  /** A line and the posting that it is, not linked yet. */
  record Wanted(BankLineEntity line, PostingEntity posting, EntryEntity entry) {
    Link link() {
      return new Link(
          line.id(), posting.id(), entry.id(), posting.accountId(), posting.amountMinor(), false);
    }
  }

  /**
   * @throws Conflict {@code already-paired}
   * @throws org.yewledger.core.Refusal {@code not-the-same}
   */
  Wanted wanted(BankLineEntity line, UUID postingId, Chart chart) {
    PostingEntity posting =
        Optional.ofNullable(entities.find(PostingEntity.class, postingId))
            .orElseThrow(() -> new NotFound("posting"));
    EntryEntity entry = free(posting);
    CurrencyUnit currency = chart.account(line.accountId()).currency();
    new Pairing(line.accountId(), Amount.ofMinor(line.amountMinor(), currency))
        .requireSame(posting.accountId(), posting.amount(currency));
    return new Wanted(line, posting, entry);
  }

  /**
   * The entry of a posting that no bank line confirms yet.
   *
   * @throws Conflict {@code already-paired}
   */
  EntryEntity free(PostingEntity posting) {
    EntryEntity entry = entities.find(EntryEntity.class, posting.entryId());
    if (links.ofEntries(List.of(entry.id())).stream()
        .anyMatch(k -> k.postingId().equals(posting.id()))) {
      throw new Conflict(
          "already-paired", "No. %d already belongs to another bank line.".formatted(entry.no()));
    }
    return entry;
  }

  /**
   * @throws org.yewledger.core.Refusal {@code not-the-same} if one stands on another account
   */
  void requireOn(UUID accountId, List<PostingEntity> postings) {
    postings.forEach(p -> Pairing.requireOn(accountId, p.accountId()));
  }

  /**
   * Checks that lines and postings of one account add up to the same.
   *
   * @throws org.yewledger.core.Refusal {@code not-the-same}
   */
  void requireSum(List<BankLineEntity> lines, List<PostingEntity> postings, CurrencyUnit currency) {
    UUID account = lines.getFirst().accountId();
    lines.forEach(line -> Pairing.requireOn(account, line.accountId()));
    requireOn(account, postings);
    new Pairing(
            account,
            Amount.ofMinor(lines.stream().mapToLong(BankLineEntity::amountMinor).sum(), currency))
        .requireSame(
            account,
            Amount.ofMinor(
                postings.stream().mapToLong(PostingEntity::amountMinor).sum(), currency));
  }
}
