package org.yewledger.core.sheet;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.DayText;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.PendingLedger;
import org.yewledger.core.ledger.SalesTaxes;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.CurrencySign;
import org.yewledger.core.post.Booking;

/**
 * The rows of a person's own sheet, each of which becomes an entry as if it were typed by hand.
 * Nothing is guessed: a name that means no account is asked for, and a row that cannot be booked is
 * told with its line.
 */
public final class EntrySheet {
  /** The most rows that are taken in at once. */
  public static final int MOST_ROWS = 20_000;

  private static final int LONGEST_NAME = 200;
  private static final int LONGEST_NOTE = 4_000;

  /**
   * A name of the sheet.
   *
   * @param written as the sheet has it first
   * @param account what it means; null while that has to be said
   * @param asBefore whether it means that because it did in an earlier sheet
   * @param rows in how many rows it stands
   */
  public record Named(
      SheetName name, String written, @Nullable Account account, boolean asBefore, int rows) {}

  /**
   * What a row becomes.
   *
   * @param account the account that paid or received it
   * @param amount with the sign of the account
   */
  public record Booked(
      SheetRow row, Account account, Account category, Amount amount, Entry entry) {
    /** Whether it moves money between two accounts of one's own. */
    public boolean isTransfer() {
      return SheetName.Side.ACCOUNT.takes(category);
    }

    /** What comes to accounts of one's own: to that of the row, and to the other of a transfer. */
    public Map<Account, Amount> comesTo() {
      Map<Account, Amount> comes = new LinkedHashMap<>();
      comes.put(account, amount);
      if (isTransfer()) {
        comes.put(category, amount.negated());
      }
      return comes;
    }
  }

  /** What the rows become, those of the earliest days first, and what is wrong with the others. */
  public record Result(List<Booked> booked, List<BadRows.Problem> problems) {
    /**
     * @throws BadRows if a row cannot be booked
     */
    public List<Booked> all() {
      if (!problems.isEmpty()) {
        throw new BadRows(problems);
      }
      return booked;
    }
  }

  private final List<SheetRow> rows;
  private final SheetNames names;
  private final SheetSign sign;

  /**
   * @throws Refusal {@code sheet-too-long}
   */
  public EntrySheet(List<SheetRow> rows, SheetNames names, SheetSign sign) {
    if (rows.size() > MOST_ROWS) {
      throw Refusal.of(
          "sheet-too-long",
          "The sheet has %,d rows. Take in %,d at most at once, a year after the other."
              .formatted(rows.size(), MOST_ROWS));
    }
    this.rows = List.copyOf(rows);
    this.names = names;
    this.sign = sign;
  }

  /** The names of the sheet, in the order in which they come first. */
  public List<Named> names() {
    Map<SheetName, Named> found = new LinkedHashMap<>();
    for (SheetRow row : rows) {
      count(row.accountName(), row.account(), found);
      count(row.categoryName(), row.category(), found);
    }
    return List.copyOf(found.values());
  }

  private void count(SheetName name, String written, Map<SheetName, Named> found) {
    found.merge(
        name,
        new Named(name, written.strip(), names.of(name), names.isAsBefore(name), 1),
        (had, one) ->
            new Named(name, had.written(), had.account(), had.asBefore(), had.rows() + 1));
  }

  /**
   * What the rows become, each meeting what those of earlier days leave. Rows with a name that
   * means nothing yet are neither booked nor a problem: {@link #names} tells them.
   *
   * @param firstDays the first day that entries of a book may have, as after its closed months, by
   *     the book's identity; missing for any
   */
  public Result booked(Ledger stored, SalesTaxes taxes, Map<UUID, LocalDate> firstDays) {
    var ledger = new PendingLedger(stored);
    var booked = new ArrayList<Booked>();
    var problems = new ArrayList<BadRows.Problem>();
    for (SheetRow row : rows.stream().sorted(Comparator.comparing(SheetRow::day)).toList()) {
      Account account = names.of(row.accountName());
      Account category = names.of(row.categoryName());
      if (account == null || category == null) {
        continue;
      }
      try {
        requireDay(row.day());
        requireOpen(row.day(), firstDays.get(account.bookId()));
        requireOpen(row.day(), firstDays.get(category.bookId()));
        Booked one = booked(row, account, category, ledger, taxes);
        ledger.note(one.entry());
        booked.add(one);
      } catch (Refusal e) {
        problems.add(new BadRows.Problem(row.line(), column(e), e.getMessage()));
      }
    }
    problems.sort(Comparator.comparingInt(BadRows.Problem::line));
    return new Result(List.copyOf(booked), List.copyOf(problems));
  }

  private Booked booked(
      SheetRow row, Account account, Account category, Ledger ledger, SalesTaxes taxes) {
    if (!CurrencySign.mayMean(row.currency(), account.currency())) {
      throw Refusal.ofField(
          "sheet-currency",
          "amount",
          "The row is in %s, %s is in %s."
              .formatted(row.currency(), account.name(), account.currency()));
    }
    Amount amount = sign.signed(Amount.of(row.amount(), account.currency()), category);
    var part =
        new Booking.Part(
            category, amount, "", null, SheetTax.of(row.tax(), category.book(), row.day(), taxes));
    var booking =
        new Booking(
            payee(row),
            bounded(row.note(), LONGEST_NOTE, "note"),
            List.of(part),
            false,
            Marks.of("", null, row.tags()));
    return new Booked(
        row, account, category, amount, booking.entryByHand(account, row.day(), amount, ledger));
  }

  /** Who it is; where the sheet does not say, what it was for. */
  private static String payee(SheetRow row) {
    String who = row.payee().isBlank() ? row.note() : row.payee();
    return bounded(who, LONGEST_NAME, "payee");
  }

  private static String bounded(String text, int most, String column) {
    String said = text.strip();
    if (said.length() > most) {
      throw Refusal.ofField(
          "sheet-text-too-long",
          column,
          "The text has %,d letters; at most %,d are kept.".formatted(said.length(), most));
    }
    return said;
  }

  private static void requireDay(LocalDate day) {
    if (day.getYear() < DayText.FIRST_YEAR || day.getYear() > DayText.LAST_YEAR) {
      throw Refusal.ofField(
          "sheet-day",
          "date",
          "%s is outside the years %d to %d."
              .formatted(day, DayText.FIRST_YEAR, DayText.LAST_YEAR));
    }
  }

  private static void requireOpen(LocalDate day, @Nullable LocalDate first) {
    if (first != null && day.isBefore(first)) {
      throw Refusal.ofField(
          "sheet-day",
          "date",
          "%s is in a closed month: entries may begin on %s. Open the month again, or leave the row out."
              .formatted(day, first));
    }
  }

  private static String column(Refusal refusal) {
    String field = refusal.field();
    return field == null || field.equals("parts") ? "category" : field;
  }
}
