package org.yewledger.core.reconcile;

import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;

/**
 * Where a statement that agreed and was opened again parts from what was agreed: the later
 * statements of its account begin with a balance that its postings do not make any more.
 *
 * @param breaks in the order of what was agreed, what was added since at the end
 * @param apart what they come to: what is ticked now, less what was agreed
 */
public record ChainBreaks(List<Break> breaks, Amount apart) {
  /** What became of a posting. */
  public enum How {
    /** It is ticked no more. */
    UNTICKED,
    /** Its amount is another, ticked or not. */
    AMOUNT,
    /** Its day is another, ticked or not. */
    DAY,
    /** It stands on another account. */
    ELSEWHERE,
    /** It is not in the books any more. */
    GONE,
    /** It was not among what was agreed. */
    ADDED
  }

  /** A posting as it was agreed; an entry keeps its number whatever becomes of it. */
  public record Agreed(UUID postingId, long entryNo, LocalDate date, Amount amount) {}

  /**
   * A posting as it is now.
   *
   * @param onAccount whether it stands on the statement's account, or a set-aside in it
   * @param ticked whether it is ticked for the statement
   */
  public record Now(
      UUID postingId,
      long entryNo,
      LocalDate date,
      Amount amount,
      boolean onAccount,
      boolean ticked) {
    private Amount counted() {
      return onAccount && ticked ? amount : Amount.zero(amount.currency());
    }
  }

  /**
   * One posting that is not as it was.
   *
   * @param agreed null for one that was added
   * @param now null for one that is gone
   * @param change what it changes in what is ticked
   */
  public record Break(
      UUID postingId, How how, @Nullable Agreed agreed, @Nullable Now now, Amount change) {}

  public ChainBreaks {
    breaks = List.copyOf(breaks);
  }

  /**
   * An entry that is corrected gets new postings: one that is not found by its identity is looked
   * for in its entry.
   *
   * @param agreed all that was agreed
   * @param now the postings of those entries as they are now, and all that is ticked now
   */
  public static ChainBreaks of(CurrencyUnit currency, List<Agreed> agreed, List<Now> now) {
    Map<UUID, Now> found = counterparts(agreed, now);
    Set<Long> entries = now.stream().map(Now::entryNo).collect(Collectors.toSet());
    Stream<Break> changed =
        agreed.stream()
            .flatMap(was ->
                between(was, found.get(was.postingId()), entries.contains(was.entryNo())).stream());
    Stream<Break> added =
        now.stream()
            .filter(one -> one.onAccount() && one.ticked() && !found.containsValue(one))
            .map(one -> new Break(one.postingId(), How.ADDED, null, one, one.amount()));
    List<Break> breaks = Stream.concat(changed, added).toList();
    return new ChainBreaks(
        breaks, Amount.sum(currency, breaks.stream().map(Break::change).toList()));
  }

  /** By what was agreed: itself if it is there, or else what took its place in its entry. */
  private static Map<UUID, Now> counterparts(List<Agreed> agreed, List<Now> now) {
    Map<UUID, Now> byId =
        now.stream().collect(Collectors.toMap(Now::postingId, Function.identity()));
    Map<UUID, Now> found = new HashMap<>();
    agreed.stream()
        .filter(was -> byId.containsKey(was.postingId()))
        .forEach(was -> found.put(was.postingId(), byId.get(was.postingId())));
    Map<Long, Deque<Now>> left = new HashMap<>();
    now.stream()
        .filter(one -> one.onAccount() && !found.containsKey(one.postingId()))
        .forEach(one -> left.computeIfAbsent(one.entryNo(), no -> new ArrayDeque<>()).addLast(one));
    for (Agreed was : agreed) {
      Deque<Now> ofEntry = left.get(was.entryNo());
      if (!found.containsKey(was.postingId()) && ofEntry != null && !ofEntry.isEmpty()) {
        found.put(was.postingId(), ofEntry.removeFirst());
      }
    }
    return found;
  }

  private static Optional<Break> between(Agreed was, @Nullable Now is, boolean entryStands) {
    return how(was, is, entryStands)
        .map(how -> {
          Amount counted = is == null ? Amount.zero(was.amount().currency()) : is.counted();
          return new Break(was.postingId(), how, was, is, counted.minus(was.amount()));
        });
  }

  private static Optional<How> how(Agreed was, @Nullable Now is, boolean entryStands) {
    if (is == null) {
      return Optional.of(entryStands ? How.ELSEWHERE : How.GONE);
    }
    if (!is.onAccount()) {
      return Optional.of(How.ELSEWHERE);
    }
    if (!is.amount().equals(was.amount())) {
      return Optional.of(How.AMOUNT);
    }
    if (!is.date().equals(was.date())) {
      return Optional.of(How.DAY);
    }
    return is.ticked() ? Optional.empty() : Optional.of(How.UNTICKED);
  }
}
