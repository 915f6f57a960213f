package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.EntryStore.Stored;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.payee.PayeeTexts;
import org.yewledger.app.plan.TakingAsPosted;
import org.yewledger.app.schedule.SettlingService;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.post.Because;
import org.yewledger.core.post.Evidence;
import org.yewledger.core.post.Proposal;
import org.yewledger.core.post.Proposer;
import org.yewledger.core.post.Reason;
import org.yewledger.core.rules.LastingWords;

/**
 * Makes the entries of lines that are posted, and what follows from them: links, what set-asides
 * cover, by what a payee is known, due items that are settled.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class EntriesOfLines {
  private final EntryStore entries;
  private final LineLinks links;
  private final WaitingLines waiting;
  private final PayeeTexts texts;
  private final SettlingService settling;
  private final TakingAsPosted taking;

  EntriesOfLines(
      EntryStore entries,
      LineLinks links,
      WaitingLines waiting,
      PayeeTexts texts,
      SettlingService settling,
      TakingAsPosted taking) {
    this.entries = entries;
    this.links = links;
    this.waiting = waiting;
    this.texts = texts;
    this.settling = settling;
    this.taking = taking;
  }

  /** Makes the entries of lines, in their order, and links these with them. */
  List<Stored> make(List<ToBook> toBook, Chart chart) {
    if (toBook.isEmpty()) {
      return List.of();
    }
    List<Proposal> proposals =
        Proposer.proposals(waiting.alone(toBook.stream().map(ToBook::line).toList(), chart));
    List<Because> because = because(toBook, proposals);
    List<Entry> lines = toBook.stream().map(line -> line.booked().entry()).toList();
    TakingAsPosted.Takings takings = taking.of(lines, chart);
    List<Stored> all =
        entries.add(Stream.concat(lines.stream(), takings.entries().stream()).toList(), because);
    taking.took(takings, all);
    List<Stored> stored = all.subList(0, lines.size());
    var made = new ArrayList<Link>(stored.size());
    for (int i = 0; i < stored.size(); i++) {
      ToBook line = toBook.get(i);
      made.add(link(line.line().id(), stored.get(i), line.booked().bankPosting(), true));
      if (line.accepted().twin() != null) {
        made.add(link(line.accepted().twin().lineId(), stored.get(i), line.twinPosting(), false));
      }
    }
    links.add(made);
    learn(toBook, stored);
    settle(because, proposals, stored);
    return stored;
  }

  /** By what a bank calls it, a payee is known next time; a transfer is with nobody. */
  private void learn(List<ToBook> booked, List<Stored> stored) {
    Map<String, UUID> payees = new HashMap<>();
    for (int i = 0; i < booked.size(); i++) {
      if (booked.get(i).accepted().twin() == null) {
        payees.put(
            LastingWords.of(booked.get(i).line().line()).toString(),
            stored.get(i).entry().payeeId());
      }
    }
    texts.learn(payees);
  }

  /** For each line, whether the person took what was proposed or answered by themselves. */
  private static List<Because> because(List<ToBook> lines, List<Proposal> proposals) {
    var because = new ArrayList<Because>(lines.size());
    for (int i = 0; i < lines.size(); i++) {
      because.add(
          lines.get(i).accepted().twin() == null
              ? proposals.get(i).because(lines.get(i).booking())
              : Because.OF_BOTH_HALVES);
    }
    return because;
  }

  /** A due item that came with another amount than expected would not be found again. */
  private void settle(List<Because> because, List<Proposal> proposals, List<Stored> stored) {
    for (int i = 0; i < stored.size(); i++) {
      if (because.get(i).reason() == Reason.DUE
          && proposals.get(i).evidence() instanceof Evidence.IsDue due) {
        settling.entered(
            due.item().schedule().id(), due.item().nominal(), stored.get(i).entry().id());
      }
    }
  }

  private static Link link(UUID lineId, Stored stored, int place, boolean madeEntry) {
    PostingEntity posting = stored.postings().get(place);
    return new Link(
        lineId,
        posting.id(),
        stored.entry().id(),
        posting.accountId(),
        posting.amountMinor(),
        madeEntry);
  }
}
