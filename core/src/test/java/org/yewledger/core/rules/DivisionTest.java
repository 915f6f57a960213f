package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;
import static org.yewledger.core.Fixtures.rule;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import org.testng.annotations.Test;
import org.yewledger.core.money.Amount;
import org.yewledger.core.rules.Division.Fixed;
import org.yewledger.core.rules.Division.Percent;
import org.yewledger.core.rules.Division.Rest;
import org.yewledger.core.rules.Division.Share;
import org.yewledger.core.tax.TaxChoice;

public class DivisionTest {
  private static final UUID A = new UUID(0, 1);
  private static final UUID B = new UUID(0, 2);
  private static final UUID C = new UUID(0, 3);

  private static Division of(Share... shares) {
    return new Division(List.of(shares));
  }

  private static Share fixed(UUID account, String amount) {
    return new Share(account, new Fixed(new BigDecimal(amount)));
  }

  private static Share percent(UUID account, String percent) {
    return new Share(account, new Percent(new BigDecimal(percent)));
  }

  private static Share rest(UUID account) {
    return new Share(account, new Rest());
  }

  @Test
  public void givesFixedAmountsFirstThenPercentagesAndTheRestToOne() {
    Division division = of(percent(B, "25"), rest(C), fixed(A, "60"));
    assertEquals(
        division.of(eur(-10_000)),
        List.of(
            new Division.Part(B, eur(-1_000), TaxChoice.AS_USUAL),
            new Division.Part(C, eur(-3_000), TaxChoice.AS_USUAL),
            new Division.Part(A, eur(-6_000), TaxChoice.AS_USUAL)));
  }

  @Test
  public void leavesOutWhatComesToNothing() {
    assertEquals(
        of(fixed(A, "60"), rest(B)).of(eur(6_000)),
        List.of(new Division.Part(A, eur(6_000), TaxChoice.AS_USUAL)));
  }

  @Test
  public void partsAlwaysAddUpToTheLine() {
    var random = new Random(3);
    for (int i = 0; i < 5_000; i++) {
      var shares = new ArrayList<Share>(List.of(rest(A)));
      int left = 100;
      for (int n = 0; n < random.nextInt(5) && left > 1; n++) {
        int percent = 1 + random.nextInt(left);
        left -= percent;
        shares.add(percent(new UUID(1, n), percent + "." + random.nextInt(1)));
      }
      shares.add(fixed(B, "0." + (10 + random.nextInt(80))));
      Amount line = eur((100 + random.nextInt(100_000)) * (random.nextBoolean() ? 1 : -1));
      List<Division.Part> parts = new Division(shares).of(line);
      assertEquals(
          Amount.sum(line.currency(), parts.stream().map(Division.Part::amount).toList()), line);
      assertTrue(parts.stream().allMatch(p -> p.amount().sign() == line.sign()));
    }
  }

  @Test
  public void refusesWhatCannotBeCarriedOut() {
    assertEquals(refusalOf(() -> of(fixed(A, "60"))), "rest-to-one");
    assertEquals(refusalOf(() -> of(rest(A), rest(B))), "rest-to-one");
    assertEquals(
        refusalOf(() -> of(rest(A), percent(B, "60"), percent(C, "40.5"))), "over-hundred-percent");
    assertEquals(refusalOf(() -> of(rest(A), fixed(B, "-5"))), "amount-out-of-range");
    assertEquals(refusalOf(() -> of(rest(A), fixed(B, "60")).of(eur(-4_500))), "fixed-over-line");
  }

  @Test
  public void aRuleDoesNotBookToTheAccountItIsForNorMoreThanItsLines() {
    Condition onCurrent = new Condition.On(Set.of(CURRENT.id()));
    assertEquals(
        refusalOf(() -> rule(onCurrent, "", Division.wholeTo(CURRENT.id())).requireSound()),
        "transfer-to-itself");
    assertEquals(
        refusalOf(() ->
            rule(
                    new Condition.All(
                        List.of(onCurrent, new Condition.AmountIs(null, new BigDecimal(50)))),
                    "",
                    of(fixed(GROCERIES.id(), "60"), rest(SCHOOL.id())))
                .requireSound()),
        "fixed-over-line");
    assertEquals(
        refusalOf(() ->
            rule(onCurrent, "", of(fixed(SCHOOL.id(), "60"), rest(SCHOOL.id()))).requireSound()),
        "account-twice");
    assertEquals(
        rule(onCurrent, "", Division.wholeTo(CARD.id())).accounts(),
        Set.of(CURRENT.id(), CARD.id()));
  }

  @Test
  public void isReadBackFromItsText() {
    Map<UUID, String> names = Map.of(A, "Rent", B, "60 years of paper", C, "Groceries");
    Map<UUID, String> rates = Map.of(new UUID(1, 1), "reduced");
    for (Division division :
        List.of(
            Division.wholeTo(C),
            of(new Share(A, new Rest(), TaxChoice.NONE)),
            of(new Share(A, new Rest(), TaxChoice.at(new UUID(1, 1)))),
            Division.wholeTo(B),
            of(fixed(A, "60"), new Share(C, new Rest(), TaxChoice.at(new UUID(1, 1)))),
            of(percent(A, "12.5"), rest(C)))) {
      String text = DivisionText.of(division, names::get, rates::get);
      assertEquals(DivisionText.read(text, by(names), by(rates)), division, text);
    }
    for (String text :
        List.of(
            "Nowhere", "60 Nowhere; rest Rent", "sixty Rent; rest Groceries", "Rent taxed high")) {
      refusalOf(() -> DivisionText.read(text, by(names), by(rates)));
    }
  }

  private static Function<String, Optional<UUID>> by(Map<UUID, String> names) {
    return name ->
        names.entrySet().stream()
            .filter(e -> e.getValue().equals(name))
            .map(Map.Entry::getKey)
            .findFirst();
  }
}
