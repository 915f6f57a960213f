package org.yewledger.core.report;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.money.Amount;

/**
 * Amounts by what they have in common, over spans of months.
 *
 * @param rows the greatest first, whichever way
 * @param sums of the rows, one for each column
 */
public record Breakdown(List<Row> rows, List<Amount> sums) {
  /** What the rows of a breakdown are. */
  public enum By {
    CATEGORY,
    PAYEE,
    /** An entry with two tags stands in both. */
    TAG,
    /** The accounts that money came to and went from. */
    ACCOUNT,
    /** Card, cheque, cash, transfer, direct debit. */
    METHOD;

    /** Whether an amount stands in one row only, so that the rows add up to all there is. */
    public boolean isApart() {
      return this != TAG;
    }
  }

  /** What is added up. */
  public enum Measure {
    /** Expenses; of accounts what went out. */
    SPENT,
    /** Income; of accounts what came in. */
    EARNED,
    /** Income less expenses; of accounts what came in less what went out. */
    RESULT
  }

  /**
   * What has one thing in common within a month.
   *
   * @param key of the thing, empty where there is none
   * @param name of it, for a person
   */
  public record Part(String key, String name, YearMonth month, Amount earned, Amount spent) {
    Amount of(Measure measure) {
      return switch (measure) {
        case SPENT -> spent;
        case EARNED -> earned;
        case RESULT -> earned.minus(spent);
      };
    }
  }

  /** One thing, with one amount for each column. */
  public record Row(String key, String name, List<Amount> amounts) {
    public Amount total() {
      return amounts.stream().reduce(Amount::plus).orElseThrow();
    }
  }

  /**
   * Things without anything in any of the columns are left out.
   *
   * @param base the currency of all amounts
   * @param spans one for each column, one at least
   */
  public static Breakdown of(
      CurrencyUnit base, List<Span> spans, Measure measure, List<Part> parts) {
    Map<String, List<Part>> byKey = new LinkedHashMap<>();
    parts.forEach(part -> byKey.computeIfAbsent(part.key(), k -> new ArrayList<>()).add(part));
    List<Row> rows =
        byKey.values().stream()
            .map(own -> row(base, spans, measure, own))
            .filter(row -> row.amounts().stream().anyMatch(amount -> !amount.isZero()))
            .sorted(
                Comparator.comparing((Row row) -> row.total().size())
                    .reversed()
                    .thenComparing(Row::name))
            .toList();
    List<Amount> sums =
        IntStream.range(0, spans.size())
            .mapToObj(
                i -> Amount.sum(base, rows.stream().map(row -> row.amounts().get(i)).toList()))
            .toList();
    return new Breakdown(rows, sums);
  }

  /** Whether its rows are parts of a whole: there is one, and none of them takes from it. */
  public boolean isWhole() {
    return total().sign() > 0 && rows.stream().noneMatch(row -> row.total().sign() < 0);
  }

  /** The part of a row in the whole, in tenths of a percent, rounded down; 0 without a whole. */
  public int share(Row row) {
    return Share.inTenths(row.total(), total());
  }

  /** What all of it comes to, over all columns. */
  public Amount total() {
    return sums.stream().reduce(Amount::plus).orElseThrow();
  }

  /**
   * What a drawing shows of a breakdown: few rows can be told apart. It leaves nothing out: its
   * rows and the rest add up to the sums.
   *
   * @param rows the greatest
   * @param others how many more there are, and {@code rest} what they come to; it has no name
   */
  public record Drawn(List<Row> rows, int others, Row rest) {}

  /**
   * @param most how many rows are drawn at most, the rest among them; one alone is no rest
   */
  public Drawn drawn(int most) {
    List<Row> greatest = rows.size() <= most ? rows : rows.subList(0, most - 1);
    List<Amount> rest =
        IntStream.range(0, sums.size())
            .mapToObj(i ->
                greatest.stream()
                    .map(row -> row.amounts().get(i))
                    .reduce(sums.get(i), Amount::minus))
            .toList();
    return new Drawn(greatest, rows.size() - greatest.size(), new Row("", "", rest));
  }

  private static Row row(CurrencyUnit base, List<Span> spans, Measure measure, List<Part> own) {
    List<Amount> amounts =
        spans.stream()
            .map(span ->
                Amount.sum(
                    base,
                    own.stream()
                        .filter(part -> span.contains(part.month()))
                        .map(part -> part.of(measure))
                        .toList()))
            .toList();
    return new Row(own.getFirst().key(), own.getFirst().name(), amounts);
  }
}
