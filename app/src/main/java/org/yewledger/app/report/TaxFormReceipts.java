package org.yewledger.app.report;

import java.sql.Date;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.attachment.AttachmentPrints.ToPrint;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.paper.Papers;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.report.TaxFormReceiptsJson.LineReceiptsJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.journal.QueryField;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/** The receipts behind the lines of a tax form. */
@Service
class TaxFormReceipts {
  private static final int MOST_ENTRIES = 5_000;

  private static final String COUNTS =
      """
      select count(distinct p.entry_id), count(distinct a.entry_id), count(distinct a.id)
        from posting p
        left join attachment a on a.household_id = :household and a.entry_id = p.entry_id
       where p.household_id = :household and p.account_id = any(:accounts) and p.date between :from and :to\
      """;

  private static final String ENTRIES =
      """
      select e.id, e.date, e.no, y.name, e.note, sum(p.base_minor)::bigint
        from posting p
        join entry e on e.household_id = :household and e.id = p.entry_id
        join payee y on y.household_id = :household and y.id = e.payee_id
       where p.household_id = :household and p.account_id = any(:accounts) and p.date between :from and :to
       group by e.id, e.date, e.no, y.name, e.note order by e.date, e.no limit :most\
      """;

  private static final String FILES =
      """
      select entry_id, id, name from attachment
       where household_id = :household and entry_id = any(:entries) order by arrived_at, id\
      """;

  private final ChartService charts;
  private final Papers papers;
  private final JdbcClient jdbc;

  TaxFormReceipts(ChartService charts, Papers papers, JdbcClient jdbc) {
    this.charts = charts;
    this.papers = papers;
    this.jdbc = jdbc;
  }

  /** A line of a book's form, within a span. */
  private record FormLine(
      BookEntity book, AccountClass of, String name, Span span, List<Account> categories) {
    UUID[] accountIds() {
      return categories.stream().map(Account::id).toArray(UUID[]::new);
    }

    CurrencyUnit base() {
      return book.toBook().currency();
    }

    /** Expenses are debits, income credits; both are told above zero. */
    Amount told(long minor) {
      return Amount.ofMinor(of == AccountClass.INCOME ? -minor : minor, base());
    }
  }

  private record LineEntry(UUID id, String with, String day, long no, Amount amount) {}

  /** A line's entries with what is attached to them. */
  record Receipts(String title, List<Part> list, List<ToPrint> files) {}

  /** The line that each category belongs to; those without are missing. */
  static Map<UUID, String> lines(List<Account> accounts, Chart chart) {
    Map<UUID, String> lines = new HashMap<>();
    for (Account account : accounts) {
      String line = chart.facts(account.id()).taxFormLine();
      if (!line.isEmpty()) {
        lines.put(account.id(), line);
      }
    }
    return lines;
  }

  /** How many entries of each line have a receipt. Cost: a query for each line. */
  @Transactional(readOnly = true)
  List<LineReceiptsJson> counts(ReportAsked asked) {
    return formLines(asked).stream().map(this::counted).toList();
  }

  private LineReceiptsJson counted(FormLine line) {
    return jdbc.sql(COUNTS)
        .params(within(line))
        .query((row, no) ->
            new LineReceiptsJson(
                line.book().id(),
                line.of(),
                line.name(),
                row.getInt(1),
                row.getInt(2),
                row.getInt(3),
                "%s -has:attachment date:%s..%s"
                    .formatted(
                        QueryText.term(
                            QueryField.CATEGORY,
                            line.categories().stream().map(Account::name).sorted().toList()),
                        line.span().first(),
                        line.span().last())))
        .single();
  }

  /**
   * Of one line, in each book that has it.
   *
   * @throws Refusal {@code too-many-entries}
   */
  @Transactional(readOnly = true)
  List<Receipts> receipts(ReportAsked asked, AccountClass of, String name) {
    return formLines(asked).stream()
        .filter(line -> line.of() == of && line.name().equals(name))
        .map(this::receipts)
        .toList();
  }

  private Receipts receipts(FormLine line) {
    Formats formats = papers.formats();
    List<LineEntry> entries = entries(line, formats);
    Map<UUID, List<ToPrint>> files = files(entries);
    var rows = new ArrayList<Row>();
    for (LineEntry entry : entries) {
      int count = files.getOrDefault(entry.id(), List.of()).size();
      rows.add(
          Row.of(
              Look.PLAIN,
              entry.day(),
              Long.toString(entry.no()),
              entry.with(),
              count == 0 ? "none" : Integer.toString(count),
              formats.write(entry.amount())));
    }
    rows.add(
        Row.of(
            Look.TOTAL,
            "",
            "",
            line.name(),
            "",
            formats.write(
                Amount.sum(line.base(), entries.stream().map(LineEntry::amount).toList()))));
    String title = "%s, %s".formatted(line.name(), line.book().name());
    return new Receipts(
        title,
        List.of(
            new Head(
                title,
                "%s to %s"
                    .formatted(
                        formats.write(line.span().firstDay()),
                        formats.write(line.span().lastDay()))),
            new Table(
                "",
                "",
                List.of(
                    Column.text("Day", 1.4f),
                    Column.text("No.", 0.8f),
                    Column.text("With", 5),
                    Column.figures("Receipts", 1),
                    Column.figures(line.base().getCode(), 1.5f)),
                rows)),
        entries.stream()
            .flatMap(entry -> files.getOrDefault(entry.id(), List.of()).stream())
            .toList());
  }

  private List<LineEntry> entries(FormLine line, Formats formats) {
    List<LineEntry> entries =
        jdbc.sql(ENTRIES)
            .params(within(line))
            .param("most", MOST_ENTRIES + 1)
            .query((row, no) -> {
              String note = row.getString(5);
              return new LineEntry(
                  Objects.requireNonNull(row.getObject(1, UUID.class)),
                  note.isEmpty() ? row.getString(4) : row.getString(4) + ", " + note,
                  formats.write(row.getDate(2).toLocalDate()),
                  row.getLong(3),
                  line.told(row.getLong(6)));
            })
            .list();
    if (entries.size() > MOST_ENTRIES) {
      throw Refusal.ofField(
          "too-many-entries",
          "last",
          "More than %,d entries are on that line. Choose a shorter span.".formatted(MOST_ENTRIES));
    }
    return entries;
  }

  private Map<UUID, List<ToPrint>> files(List<LineEntry> entries) {
    Map<UUID, LineEntry> byId =
        entries.stream().collect(Collectors.toMap(LineEntry::id, entry -> entry));
    Map<UUID, List<ToPrint>> files = new HashMap<>();
    jdbc.sql(FILES)
        .param("household", SignedIn.now().householdId())
        .param("entries", byId.keySet().toArray(UUID[]::new))
        .query(row -> {
          LineEntry entry =
              Objects.requireNonNull(
                  byId.get(Objects.requireNonNull(row.getObject(1, UUID.class))));
          files
              .computeIfAbsent(entry.id(), id -> new ArrayList<>())
              .add(
                  new ToPrint(
                      Objects.requireNonNull(row.getObject(2, UUID.class)),
                      row.getString(3),
                      "%s, no. %d, %s".formatted(entry.day(), entry.no(), entry.with())));
        });
    return files;
  }

  private static Map<String, Object> within(FormLine line) {
    return Map.of(
        "household", SignedIn.now().householdId(),
        "accounts", line.accountIds(),
        "from", Date.valueOf(line.span().firstDay()),
        "to", Date.valueOf(line.span().lastDay()));
  }

  /** Those of every book, income first. */
  private List<FormLine> formLines(ReportAsked asked) {
    Chart chart = charts.chart();
    List<FormLine> all = new ArrayList<>();
    for (BookEntity book : chart.books(asked.book()).toList()) {
      List<Account> leaves =
          chart.accountsOf(book.id()).filter(account -> !account.group()).toList();
      Map<UUID, String> lineOf = lines(leaves, chart);
      Span span = asked.span(book.fiscalYearStartsIn());
      for (AccountClass of : List.of(AccountClass.INCOME, AccountClass.EXPENSE)) {
        leaves.stream()
            .filter(a -> a.accountClass() == of && lineOf.containsKey(a.id()))
            .collect(Collectors.groupingBy(a -> Objects.requireNonNull(lineOf.get(a.id()))))
            .entrySet()
            .stream()
            .sorted(Map.Entry.comparingByKey(Comparator.naturalOrder()))
            .forEach(line -> all.add(new FormLine(book, of, line.getKey(), span, line.getValue())));
      }
    }
    return all;
  }
}
