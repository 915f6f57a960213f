package org.yewledger.app.platform;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.function.ToIntFunction;
import org.jspecify.annotations.Nullable;

/**
 * One thing for each household, kept in memory while there is room for it; who asks has to see by
 * itself whether what is kept still holds. The households that were asked for longest ago go first.
 */
public final class KeptByHousehold<T> {
  private final int room;
  private final ToIntFunction<T> size;
  private final Map<UUID, T> kept = new LinkedHashMap<>(16, 0.75f, true);
  private long used;

  /**
   * @param room how much is kept at most, in the unit of {@code size}
   */
  public KeptByHousehold(int room, ToIntFunction<T> size) {
    this.room = room;
    this.size = size;
  }

  public synchronized @Nullable T get(UUID household) {
    return kept.get(household);
  }

  /** Keeps it, unless it is larger than all the room there is. */
  public synchronized void put(UUID household, T value) {
    T before = kept.remove(household);
    used -= before == null ? 0 : cost(before);
    if (cost(value) > room) {
      return;
    }
    kept.put(household, value);
    used += cost(value);
    for (Iterator<T> eldest = kept.values().iterator(); used > room; ) {
      used -= cost(eldest.next());
      eldest.remove();
    }
  }

  /** A household with nothing takes room too. */
  private int cost(T value) {
    return 1 + size.applyAsInt(value);
  }
}
