package org.yewledger.formats.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.yewledger.core.sheet.SheetSign;
import org.yewledger.formats.table.EntryTableLayout.Column;

/**
 * A proposed layout for a person's own sheet, from the names of its columns and from what stands in
 * them.
 *
 * @param dateOrderCertain whether the dates of the file allow only this order
 * @param dateEvidence the cell that settles the order, empty if none does by itself
 * @param dateEvidenceLine its line in the file; 0 if none
 * @param decimalMarkCertain whether the amounts of the file allow only this mark
 * @param signCertain whether the file shows how money out is told from money in
 */
public record EntryTableDetection(
    EntryTableLayout layout,
    boolean dateOrderCertain,
    String dateEvidence,
    int dateEvidenceLine,
    boolean decimalMarkCertain,
    boolean signCertain) {

  /** Words that begin the names of columns; earlier ones go before later ones. */
  private record Named(Column column, List<String> words) {
    Named(Column column, String... words) {
      this(column, List.of(words));
    }

    boolean fits(String header) {
      List<String> said = List.of(header.toLowerCase(Locale.ROOT).split("[^\\p{L}]+"));
      return words.stream()
          .anyMatch(
              w -> said.stream().anyMatch(s -> w.length() <= 3 ? s.equals(w) : s.startsWith(w)));
    }
  }

  private static final List<Named> NAMES =
      List.of(
          new Named(Column.DATE, "date", "day", "when", "datum"),
          new Named(Column.TAX, "tax", "vat", "rate"),
          new Named(Column.CATEGORY, "category", "categories", "budget", "purpose", "for"),
          new Named(Column.ACCOUNT, "account", "paid", "from", "card", "wallet"),
          new Named(Column.PAYEE, "payee", "who", "whom", "shop", "store", "name", "party"),
          new Named(Column.OUT, "out", "spent", "expense", "debit", "withdrawal"),
          new Named(Column.IN, "in", "received", "income", "credit", "deposit"),
          new Named(Column.AMOUNT, "amount", "sum", "price", "total", "value"),
          new Named(Column.CURRENCY, "currency", "ccy", "cur"),
          new Named(Column.TAGS, "tags", "tag", "labels", "label"),
          new Named(Column.NOTE, "note", "notes", "memo", "comment", "remark", "text", "what"),
          new Named(Column.NOTE, "description", "detail"));

  public static EntryTableDetection of(Table whole) {
    Table table = whole.ofLines();
    AmountCells.SettledMark mark = AmountCells.settle(table.figures(), null);
    List<Column> meanings = meanings(table);
    int dates = meanings.indexOf(Column.DATE);
    DateOrders.Settled order = DateOrders.settle(table.data(), dates);
    boolean signs = showsSigns(table, meanings);
    return new EntryTableDetection(
        new EntryTableLayout(
            meanings,
            order.order(),
            mark.mark(),
            signs ? SheetSign.OUT_IS_NEGATIVE : SheetSign.BY_CATEGORY),
        order.certain(),
        order.evidence(),
        order.line(),
        mark.certain(),
        signs || !meanings.contains(Column.AMOUNT));
  }

  private static List<Column> meanings(Table table) {
    var meanings = new Column[table.header().size()];
    Arrays.fill(meanings, Column.IGNORE);
    for (Named named : NAMES) {
      for (int i = 0; i < meanings.length; i++) {
        boolean isFree =
            named.column() == Column.NOTE || !List.of(meanings).contains(named.column());
        if (meanings[i] == Column.IGNORE
            && isFree
            && named.fits(table.header().get(i))
            && fitsData(table.column(i), named.column())) {
          meanings[i] = named.column();
        }
      }
    }
    amountsInOneOrTwo(meanings);
    fillFromData(table, meanings);
    return List.of(meanings);
  }

  /** Amounts stand in one column, or in two, for money in and out: never in both ways. */
  private static void amountsInOneOrTwo(Column[] meanings) {
    List<Column> named = List.of(meanings);
    if (!named.contains(Column.AMOUNT)) {
      return;
    }
    boolean two = named.contains(Column.IN) && named.contains(Column.OUT);
    for (int i = 0; i < meanings.length; i++) {
      boolean isOne = meanings[i] == Column.AMOUNT;
      boolean isOfTwo = meanings[i] == Column.IN || meanings[i] == Column.OUT;
      if (two ? isOne : isOfTwo) {
        meanings[i] = Column.IGNORE;
      }
    }
  }

  /** Names that say nothing: what stands in the columns decides. */
  private static void fillFromData(Table table, Column[] meanings) {
    List<Column> named = new ArrayList<>(List.of(meanings));
    if (!named.contains(Column.DATE)) {
      firstFitting(table, meanings, Column.DATE);
    }
    if (!named.contains(Column.AMOUNT)
        && !named.contains(Column.IN)
        && !named.contains(Column.OUT)) {
      firstFitting(table, meanings, Column.AMOUNT);
    }
  }

  private static void firstFitting(Table table, Column[] meanings, Column wanted) {
    IntStream.range(0, meanings.length)
        .filter(i -> meanings[i] == Column.IGNORE && fitsData(table.column(i), wanted))
        .filter(i -> wanted == Column.DATE || ColumnMeanings.isFigures(table.column(i)))
        .findFirst()
        .ifPresent(i -> meanings[i] = wanted);
  }

  private static boolean fitsData(List<String> cells, Column column) {
    List<String> filled = cells.stream().filter(cell -> !cell.isEmpty()).toList();
    return switch (column) {
      case DATE -> filled.stream().anyMatch(CellKinds::isDate);
      // One bad cell makes no other column of it: its row is told.
      case AMOUNT, IN, OUT -> filled.isEmpty() || filled.stream().anyMatch(CellKinds::isAmount);
      case PAYEE, CATEGORY, ACCOUNT, CURRENCY, TAGS, NOTE ->
          filled.isEmpty() || !filled.stream().allMatch(CellKinds::isDateOrAmount);
      case TAX, IGNORE -> true;
    };
  }

  /**
   * Amounts that all stand without a minus show nothing, and neither do those that all have one.
   */
  private static boolean showsSigns(Table table, List<Column> meanings) {
    int amount = meanings.indexOf(Column.AMOUNT);
    if (amount < 0) {
      return true;
    }
    List<AmountText> amounts =
        table.column(amount).stream().map(AmountText::of).flatMap(Optional::stream).toList();
    long below = amounts.stream().filter(AmountText::isNegative).count();
    return below > 0 && below * 2 > amounts.size();
  }
}
