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
    String a = one.substring(same);
    String b = other.substring(same);
    return switch (a.length() - b.length()) {
      case 0 -> isOther(a, b) || isSwapped(a, b);
      case 1 -> a.substring(1).equals(b);
      case -1 -> b.substring(1).equals(a);
      default -> false;
    };
  }

  private static boolean isOther(String a, String b) {
    return a.substring(1).equals(b.substring(1));
  }

  private static boolean isSwapped(String a, String b) {
    return a.length() > 1
        && a.charAt(0) == b.charAt(1)
        && a.charAt(1) == b.charAt(0)
        && a.substring(2).equals(b.substring(2));
  }
}
