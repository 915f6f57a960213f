package org.yewledger.app.post;

import org.yewledger.core.post.Booking;
import org.yewledger.core.post.WaitingLine;

/**
 * A line that is booked.
 *
 * @param booked the entry that it becomes
 * @param twinPosting which posting of the entry the other half of a transfer is; -1 without one
 */
record ToBook(
    Accepted accepted, WaitingLine line, Booking booking, Booking.Booked booked, int twinPosting) {}
