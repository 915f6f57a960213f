package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.dollarsToEuros;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.ledger;
import static org.yewledger.core.Fixtures.posting;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.usd;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Revision.Standing;

public class RevisionTest {
  private static final LocalDate DAY = LocalDate.of(2026, 9, 4);

  private static Entry entry(LocalDate day, Posting... postings) {
    return new Entry(day, "Greengage Market", "", Entry.Origin.BY_HAND, List.of(postings));
  }

  private static Standing standing(Posting posting, boolean atBank, boolean ticked) {
    return new Standing(posting, atBank, ticked);
  }

  private static List<Standing> spent(boolean atBank, boolean ticked) {
    return List.of(
        standing(posting(CURRENT, -4820), atBank, ticked),
        standing(posting(GROCERIES, 4820), false, false));
  }

  @Test
  public void theOtherSideOfWhatIsReconciledCanChange() {
    Entry wanted = entry(DAY, posting(CURRENT, -4820), posting(SCHOOL, 4820));
    assertEquals(Revision.of(DAY, spent(true, true), wanted).kept(), Map.of(0, 0));
  }

  @Test
  public void accountAmountAndDayOfWhatIsReconciledStay() {
    Entry less = entry(DAY, posting(CURRENT, -4800), posting(GROCERIES, 4800));
    assertEquals(refusalOf(() -> Revision.of(DAY, spent(true, true), less)), "reconciled");
    Entry later = entry(DAY.plusDays(1), posting(CURRENT, -4820), posting(GROCERIES, 4820));
    assertEquals(refusalOf(() -> Revision.of(DAY, spent(true, true), later)), "reconciled");
    Revision.of(DAY, spent(true, false), later);
  }

  @Test
  public void whatABankLineConfirmsStaysAndTheRestIsFree() {
    Entry less = entry(DAY, posting(CURRENT, -4800), posting(GROCERIES, 4800));
    assertEquals(refusalOf(() -> Revision.of(DAY, spent(true, false), less)), "line-linked");
    assertTrue(Revision.of(DAY, spent(false, false), less).kept().isEmpty());
  }

  @Test
  public void ofEqualPostingsTheConfirmedOneStays() {
    var before =
        List.of(
            standing(posting(CURRENT, -500), false, false),
            standing(posting(CURRENT, -500), true, true),
            standing(posting(GROCERIES, 1000), false, false));
    Entry wanted = entry(DAY, posting(CURRENT, -500), posting(GROCERIES, 500));
    assertEquals(Revision.of(DAY, before, wanted).kept(), Map.of(0, 1));
  }

  @Test
  public void openingBalancesAreCorrectedOnTheirSheet() {
    var opening =
        new Entry(
            DAY.minusYears(1).withMonth(9).withDayOfMonth(30).plusYears(1),
            "Opening balance",
            "",
            Entry.Origin.OPENING,
            List.of(posting(CURRENT, 100), posting(GROCERIES, -100)));
    assertEquals(refusalOf(() -> Revision.of(DAY, List.of(), opening)), "opening-by-sheet");
  }

  /** Whatever is wanted: what a statement or a line holds is in the new form, or it is refused. */
  @Test
  public void aRevisionNeverLosesWhatIsHeld() {
    var random = new Random(17);
    int accepted = 0;
    for (int round = 0; round < 3_000; round++) {
      var before = new ArrayList<Standing>();
      for (int i = 0; i < 1 + random.nextInt(4); i++) {
        before.add(standing(randomPosting(random), random.nextInt(3) == 0, random.nextInt(4) == 0));
      }
      var after = new ArrayList<Posting>();
      for (int i = 0; i < 1 + random.nextInt(4); i++) {
        after.add(randomPosting(random));
      }
      long apart = after.stream().mapToLong(p -> p.amount().minor()).sum();
      if (apart == 0) {
        continue;
      }
      after.add(posting(SCHOOL, -apart));
      Entry wanted = entry(DAY, after.toArray(Posting[]::new));
      try {
        Revision revision = Revision.of(DAY, before, wanted);
        accepted++;
        assertEquals(revision.kept().values().stream().distinct().count(), revision.kept().size());
        for (int i = 0; i < before.size(); i++) {
          Standing held = before.get(i);
          assertTrue(
              !(held.atBank() || held.ticked()) || revision.kept().containsValue(i),
              "round " + round);
        }
        revision
            .kept()
            .forEach((place, was) -> {
              Posting stays = before.get(was).posting();
              assertEquals(wanted.postings().get(place).account(), stays.account());
              assertEquals(wanted.postings().get(place).amount().minor(), stays.amount().minor());
            });
      } catch (org.yewledger.core.Refusal refused) {
        assertTrue(List.of("reconciled", "line-linked").contains(refused.code()));
      }
    }
    assertTrue(accepted > 300, "" + accepted);
  }

  private static Posting randomPosting(Random random) {
    return posting(random.nextBoolean() ? CURRENT : GROCERIES, 100L * (1 + random.nextInt(3)));
  }

  @Test
  public void aDraftKeepsTheValueOfAmountsThatStay() {
    Ledger ledger = ledger(Position.empty(SHOP_USD), dollarsToEuros("2026-09-01", "0.9000"));
    var before = List.of(posting(SHOP_USD, 10_000, 9_214));
    var lines =
        List.of(
            new Draft.Line(SHOP_USD, usd(10_000), ""),
            new Draft.Line(org.yewledger.core.Fixtures.SALES, eur(-9_214), ""));
    Entry entry = new Draft(DAY, "Shop", "", lines).entry(Entry.Origin.BY_HAND, before, ledger);
    assertEquals(entry.postings().getFirst().value().minor(), 9_214);
    assertEquals(
        refusalOf(() -> new Draft(DAY, " ", "", lines).entry(Entry.Origin.BY_HAND, before, LEDGER)),
        "payee-missing");
  }
}
