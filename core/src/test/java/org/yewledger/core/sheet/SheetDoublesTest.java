package org.yewledger.core.sheet;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SCHOOL;
import static org.yewledger.core.Fixtures.TAXES;
import static org.yewledger.core.Fixtures.eur;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.sheet.EntrySheet.Booked;
import org.yewledger.core.sheet.SheetDoubles.Answers;
import org.yewledger.core.sheet.SheetDoubles.Said;
import org.yewledger.core.sheet.SheetDoubles.Trace;

public class SheetDoublesTest {
  private static final LocalDate FIRST = LocalDate.of(2025, 11, 3);
  private static final List<Account> ALL = List.of(CURRENT, CARD, GROCERIES, SCHOOL);

  /** A row {@code later} days after the first, of that many units. */
  private static SheetRow row(int line, int later, int amount, Account account, Account category) {
    return new SheetRow(
        line,
        FIRST.plusDays(later),
        "Anyone",
        new BigDecimal(amount),
        "",
        account.name(),
        category.name(),
        "",
        "",
        List.of());
  }

  private static List<Booked> booked(List<SheetRow> rows) {
    var names = new SheetNames(ALL, Map.of(), Map.of());
    return new EntrySheet(rows, names, SheetSign.OUT_IS_NEGATIVE)
        .booked(LEDGER, TAXES, Map.of())
        .all();
  }

  private static Set<Integer> twins(List<SheetRow> rows) {
    return SheetDoubles.of(booked(rows), List.of()).twins();
  }

  @Test
  public void whatIsThereAlreadyIsFoundAsOftenAsItIsThere() {
    List<Booked> booked =
        booked(List.of(row(2, 0, -5, CURRENT, GROCERIES), row(3, 0, -5, CURRENT, SCHOOL)));
    var trace = new Trace(CURRENT.id(), FIRST, -500);
    assertEquals(SheetDoubles.of(booked, List.of()).alike(), Set.of());
    assertEquals(SheetDoubles.of(booked, List.of(trace)).alike(), Set.of(2));
    assertEquals(SheetDoubles.of(booked, List.of(trace, trace, trace)).alike(), Set.of(2, 3));
    var other = new Trace(CURRENT.id(), FIRST, 500);
    assertEquals(SheetDoubles.of(booked, List.of(other)).alike(), Set.of());
  }

  @Test
  public void aTransferThatStandsOnBothOfItsAccountsIsFoundOnce() {
    assertEquals(
        twins(
            List.of(
                row(2, 0, -50, CURRENT, CARD),
                row(3, 0, -50, CURRENT, CARD),
                row(4, 2, 50, CARD, CURRENT),
                row(5, 3, 50, CARD, CURRENT),
                row(6, 3, 50, CARD, CURRENT),
                row(7, 3, 50, CARD, GROCERIES),
                row(8, 7, -50, CURRENT, CARD))),
        Set.of(4, 5),
        "one to one, and never further apart than three days");
  }

  @Test
  public void thereAndBackAreTwoTransfers() {
    assertEquals(
        twins(
            List.of(
                row(2, 0, -50, CURRENT, CARD),
                row(3, 0, -50, CARD, CURRENT),
                row(4, 0, 50, CURRENT, CARD))),
        Set.of(4),
        "there is told once, back is told twice");
  }

  @Test
  public void whicheverTransfersStandTwiceTheSecondHalfOfEachIsFound() {
    var random = new Random(20);
    for (int run = 0; run < 100; run++) {
      var rows = new ArrayList<SheetRow>();
      int twice = 0;
      for (int week = 0; week < 40; week++) {
        int amount = 1 + random.nextInt(3);
        boolean there = random.nextBoolean();
        Account from = there ? CURRENT : CARD;
        Account to = there ? CARD : CURRENT;
        rows.add(row(rows.size() + 2, week * 7, -amount, from, to));
        if (random.nextBoolean()) {
          int later = random.nextInt(SheetDoubles.TWIN_DAYS + 1);
          rows.add(row(rows.size() + 2, week * 7 + later, amount, to, from));
          twice++;
        }
      }
      Collections.shuffle(rows, random);
      List<Booked> booked = booked(rows);
      SheetDoubles doubles = SheetDoubles.of(booked, List.of());
      assertEquals(doubles.twins().size(), twice);
      List<Booked> coming = doubles.coming(booked, new Answers(null, Said.LEAVE_OUT));
      assertEquals(
          coming.stream().map(b -> ChronoUnit.WEEKS.between(FIRST, b.row().day())).toList(),
          LongStream.range(0, 40).boxed().toList(),
          "each transfer comes once");
    }
  }

  @DataProvider
  public Object[][] answers() {
    return new Object[][] {
      {null, null, Set.of(3), 3},
      {Said.LEAVE_OUT, null, Set.of(3), 2},
      {Said.LEAVE_OUT, Said.LEAVE_OUT, Set.of(3), 1},
      {Said.LEAVE_OUT, Said.TAKE_IN, Set.of(3), 2},
      {Said.TAKE_IN, Said.LEAVE_OUT, Set.of(3), 2},
      {Said.TAKE_IN, Said.TAKE_IN, Set.of(3), 3},
    };
  }

  /** The first half is there already, the second comes to the other account a day later. */
  @Test(dataProvider = "answers")
  public void whatIsLeftOutIsForAPersonToSay(
      Said alike, Said twins, Set<Integer> asked, int coming) {
    List<Booked> booked =
        booked(
            List.of(
                row(2, 0, -50, CURRENT, CARD),
                row(3, 1, 50, CARD, CURRENT),
                row(4, 1, -7, CARD, GROCERIES)));
    SheetDoubles doubles = SheetDoubles.of(booked, List.of(new Trace(CURRENT.id(), FIRST, -5000)));
    var answers = new Answers(alike, twins);
    assertEquals(doubles.twinsToAsk(answers), asked);
    assertEquals(doubles.coming(booked, answers).size(), coming);
    if (alike == null || twins == null) {
      assertEquals(
          expectThrows(Refusal.class, () -> doubles.requireSaid(answers)).code(),
          alike == null ? "sheet-alike-open" : "sheet-twins-open");
    } else {
      doubles.requireSaid(answers);
    }
  }

  @Test
  public void halvesThatAreThereAlreadyAreAskedAboutOnce() {
    List<Booked> booked =
        booked(List.of(row(2, 0, -50, CURRENT, CARD), row(3, 0, 50, CARD, CURRENT)));
    SheetDoubles doubles =
        SheetDoubles.of(
            booked,
            List.of(new Trace(CURRENT.id(), FIRST, -5000), new Trace(CARD.id(), FIRST, 5000)));
    assertEquals(doubles.twinsToAsk(new Answers(Said.LEAVE_OUT, null)), Set.of());
    assertEquals(doubles.twinsToAsk(new Answers(Said.TAKE_IN, null)), Set.of(3));
    assertEquals(doubles.coming(booked, new Answers(Said.LEAVE_OUT, null)), List.of());
  }

  @Test
  public void aTransferComesToBothAccounts() {
    Booked transfer = booked(List.of(row(2, 0, -50, CURRENT, CARD))).getFirst();
    assertEquals(transfer.comesTo(), Map.of(CURRENT, eur(-5000), CARD, eur(5000)));
    assertEquals(List.copyOf(transfer.comesTo().keySet()), List.of(CURRENT, CARD), "in that order");
    Booked spent = booked(List.of(row(2, 0, -50, CURRENT, GROCERIES))).getFirst();
    assertEquals(spent.comesTo(), Map.of(CURRENT, eur(-5000)));
  }
}
