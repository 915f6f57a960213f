package org.yewledger.formats.table;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.gather.Discrepancy;
import org.yewledger.core.gather.RunningBalance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.table.TableLayout.Meaning;
import org.yewledger.formats.table.TableLayout.Sign;

/** Reads the rows of a table as bank lines, once a layout says what its columns mean. */
public final class TableStatementReader {
  private final Table table;
  private final TableLayout layout;
  private final CurrencyUnit currency;
  private final WrittenCells cells;

  private TableStatementReader(Table table, TableLayout layout, CurrencyUnit currency) {
    this.table = table;
    this.layout = layout;
    this.currency = currency;
    this.cells = new WrittenCells(table.header(), layout.dateOrder(), layout.decimalMark());
  }

  /**
   * @param currency that of the account: tables rarely name one
   * @return the statement; its closing balance is that of the latest row, if a column has balances
   * @throws UnreadableFile with the line and the column's name, at the first cell that does not fit
   */
  public static TableStatement read(Table table, TableLayout layout, CurrencyUnit currency) {
    if (layout.meanings().size() != table.header().size()) {
      throw UnreadableFile.whole(
          "The layout has %d columns, the file has %d."
              .formatted(layout.meanings().size(), table.header().size()));
    }
    List<String> problems = layout.problems();
    if (!problems.isEmpty()) {
      throw UnreadableFile.whole(String.join(" ", problems));
    }
    return new TableStatementReader(table, layout, currency).statement();
  }

  private record Dated(BankLine line, @Nullable Long balance) {}

  private TableStatement statement() {
    var rows = new ArrayList<Dated>();
    var others = new ArrayList<Table.Row>();
    for (Table.Row row : table.data()) {
      if (!isLine(row)) {
        others.add(row);
        continue;
      }
      requireOwnCurrency(row);
      String balance = text(row, Meaning.BALANCE);
      rows.add(new Dated(line(row), balance.isEmpty() ? null : amount(row, Meaning.BALANCE)));
    }
    if (rows.isEmpty() && !others.isEmpty()) {
      date(others.getFirst(), Meaning.BOOKED_ON);
      throw UnreadableFile.at(others.getFirst().line(), "no row has both a date and an amount.");
    }
    String number = accountNumber();
    List<RunningBalance.Break> breaks = breaks(rows);
    if (isNewestFirst(rows, breaks.size())) {
      Collections.reverse(rows);
      breaks = breaks(rows);
    }
    var statement =
        new BankStatement(
            number,
            currency,
            rows.stream().map(Dated::line).toList(),
            closing(rows),
            opening(rows),
            null,
            null,
            discrepancies(rows, breaks));
    return new TableStatement(statement, breaks, others);
  }

  /**
   * A row without a date is no line, and neither is one without an amount: a total, a balance
   * carried forward, a remark. What seems meant as a date is not passed over.
   */
  private boolean isLine(Table.Row row) {
    return CellKinds.isMeantAsDate(text(row, Meaning.BOOKED_ON))
        && Stream.of(Meaning.AMOUNT, Meaning.IN, Meaning.OUT)
            .anyMatch(m -> !text(row, m).isEmpty());
  }

  private static List<Discrepancy> discrepancies(
      List<Dated> rows, List<RunningBalance.Break> breaks) {
    return breaks.stream()
        .map(b ->
            new Discrepancy.OfFigure(
                Discrepancy.Kind.BALANCE,
                rows.get(b.index()).line().bookedOn(),
                rows.get(b.index()).line().sourceLine(),
                b.runsOnTo(),
                b.said()))
        .collect(Collectors.toUnmodifiableList());
  }

  private List<RunningBalance.Break> breaks(List<Dated> rows) {
    return RunningBalance.breaks(
        currency,
        rows.stream().map(r -> r.line().amountMinor()).toList(),
        rows.stream().<@Nullable Long>map(Dated::balance).toList());
  }

  /** By the days; within a single day by the order in which the balance runs on. */
  private boolean isNewestFirst(List<Dated> rows, int breaksAsTheyStand) {
    if (rows.size() < 2) {
      return false;
    }
    int order = rows.getFirst().line().bookedOn().compareTo(rows.getLast().line().bookedOn());
    return order > 0 || order == 0 && breaksAsTheyStand > breaks(rows.reversed()).size();
  }

  private @Nullable Balance closing(List<Dated> rows) {
    if (rows.isEmpty()) {
      return null;
    }
    Dated last = rows.getLast();
    return last.balance() == null
        ? null
        : new Balance(last.line().bookedOn(), Amount.ofMinor(last.balance(), currency));
  }

  /** The balance before the first line, where that line has one after it. */
  private @Nullable Amount opening(List<Dated> rows) {
    Long after = rows.isEmpty() ? null : rows.getFirst().balance();
    return after == null
        ? null
        : Amount.ofMinor(after - rows.getFirst().line().amountMinor(), currency);
  }

  private BankLine line(Table.Row row) {
    String valueOn = text(row, Meaning.VALUE_ON);
    return new BankLine(
        date(row, Meaning.BOOKED_ON),
        valueOn.isEmpty() ? null : date(row, Meaning.VALUE_ON),
        lineAmount(row),
        text(row, Meaning.PAYEE),
        memo(row),
        text(row, Meaning.REFERENCE),
        text(row, Meaning.TYPE),
        null,
        String.join(String.valueOf(table.separator()), row.cells()),
        row.line());
  }

  private long lineAmount(Table.Row row) {
    if (layout.has(Meaning.AMOUNT)) {
      long amount = amount(row, Meaning.AMOUNT);
      if (layout.has(Meaning.MARK)) {
        return isOut(row) ? -Math.abs(amount) : Math.abs(amount);
      }
      return layout.sign() == Sign.OUT_IS_POSITIVE ? -amount : amount;
    }
    boolean in = isGiven(row, Meaning.IN);
    boolean out = isGiven(row, Meaning.OUT);
    if (in == out) {
      throw UnreadableFile.at(
          row.line(),
          in
              ? "both money in and money out are given."
              : "neither money in nor money out is given.");
    }
    return in ? Math.abs(amount(row, Meaning.IN)) : -Math.abs(amount(row, Meaning.OUT));
  }

  /** Some banks write 0,00 where there is nothing. */
  private boolean isGiven(Table.Row row, Meaning meaning) {
    return !text(row, meaning).isEmpty() && amount(row, meaning) != 0;
  }

  private boolean isOut(Table.Row row) {
    String mark = text(row, Meaning.MARK);
    Optional<Boolean> out = DebitCreditMark.isOut(mark);
    return out.orElseThrow(() ->
        UnreadableFile.at(
            row.line(),
            columnName(Meaning.MARK),
            mark.isEmpty()
                ? "the mark for debit or credit is missing."
                : Excerpt.of(mark) + " is no mark for debit or credit."));
  }

  private long amount(Table.Row row, Meaning meaning) {
    String cell = text(row, meaning);
    Optional<AmountText> amount = AmountText.of(cell);
    if (amount.isPresent() && !amount.get().mayBeIn(currency)) {
      throw UnreadableFile.at(
          row.line(),
          columnName(meaning),
          "%s is not in %s, the currency of the account.".formatted(Excerpt.of(cell), currency));
    }
    return DecimalText.toMinor(
        cells.number(row, layout.indexOf(meaning)),
        cell,
        currency,
        row.line(),
        columnName(meaning));
  }

  private LocalDate date(Table.Row row, Meaning meaning) {
    return cells.date(row, layout.indexOf(meaning));
  }

  private void requireOwnCurrency(Table.Row row) {
    String code = text(row, Meaning.CURRENCY);
    if (!code.isEmpty() && !code.equalsIgnoreCase(currency.getCode())) {
      throw UnreadableFile.at(
          row.line(),
          columnName(Meaning.CURRENCY),
          "the row is in %s, the account in %s.".formatted(Excerpt.of(code), currency));
    }
  }

  /**
   * The number in the column for it, which is the same in every row; else one from the preamble.
   */
  private String accountNumber() {
    String number = "";
    for (Table.Row row : table.data()) {
      String here = text(row, Meaning.ACCOUNT);
      if (!number.isEmpty() && !here.isEmpty() && !here.equals(number)) {
        throw UnreadableFile.at(
            row.line(),
            columnName(Meaning.ACCOUNT),
            "the row is of account %s, the rows above are of %s. Export one account at a time."
                .formatted(Excerpt.of(here), Excerpt.of(number)));
      }
      number = here.isEmpty() ? number : here;
    }
    return number.isEmpty() ? table.numberAbove() : number.replaceAll("[ .\\-]", "");
  }

  /** Text may be spread over several columns; they are joined in their order. */
  private String memo(Table.Row row) {
    return IntStream.range(0, layout.meanings().size())
        .filter(i -> layout.meanings().get(i) == Meaning.MEMO)
        .mapToObj(i -> row.cells().get(i))
        .filter(cell -> !cell.isEmpty())
        .collect(Collectors.joining(" "));
  }

  private String text(Table.Row row, Meaning meaning) {
    int index = layout.indexOf(meaning);
    return index < 0 ? "" : row.cells().get(index);
  }

  private String columnName(Meaning meaning) {
    return table.header().get(layout.indexOf(meaning));
  }
}
