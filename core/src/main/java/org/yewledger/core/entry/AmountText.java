package org.yewledger.core.entry;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Currencies;

/**
 * Reads an amount as people type it: with a decimal point or comma, with or without marks between
 * thousands, as a sum such as {@code 3*12.50+4}, with a currency code where one may be given. A
 * result of multiplying or dividing is rounded half to even at the currency's decimals; anything
 * else has to fit them. {@code 1.234} may be over a thousand or a little over one: unless the
 * person's own formats settle it, it is asked. The cost is that of a short text.
 */
public final class AmountText {
  private static final int LONGEST = 60;
  private static final Pattern CODE_BEFORE = Pattern.compile("([A-Z]{3}|[\u20ac\u00a3])\\s*(.+)");
  private static final Pattern CODE_BEHIND = Pattern.compile("(.+?)\\s*([A-Z]{3}|[\u20ac\u00a3])");
  private static final Pattern HAS_DIGIT = Pattern.compile("\\d");
  private static final Pattern SIGNED = Pattern.compile("[+\\-\u2212]");
  private static final Pattern IN_BRACKETS = Pattern.compile("\\(([^()+*/]+)\\)");

  private AmountText() {}

  /** Of an account or a book, whose currency it has to be. */
  public static Typed<Amount> read(String typed, CurrencyUnit currency, Formats formats) {
    return read(typed, currency, formats, false);
  }

  /**
   * @param currency that it is in, unless it says another one
   * @param mayBeOther whether it may say another one
   */
  public static Typed<Amount> read(
      String typed, CurrencyUnit currency, Formats formats, boolean mayBeOther) {
    String text = typed.strip().toUpperCase(Locale.ROOT);
    if (text.length() > LONGEST || !HAS_DIGIT.matcher(text).find()) {
      return unreadable(typed);
    }
    CurrencyUnit said = currency;
    for (Pattern pattern : List.of(CODE_BEFORE, CODE_BEHIND)) {
      Matcher matcher = pattern.matcher(text);
      if (matcher.matches()) {
        String code = matcher.group(pattern == CODE_BEFORE ? 1 : 2);
        CurrencyUnit found = currency(code);
        if (found == null) {
          return new Typed.Unreadable<>("%s is not a currency.".formatted(code));
        }
        if (!mayBeOther && !found.equals(currency)) {
          return new Typed.Unreadable<>("An amount in %s is needed here.".formatted(currency));
        }
        said = found;
        text = matcher.group(pattern == CODE_BEFORE ? 2 : 1);
        break;
      }
    }
    return inCurrency(typed, text, said, formats);
  }

  /**
   * A part of a whole, such as of a bank line that is split: without a sign it goes the way of the
   * whole, with one it is what it says. Of {@code −50.00}, {@code 20} is {@code −20.00} and {@code
   * +20} is {@code +20.00}.
   */
  public static Typed<Amount> partOf(String typed, Amount whole, Formats formats) {
    Typed<Amount> read = read(typed, whole.currency(), formats, false);
    if (whole.sign() >= 0 || SIGNED.matcher(typed.strip()).lookingAt()) {
      return read;
    }
    return switch (read) {
      case Typed.Means<Amount>(Amount amount) -> new Typed.Means<>(amount.negated());
      case Typed.Unclear<Amount>(String question, List<Amount> choices) ->
          new Typed.Unclear<>(question, choices.stream().map(Amount::negated).toList());
      case Typed.Unreadable<Amount> unreadable -> unreadable;
    };
  }

  private static Typed<Amount> inCurrency(
      String typed, String text, CurrencyUnit currency, Formats formats) {
    Matcher brackets = IN_BRACKETS.matcher(text);
    if (brackets.matches()
        && inCurrency(typed, brackets.group(1), currency, formats)
            instanceof Typed.Means<Amount>(Amount amount)
        && amount.sign() != 0) {
      return new Typed.Unclear<>(
          "Brackets may mean a minus. Which is it?", List.of(amount.negated(), amount));
    }
    try {
      return choose(typed, text, currency, formats);
    } catch (ArithmeticException e) {
      return new Typed.Unreadable<>("Nothing can be divided by zero.");
    } catch (Refusal refusal) {
      return new Typed.Unreadable<>(refusal.getMessage());
    }
  }

  /** Reads marks that may be either as decimals and as thousands, and asks if it matters. */
  private static Typed<Amount> choose(
      String typed, String text, CurrencyUnit currency, Formats formats) {
    var asThousands = new Sum(text, currency.getDecimalPlaces(), formats, true);
    BigDecimal whole = asThousands.value();
    if (whole == null) {
      return unreadable(typed);
    }
    if (!asThousands.isUnclear()) {
      return new Typed.Means<>(amount(whole, asThousands, currency));
    }
    var choices = new ArrayList<Amount>();
    choices.add(amount(whole, asThousands, currency));
    var asDecimals = new Sum(text, currency.getDecimalPlaces(), formats, false);
    BigDecimal small = asDecimals.value();
    if (small != null) {
      Amount rounded = Amount.of(rounded(small, currency), currency);
      if (!choices.contains(rounded)) {
        choices.add(rounded);
      }
    }
    return new Typed.Unclear<>(
        "%s can be read in more than one way. Which is it?".formatted(DayText.shortened(typed)),
        choices);
  }

  private static Amount amount(BigDecimal value, Sum sum, CurrencyUnit currency) {
    return Amount.of(sum.isRounded() ? rounded(value, currency) : value, currency);
  }

  private static BigDecimal rounded(BigDecimal value, CurrencyUnit currency) {
    return value.setScale(currency.getDecimalPlaces(), RoundingMode.HALF_EVEN);
  }

  private static @Nullable CurrencyUnit currency(String code) {
    String name = code.equals("\u20ac") ? "EUR" : code.equals("\u00a3") ? "GBP" : code;
    try {
      return Currencies.of(name, "currency");
    } catch (Refusal unknown) {
      return null;
    }
  }

  private static Typed<Amount> unreadable(String typed) {
    return new Typed.Unreadable<>(
        "%s is not an amount. Type digits, a decimal mark, or a sum such as 3*12.50+4."
            .formatted(DayText.shortened(typed)));
  }
}
