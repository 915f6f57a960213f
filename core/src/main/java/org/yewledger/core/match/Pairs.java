package org.yewledger.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The best pairs of two sides, and which of them are not the only good ones. */
public final class Pairs {
  /** Pairs whose costs differ by no more are as good as each other. */
  private static final int AS_GOOD = 3;

  private final List<Assignment.Edge> edges = new ArrayList<>();
  private final int lefts;
  private final int rights;

  public Pairs(int lefts, int rights) {
    this.lefts = lefts;
    this.rights = rights;
  }

  /**
   * What days between two cost. Twice as many cost more than twice as much, so that pairs in the
   * order of their days are cheaper than pairs across each other.
   */
  public static int apart(long days) {
    return (int) (days * (days + 3));
  }

  public void mayBe(int left, int right, int cost) {
    edges.add(new Assignment.Edge(left, right, cost));
  }

  /**
   * @param left its place on its side, {@code right} likewise
   * @param rivalled whether one that is left without a partner would do as well for either
   */
  public record Pair(int left, int right, boolean rivalled) {}

  /**
   * @param alone what it costs to leave one of the left side without a partner: more than any pair,
   *     so that as many as possible find one
   */
  public List<Pair> best(int alone) {
    int[] partner = Assignment.cheapest(lefts, rights, edges, alone);
    var holder = new int[rights];
    Arrays.fill(holder, Assignment.ALONE);
    var cost = new int[lefts];
    for (int left = 0; left < lefts; left++) {
      if (partner[left] != Assignment.ALONE) {
        holder[partner[left]] = left;
      }
    }
    for (Assignment.Edge edge : edges) {
      if (partner[edge.left()] == edge.right()) {
        cost[edge.left()] = edge.cost();
      }
    }
    var rivalled = new boolean[lefts];
    for (Assignment.Edge edge : edges) {
      int mine = partner[edge.left()];
      boolean freeForMe = mine != Assignment.ALONE && holder[edge.right()] == Assignment.ALONE;
      if (freeForMe && edge.cost() <= cost[edge.left()] + AS_GOOD) {
        rivalled[edge.left()] = true;
      }
      int other = holder[edge.right()];
      if (mine == Assignment.ALONE
          && other != Assignment.ALONE
          && edge.cost() <= cost[other] + AS_GOOD) {
        rivalled[other] = true;
      }
    }
    var pairs = new ArrayList<Pair>();
    for (int left = 0; left < lefts; left++) {
      if (partner[left] != Assignment.ALONE) {
        pairs.add(new Pair(left, partner[left], rivalled[left]));
      }
    }
    return pairs;
  }
}
