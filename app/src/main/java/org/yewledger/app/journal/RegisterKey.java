package org.yewledger.app.journal;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;

/**
 * Where a page of a sorted register ended: the place of its last posting, and what it was sorted
 * by. Travels as the place, a point and the value: {@code 2026-09-30_933_1.LTQ4MjA}.
 *
 * @param value empty where it is sorted by date, newest first
 */
record RegisterKey(PageKey place, String value) {
  static RegisterKey parse(@Nullable String text) {
    int point = text == null ? -1 : text.indexOf('.');
    if (text == null || point < 0) {
      return new RegisterKey(PageKey.parse(text), "");
    }
    try {
      byte[] value = Base64.getUrlDecoder().decode(text.substring(point + 1));
      return new RegisterKey(
          PageKey.parse(text.substring(0, point)), new String(value, StandardCharsets.UTF_8));
    } catch (IllegalArgumentException e) {
      throw Refusal.ofField("bad-page", "after", "%s is not the key of a page.".formatted(text));
    }
  }

  @Override
  public String toString() {
    byte[] bytes = value.getBytes(StandardCharsets.UTF_8);
    return place + "." + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
  }
}
