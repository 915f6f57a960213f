package org.yewledger.core.ledger;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.yewledger.core.Refusal;

/**
 * An entry given another form: which of its postings stay, and which go. A posting stays where
 * account, amount and value are the same; what the bank or a statement says of it stays with it.
 *
 * @param wanted the new form
 * @param kept for places in the new form, the place of the posting that stays
 */
public record Revision(Entry wanted, Map<Integer, Integer> kept) {
  /**
   * A posting as it stands in the books.
   *
   * @param atBank whether bank lines confirm it
   * @param ticked whether it is ticked for a statement, finished or not
   */
  public record Standing(Posting posting, boolean atBank, boolean ticked) {
    private boolean isSame(Posting other) {
      return posting.account().id().equals(other.account().id())
          && posting.amount().equals(other.amount())
          && posting.value().equals(other.value());
    }

    /** The posting as a person is told of it. */
    String named() {
      return "%s %s on %s"
          .formatted(
              posting.amount().shown(), posting.amount().currency(), posting.account().name());
    }
  }

  public Revision {
    kept = Map.copyOf(kept);
  }

  /**
   * Works out what stays of the postings that are there, in their order. Cost: the product of the
   * two numbers of postings.
   *
   * @throws Refusal {@code opening-by-sheet}; {@code reconciled}, naming what a statement holds;
   *     {@code line-linked}, naming what a bank line says
   */
  public static Revision of(LocalDate dateBefore, List<Standing> standing, Entry wanted) {
    if (wanted.origin() == Entry.Origin.OPENING) {
      throw Refusal.of(
          "opening-by-sheet",
          "An opening balance is corrected on the sheet of opening balances, with its day.");
    }
    Map<Integer, Integer> kept = matched(standing, wanted.postings());
    boolean moved = !dateBefore.equals(wanted.date());
    for (int i = 0; i < standing.size(); i++) {
      Standing posting = standing.get(i);
      boolean stays = kept.containsValue(i);
      if (posting.ticked() && (moved || !stays)) {
        throw Refusal.of(
            "reconciled",
            "%s is ticked for a statement. Its account, amount and day stay; payee, note and the other side can change."
                .formatted(posting.named()));
      }
      if (posting.atBank() && !stays) {
        throw Refusal.of(
            "line-linked",
            "A bank line confirms %s. Take the line back first, or change the other side only."
                .formatted(posting.named()));
      }
    }
    return new Revision(wanted, kept);
  }

  private static Map<Integer, Integer> matched(List<Standing> standing, List<Posting> wanted) {
    // What bank or statement know is given its place first: of two equal postings that one stays.
    List<Integer> order = new ArrayList<>();
    for (int i = 0; i < standing.size(); i++) {
      order.add(i);
    }
    order.sort(
        java.util.Comparator.comparing(
            i -> !(standing.get(i).ticked() || standing.get(i).atBank())));
    Map<Integer, Integer> kept = new HashMap<>();
    for (int i : order) {
      for (int place = 0; place < wanted.size(); place++) {
        if (!kept.containsKey(place) && standing.get(i).isSame(wanted.get(place))) {
          kept.put(place, i);
          break;
        }
      }
    }
    return kept;
  }
}
