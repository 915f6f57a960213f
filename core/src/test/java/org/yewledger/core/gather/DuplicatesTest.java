package org.yewledger.core.gather;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.yewledger.core.Fixtures.line;
import static org.yewledger.core.gather.Arrival.Standing.DOUBTFUL;
import static org.yewledger.core.gather.Arrival.Standing.KNOWN;
import static org.yewledger.core.gather.Arrival.Standing.NEW;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.core.gather.Arrival.Standing;

public class DuplicatesTest {
  private static List<Standing> standings(
      List<BankLine> known, LineSource by, List<BankLine> arriving, LineSource source) {
    var knownLines = known.stream().map(l -> KnownLines.booked(l, by)).toList();
    return Duplicates.compare(knownLines, arriving, source).stream()
        .map(Arrival::standing)
        .toList();
  }

  private static Standing standing(
      BankLine known, LineSource by, BankLine arriving, LineSource source) {
    return standings(List.of(known), by, List.of(arriving), source).getFirst();
  }

  private static BankLine pending(String day, long amount, String text, String identity) {
    BankLine line = line(day, amount, text, identity);
    return new BankLine(
        line.bookedOn(), null, amount, "", text, "", "", identity, text, 0, true, Map.of());
  }

  @Test
  public void theSameFileAgainAddsNothing() {
    List<BankLine> file =
        List.of(
            line("2026-09-04", -4000, "ATM HARBOUR SQ 3", "a1"),
            line("2026-09-05", 32600, "CHILD", "a2"));
    assertEquals(standings(List.of(), LineSource.OFX, file, LineSource.OFX), List.of(NEW, NEW));
    assertEquals(standings(file, LineSource.OFX, file, LineSource.OFX), List.of(KNOWN, KNOWN));
  }

  @Test
  public void twoEqualCoffeesStayTwo() {
    List<BankLine> coffees =
        List.of(line("2026-09-04", -320, "COFFEE"), line("2026-09-04", -320, "COFFEE"));
    var held = new KnownLines();
    held.take(coffees.subList(0, 1), LineSource.CSV);
    List<Arrival> both = held.take(coffees, LineSource.CSV);
    assertEquals(both.stream().map(Arrival::standing).toList(), List.of(KNOWN, NEW));
    assertEquals(both.get(1).ordinal(), 2);
    assertEquals(held.take(coffees, LineSource.CSV).stream().filter(Arrival::comesIn).count(), 0);
  }

  @Test
  public void identityDecidesBeforeTextAmongLinesOfOneSource() {
    BankLine before = line("2026-09-04", -4000, "ATM", "id-9");
    BankLine renamed = line("2026-09-05", -4000, "ATM HARBOUR SQUARE", "id-9");
    BankLine twin = line("2026-09-04", -4000, "ATM", "id-10");
    assertEquals(standing(before, LineSource.OFX, renamed, LineSource.OFX), KNOWN);
    assertEquals(standing(before, LineSource.OFX, twin, LineSource.OFX), NEW);
    assertEquals(standing(before, LineSource.FEED, twin, LineSource.OFX), KNOWN);
  }

  @Test
  public void oneIdentityWithTwoAmountsIsTwoMovements() {
    BankLine part = line("2026-09-04", -4000, "BATCH", "id-9");
    BankLine other = line("2026-09-04", -1500, "BATCH", "id-9");
    assertEquals(standing(part, LineSource.CAMT, other, LineSource.CAMT), NEW);
  }

  @Test
  public void caseSpacingMarksAndAccentsDoNotMatter() {
    BankLine ofx = line("2026-09-04", -4000, "Café  Tansy & Thread", "id-9");
    BankLine csv = line("2026-09-04", -4000, "CAFE TANSY THREAD ");
    assertEquals(standing(ofx, LineSource.OFX, csv, LineSource.CSV), KNOWN);
    assertEquals(standing(csv, LineSource.CSV, ofx, LineSource.OFX), KNOWN);
  }

  @Test
  public void anIdentityListedTwiceInAFileIsOneLine() {
    BankLine once = line("2026-09-04", -4000, "ATM", "id-9");
    assertEquals(
        standings(List.of(), LineSource.OFX, List.of(once, once), LineSource.OFX),
        List.of(NEW, KNOWN));
  }

  @Test
  public void fileAgainstFeedWithOtherWordsUpToThreeDaysApartIsDoubtful() {
    BankLine feed = line("2026-09-04", -4000, "ATM HARBOUR SQ 3", "f1");
    for (int days = -4; days <= 4; days++) {
      String day = LocalDate.parse("2026-09-04").plusDays(days).toString();
      BankLine file = line(day, -4000, "CASH 0409 HARBOUR SQUARE");
      assertEquals(
          standing(feed, LineSource.FEED, file, LineSource.CSV),
          Math.abs(days) <= 3 ? DOUBTFUL : NEW,
          days + " days apart");
    }
    BankLine otherAmount = line("2026-09-04", -4001, "CASH 0409 HARBOUR SQUARE");
    assertEquals(standing(feed, LineSource.FEED, otherAmount, LineSource.CSV), NEW);
    BankLine sameSource = line("2026-09-05", -4000, "CASH", "f2");
    assertEquals(standing(feed, LineSource.FEED, sameSource, LineSource.FEED), NEW);
  }

  @Test
  public void oneLineRaisesOneDoubtAndTheNearestDayIsMeant() {
    KnownLine far = KnownLines.booked(line("2026-09-02", -4000, "ATM A"), LineSource.FEED);
    KnownLine near = KnownLines.booked(line("2026-09-05", -4000, "ATM B"), LineSource.FEED);
    List<Arrival> arrivals =
        Duplicates.compare(
            List.of(far, near),
            List.of(
                line("2026-09-04", -4000, "CASH 1"),
                line("2026-09-03", -4000, "CASH 2"),
                line("2026-09-03", -4000, "CASH 3")),
            LineSource.CSV);
    assertEquals(arrivals.get(0).doubtOver(), near.id());
    assertEquals(arrivals.get(1).doubtOver(), far.id());
    assertEquals(arrivals.get(2).standing(), NEW);
  }

  @Test
  public void aLineFoundToBeACopyIsRecognisedButRaisesNoDoubt() {
    BankLine cash = line("2026-09-04", -4000, "CASH 0409");
    KnownLine copy = KnownLines.known(cash, LineSource.CSV, KnownLine.Standing.COPY);
    assertEquals(
        Duplicates.compare(List.of(copy), List.of(cash), LineSource.CSV).getFirst().standing(),
        KNOWN);
    BankLine other = line("2026-09-05", -4000, "SOMETHING ELSE");
    assertEquals(
        Duplicates.compare(List.of(copy), List.of(other), LineSource.FEED).getFirst().standing(),
        NEW);
  }

  @Test
  public void aPendingLineGivesWayToItsBookedForm() {
    record Case(String why, BankLine pending, BankLine booked, boolean replaced) {}
    BankLine reserved = pending("2026-09-04", -10000, "NORTHGATE FUEL", "p1");
    for (Case c :
        List.of(
            new Case("identity", reserved, line("2026-09-06", -6392, "FUEL", "p1"), true),
            new Case("text", reserved, line("2026-09-12", -10000, "Northgate Fuel", "b"), true),
            new Case("amount", reserved, line("2026-09-08", -10000, "NF 2", "b"), true),
            new Case("too late", reserved, line("2026-09-15", -10000, "NF 2", "b"), false),
            new Case("other amount", reserved, line("2026-09-05", -6392, "FUEL", "b"), false))) {
      var held = new KnownLines();
      held.take(List.of(c.pending()), LineSource.FEED);
      Arrival arrival = held.take(List.of(c.booked()), LineSource.FEED).getFirst();
      assertEquals(arrival.standing(), NEW, c.why());
      assertEquals(arrival.replaces() != null, c.replaced(), c.why());
      assertEquals(held.pendingCount(), c.replaced() ? 0 : 1, c.why());
    }
  }

  @Test
  public void aPendingLineThatIsBookedAlreadyDoesNotComeBack() {
    BankLine booked = line("2026-09-06", -6392, "NORTHGATE FUEL", "b1");
    var held = new KnownLines();
    held.take(List.of(booked), LineSource.OFX);
    BankLine late = pending("2026-09-04", -6392, "Northgate fuel", "p9");
    assertEquals(held.take(List.of(late), LineSource.FEED).getFirst().standing(), KNOWN);
    assertNotNull(held.take(List.of(booked), LineSource.FEED));
    assertEquals(held.booked().size(), 1);
  }

  /**
   * However a year is cut into overlapping files of whole days, in whatever order and by whatever
   * formats and feeds they come.
   */
  @Test
  public void overlappingFilesOfAnyFormatInAnyOrderMakeTheSameSet() {
    for (int seed = 0; seed < 80; seed++) {
      var random = new Random(seed);
      List<BankLine> year = year(random);
      var held = new KnownLines();
      for (List<BankLine> file : files(year, random)) {
        LineSource source = LineSource.values()[random.nextInt(LineSource.values().length)];
        held.take(as(source, file), source);
      }
      assertEquals(sorted(held.booked()), sorted(year), "seed " + seed);
    }
  }

  /** Each source gives identities of its own, or none, and writes the text its own way. */
  private static List<BankLine> as(LineSource source, List<BankLine> lines) {
    boolean identities =
        source == LineSource.OFX || source == LineSource.CAMT || source == LineSource.FEED;
    return lines.stream()
        .map(l ->
            line(
                l.bookedOn().toString(),
                l.amountMinor(),
                source == LineSource.MT940 ? l.memo().toLowerCase(java.util.Locale.ROOT) : l.memo(),
                identities ? source + l.reference() : null))
        .toList();
  }

  private static List<BankLine> year(Random random) {
    var lines = new ArrayList<BankLine>();
    for (int day = 0; day < 365; day++) {
      int count = random.nextInt(4);
      for (int i = 0; i < count; i++) {
        LocalDate date = LocalDate.of(2025, 10, 1).plusDays(day);
        String text = "SHOP " + random.nextInt(3);
        long amount = -100L * (1 + random.nextInt(3));
        lines.add(new BankLine(date, null, amount, "", text, date + "-" + i, "", null, text, 1));
      }
    }
    return lines;
  }

  private static List<List<BankLine>> files(List<BankLine> year, Random random) {
    var files = new ArrayList<List<BankLine>>();
    LocalDate first = LocalDate.of(2025, 10, 1);
    for (int day = 0; day < 365; day += 20) {
      LocalDate from = first.plusDays(Math.max(0, day - random.nextInt(25)));
      LocalDate to = first.plusDays(day + 20L + random.nextInt(25));
      files.add(
          year.stream()
              .filter(l -> !l.bookedOn().isBefore(from) && l.bookedOn().isBefore(to))
              .toList());
    }
    Collections.shuffle(files, random);
    return files;
  }

  private static List<String> sorted(List<BankLine> lines) {
    return lines.stream().map(l -> l.key().content().toString()).sorted().toList();
  }

  @Test
  public void identitiesThatIdentifyNothingSwallowNoLine() {
    for (String identity : List.of("0", "000", "NONREF", "NOTPROVIDED", "same")) {
      List<BankLine> file =
          List.of(
              line("2026-09-04", -320, "COFFEE", identity),
              line("2026-09-05", -320, "COFFEE", identity),
              line("2026-09-05", -320, "COFFEE", identity),
              line("2026-09-07", -320, "TEA", identity));
      var held = new KnownLines();
      assertEquals(
          held.take(file, LineSource.OFX).stream().map(Arrival::standing).toList(),
          List.of(NEW, NEW, NEW, NEW),
          identity);
      assertEquals(held.take(file, LineSource.OFX).stream().filter(Arrival::comesIn).count(), 0);
    }
  }

  @Test
  public void anIdentityUsedAgainByTheNextStatementIsAnotherLine() {
    assertEquals(
        standing(
            line("2026-08-04", -320, "COFFEE", "7"),
            LineSource.OFX,
            line("2026-09-04", -320, "COFFEE", "7"),
            LineSource.OFX),
        NEW);
  }

  @Test
  public void theNthOfEqualLinesIsSearchedForWhereAnEarlierOneWasTakenBack() {
    BankLine coffee = line("2026-09-04", -320, "COFFEE");
    UUID second = UUID.randomUUID();
    var left =
        new KnownLine(second, coffee.key(), 2, LineSource.CSV, KnownLine.Standing.BOOKED, second);
    List<Arrival> both = Duplicates.compare(List.of(left), List.of(coffee, coffee), LineSource.CSV);
    assertEquals(both.stream().map(Arrival::standing).toList(), List.of(KNOWN, NEW));
    assertEquals(both.get(1).ordinal(), 1);
  }

  @Test
  public void aPendingLineGivesWayToABookedOneOfTheSameWordsAndAnotherAmount() {
    var held = new KnownLines();
    held.take(List.of(pending("2026-09-04", -10000, "NORTHGATE FUEL", "p1")), LineSource.FEED);
    BankLine booked = line("2026-09-06", -6392, "Northgate Fuel");
    assertNotNull(held.take(List.of(booked), LineSource.OFX).getFirst().replaces());
    assertEquals(held.pendingCount(), 0);
  }

  /**
   * Files as mean as they come: each source moves days by up to two and has words of its own, equal
   * amounts stand close together, files overlap, and come in any order. Who is asked looks whether
   * the file holds the movement that the line is held against.
   */
  @Test
  public void sourcesWithOtherDaysAndWordsMakeEveryMovementOnceInAnyOrder() {
    LineSource[] sources = {
      LineSource.OFX, LineSource.CAMT, LineSource.MT940, LineSource.CSV, LineSource.FEED
    };
    for (int seed = 0; seed < 120; seed++) {
      var random = new Random(seed);
      List<LocalDate> movements = new ArrayList<>();
      for (int i = 0; i < 4 + random.nextInt(6); i++) {
        movements.add(LocalDate.of(2026, 9, 1).plusDays(random.nextInt(12)));
      }
      movements.sort(null);
      var order = new ArrayList<>(List.of(sources));
      Collections.shuffle(order, random);
      List<KnownLine> known = new ArrayList<>();
      for (LineSource source : order) {
        int shift = random.nextInt(2);
        var file = new ArrayList<BankLine>();
        for (int i = 0; i < movements.size(); i++) {
          file.add(
              line(
                  movements.get(i).plusDays(shift).toString(),
                  -4000,
                  "BY " + source,
                  source == LineSource.MT940 ? null : source + "-" + i));
        }
        for (Arrival arrival : Duplicates.compare(known, file, source)) {
          if (arrival.comesIn()) {
            UUID id = UUID.randomUUID();
            boolean copy = arrival.standing() == DOUBTFUL;
            known.add(
                new KnownLine(
                    id,
                    arrival.key(),
                    arrival.ordinal(),
                    source,
                    copy ? KnownLine.Standing.COPY : KnownLine.Standing.BOOKED,
                    copy ? movementOf(known, arrival.doubtOver()) : id));
          }
        }
      }
      long booked = known.stream().filter(k -> k.standing() == KnownLine.Standing.BOOKED).count();
      assertEquals(booked, movements.size(), "seed " + seed + ", " + order + ", " + movements);
    }
  }

  private static UUID movementOf(List<KnownLine> known, UUID id) {
    return known.stream().filter(k -> k.id().equals(id)).findFirst().orElseThrow().movement();
  }
}
