package org.yewledger.core.act;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.act.ActStack.Act;

public class ActStackTest {
  private static final UUID WREN = UUID.randomUUID();
  private static final UUID TOBIAS = UUID.randomUUID();

  private final List<Act> newestFirst = new ArrayList<>();

  private Act done(UUID person, Act undoes) {
    var act = new Act(UUID.randomUUID(), person, undoes == null ? null : undoes.id(), true);
    newestFirst.addFirst(act);
    return act;
  }

  @Test
  public void undoAndRedoFollowTwoStacksWhateverIsDone() {
    var random = new Random(11);
    for (int round = 0; round < 200; round++) {
      newestFirst.clear();
      Deque<Act> undo = new ArrayDeque<>();
      Deque<Act> redo = new ArrayDeque<>();
      Deque<Act> redoes = new ArrayDeque<>();
      for (int step = 0; step < 30; step++) {
        var stack = new ActStack(newestFirst);
        assertEquals(stack.toUndo(WREN), Optional.ofNullable(undo.peek()));
        assertEquals(stack.toRedo(WREN), Optional.ofNullable(redo.peek()));
        switch (random.nextInt(4)) {
          case 0, 1 -> {
            undo.push(done(WREN, null));
            redo.clear();
            redoes.clear();
          }
          case 2 -> {
            if (!undo.isEmpty()) {
              Act act = undo.pop();
              redo.push(done(WREN, act));
              redoes.push(act);
            }
          }
          default -> {
            if (!redo.isEmpty()) {
              done(WREN, redo.pop());
              undo.push(redoes.pop());
            }
          }
        }
        if (random.nextInt(3) == 0) {
          done(TOBIAS, null);
        }
      }
    }
  }

  @Test
  public void whatSomebodyElseTookBackIsNotUndoneAgain() {
    newestFirst.clear();
    Act mine = done(WREN, null);
    Act undoing = done(TOBIAS, mine);
    var stack = new ActStack(newestFirst);
    assertFalse(stack.stands(mine.id()));
    assertTrue(stack.toUndo(WREN).isEmpty());
    assertTrue(stack.toRedo(WREN).isEmpty());
    assertEquals(stack.toRedo(TOBIAS), Optional.of(undoing));
    Act redoing = done(TOBIAS, undoing);
    stack = new ActStack(newestFirst);
    assertTrue(stack.stands(mine.id()));
    assertEquals(stack.toUndo(WREN), Optional.of(mine));
    assertEquals(stack.toTakeBack(redoing.id()), Optional.of(mine));
  }

  @Test
  public void whatChangedNothingIsPassedOver() {
    newestFirst.clear();
    Act first = done(WREN, null);
    newestFirst.addFirst(new Act(UUID.randomUUID(), WREN, null, false));
    assertEquals(new ActStack(newestFirst).toUndo(WREN), Optional.of(first));
  }
}
