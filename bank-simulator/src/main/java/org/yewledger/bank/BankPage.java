package org.yewledger.bank;

import org.springframework.web.util.HtmlUtils;

/** The one layout of all pages of the banks: plain paper, no script. */
final class BankPage {
  private static final String LAYOUT =
      """
      <!doctype html>
      <html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
      <link rel="icon" href="data:,">%s<title>%s</title>
      <link rel="stylesheet" href="/bank.css"></head>
      <body><header>%s<span>stand-in bank</span></header><main><h1>%s</h1>%s</main></body></html>
      """;

  private BankPage() {}

  /** A page of a bank; {@code inside} is HTML already. */
  static String of(String bank, String title, String inside) {
    return LAYOUT.formatted("", text(title), text(bank), text(title), inside);
  }

  /** A page that looks anew every three seconds. */
  static String refreshing(String bank, String title, String inside) {
    return LAYOUT.formatted(
        "<meta http-equiv=\"refresh\" content=\"3\">",
        text(title),
        text(bank),
        text(title),
        inside);
  }

  static String text(String text) {
    return HtmlUtils.htmlEscape(text);
  }
}
