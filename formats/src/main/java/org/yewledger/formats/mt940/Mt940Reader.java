package org.yewledger.formats.mt940;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.CollectedStatements;
import org.yewledger.formats.CurrencyText;
import org.yewledger.formats.Excerpt;
import org.yewledger.formats.StatementSink;
import org.yewledger.formats.TextDecoding;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.mt940.Mt940Fields.Field;

/**
 * Reads SWIFT MT940 after the SWIFT user handbook, category 9: fields 25, 60, 61, 86, 62 and 64,
 * with or without the blocks of the network around them, any number of statements. A statement over
 * several pages (60M, 62M) is read as one. Opening and closing are held against the lines, and the
 * pages against each other: {@link BankStatement#discrepancies}.
 */
public final class Mt940Reader {
  private static final Pattern BALANCE = Pattern.compile("([CD])(\\d{6})([A-Z]{3})([\\d,.]+)");

  private final StatementSink sink;
  private @Nullable Page page;

  private Mt940Reader(StatementSink sink) {
    this.sink = sink;
  }

  /** One statement, as far as it was read. */
  private static final class Page {
    private final Field account;
    private final List<BankLine> lines = new ArrayList<>();
    private @Nullable Balance opening;
    private @Nullable Balance closing;
    private @Nullable Balance available;

    Page(Field account) {
      this.account = account;
    }

    CurrencyUnit currency(Field needed) {
      if (opening == null) {
        throw UnreadableFile.at(
            needed.line(), needed.tag(), "an opening balance, field 60F, has to stand before it.");
      }
      return opening.amount().currency();
    }
  }

  /**
   * @return one statement per account in the file; never empty
   * @throws UnreadableFile with line and field
   */
  public static List<BankStatement> read(byte[] bytes) {
    String text =
        TextDecoding.strictly(bytes, TextDecoding.guess(bytes), "the file seems to be written in");
    var collected = new CollectedStatements();
    new Mt940Reader(collected).fields(Mt940Fields.of(text));
    return collected.joined("MT940");
  }

  private void fields(List<Field> fields) {
    for (int i = 0; i < fields.size(); i++) {
      Field field = fields.get(i);
      Field next = i + 1 < fields.size() ? fields.get(i + 1) : null;
      take(field, next != null && next.tag().equals("86") ? next : null);
    }
    finish();
  }

  private void take(Field field, @Nullable Field information) {
    switch (field.tag()) {
      case "25", "25P" -> begin(field);
      case "60F", "60M" -> {
        open(field).opening = balance(field);
      }
      case "61" -> {
        Page here = open(field);
        here.lines.add(Mt940Line.of(field, information, here.currency(field)));
      }
      case "62F", "62M" -> close(field);
      case "64" -> available(field);
      default -> {} // 20, 21, 28C, 65, 86 of the statement as a whole
    }
  }

  private void begin(Field field) {
    finish();
    if (field.first().isBlank()) {
      throw UnreadableFile.at(field.line(), "25", "the statement names no account.");
    }
    page = new Page(field);
  }

  private Page open(Field field) {
    if (page == null) {
      throw UnreadableFile.at(
          field.line(), field.tag(), "stands outside of a statement; field 25 begins one.");
    }
    return page;
  }

  private void close(Field field) {
    Page done = open(field);
    done.closing = balanceOf(done, field);
  }

  private void available(Field field) {
    Page done = open(field);
    done.available = balanceOf(done, field);
  }

  private static Balance balanceOf(Page page, Field field) {
    Balance balance = balance(field);
    if (!balance.amount().currency().equals(page.currency(field))) {
      throw UnreadableFile.at(
          field.line(), field.tag(), "is in another currency than the statement opened in.");
    }
    return balance;
  }

  /** Hands the statement on; what may stand behind its closing balance has been read. */
  private void finish() {
    Page done = page;
    if (done == null) {
      return;
    }
    Balance opening = done.opening;
    Balance closing = done.closing;
    if (opening == null || closing == null) {
      throw UnreadableFile.at(
          done.account.line(),
          "25",
          "the statement has no closing balance, field 62F. The file may be cut off; export it again.");
    }
    sink.begin(number(done.account.first()), opening.amount().currency());
    done.lines.forEach(sink::line);
    sink.end(new StatementSink.Ending(closing, opening.amount(), done.available, null, List.of()));
    page = null;
  }

  /** Some banks put their currency behind the number, or their own code before a slash. */
  private static String number(String account) {
    String number = account.strip().replaceFirst("\\s*[A-Z]{3}$", "");
    return number.substring(number.lastIndexOf('/') + 1);
  }

  private static Balance balance(Field field) {
    Matcher balance = BALANCE.matcher(field.first().strip());
    if (!balance.matches()) {
      throw UnreadableFile.at(
          field.line(), field.tag(), Excerpt.of(field.first()) + " is not a balance.");
    }
    CurrencyUnit currency = CurrencyText.currency(balance.group(3), field.line(), field.tag());
    long minor = Mt940Line.minor(balance.group(4), currency, field.line(), field.tag());
    return new Balance(
        Mt940Line.date(balance.group(2), field.line(), field.tag()),
        Amount.ofMinor(balance.group(1).equals("C") ? minor : -minor, currency));
  }
}
