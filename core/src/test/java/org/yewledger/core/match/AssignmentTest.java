package org.yewledger.core.match;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class AssignmentTest {
  private static final int ALONE = 50;

  @Test
  public void theBestOfAllIsNotTheBestForEach() {
    // The first would take the second's only partner.
    List<Assignment.Edge> edges =
        List.of(
            new Assignment.Edge(0, 0, 1),
            new Assignment.Edge(0, 1, 3),
            new Assignment.Edge(1, 0, 2));
    assertEquals(Assignment.cheapest(2, 2, edges, ALONE), new int[] {1, 0});
  }

  @Test
  public void whatCostsMoreThanBeingAloneIsLeftAlone() {
    List<Assignment.Edge> edges = List.of(new Assignment.Edge(0, 0, ALONE + 1));
    assertEquals(Assignment.cheapest(1, 1, edges, ALONE), new int[] {Assignment.ALONE});
    assertEquals(Assignment.cheapest(0, 3, List.of(), ALONE), new int[0]);
  }

  /** Over random graphs: as cheap as the cheapest of all assignments, tried one by one. */
  @Test
  public void nothingIsCheaper() {
    var random = new Random(41);
    for (int round = 0; round < 3_000; round++) {
      int lefts = 1 + random.nextInt(6);
      int rights = 1 + random.nextInt(6);
      var edges = new ArrayList<Assignment.Edge>();
      for (int left = 0; left < lefts; left++) {
        for (int right = 0; right < rights; right++) {
          if (random.nextInt(3) > 0) {
            edges.add(new Assignment.Edge(left, right, random.nextInt(60)));
          }
        }
      }
      int[] partners = Assignment.cheapest(lefts, rights, edges, ALONE);
      assertEquals(cost(partners, edges), cheapest(0, lefts, rights, edges, 0), edges.toString());
    }
  }

  private static int cost(int[] partners, List<Assignment.Edge> edges) {
    var taken = new HashSet<Integer>();
    int cost = 0;
    for (int left = 0; left < partners.length; left++) {
      int of = left;
      if (partners[left] == Assignment.ALONE) {
        cost += ALONE;
      } else {
        assertTrue(taken.add(partners[left]), "one has two partners");
        cost +=
            edges.stream()
                .filter(e -> e.left() == of && e.right() == partners[of])
                .findFirst()
                .orElseThrow()
                .cost();
      }
    }
    return cost;
  }

  private static int cheapest(
      int left, int lefts, int rights, List<Assignment.Edge> edges, int taken) {
    if (left == lefts) {
      return 0;
    }
    int best = ALONE + cheapest(left + 1, lefts, rights, edges, taken);
    for (Assignment.Edge edge : edges) {
      if (edge.left() == left && (taken & 1 << edge.right()) == 0) {
        best =
            Math.min(
                best,
                edge.cost() + cheapest(left + 1, lefts, rights, edges, taken | 1 << edge.right()));
      }
    }
    return best;
  }
}
