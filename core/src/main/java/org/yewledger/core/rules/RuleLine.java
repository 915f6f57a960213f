package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.core.gather.LineKey;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.text.PlainText;

/**
 * A bank line made ready to be tried by rules: its texts as words once, each text by itself, so
 * that a phrase does not run over two of them.
 */
public final class RuleLine {
  private static final Pattern SPACES = Pattern.compile("\\s+");

  private final UUID accountId;
  private final int decimals;
  private final BankLine line;

  /** The words of each text between spaces, one text after another, and the account number. */
  private final String words;

  private RuleLine(UUID accountId, int decimals, BankLine line) {
    this.accountId = accountId;
    this.decimals = decimals;
    this.line = line;
    var all = new StringBuilder();
    Stream.concat(
            Stream.of(line.payee(), line.memo(), line.reference(), line.type()),
            line.details().values().stream())
        .filter(text -> !text.isEmpty())
        .forEach(text -> all.append(' ').append(Words.of(text)).append(" \n"));
    String number = counterpartyAccount();
    words = number.isEmpty() ? all.toString() : all.append(number).toString();
  }

  /** Cost: linear in the line's texts. */
  public static RuleLine of(Account account, BankLine line) {
    return new RuleLine(account.id(), account.currency().getDecimalPlaces(), line);
  }

  public UUID accountId() {
    return accountId;
  }

  public BankLine line() {
    return line;
  }

  /** What it moves, without its sign, in the currency of its account. */
  BigDecimal size() {
    return BigDecimal.valueOf(line.amountMinor(), decimals).abs();
  }

  /** What literals are looked for in; see {@link Literals}. */
  String words() {
    return words;
  }

  /** The texts of a place in capitals, without accents, with single spaces; never an empty one. */
  List<String> plain(TextPlace place) {
    return texts(place).filter(text -> !text.isEmpty()).map(RuleLine::plain).toList();
  }

  /** The texts of a place as the bank wrote them, with single spaces; never an empty one. */
  Stream<String> raw(TextPlace place) {
    return texts(place).filter(text -> !text.isEmpty()).map(RuleLine::singleSpaced);
  }

  private Stream<String> texts(TextPlace place) {
    return switch (place) {
      case ANY ->
          Stream.concat(
              Stream.of(line.payee(), line.memo(), line.reference(), line.type()),
              line.details().values().stream());
      case PAYEE -> Stream.of(line.payee());
      case MEMO -> Stream.of(line.memo());
      case REFERENCE -> Stream.of(line.reference());
      case TYPE -> Stream.of(line.type());
      case COUNTERPARTY_ACCOUNT -> Stream.of(counterpartyAccount());
    };
  }

  private String counterpartyAccount() {
    return LineKey.even(line.details().getOrDefault(LineDetail.COUNTERPARTY_ACCOUNT, ""));
  }

  static String plain(String text) {
    return singleSpaced(PlainText.of(text));
  }

  private static String singleSpaced(String text) {
    return SPACES.matcher(text.strip()).replaceAll(" ");
  }
}
