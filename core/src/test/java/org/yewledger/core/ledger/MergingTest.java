package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Merging.Side;
import org.yewledger.core.ledger.Revision.Standing;

public class MergingTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);

  private static Entry entry(String note, Marks marks, Posting... postings) {
    return new Entry(DAY, "Greengage Market", note, Entry.Origin.BY_HAND, List.of(postings), marks);
  }

  /** The entry with its first posting at the bank, or ticked. */
  private static Side side(Entry entry, boolean atBank, boolean ticked) {
    return new Side(
        entry,
        IntStream.range(0, entry.postings().size())
            .mapToObj(
                i -> new Standing(entry.postings().get(i), i == 0 && atBank, i == 0 && ticked))
            .toList());
  }

  private static Side spent(boolean atBank, boolean ticked) {
    return side(
        entry("", Marks.NONE, posting(CURRENT, -4820), posting(GROCERIES, 4820)), atBank, ticked);
  }

  @Test
  public void theLineOfTheOneConfirmsTheOther() {
    Side typed =
        side(entry("", Marks.NONE, posting(SCHOOL, 4820), posting(CURRENT, -4820)), false, false);
    Merging merging = Merging.of(typed, spent(true, false));
    assertEquals(merging.confirmed(), Map.of(0, 1));
    assertEquals(merging.merged(), typed.entry());
  }

  @Test
  public void notesTagsReferenceAndMethodOfBothSurvive() {
    Side stays =
        side(
            entry(
                "for the fair",
                Marks.of("R-7", null, List.of("fair")),
                posting(CURRENT, -4820),
                new Posting(GROCERIES, eur(4820), "apples")),
            true,
            false);
    Side goes =
        side(
            entry(
                "paid by Wren",
                Marks.of("R-8", Method.CARD, List.of("Fair", "party")),
                posting(CURRENT, -4820),
                new Posting(GROCERIES, eur(4820), "pears")),
            false,
            false);
    Entry merged = Merging.of(stays, goes).merged();
    assertEquals(merged.note(), "for the fair\npaid by Wren\nReference R-8");
    assertEquals(merged.marks(), Marks.of("R-7", Method.CARD, List.of("fair", "party")));
    assertEquals(merged.postings().get(1).note(), "apples\npears");
  }

  @Test
  public void aTransferBookedFromBothSidesKeepsBothLines() {
    Entry there = entry("", Marks.NONE, posting(CURRENT, -22000), posting(CARD, 22000));
    var fromCurrent =
        new Side(
            there,
            List.of(
                new Standing(there.postings().get(0), true, false),
                new Standing(there.postings().get(1), false, false)));
    var fromSavings =
        new Side(
            there,
            List.of(
                new Standing(there.postings().get(0), false, false),
                new Standing(there.postings().get(1), true, false)));
    assertEquals(Merging.of(fromCurrent, fromSavings).confirmed(), Map.of(1, 1));
  }

  @Test
  public void whatIsNotOneThingTwiceIsRefused() {
    Side more =
        side(
            entry("", Marks.NONE, posting(CURRENT, -4830), posting(GROCERIES, 4830)), false, false);
    Side elsewhere =
        side(entry("", Marks.NONE, posting(CARD, -4820), posting(GROCERIES, 4820)), false, false);
    assertEquals(refusalOf(() -> Merging.of(spent(true, false), more)), "not-doubled");
    assertEquals(refusalOf(() -> Merging.of(spent(true, false), elsewhere)), "not-doubled");
    assertEquals(
        refusalOf(() -> Merging.of(spent(true, false), spent(true, false))), "doubled-at-bank");
  }

  @Test
  public void whatAStatementHoldsStays() {
    assertEquals(refusalOf(() -> Merging.of(spent(false, false), spent(true, true))), "reconciled");
    assertEquals(Merging.of(spent(true, true), spent(false, false)).confirmed(), Map.of());
  }

  /**
   * Whatever is merged: each confirmed posting keeps its like, and no posting is confirmed twice.
   */
  @Test
  public void everyLineKeepsThePostingThatItConfirms() {
    var random = new Random(29);
    int merged = 0;
    for (int round = 0; round < 2_000; round++) {
      Entry one = randomEntry(random);
      var postings = new ArrayList<>(one.postings());
      Collections.shuffle(postings, random);
      Side stays = randomSide(one, random);
      Side goes = randomSide(entry("", Marks.NONE, postings.toArray(Posting[]::new)), random);
      Merging merging;
      try {
        merging = Merging.of(stays, goes);
      } catch (Refusal refused) {
        assertEquals(refused.code(), "doubled-at-bank");
        continue;
      }
      merged++;
      assertEquals(Set.copyOf(merging.confirmed().values()).size(), merging.confirmed().size());
      for (int place = 0; place < postings.size(); place++) {
        Integer like = merging.confirmed().get(place);
        assertEquals(like != null, goes.postings().get(place).atBank());
        if (like != null) {
          assertEquals(stays.postings().get(like).posting(), postings.get(place));
          assertEquals(stays.postings().get(like).atBank(), false);
        }
      }
    }
    assertEquals(merged > 200, true);
  }

  private static Entry randomEntry(Random random) {
    var postings = new ArrayList<Posting>();
    long sum = 0;
    for (int i = 0; i < 1 + random.nextInt(4); i++) {
      long amount = -100L * (1 + random.nextInt(2));
      postings.add(posting(random.nextBoolean() ? CURRENT : CARD, amount));
      sum += amount;
    }
    postings.add(posting(GROCERIES, -sum));
    return entry("", Marks.NONE, postings.toArray(Posting[]::new));
  }

  private static Side randomSide(Entry entry, Random random) {
    return new Side(
        entry,
        entry.postings().stream()
            .map(p ->
                new Standing(
                    p, p.account().kind().hasOpeningBalance() && random.nextInt(3) == 0, false))
            .toList());
  }
}
