package org.yewledger.formats.csv;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.stream.IntStream;
import org.yewledger.formats.csv.CsvLayout.DateOrder;
import org.yewledger.formats.csv.CsvLayout.DecimalMark;
import org.yewledger.formats.csv.CsvLayout.Meaning;

/**
 * A proposed layout for a table, from the names of its columns and from what stands in them.
 *
 * @param dateOrderCertain whether some date of the file allows only this order, rather than all of
 *     them fitting another one too
 * @param dateEvidence the cell that settles the order, empty if none does
 * @param dateEvidenceLine its line in the file; 0 if none
 */
public record CsvDetection(
    CsvLayout layout, boolean dateOrderCertain, String dateEvidence, int dateEvidenceLine) {

  private static final List<Named> NAMES =
      List.of(
          new Named(Meaning.VALUE_ON, "value", "valuta", "effective"),
          new Named(Meaning.BOOKED_ON, "date", "booked", "posted", "day"),
          new Named(Meaning.BALANCE, "balance", "saldo"),
          new Named(Meaning.OUT, "debit", "out", "withdraw", "paid out", "spent"),
          new Named(Meaning.IN, "credit", "in", "deposit", "paid in", "received"),
          new Named(Meaning.AMOUNT, "amount", "sum", "betrag"),
          new Named(Meaning.PAYEE, "payee", "name", "counterparty", "merchant", "party"),
          new Named(Meaning.REFERENCE, "ref", "number", "id", "no"),
          new Named(Meaning.MEMO, "text", "memo", "description", "detail", "purpose", "narrative"));

  private record Named(Meaning meaning, List<String> names) {
    Named(Meaning meaning, String... names) {
      this(meaning, List.of(names));
    }

    boolean fits(String header) {
      List<String> words = List.of(header.toLowerCase(Locale.ROOT).split("[^\\p{L}]+"));
      return names.stream()
          .anyMatch(n ->
              n.length() <= 3
                  ? words.contains(n)
                  : words.stream().anyMatch(w -> w.startsWith(n))
                      || header.toLowerCase(Locale.ROOT).contains(n));
    }
  }

  private record Order(DateOrder order, boolean certain, String evidence, int line) {}

  public static CsvDetection of(CsvTable table) {
    List<Meaning> meanings = meanings(table);
    Order order = dateOrder(table, meanings.indexOf(Meaning.BOOKED_ON));
    var layout = new CsvLayout(meanings, order.order(), decimalMark(table, meanings));
    return new CsvDetection(layout, order.certain(), order.evidence(), order.line());
  }

  private static List<Meaning> meanings(CsvTable table) {
    int width = table.header().size();
    var meanings = new Meaning[width];
    Arrays.fill(meanings, Meaning.IGNORE);
    for (int i = 0; i < width; i++) {
      for (Named named : NAMES) {
        boolean free =
            named.meaning() == Meaning.MEMO || !Arrays.asList(meanings).contains(named.meaning());
        if (free
            && named.fits(table.header().get(i))
            && fitsData(table.column(i), named.meaning())) {
          meanings[i] = named.meaning();
          break;
        }
      }
    }
    fillFromData(table, meanings);
    return List.of(meanings);
  }

  /**
   * Names that say nothing: the first column of dates is the date, the first of amounts the amount.
   */
  private static void fillFromData(CsvTable table, Meaning[] meanings) {
    List<Meaning> found = new ArrayList<>(Arrays.asList(meanings));
    if (!found.contains(Meaning.BOOKED_ON)) {
      firstIgnored(table, meanings, Meaning.BOOKED_ON);
    }
    if (!found.contains(Meaning.AMOUNT)
        && !found.contains(Meaning.IN)
        && !found.contains(Meaning.OUT)) {
      firstIgnored(table, meanings, Meaning.AMOUNT);
    }
    if (!found.contains(Meaning.MEMO) && !found.contains(Meaning.PAYEE)) {
      longestText(table, meanings);
    }
  }

  private static void firstIgnored(CsvTable table, Meaning[] meanings, Meaning wanted) {
    IntStream.range(0, meanings.length)
        .filter(i -> meanings[i] == Meaning.IGNORE && fitsData(table.column(i), wanted))
        .findFirst()
        .ifPresent(i -> meanings[i] = wanted);
  }

  private static void longestText(CsvTable table, Meaning[] meanings) {
    IntStream.range(0, meanings.length)
        .filter(i -> meanings[i] == Meaning.IGNORE)
        .boxed()
        .max(
            java.util.Comparator.comparingInt(
                i -> table.column(i).stream().mapToInt(String::length).sum()))
        .ifPresent(i -> meanings[i] = Meaning.MEMO);
  }

  private static boolean fitsData(List<String> cells, Meaning meaning) {
    List<String> filled = cells.stream().filter(c -> !c.isEmpty()).toList();
    return switch (meaning) {
      case BOOKED_ON, VALUE_ON -> !filled.isEmpty() && filled.stream().allMatch(CellKinds::isDate);
      case AMOUNT, IN, OUT, BALANCE -> filled.stream().allMatch(CellKinds::isAmount);
      case PAYEE, MEMO, REFERENCE, IGNORE -> true;
    };
  }

  /**
   * Settled by looking at the whole column: one 23 in the first place rules the month out there.
   * Where dates contradict each other, most of them decide, and the reader names the others.
   */
  private static Order dateOrder(CsvTable table, int column) {
    Map<DateOrder, List<Order>> settled = new EnumMap<>(DateOrder.class);
    if (column >= 0) {
      for (CsvTable.Row row : table.data()) {
        String cell = row.cells().get(column);
        onlyOrderOf(cell)
            .ifPresent(order ->
                settled
                    .computeIfAbsent(order, o -> new ArrayList<>())
                    .add(new Order(order, true, cell, row.line())));
      }
    }
    return settled.values().stream()
        .max(
            Comparator.comparingInt((List<Order> votes) -> votes.size())
                .thenComparing(votes -> -votes.getFirst().order().ordinal()))
        .map(List::getFirst)
        .orElse(new Order(DateOrder.DAY_MONTH_YEAR, false, "", 0));
  }

  /** The order of a date that allows only one; empty for 04/09/2026. */
  private static Optional<DateOrder> onlyOrderOf(String cell) {
    Matcher date = CellKinds.DATE.matcher(cell);
    boolean parts = date.matches();
    boolean yearFirst = parts && date.group(1).length() == 4;
    if (CellKinds.COMPACT_DATE.matcher(cell).matches() || yearFirst) {
      return Optional.of(DateOrder.YEAR_MONTH_DAY);
    }
    if (parts && Integer.parseInt(date.group(1)) > 12) {
      return Optional.of(DateOrder.DAY_MONTH_YEAR);
    }
    if (parts && Integer.parseInt(date.group(2)) > 12) {
      return Optional.of(DateOrder.MONTH_DAY_YEAR);
    }
    return Optional.empty();
  }

  private static DecimalMark decimalMark(CsvTable table, List<Meaning> meanings) {
    long commas = 0;
    long points = 0;
    for (int i = 0; i < meanings.size(); i++) {
      Meaning meaning = meanings.get(i);
      if (meaning == Meaning.AMOUNT
          || meaning == Meaning.IN
          || meaning == Meaning.OUT
          || meaning == Meaning.BALANCE) {
        commas += table.column(i).stream().filter(c -> c.matches(".*,\\d{1,2}\\D*")).count();
        points += table.column(i).stream().filter(c -> c.matches(".*\\.\\d{1,2}\\D*")).count();
      }
    }
    return commas > points ? DecimalMark.COMMA : DecimalMark.POINT;
  }
}
