package org.yewledger.app.journal;

import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hibernate.Session;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.attachment.Attachments;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.StatementDays.StatementDay;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.ledger.Revision;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.PostingState;
import org.yewledger.core.report.Span;

/** Reads entries with their postings, a page at a time, in a fixed number of queries. */
@Component
public class EntryReader {

  /**
   * A posting with its account and how far the bank confirms it.
   *
   * @param atBank whether bank lines confirm it
   * @param ticked whether it is ticked for a statement, finished or not
   */
  public record PostingView(
      UUID id, Posting posting, PostingState state, boolean atBank, boolean ticked) {
    public Account account() {
      return posting.account();
    }

    public boolean isDebit() {
      return posting.isDebit();
    }

    /** Whether it is the sales tax in the net amount that stands before it. */
    public boolean isTax() {
      PostingTax tax = posting.tax();
      return tax != null && tax.role() == PostingTax.Role.TAX;
    }
  }

  /**
   * An entry with its postings.
   *
   * @param attachments how many files are attached to it
   * @param serves the months that it serves, where they are not just its own
   */
  public record EntryView(
      EntryEntity entry,
      List<PostingView> postings,
      List<String> tags,
      int attachments,
      @Nullable Span serves) {
    public long no() {
      return entry.no();
    }

    public String payee() {
      return entry.payee();
    }

    /** The entry as the core knows it. */
    public Entry toEntry() {
      return new Entry(
          entry.date(),
          entry.payee(),
          entry.note(),
          entry.origin(),
          postings.stream().map(PostingView::posting).toList(),
          new Marks(entry.reference(), entry.method(), tags));
    }

    /** The sales tax in it, whichever way it goes; null where there is none. */
    public @Nullable BigDecimal salesTax() {
      List<Amount> taxes =
          postings.stream()
              .filter(PostingView::isTax)
              .map(p -> p.posting().value().size())
              .toList();
      return taxes.isEmpty() ? null : Amount.sum(taxes.getFirst().currency(), taxes).decimal();
    }

    /** Its postings with what bank and statements say of them. */
    List<Revision.Standing> standing() {
      return postings.stream()
          .map(p -> new Revision.Standing(p.posting(), p.atBank(), p.ticked()))
          .toList();
    }

    public String note() {
      return entry.note();
    }

    public PostingState stateOf(UUID postingId) {
      return postings.stream()
          .filter(p -> p.id().equals(postingId))
          .map(PostingView::state)
          .findFirst()
          .orElse(PostingState.OPEN);
    }

    /** The accounts across from a posting: one by name, several as their number. */
    public String otherSideOf(UUID postingId) {
      boolean debit = postings.stream().anyMatch(p -> p.id().equals(postingId) && p.isDebit());
      // What the core added between books is no place that the money went to.
      List<String> names =
          postings.stream()
              .filter(p -> p.isDebit() != debit && !p.isTax())
              .filter(p -> p.account().kind() != AccountKind.DRAWINGS)
              .map(p -> p.account().name())
              .distinct()
              .toList();
      return names.size() == 1 ? names.getFirst() : names.size() + " places";
    }
  }

  /** Entries to look up; each that was asked for is there. */
  public record EntryViews(Map<UUID, EntryView> byId) {
    public EntryView of(UUID entryId) {
      return Objects.requireNonNull(byId.get(entryId));
    }
  }

  private record Row(PostingEntity posting, boolean atBank) {
    static Row of(Object[] columns) {
      return new Row((PostingEntity) columns[0], (Boolean) columns[1]);
    }
  }

  private final EntityManager entities;
  private final ChartService charts;
  private final EntryTags tags;
  private final StatementDays statements;
  private final Attachments attachments;
  private final ServedMonths served;

  EntryReader(
      EntityManager entities,
      ChartService charts,
      EntryTags tags,
      StatementDays statements,
      Attachments attachments,
      ServedMonths served) {
    this.entities = entities;
    this.charts = charts;
    this.tags = tags;
    this.statements = statements;
    this.attachments = attachments;
    this.served = served;
  }

  @Transactional(readOnly = true)
  public EntryViews byId(Collection<UUID> entryIds) {
    return byId(entryIds, charts.chart());
  }

  /** The same for whoever has read the chart already. */
  @Transactional(readOnly = true)
  EntryViews byId(Collection<UUID> entryIds, Chart chart) {
    List<EntryEntity> rows =
        entities
            .createNativeQuery(
                "select * from entry where household_id = :household and id = any(:ids)",
                EntryEntity.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("ids", Set.copyOf(entryIds).toArray(UUID[]::new))
            .getResultList();
    return new EntryViews(
        views(rows, chart).stream()
            .collect(Collectors.toMap(v -> v.entry().id(), Function.identity())));
  }

  /**
   * An entry with its postings.
   *
   * @throws NotFound if it is not there
   */
  @Transactional(readOnly = true)
  public EntryView find(UUID id) {
    EntryEntity row = entities.find(EntryEntity.class, id);
    if (row == null) {
      throw new NotFound("entry");
    }
    return views(List.of(row)).getFirst();
  }

  /** The entries with their postings, in the given order. */
  @Transactional(readOnly = true)
  public List<EntryView> views(List<EntryEntity> rows) {
    return views(rows, charts.chart());
  }

  private List<EntryView> views(List<EntryEntity> rows, Chart chart) {
    Map<UUID, List<Row>> postings =
        entities
            .unwrap(Session.class)
            .createNativeQuery(
                """
                select {p.*}, exists (select 1 from line_link k
                         where k.household_id = p.household_id and k.posting_id = p.id) as at_bank
                  from posting p where p.household_id = :household and p.entry_id = any(:ids) order by p.place\
                """,
                Object[].class)
            .addEntity("p", PostingEntity.class)
            .addScalar("at_bank", Boolean.class)
            .setParameter("household", SignedIn.now().householdId())
            .setParameter("ids", rows.stream().map(EntryEntity::id).toArray(UUID[]::new))
            .getResultStream()
            .map(Row::of)
            .collect(Collectors.groupingBy(row -> row.posting().entryId()));
    Map<UUID, StatementDay> days =
        statements.of(
            postings.values().stream()
                .flatMap(List::stream)
                .map(row -> row.posting().statementId())
                .filter(Objects::nonNull)
                .collect(Collectors.toSet()));
    List<UUID> ids = rows.stream().map(EntryEntity::id).toList();
    Map<UUID, List<String>> marked = tags.of(ids);
    Map<UUID, Integer> files = attachments.countsOf(ids);
    Map<UUID, Span> serving = served.of(ids);
    return rows.stream()
        .map(entry ->
            new EntryView(
                entry,
                postings.getOrDefault(entry.id(), List.of()).stream()
                    .map(row -> view(row, days, chart))
                    .toList(),
                marked.getOrDefault(entry.id(), List.of()),
                files.getOrDefault(entry.id(), 0),
                serving.get(entry.id())))
        .toList();
  }

  private static PostingView view(Row row, Map<UUID, StatementDay> days, Chart chart) {
    PostingEntity p = row.posting();
    StatementDay day = p.statementId() == null ? null : days.get(p.statementId());
    Account account = chart.account(p.accountId());
    return new PostingView(
        p.id(),
        p.toPosting(account),
        PostingState.of(row.atBank(), p.statementId() != null, day != null && day.isFinished()),
        row.atBank(),
        p.statementId() != null);
  }
}
