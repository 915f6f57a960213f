package org.yewledger.core.reconcile.gap;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

public class SmallSumsTest {
  private static Set<List<Integer>> found(SmallSums.Found found) {
    return found.combinations().stream()
        .map(c -> Arrays.stream(c).boxed().toList())
        .collect(Collectors.toSet());
  }

  /** Every subset looked at, for few amounts. */
  private static Set<List<Integer>> byTrying(long[] amounts, long sum, int largest) {
    Set<List<Integer>> all = new HashSet<>();
    for (int mask = 1; mask < 1 << amounts.length; mask++) {
      if (Integer.bitCount(mask) <= largest) {
        List<Integer> places =
            IntStream.range(0, amounts.length).filter(bits(mask)).boxed().toList();
        if (places.stream().mapToLong(i -> amounts[i]).sum() == sum) {
          all.add(places);
        }
      }
    }
    return all;
  }

  private static IntPredicate bits(int mask) {
    return i -> (mask >> i & 1) == 1;
  }

  @Test
  public void everyCombinationIsFoundOnceAndNoOther() {
    var random = new Random(6);
    for (int round = 0; round < 300; round++) {
      long[] amounts = random.longs(random.nextInt(1, 13), -30, 31).toArray();
      long sum = random.nextLong(-60, 61);
      int largest = random.nextInt(1, 7);
      SmallSums.Found all = SmallSums.of(amounts, sum, largest, Integer.MAX_VALUE);
      assertTrue(all.complete());
      assertEquals(found(all), byTrying(amounts, sum, largest), Arrays.toString(amounts));
      assertEquals(all.combinations().size(), found(all).size(), "each once");
    }
  }

  @Test
  public void sixAmongFourHundredAreFound() {
    var random = new Random(400);
    for (int size = 1; size <= 6; size++) {
      long[] amounts = random.longs(400, -1_000_000_000_000_000L, 1_000_000_000_000_000L).toArray();
      int[] planted = random.ints(0, 400).distinct().limit(size).sorted().toArray();
      long sum = Arrays.stream(planted).mapToLong(i -> amounts[i]).sum();
      SmallSums.Found found = SmallSums.of(amounts, sum, 6, 10);
      assertTrue(found.complete());
      assertEquals(found(found), Set.of(Arrays.stream(planted).boxed().toList()));
    }
  }

  @Test
  public void whereManyFitItStopsAndSaysSo() {
    long[] amounts = new long[400];
    Arrays.fill(amounts, 1_000);
    SmallSums.Found found = SmallSums.of(amounts, 3_000, 6, 50);
    assertFalse(found.complete());
    assertEquals(found.combinations().size(), 50);
    assertTrue(SmallSums.of(new long[0], 5, 6, 10).complete());
  }

  @Test
  public void amountsThatAreAllAlikeNeedNoMoreMemory() {
    long[] amounts = new long[400];
    Arrays.fill(amounts, 1_000);
    SmallSums.Found five = SmallSums.of(amounts, 5_000, 6, 50);
    assertFalse(five.complete());
    assertEquals(five.combinations().size(), 50);
    assertTrue(five.combinations().stream().allMatch(places -> places.length == 5));
    assertTrue(SmallSums.of(amounts, 5_001, 6, 50).complete(), "no whole number of them");
    assertFalse(SmallSums.of(amounts, 7_000, 6, 50).complete(), "too many to look at all");
  }

  @Test
  public void roundAmountsAreFoundToo() {
    var random = new Random(7);
    long[] amounts = random.longs(60, -400, 400).map(a -> a * 1_024).toArray();
    int[] planted = {3, 9, 17, 33, 41, 59};
    long sum = Arrays.stream(planted).mapToLong(i -> amounts[i]).sum();
    SmallSums.Found found = SmallSums.of(amounts, sum, 6, Integer.MAX_VALUE);
    assertTrue(found.complete());
    assertTrue(found(found).contains(Arrays.stream(planted).boxed().toList()));
    for (int[] places : found.combinations()) {
      assertEquals(Arrays.stream(places).mapToLong(i -> amounts[i]).sum(), sum);
    }
  }
}
