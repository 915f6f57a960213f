package org.yewledger.core.reconcile.gap;

import java.util.Arrays;

/** Numbers in the order in which they were added, found by their value. */
final class SumTable {
  private long[] values;
  private int[] next;
  private int[] heads;
  private int size;

  SumTable(int expected) {
    int room = Math.max(16, expected);
    values = new long[room];
    next = new int[room];
    heads = new int[Integer.highestOneBit(2 * room - 1)];
    Arrays.fill(heads, -1);
  }

  int size() {
    return size;
  }

  long valueOf(int at) {
    return values[at];
  }

  int add(long value) {
    if (size == values.length) {
      grow();
    }
    int slot = slot(value);
    values[size] = value;
    next[size] = heads[slot];
    heads[slot] = size;
    return size++;
  }

  private void grow() {
    values = Arrays.copyOf(values, 2 * size);
    next = new int[2 * size];
    heads = new int[2 * heads.length];
    Arrays.fill(heads, -1);
    for (int at = 0; at < size; at++) {
      int slot = slot(values[at]);
      next[at] = heads[slot];
      heads[slot] = at;
    }
  }

  int firstOf(long value) {
    return sameFrom(heads[slot(value)], value);
  }

  int nextOf(int at) {
    return sameFrom(next[at], values[at]);
  }

  private int sameFrom(int from, long value) {
    int at = from;
    while (at >= 0 && values[at] != value) {
      at = next[at];
    }
    return at;
  }

  /** Multiplied by the golden ratio, the upper bits are well mixed (Knuth, TAOCP 3, §6.4). */
  private int slot(long value) {
    return (int) ((value * 0x9E3779B97F4A7C15L) >>> 40) & (heads.length - 1);
  }
}
