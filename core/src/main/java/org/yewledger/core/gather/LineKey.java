package org.yewledger.core.gather;

import java.time.LocalDate;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The facts of a bank line by which it is recognised again, within one account. */
public record LineKey(
    LocalDate bookedOn, long amountMinor, String text, @Nullable String identity) {

  /** The text with case and spacing made even, as banks differ in these between exports. */
  public String evenText() {
    return text.strip().replaceAll("\\s+", " ").toUpperCase(Locale.ROOT);
  }

  /** Day, amount and text: what makes two lines without identities equal. */
  Content content() {
    return new Content(bookedOn, amountMinor, evenText());
  }

  record Content(LocalDate bookedOn, long amountMinor, String text) {}
}
