package org.yewledger.core.post;

import java.util.List;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.Schedule;

/** How a due item is booked: as its schedule says, with the amount that came. */
public final class DueBooking {
  private DueBooking() {}

  /**
   * @param amount what the schedule's account pays, below zero, or receives
   */
  public static Booking of(Schedule schedule, Amount amount) {
    List<Booking.Part> parts =
        schedule.parts(amount).stream()
            .map(part -> new Booking.Part(part.account(), part.amount(), part.note()))
            .toList();
    return new Booking(schedule.payee(), schedule.note(), parts);
  }
}
