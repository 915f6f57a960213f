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
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;

public class CorrectionTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);

  private static Entry entry(List<Posting> postings) {
    return new Entry(DAY, "Greengage Market", "", Entry.Origin.BY_HAND, postings, Marks.NONE);
  }

  private static List<Amount> amounts(Draft draft) {
    return draft.lines().stream().map(Draft.Line::amount).toList();
  }

  @Test
  public void whatStandsAcrossFollows() {
    Entry entry = entry(List.of(posting(GROCERIES, 5430), posting(CARD, -5430)));
    assertEquals(amounts(Correction.of(entry, 1, eur(-4530))), List.of(eur(4530), eur(-4530)));
  }

  @Test
  public void ofSeveralAcrossNoneIsGuessed() {
    Entry entry =
        entry(List.of(posting(GROCERIES, 4000), posting(SCHOOL, 1430), posting(CARD, -5430)));
    assertEquals(refusalOf(() -> Correction.of(entry, 2, eur(-4530))), "correction-split");
  }

  @Test
  public void turnedTwiceItIsAsBefore() {
    var random = new Random(20261126);
    for (int i = 0; i < 300; i++) {
      List<Posting> postings = new ArrayList<>();
      long sum = 0;
      for (int n = random.nextInt(4); n >= 0; n--) {
        long minor = 1 + random.nextLong(1_000_000);
        postings.add(posting(random.nextBoolean() ? GROCERIES : SCHOOL, minor));
        sum += minor;
      }
      postings.add(posting(CURRENT, -sum));
      Entry entry = entry(postings);
      Draft turned = Correction.turned(entry);
      assertEquals(
          amounts(turned), entry.postings().stream().map(p -> p.amount().negated()).toList());
      Entry back =
          entry(
              turned.lines().stream()
                  .map(line -> new Posting(line.account(), line.amount()))
                  .toList());
      assertEquals(
          amounts(Correction.turned(back)),
          entry.postings().stream().map(Posting::amount).toList());
    }
  }
}
