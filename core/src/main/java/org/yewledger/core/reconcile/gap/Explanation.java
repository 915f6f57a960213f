package org.yewledger.core.reconcile.gap;

import java.util.List;
import org.yewledger.core.reconcile.gap.Gap.Item;

/** A thing that may be wrong, and how much of the difference is gone once it is put right. */
public sealed interface Explanation {
  /** In minor units; what the difference shrinks by. */
  long explains();

  /** Open postings are on the statement: they are to be ticked. */
  record Unticked(List<Item> postings) implements Explanation {
    @Override
    public long explains() {
      return sum(postings);
    }
  }

  /** Lines of the bank are not in the books yet: they are to be posted. */
  record Unposted(List<Item> lines) implements Explanation {
    @Override
    public long explains() {
      return sum(lines);
    }
  }

  /** A ticked posting is not on the statement. */
  record Overticked(Item posting) implements Explanation {
    @Override
    public long explains() {
      return -posting.minor();
    }
  }

  /** Two ticked postings are one thing booked twice. */
  record Doubled(Item posting, Item other) implements Explanation {
    @Override
    public long explains() {
      return -posting.minor();
    }
  }

  /** A ticked posting goes the wrong way: the difference is twice its amount. */
  record Turned(Item posting) implements Explanation {
    @Override
    public long explains() {
      return -2 * posting.minor();
    }
  }

  /**
   * Two digits of a ticked posting stand the wrong way round: the difference is divisible by nine.
   *
   * @param should the amount with its digits in order
   */
  record Swapped(Item posting, long should) implements Explanation {
    @Override
    public long explains() {
      return should - posting.minor();
    }
  }

  /** The statement opens with another balance than the books have. */
  record OtherOpening(long explains) implements Explanation {}

  /** Something that stands nowhere: neither in the books nor among the lines. */
  record Missing(long explains) implements Explanation {}

  private static long sum(List<Item> items) {
    return items.stream().mapToLong(Item::minor).sum();
  }
}
