package org.yewledger.core.compare;

import java.util.List;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;

/**
 * Lines of the bank and postings of the books that are the same thing, as it seems.
 *
 * @param lines one, or several that add up to the one posting
 * @param postings one, or several that add up to the one line
 * @param sharedWords what both sides say
 * @param rivalled whether something that is left would do as well for either side
 * @param isSure whether it can be taken without a second look
 */
public record Match(
    Kind kind,
    List<WaitingLine> lines,
    List<OpenPosting> postings,
    List<String> sharedWords,
    boolean rivalled,
    boolean isSure) {
  /** What the two sides have in common. */
  public enum Kind {
    /** Amount and day, or a payment that the bank took its time for. */
    SAME,
    /** The line is several postings together. */
    SEVERAL_POSTINGS,
    /** The posting came as several lines. */
    SEVERAL_LINES,
    /** The payee and the days, not the amount. */
    AMOUNT_DISAGREES,
    /** The payee and the amount; the books have a day on which the bank had it long since. */
    DAY_DISAGREES;

    /** Whether what the two say is not the same. */
    public boolean disagrees() {
      return this == AMOUNT_DISAGREES || this == DAY_DISAGREES;
    }
  }

  public Match {
    lines = List.copyOf(lines);
    postings = List.copyOf(postings);
    sharedWords = List.copyOf(sharedWords);
  }

  /** How many days lie between the two; where there are several, between the first ones. */
  public long daysApart() {
    return postings.getFirst().daysFrom(lines.getFirst().line());
  }
}
