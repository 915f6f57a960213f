package org.yewledger.formats.table;

import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

/**
 * A proposed layout for a table, from the names of its columns and from what stands in them.
 *
 * @param dateOrderCertain whether the dates of the file allow only this order
 * @param dateEvidence the cell that settles the order, empty if none does by itself
 * @param dateEvidenceLine its line in the file; 0 if none
 * @param decimalMarkCertain whether the amounts of the file allow only this mark
 * @param signCertain whether the file shows how money out is told from money in; amounts that all
 *     stand without a minus show nothing, unless a balance runs on with them
 */
public record TableDetection(
    TableLayout layout,
    boolean dateOrderCertain,
    String dateEvidence,
    int dateEvidenceLine,
    boolean decimalMarkCertain,
    boolean signCertain) {

  /** Finds out what can be found out before it is known in which currency the account is. */
  public static TableDetection of(Table table) {
    return of(table, null);
  }

  /**
   * @param currency that of the account, which may settle how amounts are written; null if it is
   *     not known yet
   */
  public static TableDetection of(Table whole, @Nullable CurrencyUnit currency) {
    Table table = whole.ofLines();
    AmountCells.SettledMark mark = AmountCells.settle(table.figures(), currency);
    List<Meaning> meanings = new ColumnMeanings(table, mark.mark()).meanings();
    int dates = meanings.indexOf(Meaning.BOOKED_ON);
    DateOrders.Settled order = DateOrders.settle(table.data(), dates);
    var runs = BalanceColumn.of(table, meanings, mark.mark());
    // Where the balance only runs on with the amounts turned round, money out has no minus.
    Sign sign =
        runs != null && !runs.runsOn(1) && runs.runsOn(-1)
            ? Sign.OUT_IS_POSITIVE
            : Sign.OUT_IS_NEGATIVE;
    return new TableDetection(
        new TableLayout(meanings, order.order(), mark.mark(), sign),
        order.certain(),
        order.evidence(),
        order.line(),
        mark.certain(),
        isSignCertain(table, meanings, runs));
  }

  private static boolean isSignCertain(
      Table table, List<Meaning> meanings, @Nullable BalanceColumn runs) {
    int amount = meanings.indexOf(Meaning.AMOUNT);
    return amount < 0
        || meanings.contains(Meaning.MARK)
        || table.data().isEmpty()
        || runs != null && (runs.runsOn(1) || runs.runsOn(-1))
        || table.column(amount).stream()
            .anyMatch(cell -> AmountText.of(cell).filter(AmountText::isNegative).isPresent());
  }
}
