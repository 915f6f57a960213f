package org.yewledger.core.sheet;

import static java.util.stream.Collectors.toUnmodifiableSet;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.sheet.EntrySheet.Booked;

/**
 * Which rows of a sheet would be in the books twice: those that may be there already, and the
 * second halves of transfers whose first half is another row, as a sheet kept account by account
 * has them. What becomes of either is for a person to say.
 *
 * @param alike the lines of those that may be there already
 * @param twins the lines of second halves
 */
public record SheetDoubles(Set<Integer> alike, Set<Integer> twins) {
  /** How far apart a transfer may leave one account and come to the other. */
  public static final int TWIN_DAYS = 3;

  public SheetDoubles {
    alike = Set.copyOf(alike);
    twins = Set.copyOf(twins);
  }

  /** What becomes of rows. */
  public enum Said {
    LEAVE_OUT,
    TAKE_IN
  }

  /**
   * What a person has said.
   *
   * @param alike of rows that may be there already; null while it is open; so is {@code twins}
   */
  public record Answers(@Nullable Said alike, @Nullable Said twins) {}

  /** By what an entry is known to be in the books already. */
  public record Trace(UUID accountId, LocalDate day, long amountMinor) {
    static Trace of(Booked one) {
      return new Trace(one.account().id(), one.row().day(), one.amount().minor());
    }
  }

  /**
   * @param booked as in {@link EntrySheet.Result}, those of the earliest days first
   * @param there what is in the books, as often as it is there
   */
  public static SheetDoubles of(List<Booked> booked, Collection<Trace> there) {
    return new SheetDoubles(alike(booked, there), twins(booked));
  }

  /** An entry of the same account, day and amount is there that no row before was taken for. */
  private static Set<Integer> alike(List<Booked> booked, Collection<Trace> there) {
    Map<Trace, Integer> left = new HashMap<>();
    there.forEach(trace -> left.merge(trace, 1, Integer::sum));
    var lines = new HashSet<Integer>();
    for (Booked one : booked) {
      Trace trace = Trace.of(one);
      if (left.getOrDefault(trace, 0) > 0) {
        left.merge(trace, -1, Integer::sum);
        lines.add(one.row().line());
      }
    }
    return lines;
  }

  /**
   * The halves name each other's account, move the same amount, and are {@link #TWIN_DAYS} days
   * apart at most; each row is one half only, of the nearest before it.
   */
  private static Set<Integer> twins(List<Booked> booked) {
    Map<Transfer, List<Booked>> open = new HashMap<>();
    var lines = new HashSet<Integer>();
    for (Booked one : booked) {
      if (!one.isTransfer()) {
        continue;
      }
      LocalDate earliest = one.row().day().minusDays(TWIN_DAYS);
      List<Booked> firsts = open.getOrDefault(Transfer.seenFromTheOther(one), List.of());
      // The last that is still open is the nearest, as days only rise.
      if (!firsts.isEmpty() && !firsts.getLast().row().day().isBefore(earliest)) {
        firsts.removeLast();
        lines.add(one.row().line());
      } else {
        open.computeIfAbsent(Transfer.of(one), t -> new ArrayList<>()).add(one);
      }
    }
    return lines;
  }

  /** What a row moves between two accounts of one's own, seen from the one that it stands on. */
  private record Transfer(UUID accountId, UUID otherId, long amountMinor) {
    static Transfer of(Booked one) {
      return new Transfer(one.account().id(), one.category().id(), one.amount().minor());
    }

    static Transfer seenFromTheOther(Booked one) {
      return new Transfer(one.category().id(), one.account().id(), -one.amount().minor());
    }
  }

  /** The second halves to ask about: those that are not asked about, or left out, as alike. */
  public Set<Integer> twinsToAsk(Answers answers) {
    return answers.alike() == Said.TAKE_IN
        ? twins
        : twins.stream().filter(line -> !alike.contains(line)).collect(toUnmodifiableSet());
  }

  /** The rows that come; what is not said yet is as if it were taken in. */
  public List<Booked> coming(List<Booked> booked, Answers answers) {
    var leftOut = new HashSet<Integer>();
    if (answers.alike() == Said.LEAVE_OUT) {
      leftOut.addAll(alike);
    }
    if (answers.twins() == Said.LEAVE_OUT) {
      leftOut.addAll(twinsToAsk(answers));
    }
    return booked.stream().filter(one -> !leftOut.contains(one.row().line())).toList();
  }

  /**
   * @throws Refusal {@code sheet-alike-open} or {@code sheet-twins-open} while a person has to say
   *     what becomes of rows
   */
  public void requireSaid(Answers answers) {
    if (answers.alike() == null && !alike.isEmpty()) {
      throw Refusal.ofField(
          "sheet-alike-open",
          "alike",
          "%d rows have the account, day and amount of entries that are there. Say whether they are left out. The first is in line %d."
              .formatted(alike.size(), Collections.min(alike)));
    }
    Set<Integer> halves = twinsToAsk(answers);
    if (answers.twins() == null && !halves.isEmpty()) {
      throw Refusal.ofField(
          "sheet-twins-open",
          "twins",
          "%d transfers stand in the sheet twice, once for each account. Say whether the second rows are left out. The first is in line %d."
              .formatted(halves.size(), Collections.min(halves)));
    }
  }
}
