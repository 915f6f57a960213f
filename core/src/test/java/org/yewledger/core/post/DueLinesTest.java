package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Schedule.Part;
import org.yewledger.core.schedule.Shift;
import org.yewledger.core.schedule.WorkingDays;

/** Waiting lines that are due items: on their day or not, with their amount or another. */
public class DueLinesTest {
  /** Due on the 20th of September and October. */
  private static List<DueItem> due(String payee, long about, Part... parts) {
    Schedule schedule =
        new Schedule(
            UUID.randomUUID(),
            payee,
            "lessons",
            CURRENT,
            List.of(parts),
            eur(about),
            Recurrence.of(new Rhythm(Unit.MONTH, 1, On.DAY), LocalDate.of(2026, 9, 20), null, null),
            Shift.NONE);
    return DueItems.of(
        schedule,
        LocalDate.of(2026, 9, 1),
        LocalDate.of(2026, 10, 31),
        LocalDate.of(2026, 10, 23),
        WorkingDays.WEEKDAYS,
        Map.of(),
        List.of());
  }

  private static List<Proposal> proposals(List<DueItem> due, BankLine... lines) {
    return Proposer.proposals(
        new Situation(
            Arrays.stream(lines)
                .map(one -> new WaitingLine(UUID.randomUUID(), CURRENT, one))
                .toList(),
            List.of(),
            Map.of(),
            Map.of(),
            Map.of(),
            ExchangeRates.NONE,
            Map.of(),
            due));
  }

  private static Evidence.IsDue evidence(Proposal proposal) {
    assertEquals(proposal.reason(), Reason.DUE);
    return (Evidence.IsDue) proposal.evidence();
  }

  @Test
  public void aLineOfThePayeeAboutTheDayIsTheItemAndBookedAsItSays() {
    Proposal proposal =
        proposals(
                due("Alder Vale Music", 0, new Part(SCHOOL, eur(-6_400), "")),
                line("2026-09-22", -6_400, "ALDER VALE MUSIC"))
            .getFirst();
    assertEquals(evidence(proposal).daysApart(), 2);
    assertTrue(proposal.isSure());
    assertEquals(
        proposal.booking(),
        new Booking(
            "Alder Vale Music", "lessons", List.of(new Booking.Part(SCHOOL, eur(-6_400), ""))));
    assertEquals(proposal.because(proposal.booking()).reason(), Reason.DUE);
  }

  @Test
  public void anotherAmountOrNoNameIsToldAndNotSure() {
    List<DueItem> due =
        due(
            "Alder Vale Music",
            0,
            new Part(SCHOOL, eur(-6_000), ""),
            new Part(GROCERIES, eur(-400), ""));
    Proposal dearer = proposals(due, line("2026-09-20", -7_000, "ALDER VALE MUSIC")).getFirst();
    assertFalse(evidence(dearer).expected());
    assertFalse(dearer.isSure());
    assertEquals(
        dearer.booking().parts().stream().map(Booking.Part::amount).toList(),
        List.of(eur(-6_600), eur(-400)));
    Proposal unnamed = proposals(due, line("2026-09-20", -6_400, "CARD PAYMENT 11")).getFirst();
    assertFalse(evidence(unnamed).named());
    assertFalse(unnamed.isSure());
  }

  @Test
  public void eachItemIsOneLineAndWhatIsFarFromItIsNone() {
    List<DueItem> due = due("Alder Vale Music", 0, new Part(SCHOOL, eur(-6_400), ""));
    List<Proposal> twice =
        proposals(
            due,
            line("2026-09-21", -6_400, "ALDER VALE MUSIC"),
            line("2026-09-27", -6_400, "ALDER VALE MUSIC"),
            line("2026-10-19", -6_400, "ALDER VALE MUSIC"));
    assertEquals(
        twice.stream().map(Proposal::reason).toList(),
        List.of(Reason.DUE, Reason.OPEN_QUESTION, Reason.DUE));
    for (BankLine far :
        List.of(
            line("2026-09-05", -6_400, "ALDER VALE MUSIC"),
            line("2026-09-20", 6_400, "ALDER VALE MUSIC"),
            line("2026-09-20", -19_900, "ALDER VALE MUSIC"))) {
      assertEquals(proposals(due, far).getFirst().reason(), Reason.OPEN_QUESTION, far.toString());
    }
  }
}
