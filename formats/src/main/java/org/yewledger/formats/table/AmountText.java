package org.yewledger.formats.table;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.CurrencySign;
import org.yewledger.formats.table.TableLayout.DecimalMark;

/**
 * An amount as people and spreadsheets write it, taken apart: a sign in front, behind or as
 * parentheses, a currency's sign or code on either side, and digits with marks between them.
 *
 * @param digits the digits with their marks
 * @param isNegative whether a minus or parentheses stand around it
 * @param currency the sign or code beside it, empty if there is none
 */
record AmountText(String digits, boolean isNegative, String currency) {
  private static final int LONGEST = 40;

  /** Most cells, which need no taking apart. */
  private static final Pattern PLAIN = Pattern.compile("-?\\d[\\d.,]*");

  private static final Set<String> CODES =
      CurrencyUnit.registeredCurrencies().stream()
          .map(CurrencyUnit::getCode)
          .collect(Collectors.toUnmodifiableSet());
  private static final Pattern MINUS = Pattern.compile("[\u2010-\u2015\u2212\ufe63\uff0d]");
  private static final Pattern SPACE = Pattern.compile("[\\s\u00a0\u2007-\u200a\u202f\u205f]+");
  private static final Pattern APOSTROPHE = Pattern.compile("[\u2019\u02bc\u00b4`]");
  private static final Pattern BESIDE =
      Pattern.compile("(?<front>[+\\-]|\\p{Sc}|[A-Za-z]{3}(?![A-Za-z]))|(?<rest>.*)");
  private static final Pattern BEHIND =
      Pattern.compile("(?:[+\\-]|\\p{Sc}|(?<![A-Za-z])(?:[A-Za-z]{3}|[CDcd][Rr]))$");
  private static final Pattern DIGITS = Pattern.compile("[\\d.,' ]*(?:[Ee][+\\-]?\\d{1,3})?");
  private static final Pattern WITH_POINT = pattern(",' ", "\\.");
  private static final Pattern WITH_COMMA = pattern(".' ", ",");

  /** Groups of three with one mark throughout, or of two as in India; or no groups at all. */
  private static Pattern pattern(String grouping, String decimal) {
    String mark = "[" + grouping + "]";
    return Pattern.compile(
        "(?:\\d{1,3}(?<mark>%1$s)\\d{3}(?:\\k<mark>\\d{3})*|\\d{1,2}(?:%2$s\\d{2})+%2$s\\d{3}|\\d+)?(?:%3$s\\d*)?(?:[Ee][+\\-]?\\d{1,3})?"
            .formatted(mark, Pattern.quote(grouping.substring(0, 1)), decimal));
  }

  /** Empty if the cell is no amount, whatever its decimal mark. */
  static Optional<AmountText> of(String cell) {
    if (cell.length() > LONGEST || cell.isEmpty()) {
      return Optional.empty();
    }
    if (PLAIN.matcher(cell).matches()) {
      boolean isNegative = cell.charAt(0) == '-';
      return checked(new AmountText(isNegative ? cell.substring(1) : cell, isNegative, ""));
    }
    String text = SPACE.matcher(MINUS.matcher(cell).replaceAll("-")).replaceAll(" ").strip();
    text = APOSTROPHE.matcher(text).replaceAll("'");
    boolean inParentheses = text.startsWith("(") && text.endsWith(")");
    var parts = new Parts(inParentheses ? text.substring(1, text.length() - 1).strip() : text);
    if (!parts.takeApart() || inParentheses && parts.sign != 0) {
      return Optional.empty();
    }
    return checked(new AmountText(parts.rest, inParentheses || parts.sign < 0, parts.currency));
  }

  private static Optional<AmountText> checked(AmountText amount) {
    boolean isAmount =
        amount.plain(DecimalMark.POINT) != null || amount.plain(DecimalMark.COMMA) != null;
    return isAmount ? Optional.of(amount) : Optional.empty();
  }

  /** What stands around the digits, each kind once at most. */
  private static final class Parts {
    private String rest;
    private int sign;
    private String currency = "";

    Parts(String text) {
      this.rest = text;
    }

    boolean takeApart() {
      for (Matcher front = BESIDE.matcher(rest);
          front.lookingAt() && front.group("front") != null;
          front = BESIDE.matcher(rest)) {
        if (!take(front.group("front"))) {
          return false;
        }
        rest = rest.substring(front.end("front")).strip();
      }
      for (Matcher behind = BEHIND.matcher(rest); behind.find(); behind = BEHIND.matcher(rest)) {
        if (!take(behind.group())) {
          return false;
        }
        rest = rest.substring(0, behind.start()).strip();
      }
      return DIGITS.matcher(rest).matches() && rest.chars().anyMatch(Character::isDigit);
    }

    private boolean take(String part) {
      if (part.equals("-") || part.equals("+")) {
        boolean first = sign == 0;
        sign = part.equals("-") ? -1 : 1;
        return first;
      }
      if (part.length() == 2) { // DR is a debit of the account's owner, CR a credit
        boolean first = sign == 0;
        sign = Character.toUpperCase(part.charAt(0)) == 'D' ? -1 : 1;
        return first;
      }
      boolean first = currency.isEmpty();
      currency = part.toUpperCase(Locale.ROOT);
      return first && (part.length() == 1 || CODES.contains(currency));
    }
  }

  /**
   * The amount with a decimal point, without marks between thousands, and with its sign in front;
   * null if it is none with this decimal mark.
   */
  @Nullable String plain(DecimalMark mark) {
    boolean comma = mark == DecimalMark.COMMA;
    if (!(comma ? WITH_COMMA : WITH_POINT).matcher(digits).matches()
        || !Character.isDigit(lastOfMantissa())) {
      return null;
    }
    String ungrouped = digits.replaceAll(comma ? "[.' ]" : "[,' ]", "").replace(',', '.');
    String plain = ungrouped.replaceFirst("\\.(?=$|[Ee])", "");
    return isNegative ? "-" + plain : plain;
  }

  /** A mark at the end, as in 150000., is a digit's neighbour; a mark alone is nothing. */
  private char lastOfMantissa() {
    String mantissa = digits.replaceFirst("[Ee].*", "").replaceFirst("[.,]$", "");
    return mantissa.isEmpty() ? ' ' : mantissa.charAt(mantissa.length() - 1);
  }

  /** How many decimals it has with this mark. */
  int decimals(DecimalMark mark) {
    int at = digits.lastIndexOf(mark == DecimalMark.COMMA ? ',' : '.');
    return at < 0 ? 0 : digits.length() - at - 1;
  }

  /** Whether the sign or code beside the amount may mean this currency. */
  boolean mayBeIn(CurrencyUnit unit) {
    return CurrencySign.mayMean(currency, unit);
  }
}
