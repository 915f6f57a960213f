package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;

/** A schedule that expects an entry again. */
public final class Likeness {
  private static final UUID NEW = new UUID(0, 0);
  private static final int LAST_SAFE_DAY = 28;

  private Likeness() {}

  /**
   * The same from an account of one's own, from a day on.
   *
   * @throws Refusal {@code not-like-a-schedule} if the entry is not of one currency; otherwise as
   *     {@link Schedule#require} does
   */
  public static Schedule of(Entry entry, Account account, LocalDate first, Rhythm rhythm) {
    List<Schedule.Part> parts =
        entry.postings().stream()
            .filter(p -> !p.account().id().equals(account.id()))
            .filter(p -> p.account().kind() != AccountKind.DRAWINGS)
            .map(p -> part(p, account))
            .toList();
    return new Schedule(
            NEW,
            entry.payee(),
            entry.note(),
            account,
            parts,
            Amount.zero(account.currency()),
            Recurrence.of(rhythm, first, null, null),
            Shift.NONE)
        .require();
  }

  private static Schedule.Part part(Posting posting, Account account) {
    if (!posting.amount().currency().equals(account.currency())) {
      throw Refusal.of(
          "not-like-a-schedule",
          "The entry is in several currencies. What arrives is not known before.");
    }
    return new Schedule.Part(posting.account(), posting.amount().negated(), posting.note());
  }

  /**
   * The same every month on the entry's day, from the first one that is to come; on the last day
   * where not every month has that day.
   *
   * @throws Refusal {@code not-like-a-schedule} if no account of one's own is in it; otherwise as
   *     {@link #of} does
   */
  public static Schedule monthly(Entry entry, LocalDate today) {
    Account account =
        entry.postings().stream()
            .filter(p -> p.account().kind().hasOpeningBalance())
            .min(Comparator.comparing((Posting p) -> p.amount().minor()))
            .map(Posting::account)
            .orElseThrow(() ->
                Refusal.of(
                    "not-like-a-schedule",
                    "No account of your own pays or receives in this entry."));
    boolean everyMonth = entry.date().getDayOfMonth() <= LAST_SAFE_DAY;
    LocalDate first = entry.date().plusMonths(1);
    while (first.isBefore(today)) {
      first = first.plusMonths(1);
    }
    return of(
        entry,
        account,
        everyMonth ? first : YearMonth.from(first).atEndOfMonth(),
        new Rhythm(Unit.MONTH, 1, everyMonth ? On.DAY : On.LAST_DAY));
  }
}
