package org.yewledger.app.payee;

import jakarta.persistence.Embeddable;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What the household knows of a payee besides its name; empty where nothing is.
 *
 * @param categoryId what its entries go to, or come from, unless somebody says otherwise
 * @param contact how it is reached, on several lines
 */
@Embeddable
public record PayeeDetails(
    @Nullable UUID categoryId, String accountNumber, String contact, String note) {

  static PayeeDetails of(
      @Nullable UUID categoryId,
      @Nullable String accountNumber,
      @Nullable String contact,
      @Nullable String note) {
    return new PayeeDetails(categoryId, stripped(accountNumber), stripped(contact), stripped(note));
  }

  private static String stripped(@Nullable String text) {
    return text == null ? "" : text.strip();
  }
}
