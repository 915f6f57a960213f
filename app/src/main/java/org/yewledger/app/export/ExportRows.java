package org.yewledger.app.export;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.EntryReader;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.PostingView;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.FoundEntries;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.core.Refusal;
import org.yewledger.core.export.ExportColumn;
import org.yewledger.core.export.ExportDays.Range;
import org.yewledger.core.export.ExportOf;
import org.yewledger.core.export.ExportPlan;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.report.Movement;
import org.yewledger.formats.table.ExportTable;

/** Reads what an export holds, as a table. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class ExportRows {
  /** More are not held in memory at once. */
  static final int MOST_ROWS = 100_000;

  private static final int PAGE = 1_000;

  private final FoundEntries found;
  private final EntryReader reader;
  private final EntryStore entries;
  private final ExportedLines lines;
  private final ChartService charts;
  private final HouseholdDays days;

  ExportRows(
      FoundEntries found,
      EntryReader reader,
      EntryStore entries,
      ExportedLines lines,
      ChartService charts,
      HouseholdDays days) {
    this.found = found;
    this.reader = reader;
    this.entries = entries;
    this.lines = lines;
    this.charts = charts;
    this.days = days;
  }

  /**
   * All that the plan is about, the earliest first.
   *
   * @throws Refusal {@code export-too-large}, or if the filter cannot be read
   */
  ExportTable all(ExportPlan plan) {
    List<List<Object>> rows = rows(plan, MOST_ROWS + 1);
    if (rows.size() > MOST_ROWS) {
      throw Refusal.ofField(
          "export-too-large",
          "days",
          "More than %,d rows fit. Choose fewer days, or look for less.".formatted(MOST_ROWS));
    }
    return new ExportTable(plan.titles(), rows);
  }

  /** The last rows of it, to look at. */
  ExportTable few(ExportPlan plan, int most) {
    List<List<Object>> rows = rows(plan, most);
    return new ExportTable(
        plan.titles(), rows.subList(Math.max(0, rows.size() - most), rows.size()));
  }

  private List<List<Object>> rows(ExportPlan plan, int most) {
    Range range = plan.days().asOf(days.today()).orElse(null);
    Chart chart = charts.chart();
    if (plan.of() == ExportOf.LINES) {
      return lines.rows(plan, range, chart, most);
    }
    var rows = new ArrayList<List<Object>>();
    List<UUID> ids = found.oldestFirst(plan.bookId(), plan.filter(), range, most);
    for (int from = 0; from < ids.size(); from += PAGE) {
      List<UUID> page = ids.subList(from, Math.min(ids.size(), from + PAGE));
      EntryReader.EntryViews views = reader.byId(page);
      page.forEach(id -> rows.addAll(rows(views.of(id), plan)));
      // What is written is not needed any more.
      entries.forgetRead();
    }
    return rows;
  }

  private static List<List<Object>> rows(EntryView entry, ExportPlan plan) {
    if (plan.of() == ExportOf.ENTRIES) {
      return List.of(cells(plan, column -> ofEntry(entry, column)));
    }
    return entry.postings().stream()
        .filter(p -> plan.bookId() == null || plan.bookId().equals(p.account().bookId()))
        .map(p -> cells(plan, column -> ofPosting(entry, p, column)))
        .toList();
  }

  private interface Cell {
    @Nullable Object of(ExportColumn column);
  }

  private static List<Object> cells(ExportPlan plan, Cell cell) {
    return plan.columns().stream()
        .map(c -> Objects.requireNonNullElse(cell.of(c.column()), ""))
        .toList();
  }

  private static @Nullable Object ofEntry(EntryView entry, ExportColumn column) {
    return switch (column) {
      case ID -> String.valueOf(entry.no());
      case FROM -> places(entry, false);
      case TO -> places(entry, true);
      case AMOUNT -> movement(entry).amount().decimal();
      case CURRENCY -> movement(entry).amount().currency().getCode();
      case TAX -> entry.salesTax();
      case BOOK -> books(entry);
      default -> ofBoth(entry, column);
    };
  }

  private static @Nullable Object ofPosting(
      EntryView entry, PostingView view, ExportColumn column) {
    Posting posting = view.posting();
    BigDecimal value = posting.value().size().decimal();
    return switch (column) {
      case ID -> view.id().toString();
      case ACCOUNT -> posting.account().name();
      case CLASS -> word(posting.account().accountClass());
      case AMOUNT -> posting.amount().decimal();
      case CURRENCY -> posting.account().currency().getCode();
      case DEBIT -> posting.isDebit() ? value : null;
      case CREDIT -> posting.isDebit() ? null : value;
      case NOTE -> posting.note().isEmpty() ? entry.note() : posting.note();
      case STATE -> posting.account().kind().hasStatements() ? word(view.state()) : null;
      case BOOK -> posting.account().book().name();
      default -> ofBoth(entry, column);
    };
  }

  private static @Nullable Object ofBoth(EntryView entry, ExportColumn column) {
    return switch (column) {
      case DATE -> (LocalDate) entry.entry().date();
      case PAYEE -> entry.payee();
      case NOTE -> entry.note();
      case REFERENCE -> entry.entry().reference();
      case METHOD -> entry.entry().method() == null ? null : word(entry.entry().method());
      case TAGS -> String.join(", ", entry.tags());
      default -> throw new IllegalArgumentException("no column of entries: " + column);
    };
  }

  /** As the vocabulary has it: direct debit, reconciled. */
  static String word(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static Movement movement(EntryView entry) {
    return Movement.of(entry.postings().stream().map(PostingView::posting).toList());
  }

  /** What the core adds between books, and the tax in an amount, are no places. */
  private static String places(EntryView entry, boolean debits) {
    return entry.postings().stream()
        .filter(p -> p.isDebit() == debits && !p.isTax())
        .filter(p -> p.account().kind() != AccountKind.DRAWINGS)
        .map(p -> p.account().name())
        .distinct()
        .collect(Collectors.joining(" + "));
  }

  private static String books(EntryView entry) {
    Stream<String> names = entry.postings().stream().map(p -> p.account().book().name());
    return names.distinct().collect(Collectors.joining(" + "));
  }
}
