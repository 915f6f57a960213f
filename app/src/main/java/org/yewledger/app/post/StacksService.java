package org.yewledger.app.post;

import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.LedgerService;
import org.yewledger.app.post.PostJson.StackJson;
import org.yewledger.app.post.PostJson.StacksJson;
import org.yewledger.app.post.PostJson.SumJson;
import org.yewledger.app.post.WaitingLines.Waiting;
import org.yewledger.app.rules.RuleEntity;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;
import org.yewledger.core.post.Reason;
import org.yewledger.core.text.PlainText;

/** The waiting lines stacked by reason, each proposal as the entry that it would become. */
@Service
class StacksService {
  private static final int LINES_PER_STACK = 500;

  private final ShownLines shownLines;
  private final ChartService charts;
  private final WaitingLines waitingLines;
  private final RuleService rules;
  private final LedgerService ledgers;

  StacksService(
      ShownLines shownLines,
      ChartService charts,
      WaitingLines waitingLines,
      RuleService rules,
      LedgerService ledgers) {
    this.shownLines = shownLines;
    this.charts = charts;
    this.waitingLines = waitingLines;
    this.rules = rules;
    this.ledgers = ledgers;
  }

  /**
   * A page of a stack.
   *
   * @param of which stack; null for none
   * @param page from 1 on; the last one if there are fewer
   */
  record Paged(@Nullable Reason of, int page) {}

  /**
   * The lines of a reason.
   *
   * @param page which of its pages is shown, from 1 on
   */
  private record Stack(Reason reason, List<Waiting> lines, int page) {
    static Stack of(Reason reason, List<Waiting> lines, Paged paged) {
      return new Stack(
          reason, lines, reason == paged.of() ? Math.min(paged.page(), pages(lines)) : 1);
    }

    private static int pages(List<Waiting> lines) {
      return (lines.size() + LINES_PER_STACK - 1) / LINES_PER_STACK;
    }

    List<Waiting> shown() {
      return lines.stream()
          .skip((page - 1) * (long) LINES_PER_STACK)
          .limit(LINES_PER_STACK)
          .toList();
    }
  }

  /** In which order the lines of a stack stand. */
  enum Order {
    DATE,
    /** The largest first, whichever way it goes. */
    AMOUNT,
    TEXT;

    private Comparator<Waiting> comparator() {
      return switch (this) {
        case DATE -> Comparator.comparing(w -> w.line().bookedOn());
        case AMOUNT ->
            Comparator.comparing((Waiting w) -> Math.abs(w.line().amountMinor())).reversed();
        case TEXT -> Comparator.comparing(w -> PlainText.of(w.line().text()));
      };
    }
  }

  /**
   * @param text words that have to stand in a line's texts, its account, its amount, its reason or
   *     the payee that is proposed; empty for all lines
   * @param paged which lines of the stack that is leafed through are shown; of the others, the
   *     first ones
   */
  @Transactional(readOnly = true)
  StacksJson stacks(@Nullable UUID bookId, String text, Order order, Paged paged) {
    Chart chart = charts.chart();
    List<Waiting> every = waitingLines.all(chart, null);
    List<String> words = List.of(PlainText.of(text).strip().split("\\s+"));
    List<Waiting> all =
        every.stream()
            .filter(w -> bookId == null || w.account().bookId().equals(bookId))
            .filter(w -> text.isBlank() || words.stream().allMatch(findable(w)::contains))
            .sorted(order.comparator())
            .toList();
    // The other half of a transfer may belong to another book than is looked at.
    Map<UUID, Waiting> byId = every.stream().collect(Collectors.toMap(w -> w.row().id(), w -> w));
    var page = new ShownLines.Page(chart, ledgers.ledger(chart), ruleNumbers(), byId);
    List<Stack> stacks = stacks(all, paged);
    shownLines.readAhead(stacks.stream().flatMap(stack -> stack.shown().stream()).toList());
    int accounts = (int) all.stream().map(w -> w.account().id()).distinct().count();
    int sure = (int) all.stream().filter(w -> w.proposal().isSure()).count();
    int open = (int) all.stream().filter(w -> w.reason() == Reason.OPEN_QUESTION).count();
    return new StacksJson(
        all.size(),
        sure,
        all.size() - sure - open,
        sums(all),
        accounts,
        stacks.stream().map(stack -> json(stack, page)).toList());
  }

  /** What a line is found by. */
  private static String findable(Waiting w) {
    Booking booking = w.proposal().booking();
    return PlainText.of(
        String.join(
            "\n",
            w.line().text(),
            w.line().reference(),
            w.account().name(),
            w.line().amount(w.account().currency()).decimal().toPlainString(),
            w.reason().name().replace('_', ' '),
            booking == null ? "" : booking.payee()));
  }

  /** In the fixed order of the reasons. */
  private static List<Stack> stacks(List<Waiting> lines, Paged paged) {
    Map<Reason, List<Waiting>> byReason =
        lines.stream()
            .collect(
                Collectors.groupingBy(
                    Waiting::reason, () -> new EnumMap<>(Reason.class), Collectors.toList()));
    return byReason.entrySet().stream()
        .map(of -> Stack.of(of.getKey(), of.getValue(), paged))
        .toList();
  }

  private Map<UUID, Integer> ruleNumbers() {
    Map<UUID, Integer> numbers = new HashMap<>();
    List<RuleEntity> inOrder = rules.inOrder();
    for (int i = 0; i < inOrder.size(); i++) {
      numbers.put(inOrder.get(i).id(), i + 1);
    }
    return numbers;
  }

  private StackJson json(Stack stack, ShownLines.Page page) {
    return new StackJson(
        stack.reason(),
        stack.lines().size(),
        sums(stack.lines()),
        stack.page(),
        Stack.pages(stack.lines()),
        stack.shown().stream().map(w -> shownLines.of(w, page)).toList());
  }

  private static List<SumJson> sums(List<Waiting> lines) {
    Map<CurrencyUnit, Long> byCurrency = new TreeMap<>();
    lines.forEach(w -> byCurrency.merge(w.account().currency(), w.line().amountMinor(), Long::sum));
    return byCurrency.entrySet().stream()
        .map(e ->
            new SumJson(e.getKey().getCode(), Amount.ofMinor(e.getValue(), e.getKey()).decimal()))
        .toList();
  }
}
