package org.yewledger.core.chart;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.IllegalCurrencyException;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;

/**
 * What a table of accounts would bring into a book: new accounts, and opening balances of new and
 * known ones.
 *
 * @param accounts in an order in which each group stands before what is in it
 */
public record ChartPlan(List<Planned> accounts) {
  private static final String GROUP = " group";

  /**
   * @param known the account of that name that is there already; null for a new one
   * @param group the name of the group that it stands in; empty at the top
   * @param opening its opening balance, in its currency; null where nothing is said
   */
  public record Planned(
      ChartRow row,
      @Nullable Account known,
      AccountKind kind,
      boolean isGroup,
      String group,
      CurrencyUnit currency,
      @Nullable LocalDate opensOn,
      @Nullable Amount opening) {}

  /**
   * Checks all rows against each other and against what the book has.
   *
   * @param existing the accounts of the book
   * @throws BadRows with every problem of every row
   */
  public static ChartPlan of(List<ChartRow> rows, Book book, List<Account> existing) {
    var reading = new Reading(book, existing);
    rows.forEach(reading::read);
    reading.requireGroups();
    if (!reading.problems.isEmpty()) {
      throw new BadRows(reading.problems);
    }
    return new ChartPlan(reading.groupsFirst());
  }

  /** How a kind is written in a table. */
  public static String written(AccountKind kind, boolean group) {
    return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ') + (group ? GROUP : "");
  }

  /** The rows read so far, and what is wrong with them. */
  private static final class Reading {
    private final Book book;
    private final Map<String, Account> existing = new HashMap<>();
    private final Map<String, Planned> planned = new LinkedHashMap<>();
    private final List<BadRows.Problem> problems = new ArrayList<>();

    Reading(Book book, List<Account> existing) {
      this.book = book;
      existing.forEach(a -> this.existing.put(key(a.name()), a));
    }

    void read(ChartRow row) {
      String key = key(row.name());
      if (key.isEmpty()) {
        wrong(row, "name", "the name is missing.");
        return;
      }
      if (planned.containsKey(key)) {
        wrong(row, "name", "%s stands in the table twice.".formatted(row.name()));
        return;
      }
      Account known = existing.get(key);
      boolean group = row.kind().strip().toLowerCase(Locale.ROOT).endsWith(GROUP);
      AccountKind kind = kind(row, known);
      CurrencyUnit currency = currency(row, known);
      LocalDate opensOn = opensOn(row);
      Amount opening = opening(row, currency, opensOn);
      if (kind == null || currency == null) {
        return;
      }
      requireFits(row, kind, group, known, currency, opening);
      planned.put(
          key,
          new Planned(row, known, kind, group, row.group().strip(), currency, opensOn, opening));
    }

    private @Nullable AccountKind kind(ChartRow row, @Nullable Account known) {
      String text = row.kind().strip().toLowerCase(Locale.ROOT);
      if (text.isEmpty() && known != null) {
        return known.kind();
      }
      String plain =
          text.endsWith(GROUP) ? text.substring(0, text.length() - GROUP.length()) : text;
      for (AccountKind kind : AccountKind.values()) {
        if (written(kind, false).equals(plain)) {
          return kind;
        }
      }
      wrong(
          row,
          "kind",
          text.isEmpty()
              ? "the kind is missing, such as current, card, income or expense."
              : "%s is no kind of account; write current, savings, cash, card, loan, income, expense or another of the template's."
                  .formatted(row.kind()));
      return null;
    }

    private @Nullable CurrencyUnit currency(ChartRow row, @Nullable Account known) {
      String text = row.currency().strip();
      if (text.isEmpty()) {
        return known == null ? book.currency() : known.currency();
      }
      try {
        return CurrencyUnit.of(text.toUpperCase(Locale.ROOT));
      } catch (IllegalCurrencyException e) {
        wrong(row, "currency", "%s is no currency of ISO 4217.".formatted(text));
        return null;
      }
    }

    private @Nullable LocalDate opensOn(ChartRow row) {
      String text = row.opensOn().strip();
      if (text.isEmpty()) {
        return null;
      }
      try {
        return LocalDate.parse(text);
      } catch (DateTimeParseException e) {
        wrong(row, "opens on", "%s is not a day; write it like 2026-01-31.".formatted(text));
        return null;
      }
    }

    private @Nullable Amount opening(
        ChartRow row, @Nullable CurrencyUnit currency, @Nullable LocalDate opensOn) {
      String text = row.openingBalance().strip().replace('\u2212', '-');
      if (text.isEmpty() || currency == null) {
        return null;
      }
      try {
        Amount opening = Amount.of(new BigDecimal(text), currency);
        if (opensOn == null && row.opensOn().isBlank()) {
          wrong(row, "opens on", "an opening balance needs the day on which the account opens.");
        }
        return opening;
      } catch (NumberFormatException e) {
        wrong(
            row, "opening balance", "%s is not an amount; write it like -612.40.".formatted(text));
      } catch (Refusal e) {
        wrong(row, "opening balance", e.getMessage());
      }
      return null;
    }

    private void requireFits(
        ChartRow row,
        AccountKind kind,
        boolean group,
        @Nullable Account known,
        CurrencyUnit currency,
        @Nullable Amount opening) {
      if (kind.isKeptByCore() && known == null && !group) {
        wrong(row, "kind", "each book has one such account, made by itself; leave the row out.");
      }
      if (known != null && (known.kind() != kind || known.group() != group)) {
        wrong(
            row,
            "kind",
            "%s is there already as %s."
                .formatted(known.name(), written(known.kind(), known.group())));
      }
      if (known != null && !known.currency().equals(currency)) {
        wrong(
            row,
            "currency",
            "%s is there already in %s.".formatted(known.name(), known.currency()));
      }
      if (kind.accountClass().isCategory() && !currency.equals(book.currency())) {
        wrong(
            row,
            "currency",
            "categories are in the book's currency, %s.".formatted(book.currency()));
      }
      if (opening != null && (group || !kind.hasOpeningBalance()) && !opening.isZero()) {
        wrong(row, "opening balance", "only what is owned or owed has an opening balance.");
      }
    }

    /**
     * Each group has to be there, in the table or in the book, and be of the same class. For a
     * set-aside, the account at a bank that it is in stands in the place of the group.
     */
    void requireGroups() {
      for (Planned p : planned.values()) {
        if (p.known() != null) {
          continue;
        }
        if (p.group().isEmpty()) {
          if (p.kind().isPart()) {
            wrong(p.row(), "group", "name the account that the set-aside is in.");
          }
          continue;
        }
        Planned inTable = planned.get(key(p.group()));
        Account inBook = existing.get(key(p.group()));
        AccountKind kind = inTable != null ? inTable.kind() : inBook != null ? inBook.kind() : null;
        boolean isGroup = inTable != null ? inTable.isGroup() : inBook != null && inBook.group();
        if (kind == null) {
          wrong(p.row(), "group", "there is no group %s.".formatted(p.group()));
        } else if (p.kind().isPart()) {
          if (isGroup || !kind.hasStatements()) {
            wrong(p.row(), "group", "%s is not an account at a bank.".formatted(p.group()));
          }
        } else if (!isGroup) {
          wrong(p.row(), "group", "%s is not a group.".formatted(p.group()));
        } else if (kind.accountClass() != p.kind().accountClass()) {
          wrong(
              p.row(), "group", "%s holds %s.".formatted(p.group(), kind.accountClass().plural()));
        } else if (isInItself(p)) {
          wrong(p.row(), "group", "%s would stand in itself.".formatted(p.row().name()));
        }
      }
    }

    private boolean isInItself(Planned start) {
      Set<String> seen = new HashSet<>();
      Planned at = start;
      while (at != null && !at.group().isEmpty()) {
        if (!seen.add(key(at.row().name()))) {
          return true;
        }
        at = planned.get(key(at.group()));
      }
      return false;
    }

    List<Planned> groupsFirst() {
      Map<String, Planned> ordered = new LinkedHashMap<>();
      planned.values().forEach(p -> place(p, ordered));
      return List.copyOf(ordered.values());
    }

    private void place(Planned p, Map<String, Planned> ordered) {
      Planned above = p.group().isEmpty() ? null : planned.get(key(p.group()));
      if (above != null && !ordered.containsKey(key(above.row().name()))) {
        place(above, ordered);
      }
      ordered.putIfAbsent(key(p.row().name()), p);
    }

    private void wrong(ChartRow row, String column, String reason) {
      problems.add(new BadRows.Problem(row.line(), column, reason));
    }

    private static String key(String name) {
      return name.strip().toLowerCase(Locale.ROOT);
    }
  }
}
