package org.yewledger.app.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.yewledger.app.journal.EntryParts;
import org.yewledger.app.report.ReportJson.DrawnRowJson;
import org.yewledger.app.report.ReportJson.ReportDrawnJson;
import org.yewledger.app.report.ReportJson.ReportRowJson;
import org.yewledger.app.report.ReportJson.RowLook;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.report.Breakdown;
import org.yewledger.core.report.Breakdown.By;
import org.yewledger.core.report.Breakdown.Measure;
import org.yewledger.core.report.Span;

/** Reports that a person puts together: what a journal query finds, by what it has in common. */
@Component
class OwnReports {
  /** More lines than these cannot be told apart. */
  private static final int MOST_DRAWN = 6;

  private final EntryParts parts;

  OwnReports(EntryParts parts) {
    this.parts = parts;
  }

  /** Its rows, and what a drawing shows of them. */
  record Laid(List<ReportRowJson> rows, ReportDrawnJson drawn) {}

  /**
   * @param bookId whose postings count; null for all books, which then have one currency
   */
  Laid laid(ReportAsked asked, @Nullable UUID bookId, CurrencyUnit base, List<Span> columns) {
    By by = asked.byOrCategory();
    Measure measure = asked.measureOrSpent();
    var first = columns.stream().map(Span::first).min(Comparator.naturalOrder()).orElseThrow();
    var last = columns.stream().map(Span::last).max(Comparator.naturalOrder()).orElseThrow();
    Breakdown all =
        Breakdown.of(
            base,
            columns,
            measure,
            parts.of(by, asked.textOrAll(), bookId, base, new Span(first, last)));
    return new Laid(rows(asked, all, columns.size()), drawn(asked, all));
  }

  private static List<ReportRowJson> rows(ReportAsked asked, Breakdown all, int columns) {
    By by = asked.byOrCategory();
    boolean beside = asked.isBeside();
    boolean adds = !beside && columns > 1;
    List<ReportRowJson> rows = new ArrayList<>();
    for (Breakdown.Row row : all.rows()) {
      rows.add(
          new ReportRowJson(
              RowLook.ACCOUNT,
              null,
              named(row.name(), by),
              "",
              ReportRows.decimals(row.amounts()),
              adds ? row.total().decimal() : null,
              beside ? null : all.share(row),
              beside ? ReportRows.change(row.amounts()) : null,
              query(asked.textOrAll(), by, row.name())));
    }
    rows.add(
        new ReportRowJson(
            RowLook.TOTAL,
            null,
            inWords(asked.measureOrSpent(), by),
            "",
            ReportRows.decimals(all.sums()),
            adds ? all.total().decimal() : null,
            null,
            beside ? ReportRows.change(all.sums()) : null,
            null));
    return rows;
  }

  private static ReportDrawnJson drawn(ReportAsked asked, Breakdown all) {
    By by = asked.byOrCategory();
    Breakdown.Drawn drawn = all.drawn(MOST_DRAWN);
    List<DrawnRowJson> rows = new ArrayList<>();
    drawn.rows().forEach(row -> rows.add(drawn(named(row.name(), by), row, all)));
    if (drawn.others() > 0) {
      rows.add(drawn("%d others".formatted(drawn.others()), drawn.rest(), all));
    }
    return new ReportDrawnJson(
        rows, by.isApart() && !asked.isBeside() && all.isWhole(), by.isApart());
  }

  private static DrawnRowJson drawn(String name, Breakdown.Row row, Breakdown all) {
    return new DrawnRowJson(
        name, ReportRows.decimals(row.amounts()), row.total().decimal(), all.share(row));
  }

  private static String named(String name, By by) {
    if (name.isEmpty()) {
      return by == By.METHOD ? "no method said" : "none";
    }
    return by == By.METHOD ? methodWord(name).replace('-', ' ') : name;
  }

  private static String methodWord(String name) {
    return name.toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** Finds the entries of a row in the journal; null for what has nothing in common. */
  private static @Nullable String query(String text, By by, String name) {
    if (name.isEmpty()) {
      return null;
    }
    String term =
        switch (by) {
          case CATEGORY -> QueryText.term(QueryField.CATEGORY, name);
          case PAYEE -> QueryText.term(QueryField.PAYEE, name);
          case TAG -> QueryText.term(QueryField.TAG, name);
          case ACCOUNT -> QueryText.term(QueryField.ACCOUNT, name);
          case METHOD -> QueryText.term(QueryField.METHOD, methodWord(name));
        };
    return (text + " " + term).strip();
  }

  private static String inWords(Measure measure, By by) {
    return switch (measure) {
      case SPENT -> by == By.ACCOUNT ? "Went out" : "Spent";
      case EARNED -> by == By.ACCOUNT ? "Came in" : "Earned";
      case RESULT -> by == By.ACCOUNT ? "Moved" : "Result";
    };
  }
}
