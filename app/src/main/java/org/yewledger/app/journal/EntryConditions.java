package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.payee.PayeeNames;
import org.yewledger.core.journal.JournalQuery;
import org.yewledger.core.journal.QueryTerm;
import org.yewledger.core.journal.Sought;

/** Writes a journal query as SQL. What people typed goes in as values only. */
final class EntryConditions {
  private static final String POSTING =
      "exists (select 1 from posting p where p.household_id = e.household_id and p.entry_id = e.id and %s)";
  private static final String FINDS_POSTING =
      "select p.entry_id as id from posting p where p.household_id = :household and p.date between :first and :last and %s";
  private static final String FINDS_ENTRY =
      "select x.id from entry x where x.household_id = :household and x.date between :first and :last and %s";

  /** Looked up posting by posting: what is open is rare, and a join would read every link. */
  private static final String OPEN =
      """
      p.account_id = any(:banks) and p.statement_id is null and (select k.posting_id from line_link k
         where k.household_id = p.household_id and k.posting_id = p.id limit 1) is null\
      """;

  private static final String UNFINISHED =
      "p.account_id = any(:banks) and (p.statement_id is null or p.statement_id = any(:unfinished))";

  private final QueryNames names;
  private final Map<String, Object> params = new HashMap<>();
  private final List<EntryCondition> conditions = new ArrayList<>();
  private LocalDate first = EntrySought.FIRST_DAY;
  private LocalDate last = EntrySought.LAST_DAY;

  private EntryConditions(QueryNames names) {
    this.names = names;
  }

  /**
   * @param bookId that entries touch; null for any
   */
  static EntrySought of(
      JournalQuery query, @Nullable UUID bookId, QueryNames names, UUID household) {
    var writing = new EntryConditions(names);
    writing.params.put("household", household);
    writing.params.put("banks", ids(names.banks()));
    writing.params.put("unfinished", ids(names.unfinishedStatements()));
    query.terms().forEach(writing::term);
    if (bookId != null) {
      writing.conditions.add(writing.inBooks(List.of(bookId)));
    }
    writing.params.put("first", writing.first);
    writing.params.put("last", writing.last);
    return new EntrySought(
        writing.first, writing.last, List.copyOf(writing.conditions), Map.copyOf(writing.params));
  }

  private void term(QueryTerm term) {
    if (!term.not()
        && term.anyOf().size() == 1
        && term.anyOf().getFirst() instanceof Sought.OnDays(LocalDate from, LocalDate to)) {
      first = from != null && from.isAfter(first) ? from : first;
      last = to != null && to.isBefore(last) ? to : last;
      return;
    }
    var any = EntryCondition.anyOf(term.anyOf().stream().map(this::condition).toList());
    conditions.add(term.not() ? any.not() : any);
  }

  private EntryCondition condition(Sought sought) {
    return switch (sought) {
      case Sought.AnyText(String part) -> anyText(part);
      case Sought.OfPayee(String part) -> ofPayees(names.payees(part));
      case Sought.AtAccount(String part, var which) ->
          atAccounts(names.accounts(part, which), which);
      case Sought.OfSize size -> ofSize(size);
      case Sought.OnDays(LocalDate from, LocalDate to) ->
          EntryCondition.only(
              "e.date between %s and %s"
                  .formatted(
                      param(from == null ? EntrySought.FIRST_DAY : from),
                      param(to == null ? EntrySought.LAST_DAY : to)));
      case Sought.Being(var trait) -> being(trait);
      case Sought.Having(var part) -> having(part);
      case Sought.Tagged(String name) -> tagged(names.tags(name));
      case Sought.Noted(String part) -> noted(PayeeNames.pattern(part));
      case Sought.Referring(String part) ->
          EntryCondition.only(
              "(e.reference <> '' and lower(e.reference) like %s escape '!')"
                  .formatted(param(PayeeNames.pattern(part))));
      case Sought.PaidBy(var method) -> EntryCondition.only("e.method = " + param(method.name()));
      case Sought.InBook(String part) -> inBooks(names.books(part));
      case Sought.InCurrency(CurrencyUnit currency) ->
          EntryCondition.only(
              "(e.moved_currency = %s or %s)"
                  .formatted(
                      param(currency.getCode()),
                      posting("p.account_id = any(%s)", names.accountsIn(currency))));
      case Sought.AtRate(String part) -> atRates(names.rates(part));
      case Sought.Numbered(long from, long to) ->
          both("%1$s.no between " + param(from) + " and " + param(to));
    };
  }

  /** A condition on an entry alone that an index answers too. */
  private static EntryCondition both(String condition) {
    return new EntryCondition(
        condition.formatted("e"), FINDS_ENTRY.formatted(condition.formatted("x")), true, true);
  }

  private EntryCondition ofPayees(Collection<UUID> payees) {
    return both("%1$s.payee_id = any(" + param(ids(payees)) + ")");
  }

  private String posting(String condition, Collection<UUID> accounts) {
    return POSTING.formatted(condition.formatted(param(ids(accounts))));
  }

  private EntryCondition atAccounts(Collection<UUID> accounts, Sought.Which which) {
    String side =
        switch (which) {
          case FROM -> "p.amount_minor < 0 and ";
          case TO -> "p.amount_minor > 0 and ";
          case ANY, CATEGORY -> "";
        };
    String condition = side + "p.account_id = any(" + param(ids(accounts)) + ")";
    return new EntryCondition(POSTING.formatted(condition), FINDS_POSTING.formatted(condition));
  }

  private EntryCondition atRates(Collection<UUID> rates) {
    String condition = "p.tax_rate_id = any(" + param(ids(rates)) + ")";
    return new EntryCondition(POSTING.formatted(condition), FINDS_POSTING.formatted(condition));
  }

  private EntryCondition tagged(Collection<UUID> tags) {
    String any = param(ids(tags));
    return new EntryCondition(
        "exists (select 1 from entry_tag g where g.household_id = e.household_id and g.entry_id = e.id and g.tag_id = any(%s))"
            .formatted(any),
        "select g.entry_id as id from entry_tag g where g.household_id = :household and g.tag_id = any(%s)"
            .formatted(any));
  }

  private EntryCondition noted(String pattern) {
    String like = param(pattern);
    return EntryCondition.only(
        "(e.note <> '' and lower(e.note) like %1$s escape '!' or %2$s)"
            .formatted(
                like,
                POSTING.formatted(
                    "p.note <> '' and lower(p.note) like %s escape '!'".formatted(like))));
  }

  /** Anywhere: each kind of place has its own index, and together they find all. */
  private EntryCondition anyText(String part) {
    String pattern = PayeeNames.pattern(part);
    String like = param(pattern);
    var anywhere = new ArrayList<EntryCondition>();
    anywhere.add(ofPayees(names.payeesHaving(part)));
    anywhere.add(atAccounts(names.accountsHaving(part), Sought.Which.ANY));
    anywhere.add(tagged(names.tagsHaving(part)));
    if (part.matches("\\d{1,15}")) {
      String no = param(Long.parseLong(part));
      anywhere.add(both("%1$s.no = " + no));
    }
    anywhere.add(
        new EntryCondition(
            "e.reference <> '' and lower(e.reference) like %1$s escape '!' or ".formatted(like)
                + noted(pattern).holds(),
            "select id from entries_noted(%s, :first, :last, %d)"
                .formatted(like, EntrySearch.FEW + 1)));
    return EntryCondition.anyOf(anywhere);
  }

  private EntryCondition ofSize(Sought.OfSize size) {
    List<EntryCondition> any =
        names.currencies().stream()
            .filter(size::isIn)
            .map(currency -> ofSize(size.in(currency), currency))
            .toList();
    return any.isEmpty() ? EntryCondition.only("false") : EntryCondition.anyOf(any);
  }

  /** Whatever its direction: a span above zero, and its like below. */
  private EntryCondition ofSize(Sought.MinorSpan span, CurrencyUnit currency) {
    return both(
        "(%%1$s.moved_currency = %s and (%%1$s.moved_minor between %s and %s or %%1$s.moved_minor between %s and %s))"
            .formatted(
                param(currency.getCode()),
                param(span.first()),
                param(span.last()),
                param(-span.last()),
                param(-span.first())));
  }

  private EntryCondition being(Sought.Trait trait) {
    return switch (trait) {
      case OPEN -> new EntryCondition(POSTING.formatted(OPEN), FINDS_POSTING.formatted(OPEN));
      case CLEARED ->
          new EntryCondition(
              "(%s and not %s)".formatted(POSTING.formatted(UNFINISHED), POSTING.formatted(OPEN)),
              // Some of these are open; what is found is looked at again.
              FINDS_POSTING.formatted("p.account_id = any(:banks) and p.statement_id is null")
                  + " union all "
                  + FINDS_POSTING.formatted("p.statement_id = any(:unfinished)"),
              false);
      case RECONCILED ->
          EntryCondition.only(
              "(%s and not %s)"
                  .formatted(
                      POSTING.formatted("p.account_id = any(:banks)"),
                      POSTING.formatted(UNFINISHED)));
      case IN -> EntryCondition.only("(not e.transfer and e.moved_minor > 0)");
      case OUT -> EntryCondition.only("(not e.transfer and e.moved_minor < 0)");
      case TRANSFER -> EntryCondition.only("e.transfer");
      case SPLIT ->
          EntryCondition.only(
              "(select count(*) from posting p where p.household_id = e.household_id and p.entry_id = e.id) > 2");
      case COUNTERED ->
          new EntryCondition(
              """
              (e.counters_id is not null or exists (select 1 from entry c
                 where c.household_id = e.household_id and c.counters_id = e.id))\
              """,
              """
              select unnest(array[c.id, c.counters_id]) as id from entry c
               where c.household_id = :household and c.counters_id is not null\
              """);
    };
  }

  private static EntryCondition having(Sought.Part part) {
    return switch (part) {
      case NOTE ->
          EntryCondition.only("(e.note <> '' or " + POSTING.formatted("p.note <> ''") + ")");
      case REFERENCE -> EntryCondition.only("e.reference <> ''");
      case TAG ->
          new EntryCondition(
              "exists (select 1 from entry_tag g where g.household_id = e.household_id and g.entry_id = e.id)",
              "select g.entry_id as id from entry_tag g where g.household_id = :household");
      case ATTACHMENT ->
          new EntryCondition(
              "exists (select 1 from attachment f where f.household_id = e.household_id and f.entry_id = e.id)",
              "select f.entry_id as id from attachment f where f.household_id = :household and f.entry_id is not null");
      case TAX ->
          new EntryCondition(
              POSTING.formatted("p.tax_rate_id is not null"),
              FINDS_POSTING.formatted("p.tax_rate_id is not null"));
    };
  }

  private EntryCondition inBooks(Collection<UUID> books) {
    return EntryCondition.only(POSTING.formatted("p.book_id = any(" + param(ids(books)) + ")"));
  }

  private String param(Object value) {
    String name = "v" + params.size();
    params.put(name, value);
    return ":" + name;
  }

  private static UUID[] ids(Collection<UUID> ids) {
    return ids.toArray(UUID[]::new);
  }
}
