package org.yewledger.core.ledger;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Revision.Standing;
import org.yewledger.core.money.Amount;

/**
 * Two entries that are one thing booked twice, made one: the one stays as it is booked, with the
 * notes, tags, reference and method of both; the other goes, and the bank lines that confirm it
 * confirm what stays.
 *
 * @param merged the entry that stays
 * @param confirmed for places of the entry that goes, the place of the one that stays whose posting
 *     its bank lines confirm from now on
 */
public record Merging(Entry merged, Map<Integer, Integer> confirmed) {
  /** An entry with what the bank and statements say of its postings, in their order. */
  public record Side(Entry entry, List<Standing> postings) {
    public Side {
      postings = List.copyOf(postings);
    }
  }

  public Merging {
    confirmed = Map.copyOf(confirmed);
  }

  /**
   * Works out what becomes of two entries. Cost: the product of their numbers of postings.
   *
   * @throws Refusal {@code opening-by-sheet}; {@code not-doubled} if they move different amounts;
   *     {@code doubled-at-bank} if bank lines confirm both; {@code reconciled} if a statement holds
   *     the one that goes
   */
  public static Merging of(Side stays, Side goes) {
    for (Entry entry : List.of(stays.entry(), goes.entry())) {
      requireMergeable(entry);
    }
    for (Standing posting : goes.postings()) {
      if (posting.ticked()) {
        throw Refusal.of(
            "reconciled",
            "%s of the entry that would go is ticked for a statement. Keep that entry, and let the other one go."
                .formatted(posting.named()));
      }
    }
    return new Merging(together(stays.entry(), goes.entry()), confirmed(stays, goes));
  }

  private static void requireMergeable(Entry entry) {
    if (entry.origin() == Entry.Origin.OPENING) {
      throw Refusal.of(
          "opening-by-sheet",
          "An opening balance is corrected on the sheet of opening balances, with its day.");
    }
  }

  /** Each posting of the one has its like in the other, in account and amount. */
  private static Map<Integer, Integer> confirmed(Side stays, Side goes) {
    List<Integer> free = compared(stays);
    List<Integer> leaving = compared(goes);
    if (free.size() != leaving.size()) {
      throw notDoubled();
    }
    // A posting that nothing confirms yet is the like of one that a bank line confirms.
    free.sort(Comparator.comparing(place -> stays.postings().get(place).atBank()));
    leaving.sort(Comparator.comparing(place -> !goes.postings().get(place).atBank()));
    Map<Integer, Integer> confirmed = new HashMap<>();
    for (int place : leaving) {
      Standing posting = goes.postings().get(place);
      Integer like =
          free.stream()
              .filter(other -> isLike(posting, stays.postings().get(other)))
              .findFirst()
              .orElseThrow(Merging::notDoubled);
      free.remove(like);
      if (posting.atBank()) {
        if (stays.postings().get(like).atBank()) {
          throw Refusal.of(
              "doubled-at-bank",
              "Bank lines confirm %s in both entries, so the bank moved it twice. If it should not have, void one of them."
                  .formatted(posting.named()));
        }
        confirmed.put(place, like);
      }
    }
    return confirmed;
  }

  /**
   * The places whose amounts tell that two entries are one: those on accounts of one's own, else
   * all.
   */
  private static List<Integer> compared(Side side) {
    List<Integer> shown = new ArrayList<>();
    List<Integer> all = new ArrayList<>();
    for (int place = 0; place < side.postings().size(); place++) {
      all.add(place);
      if (side.postings().get(place).posting().account().kind().hasOpeningBalance()) {
        shown.add(place);
      }
    }
    return shown.isEmpty() ? all : shown;
  }

  private static boolean isLike(Standing one, Standing other) {
    Amount amount = other.posting().amount();
    return one.posting().account().id().equals(other.posting().account().id())
        && one.posting().amount().equals(amount);
  }

  private static Refusal notDoubled() {
    return Refusal.of(
        "not-doubled",
        "The two entries move different amounts, or on different accounts: they are not one booked twice.");
  }

  /** What stays, with all that was written on either. */
  private static Entry together(Entry stays, Entry goes) {
    String reference = stays.marks().reference();
    String other = goes.marks().reference();
    String lost =
        reference.isEmpty() || other.isEmpty() || other.equals(reference)
            ? ""
            : "Reference " + other;
    return new Entry(
        stays.date(),
        stays.payee(),
        joined(joined(stays.note(), goes.note()), lost),
        stays.origin(),
        stays.postings().stream().map(posting -> noted(posting, goes)).toList(),
        Marks.of(
            reference.isEmpty() ? other : reference,
            first(stays.marks().method(), goes.marks().method()),
            Stream.concat(stays.marks().tags().stream(), goes.marks().tags().stream()).toList()));
  }

  /** A posting with the note of its like in the entry that goes. */
  private static Posting noted(Posting posting, Entry goes) {
    return goes.postings().stream()
        .filter(other -> other.account().id().equals(posting.account().id()))
        .filter(other -> other.amount().equals(posting.amount()))
        .findFirst()
        .map(other ->
            new Posting(
                posting.account(),
                posting.amount(),
                posting.value(),
                joined(posting.note(), other.note()),
                posting.tax()))
        .orElse(posting);
  }

  private static String joined(String note, String other) {
    if (other.isBlank() || note.contains(other)) {
      return note;
    }
    return note.isBlank() ? other : note + "\n" + other;
  }

  private static @Nullable Method first(@Nullable Method one, @Nullable Method other) {
    return one == null ? other : one;
  }
}
