package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.ExchangeRates;

public class KnownGroupsTest {
  private static WaitingLine waits(int id, Account account, String day, long minor, String text) {
    return new WaitingLine(new UUID(1, id), account, line(day, minor, text));
  }

  private static OpenPosting typed(int id, Account account, String day, long minor, String text) {
    return new OpenPosting(new UUID(2, id), account.id(), LocalDate.parse(day), minor, text, false);
  }

  private static List<Proposal> proposals(List<WaitingLine> lines, List<OpenPosting> open) {
    return Proposer.proposals(
        new Situation(lines, open, Map.of(), Map.of(), Map.of(), ExchangeRates.NONE, Map.of()));
  }

  @Test
  public void aDepositIsTheChequesThatAddUpToIt() {
    List<OpenPosting> open =
        List.of(
            typed(1, CURRENT, "2026-09-01", 4_000, "Cheque of Oakshott"),
            typed(2, CURRENT, "2026-09-02", 2_510, "Cheque of Penrose"),
            typed(3, CURRENT, "2026-09-02", 1_305, "Cheque of Ashby"),
            typed(4, CURRENT, "2026-09-02", 9_999, "Cheque of Hartwell"));
    Proposal proposal =
        proposals(List.of(waits(1, CURRENT, "2026-09-04", 7_815, "PAYING IN 000123")), open)
            .getFirst();
    assertEquals(proposal.reason(), Reason.KNOWN_ENTRY);
    var several = (Evidence.StandsInSeveral) proposal.evidence();
    assertEquals(new HashSet<>(several.postings()), new HashSet<>(open.subList(0, 3)));
    assertFalse(several.rivalled());
    // Without a word in common it is likely, and no more.
    assertFalse(proposal.isSure());
  }

  @Test
  public void whatAddsUpInTwoWaysIsSaidToBeSo() {
    List<OpenPosting> open =
        List.of(
            typed(1, CURRENT, "2026-09-01", 4_000, "A"),
            typed(2, CURRENT, "2026-09-01", 1_000, "B"),
            typed(3, CURRENT, "2026-09-01", 3_000, "C"),
            typed(4, CURRENT, "2026-09-01", 2_000, "D"));
    var several =
        (Evidence.StandsInSeveral)
            proposals(List.of(waits(1, CURRENT, "2026-09-01", 5_000, "PAYING IN")), open)
                .getFirst()
                .evidence();
    assertTrue(several.rivalled());
  }

  @Test
  public void anOrderThatComesInTwoDeliveriesIsOneEntry() {
    List<WaitingLine> lines =
        List.of(
            waits(1, CARD, "2026-09-03", -2_500, "INKWELL 1 OF 2"),
            waits(2, CARD, "2026-09-05", -1_210, "INKWELL 2 OF 2"),
            waits(3, CARD, "2026-09-05", -1_210, "GREENGAGE"));
    OpenPosting order = typed(1, CARD, "2026-09-02", -3_710, "Inkwell & Sons");
    List<Proposal> proposals = proposals(lines, List.of(order));
    for (int i = 0; i < 2; i++) {
      var part = (Evidence.PartOfAnEntry) proposals.get(i).evidence();
      assertEquals(part.posting(), order);
      assertEquals(Set.copyOf(part.lineIds()), Set.of(new UUID(1, 1), new UUID(1, 2)));
      assertTrue(proposals.get(i).isSure());
    }
    assertEquals(proposals.get(2).reason(), Reason.OPEN_QUESTION);
  }

  @Test
  public void aBillWithItsTipIsNearlyTheEntryAndNeverSure() {
    OpenPosting bill = typed(1, CARD, "2026-09-02", -4_000, "Whimbrel Tearoom");
    Proposal proposal =
        proposals(
                List.of(waits(1, CARD, "2026-09-03", -4_400, "WHIMBREL TEAROOM 12")), List.of(bill))
            .getFirst();
    var nearly = (Evidence.NearlyStands) proposal.evidence();
    assertEquals(nearly.posting(), bill);
    assertEquals(nearly.difference(), eur(-400));
    assertFalse(proposal.isSure());
    // Too much for a tip, before it was typed, or of somebody else: no.
    for (WaitingLine other :
        List.of(
            waits(1, CARD, "2026-09-03", -4_900, "WHIMBREL TEAROOM 12"),
            waits(1, CARD, "2026-09-01", -4_400, "WHIMBREL TEAROOM 12"),
            waits(1, CARD, "2026-09-03", -4_400, "LAMPLIGHT TEAROOM"))) {
      assertEquals(
          proposals(List.of(other), List.of(bill)).getFirst().reason(), Reason.OPEN_QUESTION);
    }
  }

  /** Whatever is found adds up to the cent, on one account, and nothing is used twice. */
  @Test
  public void groupsAlwaysAddUpAndShareNothing() {
    var random = new Random(4);
    int found = 0;
    for (int round = 0; round < 400; round++) {
      var lines = new ArrayList<WaitingLine>();
      var open = new ArrayList<OpenPosting>();
      for (int i = 0; i < 12; i++) {
        Account account = random.nextBoolean() ? CURRENT : CARD;
        String day = "2026-09-0" + (1 + random.nextInt(9));
        long minor = (random.nextBoolean() ? 1 : -1) * 100L * (1 + random.nextInt(9));
        lines.add(waits(i, account, day, minor * (1 + random.nextInt(3)), "INKWELL"));
        open.add(typed(i, account, day, minor, "Inkwell"));
      }
      var used = new HashSet<UUID>();
      List<Proposal> proposals = proposals(lines, open);
      for (int i = 0; i < lines.size(); i++) {
        long amount = lines.get(i).line().amountMinor();
        UUID account = lines.get(i).account().id();
        switch (proposals.get(i).evidence()) {
          case Evidence.StandsInTheBooks known -> assertTrue(used.add(known.posting().id()));
          case Evidence.StandsInSeveral several -> {
            found++;
            assertEquals(
                several.postings().stream().mapToLong(OpenPosting::amountMinor).sum(), amount);
            several
                .postings()
                .forEach(p -> assertTrue(used.add(p.id()) && p.accountId().equals(account)));
          }
          case Evidence.PartOfAnEntry part -> {
            found++;
            assertEquals(
                lines.stream()
                    .filter(l -> part.lineIds().contains(l.id()))
                    .mapToLong(l -> l.line().amountMinor())
                    .sum(),
                part.posting().amountMinor());
            if (part.lineIds().getFirst().equals(lines.get(i).id())) {
              assertTrue(used.add(part.posting().id()));
            }
          }
          default -> {}
        }
      }
    }
    assertTrue(found > 100, "groups: " + found);
  }
}
