package org.yewledger.core.match;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.PriorityQueue;

/**
 * Pairs two sides of a sparse graph so that all pairs together cost least; one that stays alone
 * costs a fixed price. It is the linear assignment problem, solved by shortest augmenting paths
 * with prices on the right side (Jonker and Volgenant 1987, its form for sparse graphs: Volgenant
 * 1996).
 *
 * <p>Cost: for each of the left side a search that stops at the nearest place that is free, so that
 * it is local where prices grow with distance, as those of days do.
 */
public final class Assignment {
  /** That the two may be paired, at a cost that is not below zero. */
  public record Edge(int left, int right, int cost) {}

  private record Reached(long distance, int right) implements Comparable<Reached> {
    @Override
    public int compareTo(Reached other) {
      int byDistance = Long.compare(distance, other.distance);
      return byDistance != 0 ? byDistance : Integer.compare(right, other.right);
    }
  }

  public static final int ALONE = -1;
  private static final int NOBODY = -1;

  private final List<List<Edge>> edges;
  private final int[] leftOf;
  private final int[] rightOf;
  private final long[] price;
  private final long[] distance;
  private final int[] reachedFrom;

  private Assignment(int lefts, int rights, List<Edge> all, int alone) {
    edges = new ArrayList<>(lefts);
    for (int left = 0; left < lefts; left++) {
      edges.add(new ArrayList<>(4));
    }
    all.forEach(edge -> edges.get(edge.left()).add(edge));
    // Being alone is a right side of one's own, which is always free.
    for (int left = 0; left < lefts; left++) {
      edges.get(left).add(new Edge(left, rights + left, alone));
    }
    leftOf = new int[rights + lefts];
    Arrays.fill(leftOf, NOBODY);
    rightOf = new int[lefts];
    Arrays.fill(rightOf, NOBODY);
    price = new long[rights + lefts];
    distance = new long[rights + lefts];
    Arrays.fill(distance, Long.MAX_VALUE);
    reachedFrom = new int[rights + lefts];
  }

  /**
   * @param alone what it costs to leave one of the left side alone
   * @return for each of the left side its partner, or {@link #ALONE}
   */
  public static int[] cheapest(int lefts, int rights, List<Edge> edges, int alone) {
    var assignment = new Assignment(lefts, rights, edges, alone);
    for (int left = 0; left < lefts; left++) {
      assignment.place(left);
    }
    int[] partners = assignment.rightOf;
    for (int left = 0; left < lefts; left++) {
      partners[left] = partners[left] < rights ? partners[left] : ALONE;
    }
    return partners;
  }

  private void place(int start) {
    var queue = new PriorityQueue<Reached>();
    var settled = new ArrayList<Integer>();
    var touched = new ArrayList<Integer>();
    reach(start, 0, queue, touched);
    int free = NOBODY;
    while (free == NOBODY) {
      Reached next = queue.remove();
      if (next.distance() > distance[next.right()]) {
        continue;
      }
      if (leftOf[next.right()] == NOBODY) {
        free = next.right();
      } else {
        settled.add(next.right());
        int holder = leftOf[next.right()];
        reach(holder, next.distance() - cost(holder, next.right()), queue, touched);
      }
    }
    long shortest = distance[free];
    for (int right : settled) {
      price[right] += distance[right] - shortest;
    }
    swapAlong(free, start);
    touched.forEach(right -> distance[right] = Long.MAX_VALUE);
  }

  /** What is reached from one of the left side, {@code base} being how far that is already. */
  private void reach(int left, long base, PriorityQueue<Reached> queue, List<Integer> touched) {
    for (Edge edge : edges.get(left)) {
      long through = base + edge.cost() - price[edge.right()];
      if (through < distance[edge.right()]) {
        distance[edge.right()] = through;
        reachedFrom[edge.right()] = left;
        queue.add(new Reached(through, edge.right()));
        touched.add(edge.right());
      }
    }
  }

  /** What the pair costs at the price of its right side now. */
  private long cost(int left, int right) {
    for (Edge edge : edges.get(left)) {
      if (edge.right() == right) {
        return edge.cost() - price[right];
      }
    }
    throw new IllegalStateException("a pair without an edge");
  }

  private void swapAlong(int free, int start) {
    int right = free;
    for (; ; ) {
      int left = reachedFrom[right];
      int before = rightOf[left];
      leftOf[right] = left;
      rightOf[left] = right;
      if (left == start) {
        return;
      }
      right = before;
    }
  }
}
