package org.yewledger.formats.table;

import java.util.List;
import java.util.stream.IntStream;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

/**
 * A proposed layout for a table, from the names of its columns and from what stands in them.
 *
 * @param dateOrderCertain whether the dates of the file allow only this order
 * @param dateEvidence the cell that settles the order, empty if none does by itself
 * @param dateEvidenceLine its line in the file; 0 if none
 * @param decimalMarkCertain whether the amounts of the file allow only this mark
 */
public record TableDetection(
    TableLayout layout,
    boolean dateOrderCertain,
    String dateEvidence,
    int dateEvidenceLine,
    boolean decimalMarkCertain) {

  public static TableDetection of(Table table) {
    List<String> figures =
        IntStream.range(0, table.header().size())
            .mapToObj(table::column)
            .filter(ColumnMeanings::isFigures)
            .flatMap(List::stream)
            .toList();
    AmountCells.SettledMark mark = AmountCells.settle(figures);
    List<Meaning> meanings = new ColumnMeanings(table, mark.mark()).meanings();
    int dates = meanings.indexOf(Meaning.BOOKED_ON);
    var order =
        dates < 0
            ? new DateOrders.Settled(DateOrder.DAY_MONTH_YEAR, true, "", 0)
            : DateOrders.settle(table.data(), dates);
    var layout =
        new TableLayout(meanings, order.order(), mark.mark(), sign(table, meanings, mark.mark()));
    return new TableDetection(
        layout, order.certain(), order.evidence(), order.line(), mark.certain());
  }

  /** Where the balance only runs on with the amounts turned round, money out has no minus. */
  private static Sign sign(Table table, List<Meaning> meanings, DecimalMark mark) {
    int amount = meanings.indexOf(Meaning.AMOUNT);
    int balance = meanings.indexOf(Meaning.BALANCE);
    if (amount < 0 || balance < 0 || meanings.contains(Meaning.MARK)) {
      return Sign.OUT_IS_NEGATIVE;
    }
    var runs = new BalanceColumn(table.column(amount), table.column(balance), mark);
    return !runs.runsOn(1) && runs.runsOn(-1) ? Sign.OUT_IS_POSITIVE : Sign.OUT_IS_NEGATIVE;
  }
}
