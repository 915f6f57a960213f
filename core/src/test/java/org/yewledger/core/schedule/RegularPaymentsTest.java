package org.yewledger.core.schedule;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import org.yewledger.core.schedule.RegularPayments.Found;
import org.yewledger.core.schedule.RegularPayments.Paid;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;

public class RegularPaymentsTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 23);
  private static final UUID ACCOUNT = new UUID(0, 1);

  private static Paid paid(long payee, LocalDate date, long minor) {
    return new Paid(UUID.randomUUID(), new UUID(1, payee), ACCOUNT, date, minor);
  }

  private static List<Paid> monthly(long payee, int day, int months, long... minor) {
    List<Paid> paid = new ArrayList<>();
    for (int i = 0; i < months; i++) {
      LocalDate date = TODAY.minusMonths(months - 1L - i);
      paid.add(
          paid(
              payee,
              date.withDayOfMonth(Math.min(day, date.lengthOfMonth())),
              minor[i % minor.length]));
    }
    return paid;
  }

  @Test
  public void aMonthlyBillIsFoundWithItsDayAndItsRange() {
    Found bill = RegularPayments.in(monthly(1, 14, 8, -5_800, -6_400), TODAY).getFirst();
    assertEquals(bill.rhythm(), new Rhythm(Unit.MONTH, 1, On.DAY));
    assertEquals(bill.times(), 8);
    assertEquals(bill.next(), LocalDate.of(2026, 11, 14));
    assertEquals(bill.usualMinor(), -5_800);
    assertEquals(bill.aboutMinor(), 600);
    Found fee = RegularPayments.in(monthly(1, 31, 8, -600), TODAY.plusDays(8)).getFirst();
    assertEquals(fee.rhythm().on(), On.LAST_DAY);
    assertEquals(fee.next(), LocalDate.of(2026, 11, 30));
    assertEquals(fee.aboutMinor(), 0);
  }

  @Test
  public void whatHasStoppedOrVariesTooMuchIsNotRegular() {
    assertEquals(RegularPayments.in(monthly(1, 14, 8, -5_800), TODAY.plusMonths(3)), List.of());
    assertEquals(RegularPayments.in(monthly(1, 14, 8, -1_000, -9_000), TODAY), List.of());
    assertEquals(RegularPayments.in(monthly(1, 14, 2, -5_800), TODAY), List.of());
    assertEquals(RegularPayments.in(List.of(), TODAY), List.of());
  }

  @Test
  public void betweenOwnAccountsItCountsWhereItLeaves() {
    List<Paid> all = new ArrayList<>();
    for (Paid leaves : monthly(1, 14, 8, -22_000)) {
      all.add(new Paid(leaves.entryId(), leaves.payeeId(), new UUID(0, 2), leaves.date(), 22_000));
      all.add(leaves);
    }
    assertEquals(
        RegularPayments.in(all, TODAY).stream().map(f -> f.newest().accountId()).toList(),
        List.of(ACCOUNT));
  }

  private static LocalDate before(LocalDate day, Rhythm rhythm, int times) {
    long back = (long) times * rhythm.interval();
    return switch (rhythm.unit()) {
      case WEEK -> day.minusWeeks(back);
      case MONTH -> day.minusMonths(back);
      default -> day.minusYears(back);
    };
  }

  /**
   * All that is planted is found, a day or two early or late, among shopping that is not regular.
   */
  @Test
  public void plantedPaymentsAreFoundAndShoppingIsNot() {
    var random = new Random(35);
    List<Rhythm> rhythms =
        List.of(
            new Rhythm(Unit.WEEK, 1, On.DAY),
            new Rhythm(Unit.WEEK, 2, On.DAY),
            new Rhythm(Unit.MONTH, 1, On.DAY),
            new Rhythm(Unit.MONTH, 3, On.DAY),
            new Rhythm(Unit.YEAR, 1, On.DAY));
    for (int round = 0; round < 40; round++) {
      List<Paid> all = new ArrayList<>();
      Map<UUID, Rhythm> planted = new HashMap<>();
      for (int payee = 0; payee < 10; payee++) {
        Rhythm rhythm = rhythms.get(random.nextInt(rhythms.size()));
        int most = rhythm.unit() == Unit.WEEK ? 0 : 2;
        LocalDate last =
            TODAY.minusDays(3 + random.nextInt(4)).withDayOfMonth(16 + random.nextInt(6));
        long usual = -1_000 - random.nextInt(90_000);
        for (int i = 7; i >= 0; i--) {
          long amount = usual + random.nextInt(1 + (int) (-usual / 10));
          all.add(paid(payee, before(last, rhythm, i).plusDays(random.nextInt(most + 1)), amount));
        }
        planted.put(new UUID(1, payee), rhythm);
      }
      for (int shop = 100; shop < 110; shop++) {
        LocalDate at = TODAY.minusDays(400);
        while (at.isBefore(TODAY)) {
          all.add(paid(shop, at, -500 - random.nextInt(9_000)));
          at = at.plusDays(1 + random.nextInt(24));
        }
      }
      Map<UUID, Rhythm> found =
          RegularPayments.in(all, TODAY).stream()
              .collect(Collectors.toMap(f -> f.newest().payeeId(), Found::rhythm));
      planted.forEach((payee, rhythm) -> assertEquals(found.get(payee), rhythm, payee.toString()));
      assertTrue(found.size() <= planted.size() + 1, "shopping was taken for regular: " + found);
    }
  }
}
