package org.yewledger.app.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.DataClassRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.payee.PayeeTexts;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Past;
import org.yewledger.core.post.WaitingLine;
import org.yewledger.core.rules.LastingWords;

/** How the payees of waiting lines were booked before. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class PastBookings {
  /** Some of them may have gone the other way. */
  private static final int ENTRIES_PER_PAYEE = 6;

  private record Row(
      UUID payeeId,
      String payee,
      UUID entryId,
      long no,
      LocalDate date,
      UUID accountId,
      long amountMinor,
      @Nullable UUID taxRateId,
      PostingTax.@Nullable Role taxRole,
      boolean atBank) {}

  private final JdbcClient jdbc;
  private final PayeeTexts texts;
  private final TaxRateService taxRates;

  PastBookings(JdbcClient jdbc, PayeeTexts texts, TaxRateService taxRates) {
    this.jdbc = jdbc;
    this.texts = texts;
    this.taxRates = taxRates;
  }

  /**
   * The newest act, by which the past may be another: a payee renamed, an entry mended. The same
   * text for the same past.
   */
  String state() {
    return jdbc.sql("select id::text from act where household_id = ? order by id desc limit 1")
        .param(SignedIn.now().householdId())
        .query(String.class)
        .optional()
        .orElse("");
  }

  /**
   * By the lasting words of the lines. Cost: the newest entries of each payee, by an index, however
   * many there are behind.
   */
  Map<String, Past> of(Collection<WaitingLine> lines, Chart chart) {
    Map<String, PayeeTexts.Called> called =
        texts.calledBy(
            lines.stream()
                .map(line -> LastingWords.of(line.line()).toString())
                .collect(Collectors.toSet()));
    if (called.isEmpty()) {
      return Map.of();
    }
    SalesTaxes taxes = taxRates.taxes(chart);
    Map<UUID, Past> pasts = new HashMap<>();
    rows(called.values().stream().map(PayeeTexts.Called::payeeId).toList()).stream()
        .collect(Collectors.groupingBy(Row::payeeId))
        .forEach((payee, rows) ->
            pasts.put(payee, new Past(rows.getFirst().payee(), entries(rows, chart, taxes))));
    Map<String, Past> byText = new HashMap<>();
    called.forEach((text, who) -> {
      Past past = pasts.get(who.payeeId());
      if (past != null) {
        byText.put(text, new Past(past.payee(), past.entries(), who.likeTexts()));
      }
    });
    return byText;
  }

  private List<Row> rows(Collection<UUID> payees) {
    return jdbc.sql(
            """
            select w.id as payee_id, y.name as payee, e.id as entry_id, e.no, e.date, p.account_id, p.amount_minor,
                   p.tax_rate_id, p.tax_role, exists (select 1 from line_link k where k.household_id = :household and k.posting_id = p.id) as at_bank
              from unnest(:payees) w(id)
              join payee y on y.household_id = :household and y.id = w.id
              cross join lateral (
                select id, no, date from entry
                 where household_id = :household and payee_id = w.id and origin <> 'OPENING'
                 order by date desc, no desc limit :most) e
              join posting p on p.household_id = :household and p.entry_id = e.id
             order by e.date desc, e.no desc, p.place\
            """)
        .param("household", SignedIn.now().householdId())
        .param("payees", payees.stream().distinct().toArray(UUID[]::new))
        .param("most", ENTRIES_PER_PAYEE)
        .query(DataClassRowMapper.newInstance(Row.class))
        .list();
  }

  private static List<Past.PastEntry> entries(List<Row> rows, Chart chart, SalesTaxes taxes) {
    Map<UUID, List<Row>> byEntry =
        rows.stream()
            .collect(Collectors.groupingBy(Row::entryId, LinkedHashMap::new, Collectors.toList()));
    var entries = new ArrayList<Past.PastEntry>();
    for (List<Row> postings : byEntry.values()) {
      List<Past.PastPart> parts = parts(postings, chart, taxes);
      if (!parts.isEmpty()) {
        Row first = postings.getFirst();
        entries.add(new Past.PastEntry(first.entryId(), first.no(), first.date(), parts));
      }
    }
    return entries;
  }

  /**
   * Where the amount of an entry's bank line went; empty for what no single line tells, such as a
   * transfer whose both sides are at banks, or an exchange.
   */
  private static List<Past.PastPart> parts(List<Row> postings, Chart chart, SalesTaxes taxes) {
    List<Row> atBank = postings.stream().filter(Row::atBank).toList();
    if (atBank.size() != 1) {
      return List.of();
    }
    Account bank = chart.account(atBank.getFirst().accountId());
    var parts = new ArrayList<Past.PastPart>();
    for (Row posting : postings) {
      Account account = chart.account(posting.accountId());
      if (posting == atBank.getFirst()
          || account.kind() == AccountKind.DRAWINGS
          || account.kind() == AccountKind.EXCHANGE) {
        continue;
      }
      if (bank.isForeign()
          ? !tellsOfForeign(account, parts)
          : !account.currency().equals(bank.currency())) {
        return List.of();
      }
      Amount amount =
          Amount.ofMinor(
              bank.isForeign() ? atBank.getFirst().amountMinor() : -posting.amountMinor(),
              bank.currency());
      if (posting.taxRole() == PostingTax.Role.TAX && !parts.isEmpty()) {
        // The tax stands behind its net amount: together they are what was paid.
        Past.PastPart net = parts.removeLast();
        parts.add(new Past.PastPart(net.account(), net.amount().plus(amount), net.tax()));
      } else {
        parts.add(
            new Past.PastPart(
                account, amount, taxes.choiceOf(account, tax(posting), posting.date())));
      }
    }
    return parts;
  }

  /**
   * Of a line in another currency only what went to one category whole can be said: the rest stands
   * in the book's currency.
   */
  private static boolean tellsOfForeign(Account account, List<Past.PastPart> before) {
    return account.accountClass().isCategory() && before.isEmpty();
  }

  private static @Nullable PostingTax tax(Row posting) {
    return posting.taxRateId() == null || posting.taxRole() == null
        ? null
        : new PostingTax(posting.taxRateId(), posting.taxRole());
  }
}
