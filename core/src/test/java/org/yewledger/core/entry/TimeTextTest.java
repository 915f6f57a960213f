package org.yewledger.core.entry;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalTime;
import java.util.List;
import org.testng.annotations.Test;

public class TimeTextTest {
  @Test
  public void isReadAsPeopleTypeIt() {
    for (String typed : List.of("7:30", "07.30", "730", "0730", " 7 30 ", "7h30")) {
      assertEquals(TimeText.read(typed), new Typed.Means<>(LocalTime.of(7, 30)), typed);
    }
    assertEquals(TimeText.read("0"), new Typed.Means<>(LocalTime.MIDNIGHT));
    assertEquals(TimeText.read("23"), new Typed.Means<>(LocalTime.of(23, 0)));
  }

  @Test
  public void everyTimeThatIsWrittenIsReadAgain() {
    for (int minute = 0; minute < 24 * 60; minute++) {
      LocalTime time = LocalTime.ofSecondOfDay(minute * 60L);
      assertEquals(TimeText.read(time.toString()), new Typed.Means<>(time));
    }
  }

  @Test
  public void whatIsNoTimeIsRefusedWithTheReason() {
    for (String typed :
        List.of("24", "7:60", "7:3", "-1", "noon", "", "7:30:00", "٧:٣٠", "9".repeat(5000))) {
      assertTrue(
          TimeText.read(typed) instanceof Typed.Unreadable<LocalTime>(String reason)
              && reason.contains("6:30")
              && reason.length() < 200,
          typed);
    }
  }
}
