package org.yewledger.core.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.TaxReturn.Line;

/**
 * The sales tax of a period by rates, and what earlier periods have become since they were
 * returned.
 *
 * @param lines one for each rate, in the order of their dues
 * @param corrections of earlier periods, by period and rate; nothing where they stayed as returned
 * @param due of the lines and the corrections together
 */
public record SalesTaxReport(Span span, List<Line> lines, List<Line> corrections, Amount due) {
  public SalesTaxReport {
    lines = List.copyOf(lines);
    corrections = List.copyOf(corrections);
  }

  /**
   * @param now what the books say by now of the period, and of all earlier ones that were returned
   * @param returns of the book, in any order
   */
  public static SalesTaxReport of(
      CurrencyUnit base, Span span, Map<Span, List<TaxedTotals>> now, List<TaxReturn> returns) {
    List<Line> lines =
        lines(base, span, now.getOrDefault(span, List.of())).values().stream()
            .sorted(Comparator.comparing((Line line) -> line.due().size()).reversed())
            .toList();
    List<Line> corrections = new ArrayList<>();
    returns.stream()
        .map(TaxReturn::span)
        .filter(earlier -> earlier.last().isBefore(span.first()))
        .sorted(Comparator.comparing(Span::first))
        .forEach(earlier ->
            corrections.addAll(
                sinceReturned(base, earlier, now.getOrDefault(earlier, List.of()), returns)));
    Amount due =
        Amount.sum(base, lines.stream().map(Line::due).toList())
            .plus(Amount.sum(base, corrections.stream().map(Line::due).toList()));
    return new SalesTaxReport(span, lines, corrections, due);
  }

  /**
   * What the books say of a period beyond what was returned of it, by itself and as corrections
   * later.
   */
  public static List<Line> sinceReturned(
      CurrencyUnit base, Span about, List<TaxedTotals> now, List<TaxReturn> returns) {
    Map<UUID, Line> left = lines(base, about, now);
    returns.stream()
        .flatMap(one -> one.lines().stream())
        .filter(line -> line.about().equals(about))
        .forEach(line ->
            left.put(
                line.rateId(),
                left.getOrDefault(line.rateId(), Line.none(about, line.rateId(), base))
                    .minus(line)));
    return left.values().stream().filter(line -> !line.isNothing()).toList();
  }

  private static Map<UUID, Line> lines(CurrencyUnit base, Span about, List<TaxedTotals> totals) {
    Map<UUID, Line> lines = new LinkedHashMap<>();
    for (TaxedTotals one : totals) {
      Line known = lines.getOrDefault(one.rateId(), Line.none(about, one.rateId(), base));
      lines.put(one.rateId(), known.plus(line(base, about, one)));
    }
    lines.values().removeIf(Line::isNothing);
    return lines;
  }

  private static Line line(CurrencyUnit base, Span about, TaxedTotals one) {
    Amount zero = Amount.zero(base);
    return switch (one.category().accountClass()) {
      case INCOME ->
          new Line(about, one.rateId(), one.net().negated(), one.tax().negated(), zero, zero);
      case EXPENSE -> new Line(about, one.rateId(), zero, zero, one.net(), one.tax());
      // Tax that stands by itself: nothing says of what, but only the way it goes.
      default ->
          new Line(about, one.rateId(), zero, one.tax().ifBelow(), zero, one.tax().ifAbove());
    };
  }
}
