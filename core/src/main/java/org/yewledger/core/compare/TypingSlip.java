package org.yewledger.core.compare;

/** Whether two amounts are one slip of the hand apart. */
final class TypingSlip {
  private static final int HUNDREDFOLD = 100;

  private TypingSlip() {}

  /**
   * Whether one becomes the other by a digit that is another, missing or too many, by two
   * neighbours that change places, or by a decimal point that was left out. The way money goes
   * counts for nothing. Cost: linear in the digits.
   */
  static boolean isBetween(long oneMinor, long otherMinor) {
    long one = Math.abs(oneMinor);
    long other = Math.abs(otherMinor);
    if (one == other || one == 0 || other == 0) {
      return false;
    }
    // Amounts are bounded far below what a hundredfold would overflow.
    return one == other * HUNDREDFOLD
        || other == one * HUNDREDFOLD
        || isOneEdit(Long.toString(one), Long.toString(other));
  }

  private static boolean isOneEdit(String one, String other) {
    int same = 0;
    while (same < Math.min(one.length(), other.length())
        && one.charAt(same) == other.charAt(same)) {
      same++;
    }
    return switch (one.length() - other.length()) {
      case 0 -> isEqual(one, same + 1, other, same + 1) || isSwapped(one, other, same);
      case 1 -> isEqual(one, same + 1, other, same);
      case -1 -> isEqual(one, same, other, same + 1);
      default -> false;
    };
  }

  private static boolean isEqual(String one, int from, String other, int otherFrom) {
    return one.regionMatches(from, other, otherFrom, one.length() - from);
  }

  private static boolean isSwapped(String one, String other, int at) {
    return at + 1 < one.length()
        && one.charAt(at) == other.charAt(at + 1)
        && one.charAt(at + 1) == other.charAt(at)
        && isEqual(one, at + 2, other, at + 2);
  }
}
