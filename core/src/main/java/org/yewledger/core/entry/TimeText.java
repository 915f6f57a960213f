package org.yewledger.core.entry;

import java.time.LocalTime;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a time of day as people type it, by the clock of 24 hours: {@code 7}, {@code 7:30}, {@code
 * 07.30}, {@code 0730}.
 */
public final class TimeText {
  private static final Pattern TIME = Pattern.compile("(\\d{1,2})(?:[:.h ]?(\\d{2}))?");

  private TimeText() {}

  public static Typed<LocalTime> read(String typed) {
    Matcher matcher = TIME.matcher(typed.strip());
    if (matcher.matches()) {
      int hour = Integer.parseInt(matcher.group(1));
      int minute = matcher.group(2) == null ? 0 : Integer.parseInt(matcher.group(2));
      if (hour < 24 && minute < 60) {
        return new Typed.Means<>(LocalTime.of(hour, minute));
      }
    }
    return new Typed.Unreadable<>(
        "%s is not a time of day. Type hours and minutes, such as 6:30 or 18:30."
            .formatted(DayText.shortened(typed)));
  }
}
