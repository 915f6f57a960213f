package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.text.PlainText;

/**
 * The facts of a bank line by which it is recognised again, within one account.
 *
 * @param evenText the text as {@link #even} makes it
 * @param identity the bank's identifier, null where the source has none
 */
public record LineKey(
    LocalDate bookedOn, long amountMinor, String evenText, @Nullable String identity) {

  /** What standards write where there is no reference: ISO 20022 and SWIFT MT940. */
  private static final Set<String> NO_IDENTITY = Set.of("NOTPROVIDED", "NONREF", "NONE", "NA");

  public LineKey {
    identity = identifies(identity) ? identity : null;
  }

  /** Zeros and placeholders are no identities, whatever field they stand in. */
  private static boolean identifies(@Nullable String identity) {
    if (identity == null) {
      return false;
    }
    String even = even(identity);
    return !even.isEmpty() && !even.matches("0+") && !NO_IDENTITY.contains(even);
  }

  /**
   * Letters and digits only, in capitals and without accents: banks differ in case, spacing, line
   * breaks and marks between one export and the next.
   */
  public static String even(String text) {
    String plain = PlainText.of(text);
    var even = new StringBuilder(plain.length());
    for (int at = 0, c; at < plain.length(); at += Character.charCount(c)) {
      c = plain.codePointAt(at);
      if (Character.isLetterOrDigit(c)) {
        even.appendCodePoint(c);
      }
    }
    return even.toString();
  }

  /** Day, amount and text: what makes two lines without identities equal. */
  Content content() {
    return new Content(bookedOn, amountMinor, evenText);
  }

  record Content(LocalDate bookedOn, long amountMinor, String evenText) {}
}
