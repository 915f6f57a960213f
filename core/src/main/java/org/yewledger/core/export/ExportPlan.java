package org.yewledger.core.export;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * What a saved export holds, in which form, and where it goes.
 *
 * @param bookId the book that it is of; null for all
 * @param accountId the account whose lines they are; null for all, and for entries
 * @param filter for entries and postings a query as the journal takes it; for lines, words that
 *     stand in them. Empty for all
 * @param columns in their order; none for OFX and camt.053, whose form is given
 * @param delivery the file that it is written into; null if it is only fetched
 */
public record ExportPlan(
    String name,
    ExportOf of,
    @Nullable UUID bookId,
    @Nullable UUID accountId,
    String filter,
    ExportDays days,
    List<Column> columns,
    Format format,
    Written written,
    @Nullable Delivery delivery) {

  /**
   * A column, and what it is called in the file.
   *
   * @param title as a person wants it
   */
  public record Column(ExportColumn column, String title) {}

  /** The form of the file. */
  public enum Format {
    CSV("csv"),
    XLSX("xlsx"),
    JSON("json"),
    OFX("ofx"),
    /** camt.053 of ISO 20022. */
    CAMT("xml");

    private final String ending;

    Format(String ending) {
      this.ending = ending;
    }

    public String ending() {
      return ending;
    }

    /** Whether it is a statement of one account rather than a table. */
    public boolean isStatement() {
      return this == OFX || this == CAMT;
    }
  }

  /** How days are written in CSV. */
  public enum DayForm {
    /** 2026-01-31. */
    ISO("yyyy-MM-dd"),
    /** 31.01.2026. */
    DOTS("dd.MM.yyyy"),
    /** 31/01/2026. */
    DAY_FIRST("dd/MM/yyyy"),
    /** 01/31/2026. */
    MONTH_FIRST("MM/dd/yyyy");

    private final String pattern;

    DayForm(String pattern) {
      this.pattern = pattern;
    }

    public String pattern() {
      return pattern;
    }
  }

  /**
   * How CSV is written; the other formats have their own ways.
   *
   * @param decimalComma whether a comma stands before the decimals, and so a semicolon between
   *     cells
   */
  public record Written(DayForm days, boolean decimalComma) {}

  /** What happens to what the file holds already. */
  public enum Mode {
    REPLACE,
    /** Rows are added whose {@link ExportColumn#ID} is not in the file yet. */
    APPEND
  }

  /**
   * A file that is written by itself.
   *
   * @param file its name in the folder of exports, with folders below it parted by slashes
   */
  public record Delivery(String file, Mode mode, ExportSchedule schedule) {}

  private static final int LONGEST = 80;
  private static final int LONGEST_FILTER = 500;
  private static final int LONGEST_FILE = 200;
  private static final Pattern FILE =
      Pattern.compile("[\\p{L}\\p{N}_][\\p{L}\\p{N}_ .-]*(?:/[\\p{L}\\p{N}_][\\p{L}\\p{N}_ .-]*)*");

  /**
   * @throws Refusal {@code export-*}, naming the field at fault
   */
  public ExportPlan {
    name = name.strip();
    filter = filter.strip();
    columns = List.copyOf(columns);
    if (name.isEmpty() || name.length() > LONGEST) {
      throw Refusal.ofField("export-name", "name", "Give it a name of 1 to 80 letters.");
    }
    if (filter.length() > LONGEST_FILTER) {
      throw Refusal.ofField("export-filter", "filter", "Look for less: 500 letters at most.");
    }
    if (accountId != null && of != ExportOf.LINES) {
      throw Refusal.ofField(
          "export-account", "accountId", "Only bank lines are of one account; use the filter.");
    }
    requireForm(of, accountId, format, columns);
    if (!format.isStatement()) {
      requireColumns(of, columns);
    }
    if (delivery != null) {
      requireDelivery(delivery, format, columns);
    }
  }

  /**
   * That it writes into no file of another export: each would take what the other wrote away. Upper
   * and lower case make no difference, as they make none on some machines.
   *
   * @throws Refusal {@code export-file-shared}
   */
  public void requireOwnFile(Collection<ExportPlan> others) {
    others.stream()
        .filter(this::sharesFileWith)
        .findFirst()
        .ifPresent(other -> {
          throw Refusal.ofField(
              "export-file-shared",
              "file",
              "%s is written into that file already. Name another file, or change that export first."
                  .formatted(other.name()));
        });
  }

  private boolean sharesFileWith(ExportPlan other) {
    return delivery != null
        && other.delivery() != null
        && delivery.file().equalsIgnoreCase(other.delivery().file());
  }

  private static void requireForm(
      ExportOf of, @Nullable UUID accountId, Format format, List<Column> columns) {
    if (!format.isStatement()) {
      return;
    }
    if (of != ExportOf.LINES || accountId == null) {
      throw Refusal.ofField(
          "export-format",
          "format",
          "%s holds the bank lines of one account. Choose bank lines and the account, or another format."
              .formatted(format == Format.OFX ? "OFX" : "camt.053"));
    }
    if (!columns.isEmpty()) {
      throw Refusal.ofField(
          "export-columns", "columns", "The form of this format is given: it has no columns.");
    }
  }

  private static void requireColumns(ExportOf of, List<Column> columns) {
    if (columns.isEmpty()) {
      throw Refusal.ofField("export-columns", "columns", "Choose a column.");
    }
    Set<ExportColumn> chosen = new HashSet<>();
    Set<String> titles = new HashSet<>();
    for (Column column : columns) {
      String title = column.title().strip();
      if (!column.column().isOf(of)) {
        throw Refusal.ofField(
            "export-columns",
            "columns",
            "%s is no column of these rows.".formatted(column.column().title()));
      }
      if (!chosen.add(column.column())) {
        throw Refusal.ofField(
            "export-columns", "columns", "%s is chosen twice.".formatted(column.column().title()));
      }
      if (title.isEmpty() || title.length() > LONGEST) {
        throw Refusal.ofField(
            "export-columns",
            "columns",
            "Call the column %s by 1 to 80 letters.".formatted(column.column().title()));
      }
      if (!titles.add(title.toLowerCase(Locale.ROOT))) {
        throw Refusal.ofField(
            "export-columns", "columns", "Two columns are called %s.".formatted(title));
      }
    }
  }

  private static void requireDelivery(Delivery delivery, Format format, List<Column> columns) {
    if (delivery.file().length() > LONGEST_FILE || !FILE.matcher(delivery.file()).matches()) {
      throw Refusal.ofField(
          "export-file",
          "file",
          "Name the file by letters, digits, spaces, dots and hyphens, with folders before it parted by slashes: taxes/lines.csv.");
    }
    if (delivery.mode() == Mode.APPEND) {
      if (format != Format.CSV) {
        throw Refusal.ofField(
            "export-append", "mode", "Rows are added to CSV only; other files are one whole.");
      }
      if (columns.stream().noneMatch(c -> c.column() == ExportColumn.ID)) {
        throw Refusal.ofField(
            "export-append",
            "columns",
            "A file that rows are added to has the column Id, by which no row comes twice.");
      }
    }
  }

  /** What the columns are called in the file. */
  public List<String> titles() {
    return columns.stream().map(c -> c.title().strip()).toList();
  }
}
