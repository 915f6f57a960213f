package org.yewledger.core.plan;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

public class DivisionTest {
  private static final LocalDate DAY = LocalDate.of(2026, 10, 23);
  private static final Account CHILDREN = purpose("Children");
  private static final Account ROOF = purpose("Roof");

  private static Account purpose(String name) {
    return new Account(
        UUID.randomUUID(), BOOK, name, AccountKind.SET_ASIDE, CurrencyUnit.EUR, false, null);
  }

  private static SetAsides aside(long free, long children, long roof) {
    return new SetAsides(
        CURRENT,
        eur(free),
        List.of(
            new SetAsides.Purpose(CHILDREN, eur(children)),
            new SetAsides.Purpose(ROOF, eur(roof))));
  }

  private static Division division(long toPlace, long children, long roof) {
    return new Division(
        aside(100_000, 1_200, 0),
        eur(toPlace),
        Map.of(CHILDREN.id(), eur(children), ROOF.id(), eur(roof)));
  }

  @Test
  public void aPayPacketIsOneEntryAndWhatIsNotPlacedStaysFree() {
    Division pay = division(10_000, 4_000, 3_500);
    assertEquals(pay.stillToPlace(), eur(2_500));
    assertEquals(
        pay.entry(DAY).postings(),
        List.of(
            new Posting(CHILDREN, eur(4_000)),
            new Posting(ROOF, eur(3_500)),
            new Posting(CURRENT, eur(-7_500))));
  }

  @Test
  public void fromOnePurposeToAnotherNothingLeavesWhatIsFree() {
    assertEquals(
        division(0, -1_000, 1_000).entry(DAY).postings(),
        List.of(new Posting(CHILDREN, eur(-1_000)), new Posting(ROOF, eur(1_000))));
  }

  @Test
  public void tooMuchOrNothingOrElsewhereIsRefused() {
    assertEquals(refusalOf(() -> division(5_000, 4_000, 3_500).entry(DAY)), "division-too-much");
    assertEquals(refusalOf(() -> division(5_000, 0, 0).entry(DAY)), "division-empty");
    assertEquals(refusalOf(() -> division(-1, 0, 0).entry(DAY)), "division-below-zero");
    Division elsewhere = new Division(aside(0, 0, 0), eur(10), Map.of(SCHOOL.id(), eur(10)));
    assertEquals(refusalOf(() -> elsewhere.entry(DAY)), "purpose-elsewhere");
  }

  /** Whatever is divided and moved: set-asides and what is free always make the account. */
  @Test
  public void setAsidesAndWhatIsFreeAlwaysMakeTheAccount() {
    var random = new Random(37);
    for (int round = 0; round < 200; round++) {
      List<SetAsides.Purpose> purposes = new ArrayList<>();
      for (int i = 1 + random.nextInt(8); i > 0; i--) {
        purposes.add(new SetAsides.Purpose(purpose("P" + i), eur(random.nextInt(9_000) - 1_000)));
      }
      SetAsides now = new SetAsides(CURRENT, eur(random.nextInt(500_000)), purposes);
      Map<UUID, Amount> placed = new HashMap<>();
      purposes.forEach(p -> placed.put(p.account().id(), eur(1 + random.nextInt(5_000))));
      Division division = new Division(now, eur(40_001), placed);
      Entry entry = division.entry(DAY);
      Map<UUID, Amount> moved = new HashMap<>();
      entry.postings().forEach(p -> moved.merge(p.account().id(), p.amount(), Amount::plus));
      SetAsides after =
          new SetAsides(
              CURRENT,
              now.free().plus(moved.get(CURRENT.id())),
              purposes.stream()
                  .map(p ->
                      new SetAsides.Purpose(
                          p.account(), p.stands().plus(moved.get(p.account().id()))))
                  .toList());
      assertEquals(after.whole(), now.whole());
      assertEquals(after.setAside(), now.setAside().plus(division.placedInAll()));
    }
  }
}
