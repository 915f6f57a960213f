package org.yewledger.core.sheet;

import java.util.Locale;
import org.yewledger.core.ledger.Account;

/**
 * A name in a sheet for an account or a category. Upper and lower case, and how much space is
 * between words, make no difference.
 *
 * @param text evened out; empty for rows that name nothing
 */
public record SheetName(Side side, String text) {
  /** What a name is for. */
  public enum Side {
    /** The account of one's own that paid or received the amount. */
    ACCOUNT,
    /** Where the amount went to, or came from: a category, or another account of one's own. */
    CATEGORY;

    /** Whether such an account can stand on this side. */
    public boolean takes(Account account) {
      boolean own = account.kind().hasOpeningBalance();
      return !account.group() && (this == ACCOUNT ? own : account.kind().isBookable());
    }
  }

  public static SheetName of(Side side, String text) {
    return new SheetName(side, text.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT));
  }
}
