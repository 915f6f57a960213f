package org.yewledger.core.compare;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.yewledger.core.Fixtures.CURRENT;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.Fixtures;
import org.yewledger.core.compare.Match.Kind;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;

public class ComparisonTest {
  private static final LocalDate END = LocalDate.parse("2026-09-30");

  private static WaitingLine line(int id, LocalDate day, long minor, String text) {
    return new WaitingLine(new UUID(1, id), CURRENT, Fixtures.line(day.toString(), minor, text));
  }

  private static OpenPosting posting(int id, LocalDate day, long minor, String text) {
    return new OpenPosting(new UUID(2, id), CURRENT.id(), day, minor, text, false);
  }

  @DataProvider
  Object[][] pairs() {
    return new Object[][] {
      // What the books say of a line of 45.00 out on 16 September at Pinfold School.
      {"2026-09-16", -45_00, "Pinfold School", Kind.SAME},
      {"2026-09-14", -45_00, "Pinfold School museum", Kind.SAME},
      {"2026-06-20", -45_00, "Pinfold School", Kind.SAME},
      {"2026-06-20", -45_00, "Cheque 17", Kind.SAME},
      {"2026-09-16", -54_00, "Pinfold School", Kind.AMOUNT_DISAGREES},
      {"2026-09-16", -4_500_00, "Pinfold School", Kind.AMOUNT_DISAGREES},
      {"2026-09-16", 45_00, "Pinfold School", Kind.AMOUNT_DISAGREES},
      {"2026-09-15", -41_30, "Pinfold School", Kind.AMOUNT_DISAGREES},
      {"2026-10-16", -45_00, "Pinfold School", Kind.DAY_DISAGREES},
      {"2026-10-01", -45_00, "Pinfold School", Kind.DAY_DISAGREES},
      {"2026-09-15", -12_31, "Pinfold School", null},
      {"2026-09-16", -54_00, "Kerrow Garage", null},
      {"2026-10-16", -45_00, "Kerrow Garage", null},
      {"2025-09-16", -45_00, "Pinfold School", null},
    };
  }

  @Test(dataProvider = "pairs")
  public void whatTheTwoHaveInCommonIsTold(
      String day, int minor, String payee, @Nullable Kind kind) {
    WaitingLine line = line(1, LocalDate.parse("2026-09-16"), -45_00, "PINFOLD SCHOOL DD");
    OpenPosting posting = posting(1, LocalDate.parse(day), minor, payee);
    Comparison comparison = Comparison.of(List.of(line), List.of(posting), END);
    if (kind == null) {
      assertEquals(comparison.matches(), List.of());
      assertEquals(comparison.onlyAtBank(), List.of(line));
      assertEquals(
          comparison.onlyInBooks(), posting.date().isAfter(END) ? List.of() : List.of(posting));
    } else {
      Match match = comparison.matches().getFirst();
      assertEquals(match.kind(), kind);
      assertEquals(match.lines(), List.of(line));
      assertEquals(match.postings(), List.of(posting));
      assertEquals(comparison.onlyAtBank(), List.of());
      assertEquals(comparison.onlyInBooks(), List.of());
      assertEquals(match.isSure(), kind == Kind.SAME && payee.startsWith("Pinfold"));
    }
  }

  @Test
  public void twoEntriesMakeOneLineAndTwoLinesOneEntry() {
    LocalDate day = LocalDate.parse("2026-09-21");
    WaitingLine energy = line(1, day.plusDays(1), -72_60, "DD LANTERN ENERGY 7730021");
    List<OpenPosting> two =
        List.of(
            posting(1, day, -41_20, "Lantern Energy electricity"),
            posting(2, day, -31_40, "Lantern Energy gas"));
    Match joined = Comparison.of(List.of(energy), two, END).matches().getFirst();
    assertEquals(joined.kind(), Kind.SEVERAL_POSTINGS);
    assertEquals(Set.copyOf(joined.postings()), Set.copyOf(two));

    List<WaitingLine> parts =
        List.of(
            line(2, day, -25_00, "INKWELL 1 OF 2"),
            line(3, day.plusDays(2), -12_10, "INKWELL 2 OF 2"));
    Comparison split =
        Comparison.of(parts, List.of(posting(3, day, -37_10, "Inkwell & Sons")), END);
    assertEquals(split.matches().size(), 1);
    assertEquals(split.matches().getFirst().kind(), Kind.SEVERAL_LINES);
    assertEquals(Set.copyOf(split.matches().getFirst().lines()), Set.copyOf(parts));
  }

  /** The better pair of the second line is not taken by the first. */
  @Test
  public void theBestOfAllIsFoundAndNotTheBestForEach() {
    LocalDate day = LocalDate.parse("2026-09-10");
    List<WaitingLine> lines =
        List.of(
            line(1, day, -45_00, "PINFOLD SCHOOL"),
            line(2, day.minusDays(2), -54_00, "PINFOLD SCHOOL"));
    List<OpenPosting> postings =
        List.of(
            posting(1, day, -54_00, "Pinfold School"), posting(2, day, -4_50, "Pinfold School"));
    Comparison comparison = Comparison.of(lines, postings, END);
    Map<Kind, List<OpenPosting>> byKind = new EnumMap<>(Kind.class);
    comparison.matches().forEach(match -> byKind.put(match.kind(), match.postings()));
    assertEquals(
        byKind,
        Map.of(
            Kind.SAME, List.of(postings.get(0)), Kind.AMOUNT_DISAGREES, List.of(postings.get(1))));
  }

  @Test
  public void ofTwoAlikeItIsSaidThatTheOtherWouldDoAsWell() {
    LocalDate day = LocalDate.parse("2026-09-12");
    Comparison comparison =
        Comparison.of(
            List.of(line(1, day, -48_20, "NORTHGATE FUEL")),
            List.of(
                posting(1, day, -48_20, "Northgate Fuel"),
                posting(2, day, -48_20, "Northgate Fuel")),
            END);
    assertTrue(comparison.matches().getFirst().rivalled());
    assertFalse(comparison.matches().getFirst().isSure());
    assertEquals(comparison.onlyInBooks().size(), 1);
  }

  private enum Planted {
    SLIP,
    LATER_DAY,
    LATE_CHEQUE,
    NOT_IN_BOOKS,
    NOT_AT_BANK
  }

  private static final List<String> PAYEES =
      List.of(
          "Greengage Market",
          "Northgate Fuel",
          "Cobblers Row Bakery",
          "Mill Lane Pharmacy",
          "Lantern Energy",
          "Harrow Hardware",
          "Otterdale Pool",
          "Ferrygate Bus");

  private static final class Month {
    final List<WaitingLine> lines = new ArrayList<>();
    final List<OpenPosting> postings = new ArrayList<>();

    /** A month of two to four payments a day, with one mistake of a kind. */
    Month(Planted planted, Random random) {
      int count = 60 + random.nextInt(60);
      int wrong = random.nextInt(count);
      for (int i = 0; i < count; i++) {
        String payee = PAYEES.get(random.nextInt(PAYEES.size()));
        LocalDate day = END.minusDays(10 + random.nextInt(19));
        long minor = -(500 + random.nextInt(20_000));
        LocalDate typedOn = day.minusDays(random.nextInt(3));
        long typed = minor;
        if (i == wrong) {
          switch (planted) {
            case SLIP -> typed = slip(minor, random);
            case LATER_DAY -> typedOn = day.plusMonths(1);
            case LATE_CHEQUE -> typedOn = day.minusDays(30 + random.nextInt(100));
            case NOT_IN_BOOKS, NOT_AT_BANK -> {}
          }
        }
        if (i != wrong || planted != Planted.NOT_AT_BANK) {
          lines.add(line(i, day, minor, payee.toUpperCase(Locale.ROOT) + " CARD 0" + i));
        }
        if (i != wrong || planted != Planted.NOT_IN_BOOKS) {
          postings.add(posting(i, typedOn, typed, payee));
        }
      }
      Collections.shuffle(postings, random);
    }

    private static long slip(long minor, Random random) {
      char[] digits = Long.toString(-minor).toCharArray();
      for (; ; ) {
        char[] typed = digits.clone();
        int at = random.nextInt(typed.length - 1);
        if (random.nextBoolean()) {
          typed[at] = digits[at + 1];
          typed[at + 1] = digits[at];
        } else {
          typed[at] = (char) ('1' + random.nextInt(9));
        }
        long slipped = -Long.parseLong(new String(typed));
        if (slipped != minor) {
          return slipped;
        }
      }
    }
  }

  private static boolean isTold(Planted planted, Comparison of) {
    List<Kind> kinds =
        of.matches().stream().map(Match::kind).filter(kind -> kind != Kind.SAME).toList();
    boolean allPaired = of.onlyAtBank().isEmpty() && of.onlyInBooks().isEmpty();
    return switch (planted) {
      case SLIP -> kinds.equals(List.of(Kind.AMOUNT_DISAGREES)) && allPaired;
      case LATER_DAY -> kinds.equals(List.of(Kind.DAY_DISAGREES)) && allPaired;
      case LATE_CHEQUE -> kinds.isEmpty() && allPaired;
      case NOT_IN_BOOKS ->
          kinds.isEmpty() && of.onlyAtBank().size() == 1 && of.onlyInBooks().isEmpty();
      case NOT_AT_BANK ->
          kinds.isEmpty() && of.onlyAtBank().isEmpty() && of.onlyInBooks().size() == 1;
    };
  }

  @DataProvider
  Object[][] planted() {
    return Arrays.stream(Planted.values())
        .map(planted -> new Object[] {planted})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "planted")
  public void aPlantedMistakeIsToldForWhatItIs(Planted planted) {
    var random = new Random(17);
    int rounds = 300;
    int told = 0;
    for (int round = 0; round < rounds; round++) {
      var month = new Month(planted, random);
      Comparison comparison = Comparison.of(month.lines, month.postings, END);
      requireAllOnce(month, comparison);
      told += isTold(planted, comparison) ? 1 : 0;
    }
    assertTrue(told >= rounds * 95 / 100, "%s: %d of %d".formatted(planted, told, rounds));
  }

  /** Nothing is lost or told twice. */
  private static void requireAllOnce(Month month, Comparison comparison) {
    var lines = new ArrayList<>(comparison.onlyAtBank());
    comparison.matches().forEach(match -> lines.addAll(match.lines()));
    assertEquals(lines.size(), month.lines.size());
    assertEquals(new HashSet<>(lines), new HashSet<>(month.lines));
    var postings = new ArrayList<>(comparison.onlyInBooks());
    comparison.matches().forEach(match -> postings.addAll(match.postings()));
    month.postings.stream()
        .filter(p -> p.date().isAfter(END) && !postings.contains(p))
        .forEach(postings::add);
    assertEquals(postings.size(), month.postings.size());
    assertEquals(new HashSet<>(postings), new HashSet<>(month.postings));
  }
}
