package org.yewledger.core.entry;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Ledger;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.tax.TaxChoice;

/**
 * An entry as it is typed on one line, with what its empty fields mean: the day of the entry
 * before, and how the payee was booked last. Nothing is guessed in silence: every field says what
 * it means, and what cannot be read is refused at its field.
 *
 * @param day what the text means
 * @param amount above zero where money goes from {@code from} to {@code to}; below where it comes
 *     back
 * @param account the account whose line it is: the one that is fixed, else the first of one's own
 * @param from null if nothing says it
 * @param to null if nothing says it
 * @param arrives what arrives on, or leaves, an account of one's own in another currency than that
 *     of the line; null where there is none
 */
public record QuickEntry(
    Typed<LocalDate> day,
    String payee,
    Typed<Amount> amount,
    @Nullable Account account,
    @Nullable Account from,
    @Nullable Account to,
    @Nullable Typed<Amount> arrives,
    Typing typing,
    TaxChoice tax,
    Marks marks) {
  private static final String ASK_AMOUNT = "Type the amount.";

  /**
   * What a person typed; empty texts and nulls take what is usual.
   *
   * @param day as {@link DayText} reads it
   * @param amount as {@link AmountText} reads it; on a fixed account a sign says the direction
   * @param fixed the account whose register it is typed in; null where both places are free
   * @param from where it comes from; on a fixed account it is left out
   * @param to where it goes; on a fixed account the other place, whichever way it goes
   * @param parts what it is split into, on a fixed account; empty for one place
   * @param arrives as {@link AmountText} reads it, where the other place is an account of one's own
   *     in another currency
   * @param tags null for those of last time
   * @param tax null for that of last time
   */
  public record Typing(
      String day,
      String payee,
      String amount,
      @Nullable Account fixed,
      @Nullable Account from,
      @Nullable Account to,
      List<Booking.Part> parts,
      boolean restToSuspense,
      String arrives,
      String note,
      String reference,
      @Nullable Method method,
      @Nullable List<String> tags,
      @Nullable TaxChoice tax) {
    public Typing {
      parts = List.copyOf(parts);
    }
  }

  /**
   * What the fields are read against.
   *
   * @param base the day of the entry before, or today
   * @param currency of amounts for which no account is known yet
   * @param last how the payee was booked last; empty for somebody new
   * @param category what somebody has said that its entries go to or come from; null if nobody has
   */
  public record Context(
      LocalDate base,
      LocalDate today,
      Formats formats,
      CurrencyUnit currency,
      Optional<LastEntry> last,
      @Nullable Account category) {}

  /**
   * @throws Refusal {@code tag-unreadable} or {@code too-many-tags}
   */
  public static QuickEntry of(Typing typing, Context context) {
    LastEntry last = context.last().orElse(null);
    Marks usual = last == null ? Marks.NONE : last.marks();
    Places places = Places.of(typing, last, context.category());
    return new QuickEntry(
        typing.day().isBlank()
            ? new Typed.Means<>(context.base())
            : DayText.read(typing.day(), context.today(), context.formats().dayOrder()),
        typing.payee().strip(),
        amount(typing, places, last, context),
        places.account(),
        places.from(),
        places.to(),
        arrives(typing, places, context),
        typing,
        typing.tax() != null ? typing.tax() : last == null ? TaxChoice.AS_USUAL : last.tax(),
        Marks.of(
            typing.reference(),
            typing.method() == null ? usual.method() : typing.method(),
            typing.tags() == null ? usual.tags() : typing.tags()));
  }

  /** Where money goes from and to, before a sign turns it round. */
  private record Places(@Nullable Account account, @Nullable Account from, @Nullable Account to) {
    static Places of(Typing typing, @Nullable LastEntry last, @Nullable Account category) {
      Account fixed = typing.fixed();
      if (fixed != null) {
        Account across = last == null ? null : last.across(fixed);
        Account usual = category == null ? across : category;
        Account other = typing.to() == null ? usual : typing.to();
        boolean out = last == null ? goesOut(other) : isOut(fixed, last);
        return out ? new Places(fixed, fixed, other) : new Places(fixed, other, fixed);
      }
      boolean earns = category != null && category.kind() == AccountKind.INCOME;
      Account from =
          first(typing.from(), earns ? category : null, last == null ? null : last.from());
      Account to = first(typing.to(), earns ? null : category, last == null ? null : last.to());
      return new Places(isOwn(from) || !isOwn(to) ? from : to, from, to);
    }

    private static @Nullable Account first(@Nullable Account... places) {
      return Arrays.stream(places).filter(Objects::nonNull).findFirst().orElse(null);
    }

    /** The place that is not that of the line. */
    @Nullable Account across() {
      return account != null && account.equals(from) ? to : from;
    }

    private static boolean isOut(Account fixed, LastEntry last) {
      return fixed.equals(last.from()) || (!fixed.equals(last.to()) && last.goesOut());
    }

    private static boolean goesOut(@Nullable Account other) {
      return other == null || other.kind() != AccountKind.INCOME;
    }

    private static boolean isOwn(@Nullable Account account) {
      return account != null && account.kind().hasOpeningBalance();
    }
  }

  private static Typed<Amount> amount(
      Typing typing, Places places, @Nullable LastEntry last, Context context) {
    Account account = places.account();
    CurrencyUnit currency = account == null ? context.currency() : account.currency();
    if (typing.amount().isBlank()) {
      Amount usual = last == null ? null : last.amount();
      return usual != null && usual.currency().equals(currency)
          ? new Typed.Means<>(usual)
          : new Typed.Unreadable<>(ASK_AMOUNT);
    }
    if (typing.fixed() == null) {
      return AmountText.read(typing.amount(), currency, context.formats());
    }
    // On an account's own line a sign is that of the account; without one it goes the usual way.
    boolean out = typing.fixed().equals(places.from());
    Amount way = Amount.ofMinor(out ? -1 : 1, currency);
    Typed<Amount> signed = AmountText.partOf(typing.amount(), way, context.formats());
    return out ? turned(signed) : signed;
  }

  private static @Nullable Typed<Amount> arrives(Typing typing, Places places, Context context) {
    Account account = places.account();
    Account other = places.across();
    if (account == null
        || other == null
        || !other.kind().hasOpeningBalance()
        || other.currency().equals(account.currency())) {
      return null;
    }
    return typing.arrives().isBlank()
        ? new Typed.Unreadable<>(
            "%s is in %s: type the amount there as well.".formatted(other.name(), other.currency()))
        : AmountText.read(typing.arrives(), other.currency(), context.formats());
  }

  private static Typed<Amount> turned(Typed<Amount> typed) {
    return switch (typed) {
      case Typed.Means<Amount>(Amount amount) -> new Typed.Means<>(amount.negated());
      case Typed.Unclear<Amount>(String question, List<Amount> choices) ->
          new Typed.Unclear<>(question, choices.stream().map(Amount::negated).toList());
      case Typed.Unreadable<Amount> unreadable -> unreadable;
    };
  }

  /** What the account pays, below zero, or receives; empty while that is not known. */
  public Optional<Amount> signed() {
    return account != null && amount instanceof Typed.Means<Amount>(Amount moved)
        ? Optional.of(account.equals(from) ? moved.negated() : moved)
        : Optional.empty();
  }

  /**
   * The entry, not stored yet.
   *
   * @throws Refusal {@code day-unclear}, {@code payee-missing}, {@code amount-unclear}, {@code
   *     from-missing}, {@code to-missing}, {@code arrives-unclear}, each naming its field, or
   *     whatever {@link Booking#entryByHand} refuses
   */
  public Entry entry(Ledger ledger) {
    LocalDate on = meant(day, why -> Refusal.ofField("day-unclear", "day", why));
    if (payee.isEmpty()) {
      throw Refusal.ofField("payee-missing", "payee", "Say who this is.");
    }
    meant(amount, why -> Refusal.ofField("amount-unclear", "amount", why));
    boolean split = !typing.parts().isEmpty();
    if (account == null || (from == null && !split)) {
      throw Refusal.ofField("from-missing", "from", "Say where the money comes from.");
    }
    if (to == null && !split) {
      throw Refusal.ofField("to-missing", "to", "Say where the money goes.");
    }
    Amount signed = signed().orElseThrow();
    return booking(signed).entryByHand(account, on, signed, ledger);
  }

  private Booking booking(Amount signed) {
    List<Booking.Part> parts = typing.parts();
    if (parts.isEmpty()) {
      Account other = Objects.requireNonNull(account).equals(from) ? to : from;
      parts = List.of(new Booking.Part(Objects.requireNonNull(other), signed, "", there(), tax));
    }
    return new Booking(payee, typing.note().strip(), parts, typing.restToSuspense(), marks);
  }

  private @Nullable Amount there() {
    return arrives == null
        ? null
        : meant(arrives, why -> Refusal.ofField("arrives-unclear", "arrives", why)).size();
  }

  private static <T> T meant(Typed<T> typed, Function<String, Refusal> refusal) {
    return switch (typed) {
      case Typed.Means<T>(T value) -> value;
      case Typed.Unclear<T>(String question, List<T> choices) -> throw refusal.apply(question);
      case Typed.Unreadable<T>(String reason) -> throw refusal.apply(reason);
    };
  }
}
