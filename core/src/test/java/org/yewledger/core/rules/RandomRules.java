package org.yewledger.core.rules;

import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.yewledger.core.Fixtures;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.ledger.Account;

/** Random conditions, rules and lines over few words, so that they meet. */
final class RandomRules {
  private static final String[] WORDS = {
    "GREENGAGE", "MARKET", "fuel", "ROW", "Bäckerei", "A", "7", "CO-OP"
  };
  private static final List<Account> ACCOUNTS = List.of(CURRENT, CARD);

  private final Random random;

  RandomRules(long seed) {
    random = new Random(seed);
  }

  Condition condition(int depth) {
    int kind = random.nextInt(depth > 0 ? 8 : 6);
    return switch (kind) {
      case 0, 1 -> text();
      case 2 -> new Condition.Way(pick(List.of(Condition.Direction.values())));
      case 3 -> amount();
      case 4 ->
          new Condition.On(
              ACCOUNTS.stream()
                  .filter(a -> random.nextBoolean())
                  .map(Account::id)
                  .collect(
                      Collectors.collectingAndThen(
                          Collectors.toSet(), s -> s.isEmpty() ? Set.of(CURRENT.id()) : s)));
      case 5 -> new Condition.Days(1 + random.nextInt(31), 1 + random.nextInt(31));
      case 6 -> new Condition.All(parts(depth));
      default -> new Condition.Any(parts(depth));
    };
  }

  private List<Condition> parts(int depth) {
    return IntStream.range(0, 2 + random.nextInt(2)).mapToObj(i -> condition(depth - 1)).toList();
  }

  private Condition text() {
    TextPlace place = pick(List.of(TextPlace.values()));
    TextMatch match = pick(List.of(TextMatch.values()));
    if (place == TextPlace.COUNTERPARTY_ACCOUNT && match == TextMatch.HAS_WORDS) {
      match = TextMatch.ENDS;
    }
    return Condition.Text.of(place, match, phrase(1 + random.nextInt(2)));
  }

  private Condition amount() {
    BigDecimal from = new BigDecimal(random.nextInt(20));
    return switch (random.nextInt(3)) {
      case 0 -> new Condition.AmountIs(from, null);
      case 1 -> new Condition.AmountIs(null, from);
      default -> new Condition.AmountIs(from, from.add(new BigDecimal(random.nextInt(9))));
    };
  }

  Rule rule(UUID bookId) {
    Condition when = condition(2);
    Rule rule =
        Fixtures.rule(
            Condition.parts(when).isEmpty() ? new Condition.All(List.of(when)) : when,
            "Payee",
            Division.wholeTo(random.nextBoolean() ? GROCERIES.id() : SCHOOL.id()));
    return new Rule(rule.id(), bookId, rule.when(), rule.then(), true, null);
  }

  RuleLine line() {
    return RuleLine.of(
        pick(ACCOUNTS),
        new BankLine(
            LocalDate.of(2026, 1 + random.nextInt(12), 1 + random.nextInt(28)),
            null,
            random.nextInt(4_000) - 2_000,
            phrase(random.nextInt(3)),
            phrase(random.nextInt(4)),
            phrase(random.nextInt(2)),
            phrase(random.nextInt(2)),
            null,
            "",
            1,
            false,
            random.nextBoolean()
                ? Map.of()
                : Map.of(
                    LineDetail.COUNTERPARTY_ACCOUNT, phrase(2),
                    LineDetail.EXTENDED_NAME, phrase(2))));
  }

  private String phrase(int length) {
    return IntStream.range(0, length)
        .mapToObj(i -> WORDS[random.nextInt(WORDS.length)])
        .collect(Collectors.joining(random.nextInt(5) == 0 ? "-" : " "));
  }

  private <T> T pick(List<T> of) {
    return of.get(random.nextInt(of.size()));
  }
}
