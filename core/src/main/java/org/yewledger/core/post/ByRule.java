package org.yewledger.core.post;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.money.Amount;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.Rule;

/** Books a line as a rule says. */
final class ByRule {
  /**
   * @param booking null where the rule cannot be carried out on this line; the evidence says why
   */
  record Booked(@Nullable Booking booking, Evidence.RuleFits evidence) {}

  private ByRule() {}

  static Booked of(Rule rule, WaitingLine waiting, Situation situation) {
    try {
      List<Booking.Part> parts = parts(rule, waiting, situation);
      var booking =
          new Booking(
              payee(rule, waiting, situation),
              rule.then().note(),
              parts,
              false,
              Marks.of("", null, rule.then().tags()));
      boolean guessed = parts.stream().anyMatch(part -> part.other() != null);
      return new Booked(booking, new Evidence.RuleFits(rule, null, guessed));
    } catch (Refusal trouble) {
      return new Booked(null, new Evidence.RuleFits(rule, trouble, false));
    }
  }

  /** Whether all of what it books to are categories: its lines are no transfers. */
  static boolean isForCategories(Rule rule, Situation situation) {
    return rule.then().division().accounts().stream()
        .map(situation.accounts()::get)
        .noneMatch(account -> account != null && account.kind().hasOpeningBalance());
  }

  private static List<Booking.Part> parts(Rule rule, WaitingLine waiting, Situation situation) {
    Amount whole = waiting.line().amount(waiting.account().currency());
    var parts = new ArrayList<Booking.Part>();
    for (Division.Part part : rule.then().division().of(whole)) {
      Account account = Objects.requireNonNull(situation.accounts().get(part.accountId()));
      parts.add(
          new Booking.Part(
              account,
              part.amount(),
              "",
              inItsCurrency(account, part.amount(), waiting, situation),
              part.tax()));
    }
    return parts;
  }

  /** What arrives on an account of one's own in another currency, at the rate of the day. */
  private static @Nullable Amount inItsCurrency(
      Account account, Amount amount, WaitingLine waiting, Situation situation) {
    if (!account.kind().hasOpeningBalance() || account.currency().equals(amount.currency())) {
      return null;
    }
    return situation.rates().convert(amount.size(), account.currency(), waiting.line().bookedOn());
  }

  private static String payee(Rule rule, WaitingLine waiting, Situation situation) {
    if (!rule.then().payee().isEmpty()) {
      return rule.then().payee();
    }
    Past past = situation.past().get(LastingWords.of(waiting.line()).toString());
    return past == null ? LastingWords.name(waiting.line()) : past.payee();
  }
}
