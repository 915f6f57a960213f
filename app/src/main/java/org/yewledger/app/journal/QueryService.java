package org.yewledger.app.journal;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.household.OwnFormats;
import org.yewledger.app.journal.QueryJson.CompletionJson;
import org.yewledger.app.journal.QueryJson.QueryReadJson;
import org.yewledger.app.journal.QueryJson.QueryTermJson;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.journal.JournalQuery;
import org.yewledger.core.journal.QueryCompletion;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.journal.Sought;

/** Reads typed journal queries with what the household has names for. */
@Service
class QueryService {
  private static final int MOST_CHOICES = 8;

  private final OwnFormats formats;
  private final HouseholdDays days;
  private final ChartService charts;
  private final QueryNames names;

  QueryService(OwnFormats formats, HouseholdDays days, ChartService charts, QueryNames names) {
    this.formats = formats;
    this.days = days;
    this.charts = charts;
    this.names = names;
  }

  /** What a query means, and what may be typed where the caret stands. */
  @Transactional(readOnly = true)
  QueryReadJson read(String text, int caret) {
    JournalQuery query = query(text);
    QueryCompletion place = QueryCompletion.at(text, caret);
    List<QueryCompletion.Choice> choices =
        Stream.concat(place.fixed().stream(), named(place)).limit(MOST_CHOICES).toList();
    return new QueryReadJson(
        query.terms().stream().map(t -> QueryTermJson.of(t, found(t.anyOf()))).toList(),
        query.namesDays(),
        CompletionJson.of(place, choices));
  }

  /** The entries that are sought. */
  EntrySought sought(JournalService.Filter filter) {
    JournalQuery query = query(filter.text()).clear();
    EntrySought sought =
        EntryConditions.of(query, filter.bookId(), names, SignedIn.now().householdId());
    YearMonth month = filter.month();
    return month == null || query.namesDays()
        ? sought
        : sought.within(month.atDay(1), month.atEndOfMonth());
  }

  private JournalQuery query(String text) {
    LocalDate today = days.today();
    return QueryText.read(text, today, currency(), formats.formats());
  }

  /** Amounts without a currency are read with the decimals of the first book's. */
  private CurrencyUnit currency() {
    return charts
        .chart()
        .books()
        .findFirst()
        .map(b -> b.toBook().currency())
        .orElse(CurrencyUnit.EUR);
  }

  /** How many of the household's things a term's names mean; null where it has no names. */
  private @Nullable Integer found(List<Sought> anyOf) {
    Integer found = null;
    for (Sought sought : anyOf) {
      List<UUID> ids =
          switch (sought) {
            case Sought.OfPayee(String part) -> names.payees(part);
            case Sought.AtAccount(String part, var which) -> names.accounts(part, which);
            case Sought.Tagged(String name) -> names.tags(name);
            case Sought.InBook(String part) -> names.books(part);
            case Sought.AtRate(String part) -> names.rates(part);
            default -> null;
          };
      if (ids != null) {
        found = (found == null ? 0 : found) + ids.size();
      }
    }
    return found;
  }

  private Stream<QueryCompletion.Choice> named(QueryCompletion place) {
    QueryField field = place.field();
    if (field == null) {
      return Stream.empty();
    }
    Map<QueryField, Sought.Which> accounts =
        Map.of(
            QueryField.ACCOUNT, Sought.Which.ANY,
            QueryField.CATEGORY, Sought.Which.CATEGORY,
            QueryField.FROM, Sought.Which.FROM,
            QueryField.TO, Sought.Which.TO);
    List<String> found =
        switch (field) {
          case PAYEE -> names.payeeNames(place.part(), MOST_CHOICES);
          case TAG -> names.tagNames(place.part());
          case BOOK -> names.bookNames(place.part());
          case CURRENCY -> currencies();
          case RATE -> names.rateNames(place.part());
          default ->
              accounts.containsKey(field)
                  ? names.accountNames(place.part(), accounts.get(field))
                  : List.of();
        };
    return found.stream().map(name -> QueryCompletion.name(name, ""));
  }

  private List<String> currencies() {
    return charts.chart().accounts().map(a -> a.currency().getCode()).distinct().sorted().toList();
  }
}
