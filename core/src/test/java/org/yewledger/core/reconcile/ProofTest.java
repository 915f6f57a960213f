package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNull;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.WhereItParts.Step;
import org.yewledger.core.reconcile.WhereItParts.Ticked;

public class ProofTest {
  private static final LocalDate FIRST = LocalDate.of(2026, 9, 1);

  @Test
  public void theSideOfTheDifferenceIsSeen() {
    var says = new StatementFigures(eur(241_806), eur(333_775), eur(334_616));
    var ticked = List.of(eur(333_775), eur(-332_476));
    Proof proof = Proof.of(says, List.of(), Reconciliation.of(eur(241_806), ticked, eur(240_965)));
    assertEquals(proof.apart().opening(), eur(0));
    assertEquals(proof.apart().in(), eur(0));
    assertEquals(proof.apart().out(), eur(-2_140));
    assertEquals(proof.apart().closing(), eur(-2_140));
    assertEquals(proof.ticked().closing(), eur(243_105));
  }

  @Test
  public void whatAStatementDoesNotSayIsNotGuessed() {
    Proof proof =
        Proof.of(
            StatementFigures.NONE,
            List.of(),
            Reconciliation.of(eur(100), List.of(eur(50)), eur(120)));
    assertNull(proof.statement().in());
    assertNull(proof.apart().in());
    assertNull(proof.apart().opening());
    assertEquals(proof.apart().closing(), eur(-30));
  }

  @Test
  public void linesThatLeadFromTheBooksOpeningToTheClosingSayTheFigures() {
    List<BankLine> lines = List.of(line("2026-09-03", -500, "A"), line("2026-09-09", 700, "B"));
    Proof leads =
        Proof.of(StatementFigures.NONE, lines, Reconciliation.of(eur(100), List.of(), eur(300)));
    assertEquals(leads.statement(), new Proof.Figures(eur(100), eur(700), eur(500), eur(300)));
    Proof lacks =
        Proof.of(StatementFigures.NONE, lines, Reconciliation.of(eur(100), List.of(), eur(301)));
    assertNull(lacks.statement().in());
  }

  /** Over random statements and ticks: the parts of what is apart make the whole. */
  @Test
  public void whatIsApartAddsUpAcrossAndDayByDay() {
    var random = new Random(23);
    int parted = 0;
    for (int round = 0; round < 300; round++) {
      Amount opening = eur(random.nextInt(-5_000, 5_000));
      Amount booksOpening = random.nextInt(3) == 0 ? eur(random.nextInt(5_000)) : opening;
      List<BankLine> lines = lines(random);
      var ticked = new ArrayList<Ticked>();
      for (BankLine line : lines) {
        if (random.nextInt(6) > 0) {
          int late = random.nextInt(5) == 0 ? random.nextInt(-9, 4) : 0;
          int wrong = random.nextInt(8) == 0 ? random.nextInt(90) : 0;
          ticked.add(new Ticked(line.bookedOn().plusDays(late), eur(line.amountMinor() + wrong)));
        }
      }
      long moved = lines.stream().mapToLong(BankLine::amountMinor).sum();
      Amount closing = opening.plus(eur(moved));
      StatementFigures says = StatementFigures.ofLines(opening, lines, FIRST.plusDays(29));
      Proof proof =
          Proof.of(
              says,
              lines,
              Reconciliation.of(
                  booksOpening, ticked.stream().map(Ticked::amount).toList(), closing));
      Proof.Figures apart = proof.apart();
      assertEquals(apart.opening().plus(apart.in()).plus(apart.out()), apart.closing());
      List<Step> steps = WhereItParts.of(opening.minus(booksOpening), FIRST, lines, ticked);
      Amount last = steps.isEmpty() ? eur(0) : steps.getLast().apart();
      assertEquals(last, apart.closing(), "round " + round);
      for (int i = 0; i < steps.size(); i++) {
        Amount before = i == 0 ? eur(0) : steps.get(i - 1).apart();
        assertEquals(steps.get(i).apart().minus(before), steps.get(i).change());
        assertFalse(steps.get(i).change().isZero() || steps.get(i).day().isBefore(FIRST));
      }
      parted += steps.isEmpty() ? 0 : 1;
    }
    assertFalse(parted < 200, "" + parted);
  }

  private static List<BankLine> lines(Random random) {
    var lines = new ArrayList<BankLine>();
    for (int i = 0; i < random.nextInt(30); i++) {
      String day = "2026-09-%02d".formatted(1 + random.nextInt(30));
      lines.add(line(day, random.nextInt(-9_000, 9_000), "L" + i));
    }
    return lines;
  }

  @Test
  public void whatIsTickedOnItsDayPartsNothing() {
    List<BankLine> lines = List.of(line("2026-09-03", -500, "A"), line("2026-09-09", 700, "B"));
    var ticked =
        List.of(
            new Ticked(LocalDate.of(2026, 9, 3), eur(-500)),
            new Ticked(LocalDate.of(2026, 9, 12), eur(700)));
    assertEquals(
        WhereItParts.of(eur(0), FIRST, lines, ticked),
        List.of(
            new Step(LocalDate.of(2026, 9, 9), eur(700), eur(700)),
            new Step(LocalDate.of(2026, 9, 12), eur(-700), eur(0))));
  }
}
