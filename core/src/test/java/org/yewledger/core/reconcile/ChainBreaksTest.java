package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.ChainBreaks.Agreed;
import org.yewledger.core.reconcile.ChainBreaks.Break;
import org.yewledger.core.reconcile.ChainBreaks.How;
import org.yewledger.core.reconcile.ChainBreaks.Now;

public class ChainBreaksTest {
  private static final LocalDate DAY = LocalDate.of(2026, 8, 12);

  private static long entryNo;

  private static Amount eur(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.EUR);
  }

  private static Agreed agreed(long minor) {
    return new Agreed(UUID.randomUUID(), ++entryNo, DAY, eur(minor));
  }

  private static Now still(Agreed was) {
    return new Now(was.postingId(), was.entryNo(), was.date(), was.amount(), true, true);
  }

  private static ChainBreaks of(List<Agreed> agreed, List<Now> now) {
    return ChainBreaks.of(CurrencyUnit.EUR, agreed, now);
  }

  private static void assertOnly(ChainBreaks breaks, How how, long change) {
    assertEquals(breaks.breaks().size(), 1, breaks.toString());
    Break only = breaks.breaks().getFirst();
    assertEquals(only.how(), how);
    assertEquals(only.change(), eur(change));
    assertEquals(breaks.apart(), eur(change));
  }

  @Test
  public void whatIsAsItWasBreaksNothing() {
    Agreed was = agreed(-1200);
    assertEquals(of(List.of(was), List.of(still(was))).breaks(), List.of());
  }

  @Test
  public void eachWayOfChangingIsTold() {
    Agreed was = agreed(-1200);
    UUID id = was.postingId();
    long no = was.entryNo();
    assertOnly(of(List.of(was), List.of()), How.GONE, 1200);
    assertOnly(
        of(List.of(was), List.of(new Now(id, no, DAY, eur(-1200), false, false))),
        How.ELSEWHERE,
        1200);
    assertOnly(
        of(List.of(was), List.of(new Now(id, no, DAY, eur(-1200), true, false))),
        How.UNTICKED,
        1200);
    assertOnly(
        of(List.of(was), List.of(new Now(id, no, DAY, eur(-2100), true, true))), How.AMOUNT, -900);
    assertOnly(
        of(List.of(was), List.of(new Now(id, no, DAY.plusDays(1), eur(-1200), true, true))),
        How.DAY,
        0);
    assertOnly(
        of(List.of(), List.of(new Now(id, no, DAY, eur(-1200), true, true))), How.ADDED, -1200);
    assertEquals(
        of(List.of(), List.of(new Now(id, no, DAY, eur(-1200), true, false))).breaks(), List.of());
  }

  @Test
  public void whatTookThePlaceOfAPostingIsFoundInItsEntry() {
    Agreed was = agreed(-1200);
    Now is = new Now(UUID.randomUUID(), was.entryNo(), DAY, eur(-1300), true, true);
    Now across = new Now(UUID.randomUUID(), was.entryNo(), DAY, eur(1300), false, false);
    assertOnly(of(List.of(was), List.of(across, is)), How.AMOUNT, -100);
    assertOnly(of(List.of(was), List.of(across)), How.ELSEWHERE, 1200);
  }

  @Test
  public void theBreaksAlwaysComeToWhatIsTickedLessWhatWasAgreed() {
    var random = new Random(15);
    for (int round = 0; round < 300; round++) {
      var agreed = new ArrayList<Agreed>();
      var now = new ArrayList<Now>();
      for (int i = 0; i < random.nextInt(12); i++) {
        Agreed was = agreed(random.nextInt(20_000) - 10_000);
        agreed.add(was);
        if (random.nextInt(4) > 0) {
          now.add(changed(was, random));
        }
      }
      for (int i = 0; i < random.nextInt(4); i++) {
        now.add(changed(agreed(random.nextInt(20_000) - 10_000), random));
      }
      long before = agreed.stream().mapToLong(a -> a.amount().minor()).sum();
      long after =
          now.stream()
              .filter(n -> n.onAccount() && n.ticked())
              .mapToLong(n -> n.amount().minor())
              .sum();
      ChainBreaks breaks = of(agreed, now);
      assertEquals(breaks.apart(), eur(after - before));
      assertEquals(
          Amount.sum(CurrencyUnit.EUR, breaks.breaks().stream().map(Break::change).toList()),
          breaks.apart());
      assertTrue(
          breaks.breaks().stream().allMatch(b -> b.agreed() != null || b.now() != null),
          breaks.toString());
    }
  }

  private static Now changed(Agreed was, Random random) {
    return new Now(
        random.nextInt(3) == 0 ? UUID.randomUUID() : was.postingId(),
        was.entryNo(),
        random.nextInt(3) == 0 ? was.date().plusDays(2) : was.date(),
        random.nextInt(3) == 0 ? was.amount().plus(eur(random.nextInt(500))) : was.amount(),
        random.nextInt(4) > 0,
        random.nextInt(4) > 0);
  }
}
