package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CARD;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.KESTREL;
import static org.yewledger.core.Fixtures.LEDGER;
import static org.yewledger.core.Fixtures.SHOP_USD;
import static org.yewledger.core.Fixtures.eur;
import static org.yewledger.core.Fixtures.usd;
import static org.yewledger.core.post.KnownEntriesTest.typed;
import static org.yewledger.core.post.KnownEntriesTest.waiting;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.ExchangeRate;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.Condition;
import org.yewledger.core.rules.RuleBook;

public class OwnTransfersTest {
  private static final ExchangeRates RATES =
      new ExchangeRates(
          List.of(
              new ExchangeRate(
                  CurrencyUnit.USD,
                  CurrencyUnit.EUR,
                  LocalDate.of(2026, 9, 1),
                  new BigDecimal("0.88"))));

  private static List<Proposal> proposals(List<WaitingLine> lines, List<OpenPosting> open) {
    var toCard =
        Fixtures.rule("QUILLON CARD", Condition.Direction.OUT, null, "Quillon Card payment", CARD);
    var market = Fixtures.rule("GREENGAGE", null, null, "Greengage Market", GROCERIES);
    return Proposer.proposals(
        new Situation(
            lines,
            open,
            Map.of(BOOK.id(), new RuleBook(List.of(toCard, market))),
            Map.of(CARD.id(), CARD, GROCERIES.id(), GROCERIES),
            Map.of(CARD.id(), "6650", CURRENT.id(), "4417", SHOP_USD.id(), "5150"),
            RATES,
            Map.of()));
  }

  private static Evidence.OtherHalf half(Proposal proposal) {
    assertEquals(proposal.reason(), Reason.OWN_TRANSFER);
    return (Evidence.OtherHalf) proposal.evidence();
  }

  @Test
  public void bothHalvesAreOneTransferTheNameIsOfTheRule() {
    WaitingLine out = waiting(CURRENT, "2026-09-20", -29618, "QUILLON CARD 6650 DD");
    WaitingLine in = waiting(CARD, "2026-09-21", 29618, "PAYMENT RECEIVED");
    List<Proposal> both = proposals(List.of(out, in), List.of());
    assertEquals(half(both.get(0)), new Evidence.OtherHalf(in.id(), 1, true, false));
    assertEquals(half(both.get(1)), new Evidence.OtherHalf(out.id(), 1, true, false));
    assertTrue(both.get(0).isSure());
    Booking booking = java.util.Objects.requireNonNull(both.get(0).booking());
    assertEquals(booking.payee(), "Quillon Card payment");
    List<Posting> postings = booking.entryFor(CURRENT, out.line(), LEDGER).entry().postings();
    assertEquals(postings.stream().map(Posting::account).toList(), List.of(CURRENT, CARD));
    assertEquals(postings.get(1).amount(), eur(29618));
  }

  @Test
  public void betweenBooksAndCurrenciesTheWholeEntryBalances() {
    WaitingLine out = waiting(SHOP_USD, "2026-09-28", -20000, "TO KESTREL CURRENT");
    WaitingLine in = waiting(KESTREL, "2026-09-28", 17492, "SHOP PAYOUT ABROAD USD 200");
    List<Proposal> both = proposals(List.of(out, in), List.of());
    assertEquals(half(both.get(0)).twinId(), in.id());
    Booking booking = java.util.Objects.requireNonNull(both.get(0).booking());
    assertEquals(booking.parts(), List.of(new Booking.Part(KESTREL, usd(-20000), "", eur(17492))));
    // Two in a hundred apart from the rate of its day is too far.
    assertEquals(
        proposals(List.of(out, waiting(KESTREL, "2026-09-28", 17000, "FROM SHOP 5150")), List.of())
            .getFirst()
            .reason(),
        Reason.OPEN_QUESTION);
    WaitingLine toPress = waiting(CURRENT, "2026-09-05", -64000, "KESTREL CURRENT");
    WaitingLine fromHome = waiting(KESTREL, "2026-09-05", 64000, "W ALDERCOTT");
    assertEquals(
        half(proposals(List.of(toPress, fromHome), List.of()).getFirst()).twinId(), fromHome.id());
  }

  @Test
  public void equalAmountsThatNobodyNamesAreNotSureAndThoseOfARuleAreNoTransfer() {
    WaitingLine out = waiting(CURRENT, "2026-09-20", -1500, "ORDER 1");
    WaitingLine in = waiting(CARD, "2026-09-22", 1500, "CREDIT");
    Proposal unnamed = proposals(List.of(out, in), List.of()).getFirst();
    assertFalse(half(unnamed).named());
    assertFalse(unnamed.isSure());
    WaitingLine refund = waiting(CARD, "2026-09-22", 1500, "GREENGAGE REFUND");
    assertEquals(proposals(List.of(out, refund), List.of()).get(1).reason(), Reason.RULE);
    WaitingLine late = waiting(CARD, "2026-09-24", 1500, "CREDIT");
    assertEquals(
        proposals(List.of(out, late), List.of()).getFirst().reason(), Reason.OPEN_QUESTION);
  }

  @Test
  public void ofTwoThatMayBeTheOtherHalfItIsSaidThatThereAreTwo() {
    WaitingLine out = waiting(CURRENT, "2026-09-20", -5000, "CARD 6650");
    WaitingLine first = waiting(CARD, "2026-09-20", 5000, "PAYMENT RECEIVED");
    WaitingLine second = waiting(CARD, "2026-09-20", 5000, "PAYMENT RECEIVED");
    List<Proposal> all = proposals(List.of(out, first, second), List.of());
    assertTrue(half(all.getFirst()).rivalled());
    assertFalse(all.getFirst().isSure());
    assertEquals(all.stream().filter(p -> p.reason() == Reason.OWN_TRANSFER).count(), 2);
  }

  /** What can happen to the two halves of a transfer, in any order. */
  private enum Event {
    OUT_ARRIVES,
    IN_ARRIVES,
    PERSON_POSTS
  }

  @DataProvider
  Object[][] orders() {
    var orders = new ArrayList<Object[]>();
    var random = new Random(43);
    for (int i = 0; i < 60; i++) {
      var events = new ArrayList<Event>();
      events.addAll(List.of(Event.OUT_ARRIVES, Event.IN_ARRIVES));
      for (int posts = random.nextInt(4); posts > 0; posts--) {
        events.add(Event.PERSON_POSTS);
      }
      java.util.Collections.shuffle(events, random);
      events.add(Event.PERSON_POSTS);
      orders.add(new Object[] {events, random.nextInt(5), random.nextBoolean()});
    }
    return orders.toArray(Object[][]::new);
  }

  /** However the feeds arrive and whenever the person posts: one entry, and both lines in it. */
  @Test(dataProvider = "orders")
  public void isBookedOnceWhateverTheOrder(List<Event> events, int daysApart, boolean named) {
    var out =
        waiting(CURRENT, "2026-09-10", -8000, named ? "QUILLON CARD 6650 DD" : "QUILLON CARD");
    var in =
        waiting(
            CARD, LocalDate.of(2026, 9, 10).plusDays(daysApart).toString(), 8000, "PAYMENT 4417");
    var waiting = new ArrayList<WaitingLine>();
    var open = new ArrayList<OpenPosting>();
    int entries = 0;
    for (Event event : events) {
      switch (event) {
        case OUT_ARRIVES -> waiting.add(out);
        case IN_ARRIVES -> waiting.add(in);
        case PERSON_POSTS -> entries += post(waiting, open);
      }
    }
    assertEquals(entries, 1, events.toString());
    assertEquals(waiting, List.of());
    assertEquals(open, List.of());
  }

  /** Takes what is proposed; what nothing is known of, the person says is a transfer. */
  private static int post(List<WaitingLine> waiting, List<OpenPosting> open) {
    int made = 0;
    List<Proposal> proposals = proposals(waiting, open);
    for (int i = 0; i < proposals.size() && !waiting.isEmpty(); i++) {
      Proposal proposal = proposals.get(i);
      WaitingLine line =
          waiting.stream().filter(w -> w.id().equals(proposal.lineId())).findFirst().orElse(null);
      if (line == null) {
        continue;
      }
      waiting.remove(line);
      switch (proposal.evidence()) {
        case Evidence.StandsInTheBooks known -> open.remove(known.posting());
        case Evidence.OtherHalf half -> {
          waiting.removeIf(w -> w.id().equals(half.twinId()));
          made++;
        }
        default -> {
          made++;
          var other = line.account().equals(CURRENT) ? CARD : CURRENT;
          var posting =
              typed(
                  other,
                  line.line().bookedOn().toString(),
                  -line.line().amountMinor(),
                  "Card payment");
          open.add(
              new OpenPosting(
                  posting.id(),
                  posting.accountId(),
                  posting.date(),
                  posting.amountMinor(),
                  posting.text(),
                  true));
        }
      }
    }
    return made;
  }
}
