package org.yewledger.formats.mt940;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.mt940.Mt940Fields.Field;

/** Field 61 with the field 86 that may follow it. */
final class Mt940Line {
  private static final Pattern LINE =
      Pattern.compile(
          "(\\d{6})(\\d{4})?(R?[CD])([A-Z])?([\\d,.]+)([NFS][A-Z0-9]{3})([^/]*(?:/[^/]+)*?)(?://(.*))?");

  private Mt940Line() {}

  /**
   * @param information field 86, null if none follows
   */
  static BankLine of(Field field, @Nullable Field information, CurrencyUnit currency) {
    Matcher line = LINE.matcher(field.first().strip());
    if (!line.matches()) {
      throw UnreadableFile.at(
          field.line(), "61", Excerpt.of(field.first()) + " is not a statement line.");
    }
    LocalDate valueOn = date(line.group(1), field.line(), "61");
    var said = Mt940Information.of(information == null ? List.of() : information.lines());
    String supplement =
        field.lines().size() > 1
            ? String.join(" ", field.lines().subList(1, field.lines().size()))
            : "";
    boolean isMemo = said.memo().isEmpty() && said.payee().isEmpty();
    String owner = reference(line.group(7));
    var details = said.details();
    details.add(LineDetail.BANK_REFERENCE, line.group(8) == null ? "" : reference(line.group(8)));
    if (!isMemo) {
      details.add(LineDetail.SUPPLEMENT, supplement);
    }
    if (!said.reference().isEmpty()) {
      details.add(LineDetail.SUPPLEMENT, owner);
    }
    return new BankLine(
        line.group(2) == null ? valueOn : entryDate(line.group(2), valueOn, field.line()),
        valueOn,
        amount(line, currency, field.line()),
        said.payee(),
        isMemo ? supplement : said.memo(),
        said.reference().isEmpty() ? owner : said.reference(),
        line.group(6),
        null, // the bank's reference behind // is not unique with all banks
        information == null ? field.raw() : field.raw() + "\n" + information.raw(),
        field.line(),
        false,
        details.said());
  }

  private static String reference(String owner) {
    String reference = owner.strip();
    return reference.equals("NONREF") ? "" : reference;
  }

  /** RC takes a credit back and so is money out; RD takes a debit back. */
  private static long amount(Matcher line, CurrencyUnit currency, int number) {
    long minor = minor(line.group(5), currency, number, "61");
    return switch (line.group(3)) {
      case "C", "RD" -> minor;
      default -> -minor;
    };
  }

  /** Digits with a comma before the decimals, which may be none. */
  static long minor(String text, CurrencyUnit currency, int number, String tag) {
    return DecimalText.toMinor(text, currency, number, tag);
  }

  /** YYMMDD; no bank file is older than this century. */
  static LocalDate date(String text, int number, String tag) {
    try {
      return LocalDate.of(
          2000 + Integer.parseInt(text.substring(0, 2)),
          Integer.parseInt(text.substring(2, 4)),
          Integer.parseInt(text.substring(4, 6)));
    } catch (DateTimeException e) {
      throw UnreadableFile.at(number, tag, Excerpt.of(text) + " is not a day of the calendar.");
    }
  }

  /** MMDD without a year: that which is nearest to the value date. */
  private static LocalDate entryDate(String text, LocalDate valueOn, int number) {
    int month = Integer.parseInt(text.substring(0, 2));
    int day = Integer.parseInt(text.substring(2));
    int year = valueOn.getYear();
    if (month == 12 && valueOn.getMonthValue() == 1) {
      year--;
    } else if (month == 1 && valueOn.getMonthValue() == 12) {
      year++;
    }
    try {
      return LocalDate.of(year, month, day);
    } catch (DateTimeException e) {
      throw UnreadableFile.at(number, "61", Excerpt.of(text) + " is not a day of the calendar.");
    }
  }
}
