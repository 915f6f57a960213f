package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
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
    EntryEntity entry = entities.find(EntryEntity.class, posting.entryId());
    if (links.ofEntries(java.util.List.of(entry.id())).stream()
        .anyMatch(k -> k.postingId().equals(postingId))) {
      throw new Conflict(
          "already-paired", "No. %d already belongs to another bank line.".formatted(entry.no()));
    }
    CurrencyUnit currency = chart.account(line.accountId()).currency();
    new Pairing(line.accountId(), Amount.ofMinor(line.amountMinor(), currency))
        .requireSame(posting.accountId(), posting.amount(currency));
    return new Wanted(line, posting, entry);
  }
}
