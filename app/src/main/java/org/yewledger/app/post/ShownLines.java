package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.bankline.BatchEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.BookPostingsJson;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.post.PostJson.AlternativeJson;
import org.yewledger.app.post.PostJson.LineDetailJson;
import org.yewledger.app.post.PostJson.WaitingJson;
import org.yewledger.app.post.ProposalsJson.BookedBeforeJson;
import org.yewledger.app.post.ProposalsJson.IsDueJson;
import org.yewledger.app.post.ProposalsJson.KnownEntryJson;
import org.yewledger.app.post.ProposalsJson.NearlyJson;
import org.yewledger.app.post.ProposalsJson.OtherHalfJson;
import org.yewledger.app.post.ProposalsJson.PartLineJson;
import org.yewledger.app.post.ProposalsJson.PartOfJson;
import org.yewledger.app.post.ProposalsJson.ProposalJson;
import org.yewledger.app.post.ProposalsJson.ProposedPartJson;
import org.yewledger.app.post.ProposalsJson.RuleFitsJson;
import org.yewledger.app.post.ProposalsJson.SeveralJson;
import org.yewledger.app.post.ProposalsJson.StandsInTheBooksJson;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.BetweenBooks;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Evidence;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleLine;

/** Waiting lines as they are shown: each with its proposal, why, and what else it may be. */
@Component
class ShownLines {
  /** What all lines of one answer share. */
  record Page(
      Chart chart, Ledger ledger, Map<UUID, Integer> ruleNumbers, Map<UUID, Waiting> byId) {}

  private final EntityManager entities;

  ShownLines(EntityManager entities) {
    this.entities = entities;
  }

  /** Reads at once what is shown of entries that lines may be, which is then at hand. */
  void readAhead(List<Waiting> lines) {
    Set<UUID> postings =
        lines.stream()
            .map(Waiting::proposal)
            .flatMap(
                p -> Stream.concat(p.alternatives().stream(), p.evidence().postings().stream()))
            .map(OpenPosting::id)
            .collect(Collectors.toSet());
    if (!postings.isEmpty()) {
      entities
          .createQuery("select p from Posting p where p.id in :ids", PostingEntity.class)
          .setParameter("ids", postings)
          .getResultList();
      entities
          .createQuery(
              """
              select e from Entry e join fetch e.payee
              where e.id in (select p.entryId from Posting p where p.id in :ids)\
              """,
              EntryEntity.class)
          .setParameter("ids", postings)
          .getResultList();
    }
  }

  /** A waiting line with its proposal, the entry that it would become, and what it may be. */
  WaitingJson of(Waiting w, Page page) {
    BankLine line = w.line();
    BatchEntity batch = entities.find(BatchEntity.class, w.row().batchId());
    return new WaitingJson(
        w.row().id(),
        w.version(),
        w.account().id(),
        w.account().name(),
        w.account().bookId(),
        w.account().currency().getCode(),
        line.bookedOn(),
        line.valueOn(),
        Amount.ofMinor(line.amountMinor(), w.account().currency()).decimal(),
        line.text(),
        line.payee(),
        line.memo(),
        line.reference(),
        line.type(),
        w.proposal().alike(),
        w.proposal().name(),
        batch.no(),
        batch.sourceName(),
        line.sourceLine(),
        details(line),
        proposal(w, page),
        alternatives(w));
  }

  private static List<LineDetailJson> details(BankLine line) {
    return new TreeMap<>(line.details())
        .entrySet().stream().map(d -> new LineDetailJson(d.getKey(), d.getValue())).toList();
  }

  private @Nullable ProposalJson proposal(Waiting w, Page page) {
    Evidence evidence = w.proposal().evidence();
    if (evidence instanceof Evidence.None) {
      return null;
    }
    Booking booking = w.proposal().booking();
    List<Posting> postings = List.of();
    String refusal = trouble(evidence);
    if (booking != null) {
      try {
        postings = booking.entryFor(w.account(), w.line(), page.ledger()).entry().postings();
      } catch (Refusal e) {
        // The line is shown all the same: a closed account or a missing rate is for the person to
        // mend.
        refusal = e.getMessage();
      }
    }
    return new ProposalJson(
        w.proposal().isSure(),
        booking == null ? "" : booking.payee(),
        booking == null ? "" : booking.note(),
        booking == null ? List.of() : booking.marks().tags(),
        booking == null ? List.of() : booking.parts().stream().map(ProposedPartJson::of).toList(),
        BookPostingsJson.of(postings),
        BetweenBooks.inWords(postings),
        refusal,
        evidence instanceof Evidence.RuleFits fits ? ruleFits(fits, w, page) : null,
        evidence instanceof Evidence.StandsInTheBooks known ? standing(known) : null,
        evidence instanceof Evidence.StandsInSeveral several ? several(several, w) : null,
        evidence instanceof Evidence.PartOfAnEntry part ? part(part, w, page) : null,
        evidence instanceof Evidence.NearlyStands nearly ? nearly(nearly, w) : null,
        evidence instanceof Evidence.OtherHalf half ? half(half, page) : null,
        evidence instanceof Evidence.BookedBefore before ? BookedBeforeJson.of(before) : null,
        evidence instanceof Evidence.IsDue due ? IsDueJson.of(due) : null);
  }

  private static @Nullable String trouble(Evidence evidence) {
    return evidence instanceof Evidence.RuleFits fits && fits.trouble() != null
        ? fits.trouble().getMessage()
        : null;
  }

  private static RuleFitsJson ruleFits(Evidence.RuleFits fits, Waiting w, Page page) {
    Rule rule = fits.rule();
    List<String> found = rule.foundIn(RuleLine.of(w.account(), w.line()));
    return new RuleFitsJson(
        rule.id(),
        page.ruleNumbers().getOrDefault(rule.id(), 0),
        found.isEmpty() ? RuleService.told(rule, page.chart()) : String.join(", ", found),
        fits.atRateOfTheDay());
  }

  private StandsInTheBooksJson standing(Evidence.StandsInTheBooks known) {
    EntryEntity entry = entryOf(known.posting().id());
    return new StandsInTheBooksJson(
        known.posting().id(),
        entry.id(),
        entry.no(),
        known.posting().date(),
        entry.payee(),
        known.daysApart(),
        known.sharedWords(),
        known.rivalled());
  }

  private KnownEntryJson known(OpenPosting posting, Waiting w) {
    EntryEntity entry = entryOf(posting.id());
    return new KnownEntryJson(
        posting.id(),
        entry.id(),
        entry.no(),
        posting.date(),
        entry.payee(),
        Amount.ofMinor(posting.amountMinor(), w.account().currency()).decimal());
  }

  private SeveralJson several(Evidence.StandsInSeveral several, Waiting w) {
    return new SeveralJson(
        several.postings().stream().map(posting -> known(posting, w)).toList(),
        several.sharedWords(),
        several.rivalled());
  }

  private PartOfJson part(Evidence.PartOfAnEntry part, Waiting w, Page page) {
    List<PartLineJson> others =
        part.lineIds().stream()
            .filter(id -> !id.equals(w.row().id()))
            .map(id -> {
              Waiting other = Objects.requireNonNull(page.byId().get(id));
              return new PartLineJson(
                  id,
                  other.version(),
                  other.line().bookedOn(),
                  other.line().amount(other.account().currency()).decimal());
            })
            .toList();
    return new PartOfJson(known(part.posting(), w), others, part.rivalled());
  }

  private NearlyJson nearly(Evidence.NearlyStands nearly, Waiting w) {
    return new NearlyJson(
        known(nearly.posting(), w),
        nearly.difference().decimal(),
        nearly.daysApart(),
        nearly.sharedWords());
  }

  private static OtherHalfJson half(Evidence.OtherHalf half, Page page) {
    Waiting twin = Objects.requireNonNull(page.byId().get(half.twinId()));
    return new OtherHalfJson(
        half.twinId(),
        twin.version(),
        twin.account().name(),
        twin.line().bookedOn(),
        twin.line().amount(twin.account().currency()).decimal(),
        twin.account().currency().getCode(),
        half.daysApart(),
        half.named(),
        half.rivalled());
  }

  private EntryEntity entryOf(UUID postingId) {
    PostingEntity posting = entities.find(PostingEntity.class, postingId);
    return entities.find(EntryEntity.class, posting.entryId());
  }

  private List<AlternativeJson> alternatives(Waiting w) {
    return w.proposal().alternatives().stream()
        .map(open -> {
          EntryEntity entry = entryOf(open.id());
          return new AlternativeJson(
              open.id(), entry.no(), open.date(), entry.payee(), open.daysFrom(w.line()));
        })
        .toList();
  }
}
