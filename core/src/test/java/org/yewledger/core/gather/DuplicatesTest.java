package org.yewledger.core.gather;

import static java.util.stream.Collectors.toList;
import static org.testng.Assert.assertEquals;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class DuplicatesTest {
  private static List<LineKey> keys(List<BankLine> lines) {
    return lines.stream().map(BankLine::key).collect(toList());
  }

  private static long countNew(List<BankLine> known, List<BankLine> arriving) {
    return Duplicates.compare(keys(known), arriving).stream().filter(Arrival::isNew).count();
  }

  @Test
  public void theSameFileAgainAddsNothing() {
    List<BankLine> file =
        List.of(
            line("2026-09-04", -4000, "ATM HARBOUR SQ 3", "a1"),
            line("2026-09-05", 32600, "CHILD", "a2"));
    assertEquals(countNew(List.of(), file), 2);
    assertEquals(countNew(file, file), 0);
  }

  @Test
  public void twoEqualCoffeesStayTwo() {
    List<BankLine> coffees =
        List.of(line("2026-09-04", -320, "COFFEE"), line("2026-09-04", -320, "COFFEE"));
    assertEquals(countNew(List.of(), coffees), 2);
    assertEquals(countNew(coffees, coffees), 0);
    assertEquals(countNew(coffees.subList(0, 1), coffees), 1);
    List<Arrival> third = Duplicates.compare(keys(coffees.subList(0, 1)), coffees);
    assertEquals(third.get(1).ordinal(), 2);
  }

  @Test
  public void identityDecidesBeforeText() {
    BankLine before = line("2026-09-04", -4000, "ATM PENDING", "id-9");
    BankLine renamed = line("2026-09-05", -4000, "ATM HARBOUR SQUARE", "id-9");
    assertEquals(countNew(List.of(before), List.of(renamed)), 0);
    BankLine twin = line("2026-09-04", -4000, "ATM PENDING", "id-10");
    assertEquals(countNew(List.of(before), List.of(twin)), 1);
  }

  @Test
  public void aTableWithoutIdentitiesKnowsTheLinesOfAFileWithThem() {
    BankLine ofx = line("2026-09-04", -4000, "ATM  Harbour sq 3", "id-9");
    BankLine csv = line("2026-09-04", -4000, "ATM HARBOUR SQ 3 ");
    assertEquals(countNew(List.of(ofx), List.of(csv)), 0);
    assertEquals(countNew(List.of(csv), List.of(ofx)), 0);
  }

  @Test
  public void anIdentityListedTwiceInAFileIsOneLine() {
    BankLine once = line("2026-09-04", -4000, "ATM", "id-9");
    assertEquals(countNew(List.of(), List.of(once, once)), 1);
  }

  /**
   * However a year is cut into overlapping files of whole days, and in whatever order they come.
   */
  @Test
  public void overlappingFilesInAnyOrderMakeTheSameSet() {
    for (int seed = 0; seed < 60; seed++) {
      var random = new Random(seed);
      List<BankLine> year = year(random);
      var held = new ArrayList<BankLine>();
      for (List<BankLine> file : files(year, random)) {
        Duplicates.compare(keys(held), file).stream()
            .filter(Arrival::isNew)
            .forEach(arrival -> held.add(arrival.line()));
      }
      assertEquals(sorted(held), sorted(year), "seed " + seed);
    }
  }

  private static List<BankLine> year(Random random) {
    var lines = new ArrayList<BankLine>();
    for (int day = 0; day < 365; day++) {
      int count = random.nextInt(4);
      for (int i = 0; i < count; i++) {
        String date = LocalDate.of(2025, 10, 1).plusDays(day).toString();
        String text = "SHOP " + random.nextInt(3);
        String identity = random.nextInt(3) == 0 ? date + "-" + i : null;
        lines.add(line(date, -100L * (1 + random.nextInt(3)), text, identity));
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
    return lines.stream().map(l -> l.key().toString()).sorted().toList();
  }
}
