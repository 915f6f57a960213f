package org.yewledger.core.post;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.Rule;

/** Books a line as a rule says: one that waits, or one that is booked otherwise. */
public final class ByRule {
  /**
   * @param booking null where the rule cannot be carried out on this line; the evidence says why
   */
  record Booked(@Nullable Booking booking, Evidence.RuleFits evidence) {}

  private ByRule() {}

  static Booked of(Rule rule, WaitingLine waiting, Situation situation) {
    try {
      List<Booking.Part> parts =
          parts(
              rule,
              waiting.account(),
              waiting.line(),
              situation.accounts()::get,
              situation.rates());
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

  /**
   * The form that a rule gives to an entry that stands; what the bank says of it stays.
   *
   * @param bank the account that the line came for
   * @throws Refusal whatever {@link Division#of} and {@link Booking#entryFor} refuse
   */
  public static Draft rebooked(
      Entry entry,
      Rule rule,
      Account bank,
      BankLine line,
      Function<UUID, @Nullable Account> accounts,
      Ledger ledger) {
    Rule.Then then = rule.then();
    String payee = then.payee().isEmpty() ? entry.payee() : then.payee();
    List<Draft.Line> lines =
        new Booking(payee, "", parts(rule, bank, line, accounts, ledger.rates()))
            .entryFor(bank, line, ledger).entry().postings().stream()
                .filter(posting -> posting.account().kind() != AccountKind.DRAWINGS)
                .map(p -> new Draft.Line(p.account(), p.amount(), p.note(), p.tax()))
                .toList();
    var tags = new ArrayList<>(entry.marks().tags());
    tags.addAll(then.tags());
    return new Draft(
        entry.date(),
        payee,
        entry.note().isEmpty() ? then.note() : entry.note(),
        lines,
        Marks.of(entry.marks().reference(), entry.marks().method(), tags));
  }

  /** Whether a rule can give an entry another form: amounts in other currencies keep theirs. */
  public static boolean canRebook(
      Entry entry, Rule rule, Function<UUID, @Nullable Account> accounts) {
    return Stream.concat(
            entry.postings().stream().map(Posting::account),
            rule.then().division().accounts().stream().map(id -> account(id, accounts)))
        .noneMatch(Account::isForeign);
  }

  private static List<Booking.Part> parts(
      Rule rule,
      Account bank,
      BankLine line,
      Function<UUID, @Nullable Account> accounts,
      ExchangeRates rates) {
    var parts = new ArrayList<Booking.Part>();
    for (Division.Part part : rule.then().division().of(line.amount(bank.currency()))) {
      Account account = account(part.accountId(), accounts);
      Amount other = inItsCurrency(account, part.amount(), line.bookedOn(), rates);
      parts.add(new Booking.Part(account, part.amount(), "", other, part.tax()));
    }
    return parts;
  }

  private static Account account(UUID id, Function<UUID, @Nullable Account> accounts) {
    return Objects.requireNonNull(accounts.apply(id));
  }

  /** What arrives on an account of one's own in another currency, at the rate of the day. */
  private static @Nullable Amount inItsCurrency(
      Account account, Amount amount, LocalDate day, ExchangeRates rates) {
    return account.kind().hasOpeningBalance() && !account.currency().equals(amount.currency())
        ? rates.convert(amount.size(), account.currency(), day)
        : null;
  }

  private static String payee(Rule rule, WaitingLine waiting, Situation situation) {
    if (!rule.then().payee().isEmpty()) {
      return rule.then().payee();
    }
    return situation
        .pastOf(waiting)
        .map(Past::payee)
        .orElseGet(() -> LastingWords.name(waiting.line()));
  }
}
