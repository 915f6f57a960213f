package org.yewledger.app.platform;

import java.util.Collection;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;

/** Things that were asked for by their identities; each of them is there. */
public record Found<T>(Map<UUID, T> byId) {
  public T of(UUID id) {
    return Objects.requireNonNull(byId.get(id));
  }

  public Collection<T> all() {
    return byId.values();
  }
}
