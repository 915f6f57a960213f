package org.yewledger.core.gather;

import java.text.Normalizer;
import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * The facts of a bank line by which it is recognised again, within one account.
 *
 * @param evenText the text as {@link #even} makes it
 * @param identity the bank's identifier, null where the source has none
 */
public record LineKey(
    LocalDate bookedOn, long amountMinor, String evenText, @Nullable String identity) {

  /**
   * Letters and digits only, in capitals and without accents: banks differ in case, spacing, line
   * breaks and marks between one export and the next.
   */
  public static String even(String text) {
    String plain = Normalizer.normalize(text, Normalizer.Form.NFD).toUpperCase(Locale.ROOT);
    var even = new StringBuilder(plain.length());
    plain.codePoints().filter(Character::isLetterOrDigit).forEach(even::appendCodePoint);
    return even.toString();
  }

  /** Day, amount and text: what makes two lines without identities equal. */
  Content content() {
    return new Content(bookedOn, amountMinor, evenText);
  }

  record Content(LocalDate bookedOn, long amountMinor, String evenText) {}
}
