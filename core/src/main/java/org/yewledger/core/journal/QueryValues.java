package org.yewledger.core.journal;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.Refusal;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.money.Currencies;

/** Reads what stands behind a field's colon. */
final class QueryValues {
  private static final int LONGEST_NUMBER = 15;

  /** What a value comes to. */
  sealed interface Read {}

  /**
   * @param words what it asks, for a person
   */
  record Meant(Sought sought, String words) implements Read {}

  /**
   * @param reason what is wrong and what to type
   */
  record Unread(String reason) implements Read {}

  private final QuerySpans spans;

  QueryValues(LocalDate today, CurrencyUnit currency, Formats formats) {
    this.spans = new QuerySpans(today, currency, formats);
  }

  Read read(QueryField field, String value) {
    return switch (field) {
      case PAYEE -> new Meant(new Sought.OfPayee(value), value);
      case CATEGORY -> new Meant(new Sought.AtAccount(value, Sought.Which.CATEGORY), value);
      case ACCOUNT -> new Meant(new Sought.AtAccount(value, Sought.Which.ANY), value);
      case FROM -> new Meant(new Sought.AtAccount(value, Sought.Which.FROM), value);
      case TO -> new Meant(new Sought.AtAccount(value, Sought.Which.TO), value);
      case AMOUNT -> spans.size(value);
      case DATE -> spans.days(value);
      case IS -> oneOf(Sought.Trait.values(), Sought.Being::new, field, value);
      case HAS -> oneOf(Sought.Part.values(), Sought.Having::new, field, value);
      case TAG -> new Meant(new Sought.Tagged(value), value);
      case NOTE -> new Meant(new Sought.Noted(value), value);
      case REFERENCE -> new Meant(new Sought.Referring(value), value);
      case METHOD -> oneOf(Method.values(), Sought.PaidBy::new, field, value);
      case BOOK -> new Meant(new Sought.InBook(value), value);
      case CURRENCY -> currency(value);
      case RATE -> new Meant(new Sought.AtRate(value), value);
      case NO -> number(value);
    };
  }

  /** As a constant is typed: {@code direct-debit}. */
  static String word(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static <E extends Enum<E>> Read oneOf(
      E[] constants, Function<E, Sought> meaning, QueryField field, String value) {
    return Arrays.stream(constants)
        .filter(c -> word(c).equalsIgnoreCase(value))
        .findFirst()
        .<Read>map(c -> new Meant(meaning.apply(c), word(c).replace('-', ' ')))
        .orElseGet(() ->
            new Unread(
                "%s is not known behind %s:. There are %s."
                    .formatted(
                        value,
                        field.word(),
                        Arrays.stream(constants)
                            .map(QueryValues::word)
                            .collect(Collectors.joining(", ")))));
  }

  private static Read currency(String value) {
    try {
      CurrencyUnit currency = Currencies.of(value.toUpperCase(Locale.ROOT), "currency");
      return new Meant(new Sought.InCurrency(currency), currency.getCode());
    } catch (Refusal unknown) {
      return new Unread("%s is not a currency. Type a code such as EUR.".formatted(value));
    }
  }

  private static Read number(String value) {
    String[] ends = value.split("\\.\\.", -1);
    if (ends.length > 2 || !Arrays.stream(ends).allMatch(QueryValues::isNumber)) {
      return new Unread("%s is not a number. Type 933 or 900..933.".formatted(value));
    }
    long first = Long.parseLong(ends[0]);
    long last = Long.parseLong(ends[ends.length - 1]);
    if (last < first) {
      return new Unread("It ends before it begins. Type the smaller number first.");
    }
    return new Meant(
        new Sought.Numbered(first, last), first == last ? ends[0] : ends[0] + " to " + ends[1]);
  }

  private static boolean isNumber(String text) {
    return text.matches("[0-9]{1,%d}".formatted(LONGEST_NUMBER));
  }
}
