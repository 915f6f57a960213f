package org.yewledger.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.refusalOf;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.reconcile.StatementChain.Link;

public class StatementChainTest {
  private static final LocalDate JULY = LocalDate.of(2026, 7, 31);
  private static final LocalDate AUGUST = LocalDate.of(2026, 8, 31);
  private static final LocalDate SEPTEMBER = LocalDate.of(2026, 9, 30);

  private static StatementChain chain(Link... links) {
    return new StatementChain(CURRENT, eur(500), List.of(links));
  }

  private static Link link(LocalDate day, long closing, boolean finished) {
    return new Link(UUID.randomUUID(), day, eur(closing), finished);
  }

  @Test
  public void eachOpensWithTheClosingOfTheOneBefore() {
    StatementChain chain = chain(link(AUGUST, 900, false), link(JULY, 700, true));
    assertEquals(chain.opening(JULY), eur(500));
    assertEquals(chain.opening(AUGUST), eur(700));
    assertEquals(chain.opening(SEPTEMBER), eur(900));
    assertEquals(chain.agreedThrough(), Optional.of(JULY));
  }

  @Test
  public void aNewOneComesAfterWhatIsAgreed() {
    StatementChain chain = chain(link(JULY, 700, true), link(SEPTEMBER, 900, false));
    chain.requireRoomFor(AUGUST);
    assertEquals(refusalOf(() -> chain.requireRoomFor(JULY)), "already-agreed");
    assertEquals(refusalOf(() -> chain.requireRoomFor(SEPTEMBER)), "statement-exists");
    assertEquals(
        refusalOf(() -> chain.requireRoomFor(LocalDate.of(2025, 9, 30))), "before-opening");
  }

  @Test
  public void onlyTheLastIsOpenedAgainAndNoneThatAClosedMonthAgreesWith() {
    StatementChain chain = chain(link(JULY, 700, true), link(AUGUST, 800, true));
    assertEquals(refusalOf(() -> chain.requireReopening(JULY, null)), "later-agreed");
    chain.requireReopening(AUGUST, null);
    chain.requireReopening(AUGUST, YearMonth.of(2026, 7));
    assertEquals(
        refusalOf(() -> chain.requireReopening(AUGUST, YearMonth.of(2026, 8))), "month-closed");
    StatementChain over = chain(link(JULY, 700, true), link(SEPTEMBER, 800, true));
    assertEquals(
        refusalOf(() -> over.requireReopening(SEPTEMBER, YearMonth.of(2026, 8))), "month-closed");
  }

  @Test
  public void theyAreFinishedInTheirOrder() {
    StatementChain chain =
        chain(link(JULY, 700, true), link(AUGUST, 800, false), link(SEPTEMBER, 900, false));
    chain.requireNext(AUGUST);
    assertEquals(refusalOf(() -> chain.requireNext(SEPTEMBER)), "earlier-statement-open");
  }
}
