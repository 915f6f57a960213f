package org.yewledger.app;

import org.yewledger.core.ledger.Account;

/** Rules as the API takes them. */
final class RuleDrafts {
  private RuleDrafts() {}

  /** For the lines with the words, paid out, of the account's book. */
  static String out(String words, String payee, Account to) {
    return draft(
        to,
        all(text("HAS_WORDS", words), "{\"kind\":\"WAY\",\"direction\":\"OUT\"}"),
        payee,
        "{\"accountId\":\"%s\"}".formatted(to.id()),
        "");
  }

  static String all(String... conditions) {
    return "{\"kind\":\"ALL\",\"parts\":[%s]}".formatted(String.join(",", conditions));
  }

  static String text(String match, String text) {
    return "{\"kind\":\"TEXT\",\"place\":\"ANY\",\"match\":\"%s\",\"text\":\"%s\"}"
        .formatted(match, text);
  }

  /**
   * @param more fields of the draft, each with a comma before it
   */
  static String draft(Account of, String when, String payee, String shares, String more) {
    return """
    {"bookId":"%s","when":%s,"payee":"%s","shares":[%s],"tags":[],"note":"","on":true%s}\
    """
        .formatted(of.bookId(), when, payee, shares, more)
        .strip();
  }

  /**
   * @param size a comma and the field that says it; empty for the rest
   */
  static String share(Account account, String size) {
    return "{\"accountId\":\"%s\"%s}".formatted(account.id(), size);
  }
}
