package org.yewledger.core.report;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.IncomeStatement.Section;

/**
 * Income and expenses by the lines of a yearly tax form that their categories belong to. It comes
 * to the same result as the income statement.
 *
 * @param lines those of income first, by their names
 * @param results one for each column
 */
public record TaxForm(List<Line> lines, List<Amount> results) {
  /**
   * A line of the form.
   *
   * @param name as the household wrote it; empty for categories that belong to none yet
   * @param of whether it is of income or of expenses
   */
  public record Line(String name, AccountClass of, Section section) {}

  /**
   * @param lineOf the line that a category belongs to, by its account; those without are missing
   */
  public static TaxForm of(
      CurrencyUnit base, List<Span> spans, List<AccountTotals> totals, Map<UUID, String> lineOf) {
    List<Line> lines = new ArrayList<>();
    for (AccountClass of : List.of(AccountClass.INCOME, AccountClass.EXPENSE)) {
      Map<String, List<AccountTotals>> byLine =
          totals.stream()
              .filter(t -> t.account().accountClass() == of)
              .collect(Collectors.groupingBy(t -> lineOf.getOrDefault(t.account().id(), "")));
      byLine.forEach((name, own) ->
          lines.add(new Line(name, of, Section.of(base, spans, own, of == AccountClass.INCOME))));
    }
    lines.removeIf(line -> line.section().rows().isEmpty());
    lines.sort(
        Comparator.comparing(Line::of)
            .thenComparing(line -> line.name().isEmpty())
            .thenComparing(Line::name, TaxForm::inOrder));
    return new TaxForm(List.copyOf(lines), IncomeStatement.of(base, spans, totals).results());
  }

  /** Numbers as numbers, so that line 9 stands before line 10. */
  private static int inOrder(String one, String other) {
    String[] mine = one.split("(?<=\\D)(?=\\d)|(?<=\\d)(?=\\D)");
    String[] its = other.split("(?<=\\D)(?=\\d)|(?<=\\d)(?=\\D)");
    for (int i = 0; i < Math.min(mine.length, its.length); i++) {
      int order = partsInOrder(mine[i], its[i]);
      if (order != 0) {
        return order;
      }
    }
    return Integer.compare(mine.length, its.length);
  }

  private static int partsInOrder(String one, String other) {
    boolean numbers = one.matches("\\d+") && other.matches("\\d+");
    if (numbers && one.length() != other.length()) {
      return Integer.compare(one.length(), other.length());
    }
    return one.compareToIgnoreCase(other);
  }
}
