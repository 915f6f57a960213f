package org.yewledger.core.gather;

import static java.time.temporal.ChronoUnit.DAYS;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/** The known lines of an account, each of which can be taken by one arriving line. */
final class Candidates {
  /** A card payment stands as pending for a week at most; some banks take two days more. */
  private static final int DAYS_PENDING = 10;

  /** Within these days the amount alone tells the booked form, since banks change its text. */
  private static final int DAYS_PENDING_BY_AMOUNT = 5;

  /**
   * A known line was found for an arriving one.
   *
   * @param movement which, null if another arriving one is the same and has it
   */
  record Taken(@Nullable UUID movement) {}

  private record Identity(String identity, long amountMinor) {}

  private final LineSource source;
  private final Map<Identity, List<KnownLine>> byIdentity = new HashMap<>();
  private final Map<LineKey.Content, Deque<KnownLine>> byContent = new HashMap<>();
  private final Map<Long, List<KnownLine>> byAmount = new HashMap<>();
  private final Set<Identity> seen = new HashSet<>();
  private final Set<UUID> taken = new HashSet<>();

  Candidates(LineSource source) {
    this.source = source;
  }

  void add(KnownLine line) {
    LineKey key = line.key();
    if (key.identity() != null && line.source() == source) {
      byIdentity
          .computeIfAbsent(new Identity(key.identity(), key.amountMinor()), k -> new ArrayList<>())
          .add(line);
    }
    byContent.computeIfAbsent(key.content(), k -> new ArrayDeque<>()).add(line);
    byAmount.computeIfAbsent(key.amountMinor(), k -> new ArrayList<>()).add(line);
  }

  boolean hasIdentity(LineKey key) {
    return key.identity() != null
        && byIdentity
            .getOrDefault(new Identity(key.identity(), key.amountMinor()), List.of())
            .stream()
            .anyMatch(c -> daysApart(key, c) <= DAYS_PENDING);
  }

  /**
   * Identity and amount: a bank that gives two amounts one identity means two movements. Banks that
   * count anew with each statement use an identity again, so it counts within some days only.
   */
  @Nullable Taken takeByIdentity(LineKey key) {
    if (key.identity() == null) {
      return null;
    }
    var identity = new Identity(key.identity(), key.amountMinor());
    var match =
        byIdentity.getOrDefault(identity, List.of()).stream()
            .filter(c -> daysApart(key, c) <= DAYS_PENDING)
            .min(Comparator.comparingLong(c -> daysApart(key, c)));
    if (match.isPresent()) {
      boolean isFirst = taken.add(match.get().movement());
      return new Taken(isFirst ? match.get().movement() : null);
    }
    // The same identity twice in one file is the same line, listed twice.
    return seen.add(identity) ? null : new Taken(null);
  }

  @Nullable Taken takeByContent(LineKey key) {
    Deque<KnownLine> equals = byContent.get(key.content());
    if (equals == null) {
      return null;
    }
    for (KnownLine candidate : equals) {
      if (isFree(candidate) && mayBe(key, candidate)) {
        taken.add(candidate.movement());
        return new Taken(candidate.movement());
      }
    }
    return null;
  }

  /** The booked line that a pending one has become already: same amount and text, days later. */
  @Nullable Taken takeBookedFormOf(LineKey pending) {
    UUID booked =
        nearest(
            pending,
            c ->
                DAYS.between(pending.bookedOn(), c.key().bookedOn()) >= 0
                    && daysApart(pending, c) <= DAYS_PENDING
                    && c.key().evenText().equals(pending.evenText()));
    return booked == null ? null : new Taken(booked);
  }

  /** The pending line of which a booked one is the final form. */
  @Nullable UUID takePendingFormOf(LineKey booked) {
    UUID sameIdentity = takeAnyAmount(booked);
    if (sameIdentity != null) {
      return sameIdentity;
    }
    UUID sameText =
        nearest(
            booked,
            c ->
                isStillPending(c)
                    && daysApart(booked, c) <= DAYS_PENDING
                    && c.key().evenText().equals(booked.evenText()));
    if (sameText != null) {
      return sameText;
    }
    UUID sameAmount =
        nearest(booked, c -> isStillPending(c) && daysApart(booked, c) <= DAYS_PENDING_BY_AMOUNT);
    return sameAmount != null ? sameAmount : takeSameText(booked);
  }

  /** A reserved amount is often booked as another one under the same identity. */
  private @Nullable UUID takeAnyAmount(LineKey booked) {
    return byIdentity.entrySet().stream()
        .filter(e -> e.getKey().identity().equals(booked.identity()))
        .flatMap(e -> e.getValue().stream())
        .filter(c -> isStillPending(c) && isFree(c) && daysApart(booked, c) <= DAYS_PENDING)
        .map(KnownLine::id)
        .findFirst()
        .filter(taken::add)
        .orElse(null);
  }

  /** The same words on the same side and another amount, as of fuel that was reserved first. */
  private @Nullable UUID takeSameText(LineKey booked) {
    return byAmount.values().stream()
        .flatMap(List::stream)
        .filter(c -> isStillPending(c) && isFree(c))
        .filter(c -> Long.signum(c.key().amountMinor()) == Long.signum(booked.amountMinor()))
        .filter(c -> c.key().evenText().equals(booked.evenText()))
        .filter(c -> daysApart(booked, c) <= DAYS_PENDING)
        .min(Comparator.comparingLong(c -> daysApart(booked, c)))
        .map(KnownLine::id)
        .filter(taken::add)
        .orElse(null);
  }

  /** Lines of other sources of an amount that nothing has taken yet and that may be in doubt. */
  List<KnownLine> free(long amountMinor) {
    return byAmount.getOrDefault(amountMinor, List.of()).stream()
        .filter(c -> c.source() != source && c.standing() == KnownLine.Standing.BOOKED)
        .filter(this::isFree)
        .toList();
  }

  private @Nullable UUID nearest(LineKey key, Predicate<KnownLine> fits) {
    return byAmount.getOrDefault(key.amountMinor(), List.of()).stream()
        .filter(c -> isFree(c) && fits.test(c))
        .min(Comparator.comparingLong(c -> daysApart(key, c)))
        .map(KnownLine::movement)
        .filter(taken::add)
        .orElse(null);
  }

  private static boolean isStillPending(KnownLine line) {
    return line.standing() == KnownLine.Standing.PENDING;
  }

  private boolean isFree(KnownLine line) {
    return !taken.contains(line.movement());
  }

  private boolean mayBe(LineKey key, KnownLine candidate) {
    return candidate.source() != source
        || key.identity() == null
        || candidate.key().identity() == null;
  }

  private static long daysApart(LineKey key, KnownLine line) {
    return Math.abs(DAYS.between(key.bookedOn(), line.key().bookedOn()));
  }
}
