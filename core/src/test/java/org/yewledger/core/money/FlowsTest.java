package org.yewledger.core.money;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;

public class FlowsTest {
  private static final CurrencyUnit EUR = CurrencyUnit.EUR;
  private static final CurrencyUnit USD = CurrencyUnit.USD;

  @Test
  public void moneyInAndOutStandApartByCurrency() {
    var amounts = List.of(eur(500), Amount.ofMinor(-70, USD), eur(-1250), eur(0));
    assertEquals(
        Flows.of(amounts),
        List.of(
            new Flows(eur(500), eur(1250), 3),
            new Flows(Amount.zero(USD), Amount.ofMinor(70, USD), 1)));
    assertEquals(Flows.of(amounts).getFirst().sum(), eur(-750));
    assertEquals(Flows.of(List.of()), List.of());
  }

  @Test
  public void theyAddUpInAnyOrder() {
    var random = new Random(20261126);
    for (int round = 0; round < 200; round++) {
      var amounts = new ArrayList<Amount>();
      for (int i = random.nextInt(40); i >= 0; i--) {
        amounts.add(
            Amount.ofMinor(random.nextLong(-99_999, 99_999), random.nextBoolean() ? EUR : USD));
      }
      List<Flows> flows = Flows.of(amounts);
      for (Flows of : flows) {
        CurrencyUnit currency = of.in().currency();
        var alike = amounts.stream().filter(a -> a.currency().equals(currency)).toList();
        assertEquals(of.sum(), Amount.sum(currency, alike));
        assertEquals(of.count(), alike.size());
      }
      Collections.shuffle(amounts, random);
      assertEquals(Flows.of(amounts), flows);
    }
  }

  private static Amount eur(long minor) {
    return Amount.ofMinor(minor, EUR);
  }
}
