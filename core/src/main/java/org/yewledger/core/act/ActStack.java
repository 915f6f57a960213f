package org.yewledger.core.act;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What undo and redo mean next for a person. Undo takes back the last act of theirs that stands;
 * redo takes back the last undoing, as long as they have done nothing else since.
 */
public final class ActStack {
  /**
   * An act as far as undoing needs it.
   *
   * @param undoes the act that it takes back; null for an ordinary act
   * @param undoable whether it changed anything that can be put back
   */
  public record Act(UUID id, UUID personId, @Nullable UUID undoes, boolean undoable) {
    boolean isOrdinary() {
      return undoes == null;
    }
  }

  private final List<Act> newestFirst;
  private final Map<UUID, Act> byId = new HashMap<>();
  private final Map<UUID, Act> lastUndoing = new HashMap<>();

  /**
   * @param newestFirst acts of everybody: those of others may take back one's own
   */
  public ActStack(List<Act> newestFirst) {
    this.newestFirst = List.copyOf(newestFirst);
    for (Act act : newestFirst) {
      byId.put(act.id(), act);
      if (act.undoes() != null) {
        lastUndoing.putIfAbsent(act.undoes(), act);
      }
    }
  }

  /** Whether what the act did is in the books now, as far as undoing decides it. */
  public boolean stands(UUID id) {
    Act undoing = lastUndoing.get(id);
    return undoing == null || !stands(undoing.id());
  }

  /** The act that undo takes back. */
  public Optional<Act> toUndo(UUID personId) {
    return newestFirst.stream()
        .filter(a -> a.personId().equals(personId) && a.isOrdinary() && a.undoable())
        .filter(a -> stands(a.id()))
        .findFirst();
  }

  /** The undoing that redo takes back. */
  public Optional<Act> toRedo(UUID personId) {
    return newestFirst.stream()
        .filter(a -> a.personId().equals(personId))
        .takeWhile(a -> !a.isOrdinary() || !a.undoable())
        .filter(a -> isUndoing(a) && stands(a.id()))
        .findFirst();
  }

  /** Whether it takes back an ordinary act; one that takes back an undoing is a redoing. */
  private boolean isUndoing(Act act) {
    Act undone = act.undoes() == null ? null : byId.get(act.undoes());
    return undone != null && undone.isOrdinary();
  }

  /**
   * What has to be taken back so that the act no longer has effect: itself, or, for a redoing, the
   * ordinary act that it brought back.
   */
  public Optional<Act> toTakeBack(UUID id) {
    Act act = byId.get(id);
    if (act == null) {
      return Optional.empty();
    }
    if (act.isOrdinary() || isUndoing(act)) {
      return Optional.of(act);
    }
    Act undoing = byId.get(act.undoes());
    return undoing == null || undoing.undoes() == null
        ? Optional.empty()
        : Optional.ofNullable(byId.get(undoing.undoes()));
  }
}
