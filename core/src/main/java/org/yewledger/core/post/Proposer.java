package org.yewledger.core.post;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.rules.RuleBook;
import org.yewledger.core.rules.RuleLine;
import org.yewledger.core.rules.TellingWords;

/**
 * Works out the proposal for each waiting line from the whole situation, trying the {@linkplain
 * Reason reasons} in order.
 *
 * <p>Cost: what {@link KnownEntries}, {@link OwnTransfers} and {@link RuleBook} say.
 */
public final class Proposer {
  private record OnAccount(UUID accountId, long amountMinor) {}

  private final Situation situation;
  private final Map<OnAccount, List<OpenPosting>> open = new HashMap<>();
  private final Map<Integer, Evidence> known = new HashMap<>();
  private final Map<Integer, Evidence.OtherHalf> halves;
  private final Map<Integer, Evidence.IsDue> due;
  private final Map<UUID, WaitingLine> byId = new HashMap<>();
  private final Map<UUID, Optional<Rule>> rules = new HashMap<>();

  private Proposer(Situation situation) {
    this.situation = situation;
    for (OpenPosting posting : situation.open()) {
      open.computeIfAbsent(
              new OnAccount(posting.accountId(), posting.amountMinor()), a -> new ArrayList<>())
          .add(posting);
    }
    List<WaitingLine> lines = situation.lines();
    lines.forEach(line -> byId.put(line.id(), line));
    var words = new TellingWords();
    Map<Integer, Evidence.StandsInTheBooks> pairs = KnownEntries.of(lines, situation.open(), words);
    known.putAll(pairs);
    known.putAll(KnownGroups.of(lines, situation.open(), pairs, words));
    known.putAll(NearlyKnown.of(lines, situation.open(), known, words));
    List<Integer> free =
        IntStream.range(0, lines.size()).filter(at -> !known.containsKey(at)).boxed().toList();
    halves =
        OwnTransfers.of(lines, free, situation.tails(), situation.rates(), this::isForACategory);
    due = DueLines.of(situation, free.stream().filter(this::isUnexplained).toList(), words);
  }

  /** One proposal for each line, in the order of the lines. */
  public static List<Proposal> proposals(Situation situation) {
    var proposer = new Proposer(situation);
    return IntStream.range(0, situation.lines().size()).mapToObj(proposer::propose).toList();
  }

  private Proposal propose(int place) {
    WaitingLine waiting = situation.lines().get(place);
    Evidence standing = known.get(place);
    if (standing != null) {
      return proposal(waiting, Reason.KNOWN_ENTRY, null, standing);
    }
    Evidence.OtherHalf half = halves.get(place);
    if (half != null) {
      return proposal(waiting, Reason.OWN_TRANSFER, transfer(waiting, half), half);
    }
    Evidence.IsDue expected = due.get(place);
    if (expected != null) {
      Amount amount = waiting.line().amount(waiting.account().currency());
      Booking booking = DueBooking.of(expected.item().schedule(), amount);
      return proposal(waiting, Reason.DUE, booking, expected);
    }
    return rule(waiting)
        .map(rule -> {
          ByRule.Booked booked = ByRule.of(rule, waiting, situation);
          return proposal(waiting, Reason.RULE, booked.booking(), booked.evidence());
        })
        .or(() ->
            lastTime(waiting)
                .map(habit ->
                    proposal(waiting, Reason.LAST_TIME, habit.booking(), habit.evidence())))
        .orElseGet(() -> proposal(waiting, Reason.OPEN_QUESTION, null, new Evidence.None()));
  }

  private boolean isUnexplained(int place) {
    return !halves.containsKey(place) && rule(situation.lines().get(place)).isEmpty();
  }

  private Optional<LastTime.Habit> lastTime(WaitingLine waiting) {
    return situation.pastOf(waiting).flatMap(past -> LastTime.of(waiting, past));
  }

  private String name(WaitingLine waiting) {
    return situation
        .pastOf(waiting)
        .map(Past::payee)
        .orElseGet(() -> LastingWords.name(waiting.line()));
  }

  /** By whom it is with, not by a town behind that; of one book, and in one direction. */
  private String alike(WaitingLine waiting) {
    return String.join(
        "/",
        waiting.account().book().id().toString(),
        waiting.line().amountMinor() < 0 ? "out" : "in",
        situation
            .pastOf(waiting)
            .map(Past::payee)
            .orElseGet(() -> LastingWords.of(waiting.line()).toString()));
  }

  private Proposal proposal(
      WaitingLine waiting, Reason reason, @Nullable Booking booking, Evidence evidence) {
    List<OpenPosting> alternatives =
        OpenPosting.thatMayBe(
            waiting.account().id(),
            waiting.line(),
            open.getOrDefault(
                new OnAccount(waiting.account().id(), waiting.line().amountMinor()), List.of()));
    return new Proposal(
        waiting.id(), reason, booking, evidence, alternatives, name(waiting), alike(waiting));
  }

  private Optional<Rule> rule(WaitingLine waiting) {
    return rules.computeIfAbsent(
        waiting.id(),
        id -> {
          RuleBook book = situation.rules().get(waiting.account().bookId());
          return book == null
              ? Optional.empty()
              : book.firstMatch(RuleLine.of(waiting.account(), waiting.line()));
        });
  }

  /**
   * Whether a rule, or the past of its payee, says that the line is for a category: no transfer.
   */
  private boolean isForACategory(WaitingLine waiting) {
    return rule(waiting).map(rule -> ByRule.isForCategories(rule, situation)).orElse(false)
        || situation.pastOf(waiting).map(Past::isOfCategories).orElse(false);
  }

  /**
   * A rule of the person gives a transfer its name; without one it has that of the other account.
   */
  private Booking transfer(WaitingLine waiting, Evidence.OtherHalf half) {
    WaitingLine twin = Objects.requireNonNull(byId.get(half.twinId()));
    String payee =
        rule(waiting)
            .or(() -> rule(twin))
            .map(rule -> rule.then().payee())
            .filter(name -> !name.isEmpty())
            .orElse(twin.account().name());
    return OwnTransfers.booking(payee, waiting, twin);
  }
}
