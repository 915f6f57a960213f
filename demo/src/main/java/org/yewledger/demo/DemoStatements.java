package org.yewledger.demo;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;
import org.yewledger.demo.AldercottChart.ChartAccount;
import org.yewledger.demo.Happening.Line;

/** What the banks would send: each account's lines and closing balance of a month. */
public final class DemoStatements {
  private final List<Happening> happenings;

  public DemoStatements(List<Happening> happenings) {
    this.happenings = happenings;
  }

  /** The lines of an account in a month, by day. */
  public List<Line> lines(String account, YearMonth month) {
    return allLines(account).filter(l -> YearMonth.from(l.day()).equals(month)).toList();
  }

  /** The account's balance at the end of a day as its bank would state it. */
  public Amount balance(ChartAccount account, LocalDate day) {
    long lines =
        allLines(account.name())
            .filter(l -> !l.day().isAfter(day))
            .mapToLong(Line::amountMinor)
            .sum();
    // A loan sends no lines: its balance moves with what is repaid from elsewhere.
    long repaid =
        happenings.stream()
            .filter(h -> h.twin().isEmpty() && !h.line().day().isAfter(day))
            .flatMap(h -> h.shares().stream())
            .filter(s -> s.account().equals(account.name()))
            .mapToLong(s -> -s.amountMinor())
            .sum();
    return Amount.ofMinor(account.openingMinor() + lines + repaid, account.currency());
  }

  /** One account's month as a statement with bank lines. */
  public BankStatement statement(ChartAccount account, YearMonth month) {
    List<Line> lines = lines(account.name(), month);
    var bankLines = new ArrayList<BankLine>();
    for (int i = 0; i < lines.size(); i++) {
      bankLines.add(bankLine(account, lines.get(i), i));
    }
    LocalDate end = month.atEndOfMonth();
    return new BankStatement(
        "NL00DEMO00" + account.tail(),
        account.currency(),
        bankLines,
        new Balance(end, balance(account, end)));
  }

  private static BankLine bankLine(ChartAccount account, Line line, int index) {
    String identity =
        "%s-%s-%03d".formatted(account.tail(), line.day().toString().replace("-", ""), index + 1);
    String raw =
        "%s %s %s %s".formatted(line.day(), line.name(), line.memo(), line.reference()).strip();
    return new BankLine(
        line.day(),
        null,
        line.amountMinor(),
        line.name(),
        line.memo(),
        line.reference(),
        line.type(),
        identity,
        raw,
        index + 1);
  }

  private Stream<Line> allLines(String account) {
    return happenings.stream()
        .flatMap(h -> Stream.concat(Stream.of(h.line()), h.twin().stream()))
        .filter(l -> l.account().equals(account))
        .sorted(Comparator.comparing(Line::day));
  }
}
