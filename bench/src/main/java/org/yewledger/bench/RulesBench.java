package org.yewledger.bench;

import java.sql.Connection;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.Division;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.rules.RuleLine;
import org.yewledger.core.rules.TextMatch;
import org.yewledger.core.rules.TextPlace;

/**
 * Many rules tried on many lines, in the core alone, and a rule tried before it is saved, over the
 * API. Baselines: few rules, and each rule on each line in turn.
 */
final class RulesBench {
  private static final int LINES = 100_000;
  private static final int IN_TURN = 1_000;
  private static final int RUNS = 7;

  private RulesBench() {}

  static void run() throws Exception {
    List<RuleLine> lines = lines();
    List<Rule> many = rules(2_000);
    var fewTried = new RuleBook(rules(20));
    var manyTried = new RuleBook(many);
    Timing.Pair indexed =
        Timing.medianMillis(
            3, RUNS, () -> matches(manyTried, lines), () -> matches(fewTried, lines));
    List<RuleLine> some = lines.subList(0, IN_TURN);
    double inTurn = Timing.medianMillis(1, 3, () -> matchesInTurn(many, some)) * LINES / IN_TURN;
    Bench.figure("rules-2000-over-100000-lines", indexed.first(), "ms", ">= 0");
    Bench.figure("rules-2000-times-20", indexed.ratio(), "ratio", "<= 2");
    Bench.figure("rules-in-turn-times-indexed", inTurn / indexed.first(), "ratio", ">= 50");
    trial();
  }

  /** A rule tried on a year of 100,000 lines, half of which wait and a tenth of which it fits. */
  private static void trial() throws Exception {
    try (var application = new RunningApplication();
        Connection database = ImportBench.asOwner()) {
      ImportBench.Keeper keeper = ImportBench.keeper(application, database, "Rules");
      ImportBench.takeIn(keeper, ofx());
      UUID category = PostBench.category(database, keeper.account());
      UUID book = book(database, keeper.account());
      int[] next = {0};
      double millis =
          Timing.medianMillis(
              20,
              () ->
                  keeper
                      .window()
                      .post("/api/rules/trial", draft(book, category, "SHOP" + 7 * ++next[0])));
      Bench.figure("rule-trial-over-100000-lines", millis, "ms", "<= 150");
    }
  }

  private static String draft(UUID book, UUID category, String text) {
    return """
    {"draft":{"bookId":"%s","when":{"kind":"ALL","parts":[{"kind":"TEXT","place":"ANY","match":"CONTAINS","text":"%s"}]},\
    "payee":"","shares":[{"accountId":"%s"}],"tags":[],"note":"","on":true}}\
    """
        .formatted(book, text, category);
  }

  private static UUID book(Connection database, UUID account) throws Exception {
    try (var sql = database.createStatement();
        var rows = sql.executeQuery("select book_id from account where id = '" + account + "'")) {
      rows.next();
      return rows.getObject(1, UUID.class);
    }
  }

  /** As the import's file, within one year. */
  private static byte[] ofx() {
    String text = new String(ImportBench.ofx(LINES, 5), java.nio.charset.StandardCharsets.US_ASCII);
    var random = new Random(6);
    return java.util.regex.Pattern.compile("<DTPOSTED>\\d{8}")
        .matcher(text)
        .replaceAll(m ->
            "<DTPOSTED>"
                + LocalDate.of(2026, 1, 1)
                    .plusDays(random.nextInt(360))
                    .toString()
                    .replace("-", ""))
        .getBytes(java.nio.charset.StandardCharsets.US_ASCII);
  }

  private static long matches(RuleBook book, List<RuleLine> lines) {
    return lines.stream().filter(line -> book.firstMatch(line).isPresent()).count();
  }

  private static long matchesInTurn(List<Rule> rules, List<RuleLine> lines) {
    return lines.stream().filter(line -> rules.stream().anyMatch(rule -> rule.fits(line))).count();
  }

  private static List<Rule> rules(int count) {
    var rules = new ArrayList<Rule>(count);
    var direction = new Condition.Way(Condition.Direction.OUT);
    for (int i = 0; i < count; i++) {
      Condition text =
          switch (i % 4) {
            case 0 -> Condition.Text.of(TextPlace.ANY, TextMatch.HAS_WORDS, "SHOP" + i + " ELLERY");
            case 1 -> Condition.Text.of(TextPlace.PAYEE, TextMatch.STARTS, "SHOP" + i + " ");
            case 2 -> Condition.Text.of(TextPlace.ANY, TextMatch.CONTAINS, "HOP" + i + " ELL");
            default -> Condition.Text.of(TextPlace.MEMO, TextMatch.HAS_WORDS, "ORDER " + i);
          };
      rules.add(
          new Rule(
              new UUID(3, i),
              new UUID(0, 1),
              new Condition.All(List.of(text, direction)),
              new Rule.Then("", Division.wholeTo(new UUID(4, i)), List.of(), ""),
              true,
              null));
    }
    return rules;
  }

  private static List<RuleLine> lines() {
    var random = new Random(45);
    Account account = MatchBench.account();
    var lines = new ArrayList<RuleLine>(LINES);
    for (int i = 0; i < LINES; i++) {
      var line =
          new BankLine(
              LocalDate.of(2026, 1, 1).plusDays(i % 360),
              null,
              -1 - random.nextInt(20_000),
              "SHOP" + random.nextInt(4_000) + " ELLERY HIGH STREET",
              "CARD " + random.nextInt(100) + " ORDER " + random.nextInt(8_000),
              "R" + i,
              "POS",
              null,
              "",
              i);
      lines.add(RuleLine.of(account, line));
    }
    return lines;
  }
}
