package org.yewledger.app.post;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.Refusal;

/** Lines that cannot be posted: they stay, each with its reason, or nothing is posted at all. */
final class Stays {
  private final boolean othersArePosted;
  private final Map<UUID, String> why = new LinkedHashMap<>();

  private Stays(boolean othersArePosted) {
    this.othersArePosted = othersArePosted;
  }

  /** The first that cannot be posted refuses them all. */
  static Stays none() {
    return new Stays(false);
  }

  /** What cannot be posted stays, and the others are posted. */
  static Stays allowed() {
    return new Stays(true);
  }

  /** What is worked out for a line; empty if the line stays, now or since before. */
  <T> Optional<T> unless(Accepted line, Supplier<T> workedOut) {
    if (why.containsKey(line.lineId())) {
      return Optional.empty();
    }
    try {
      return Optional.of(workedOut.get());
    } catch (Refusal | Conflict | NotFound e) {
      if (!othersArePosted) {
        throw e;
      }
      why.put(line.lineId(), e.getMessage());
      return Optional.empty();
    }
  }

  /** A line that stays, and why, in words for the person. */
  record Stayed(UUID lineId, String why) {}

  List<Stayed> all() {
    return why.entrySet().stream().map(e -> new Stayed(e.getKey(), e.getValue())).toList();
  }
}
