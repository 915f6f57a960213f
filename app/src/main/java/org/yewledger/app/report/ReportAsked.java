package org.yewledger.app.report;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Month;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.report.Breakdown.By;
import org.yewledger.core.report.Breakdown.Measure;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.Span.Beside;
import org.yewledger.core.report.Span.Every;
import org.yewledger.core.report.Span.Named;

/**
 * Which report is asked for.
 *
 * @param span by its name, as it stands at the month
 * @param first with {@code last}, a span of one's own, which goes before the name
 * @param every what each column is about; a month alone, a year alone, or all in one
 * @param beside what it is seen beside, where all is in one column
 * @param book null for every book, and all together
 * @param bills whether bills stand in the months they serve; as booked if it is not said
 * @param by what the rows of an own report are; categories if it is not said
 * @param measure what an own report adds up; expenses if it is not said
 * @param text a journal query for the entries of an own report; all if it is not said
 * @param tax how income and expenses are told; net if it is not said
 */
public record ReportAsked(
    @NotNull Named span,
    @NotNull YearMonth month,
    @Nullable YearMonth first,
    @Nullable YearMonth last,
    @NotNull Every every,
    @NotNull Beside beside,
    @Nullable UUID book,
    @Nullable Tax tax,
    @Nullable Bills bills,
    @Nullable By by,
    @Nullable Measure measure,
    @Nullable @Size(max = QueryText.LONGEST) String text) {
  /** What of sales tax is in income and expenses. */
  public enum Tax {
    /** They are without it. */
    NET,
    /** They are with it, as they were paid. */
    GROSS,
    /** It alone. */
    TAX
  }

  /** Where the entries stand that serve several months. */
  public enum Bills {
    /** In the month of the entry. */
    BOOKED,
    /** In even parts, in each month that they serve. */
    SPREAD
  }

  /** A span of a book's months. */
  public static ReportAsked of(UUID book, Span span, Every every, Beside beside) {
    return new ReportAsked(
        Named.MONTH,
        span.last(),
        span.first(),
        span.last(),
        every,
        beside,
        book,
        null,
        null,
        null,
        null,
        null);
  }

  Span span(Month fiscalStart) {
    if (first == null || last == null) {
      return Span.of(span, month, fiscalStart);
    }
    return new Span(first, last);
  }

  By byOrCategory() {
    return by == null ? By.CATEGORY : by;
  }

  Measure measureOrSpent() {
    return measure == null ? Measure.SPENT : measure;
  }

  String textOrAll() {
    return text == null ? "" : text.strip();
  }

  Tax taxOrNet() {
    return tax == null ? Tax.NET : tax;
  }

  boolean spreadsBills() {
    return bills == Bills.SPREAD;
  }

  /** Whether the second column is what the first is seen beside. */
  boolean isBeside() {
    return every == Every.WHOLE && beside != Beside.NOTHING;
  }

  boolean isBesideBudget() {
    return every == Every.WHOLE && beside == Beside.BUDGET;
  }

  boolean isBesideBooked() {
    return every == Every.WHOLE && beside == Beside.BOOKED;
  }

  /** The spans of the columns. */
  List<Span> columns(Month fiscalStart) {
    Span whole = span(fiscalStart);
    return isBeside() ? List.of(whole, whole.beside(beside)) : whole.divided(every);
  }
}
