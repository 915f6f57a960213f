package org.yewledger.formats.table;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.table.TableLayout.DecimalMark;

/** The decimal mark of columns of amounts. */
final class AmountCells {
  private static final int NOISE_BEHIND = 6;

  private AmountCells() {}

  /**
   * @param certain whether the amounts allow this mark only, or none has a mark at all
   */
  record SettledMark(DecimalMark mark, boolean certain) {}

  /** {@link AmountText#plain} of a cell; null too if the cell is no amount. */
  static @Nullable String plain(String cell, DecimalMark mark) {
    return AmountText.of(cell).map(amount -> amount.plain(mark)).orElse(null);
  }

  /**
   * Spreadsheets keep binary fractions: 12.1 may be written as 12.100000000000001. What stands
   * behind the sixth decimal is noise.
   */
  static BigDecimal withoutNoise(BigDecimal number) {
    return number.scale() > NOISE_BEHIND
        ? number.setScale(NOISE_BEHIND, RoundingMode.HALF_EVEN).stripTrailingZeros()
        : number;
  }

  /**
   * 1.234 alone may be a thousand or a little more than one. Another amount may settle it, or the
   * currency: where one has two decimals, three digits behind a mark are thousands.
   *
   * @param currency null if it is not known yet
   */
  static SettledMark settle(List<String> cells, @Nullable CurrencyUnit currency) {
    List<AmountText> amounts =
        cells.stream().map(AmountText::of).flatMap(Optional::stream).toList();
    long commas = count(amounts, DecimalMark.COMMA);
    long points = count(amounts, DecimalMark.POINT);
    if (commas != points) {
      return new SettledMark(commas > points ? DecimalMark.COMMA : DecimalMark.POINT, true);
    }
    boolean hasPoints = amounts.stream().anyMatch(a -> a.digits().indexOf('.') >= 0);
    boolean hasCommas = amounts.stream().anyMatch(a -> a.digits().indexOf(',') >= 0);
    boolean byCurrency =
        currency != null && currency.getDecimalPlaces() < 3 && hasPoints != hasCommas;
    return new SettledMark(
        hasPoints && !hasCommas ? DecimalMark.COMMA : DecimalMark.POINT,
        commas == 0 && (byCurrency || !hasPoints && !hasCommas));
  }

  /** The amounts that allow this mark and not the other one. */
  private static long count(List<AmountText> amounts, DecimalMark mark) {
    DecimalMark other = mark == DecimalMark.COMMA ? DecimalMark.POINT : DecimalMark.COMMA;
    return amounts.stream().filter(a -> a.plain(mark) != null && a.plain(other) == null).count();
  }
}
