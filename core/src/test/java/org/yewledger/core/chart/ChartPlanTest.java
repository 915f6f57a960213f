package org.yewledger.core.chart;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.GROCERIES;
import static org.yewledger.core.Fixtures.eur;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.BadRows;
import org.yewledger.core.chart.ChartPlan.Planned;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

public class ChartPlanTest {
  private static final List<Account> EXISTING = List.of(CURRENT, GROCERIES);

  private static ChartRow row(
      int line, String name, String kind, String group, String opensOn, String opening) {
    return new ChartRow(line, name, kind, group, "", "", "", "", opensOn, opening, "", "");
  }

  private static List<BadRows.Problem> problemsOf(ChartRow... rows) {
    return expectThrows(BadRows.class, () -> ChartPlan.of(List.of(rows), BOOK, EXISTING))
        .problems();
  }

  @Test
  public void groupsComeBeforeWhatIsInThemWhereverTheyStand() {
    for (int seed = 0; seed < 100; seed++) {
      var random = new Random(seed);
      var rows = new ArrayList<ChartRow>();
      for (int i = 0; i < 40; i++) {
        String group = i == 0 || random.nextInt(4) == 0 ? "" : "G" + random.nextInt(i);
        rows.add(row(i + 2, "G" + i, "expense group", group, "", ""));
      }
      Collections.shuffle(rows, random);
      var seen = new HashSet<String>();
      for (Planned p : ChartPlan.of(rows, BOOK, EXISTING).accounts()) {
        assertTrue(p.group().isEmpty() || seen.contains(p.group()), "seed " + seed);
        seen.add(p.row().name());
      }
      assertEquals(seen.size(), 40);
    }
  }

  @Test
  public void aKnownAccountIsKnownWhateverTheCaseAndTakesAnOpeningBalance() {
    ChartPlan plan =
        ChartPlan.of(
            List.of(row(2, "harbour CURRENT", "", "", "2025-10-01", "\u221212.50")),
            BOOK,
            EXISTING);
    Planned p = plan.accounts().getFirst();
    assertEquals(p.known(), CURRENT);
    assertEquals(p.opening(), eur(-12_50));
    assertNull(
        ChartPlan.of(List.of(row(2, "Bakery", "expense", "", "", "")), BOOK, EXISTING)
            .accounts()
            .getFirst()
            .known());
  }

  @DataProvider
  Object[][] badRows() {
    return new Object[][] {
      {row(2, "", "expense", "", "", ""), "name"},
      {row(2, "Bakery", "", "", "", ""), "kind"},
      {row(2, "Bakery", "wallet", "", "", ""), "kind"},
      {row(2, "Groceries", "income", "", "", ""), "kind"},
      {row(2, "Ours", "drawings", "", "", ""), "kind"},
      {row(2, "Bakery", "expense", "Nowhere", "", ""), "group"},
      {row(2, "Bakery", "expense", "Groceries", "", ""), "group"},
      {row(2, "Old", "savings", "", "1 Oct", ""), "opens on"},
      {row(2, "Old", "savings", "", "", "5.00"), "opens on"},
      {row(2, "Old", "savings", "", "2025-10-01", "5,00"), "opening balance"},
      {row(2, "Old", "savings", "", "2025-10-01", "5.001"), "opening balance"},
      {row(2, "Bakery", "expense", "", "2025-10-01", "5.00"), "opening balance"},
    };
  }

  @Test(dataProvider = "badRows")
  public void saysWhichCellIsWrong(ChartRow row, String column) {
    List<BadRows.Problem> problems = problemsOf(row);
    assertEquals(problems.getFirst().column(), column, problems.toString());
    assertEquals(problems.getFirst().line(), 2);
  }

  @Test
  public void aGroupOfAnotherClassOrInItselfIsNoPlace() {
    ChartRow income = row(2, "Earnings", "income group", "", "", "");
    assertEquals(
        problemsOf(income, row(3, "Bakery", "expense", "Earnings", "", "")).getFirst().column(),
        "group");
    ChartRow one = row(2, "One", "expense group", "Two", "", "");
    ChartRow two = row(3, "Two", "expense group", "One", "", "");
    assertEquals(problemsOf(one, two).size(), 2);
  }

  @Test
  public void aNameStandsOnce() {
    ChartRow bakery = row(2, "Bakery", "expense", "", "", "");
    assertEquals(problemsOf(bakery, row(3, " bakery", "expense", "", "", "")).size(), 1);
  }

  @Test
  public void aSetAsideNamesTheAccountThatItIsIn() {
    ChartRow account = row(2, "Bank", "current", "", "", "");
    ChartPlan plan =
        ChartPlan.of(
            List.of(account, row(3, "Holiday", "set aside", "Bank", "", "")), BOOK, EXISTING);
    assertEquals(plan.accounts().getLast().kind(), AccountKind.SET_ASIDE);
    assertEquals(problemsOf(row(2, "Holiday", "set aside", "", "", "")).size(), 1);
    ChartRow group = row(2, "Food", "expense group", "", "", "");
    assertEquals(problemsOf(group, row(3, "Holiday", "set aside", "Food", "", "")).size(), 1);
  }

  @Test
  public void everyKindIsReadAsItIsWritten() {
    for (AccountKind kind : AccountKind.values()) {
      if (!kind.isKeptByCore() && !kind.isPart()) {
        String written = ChartPlan.written(kind, false);
        ChartPlan plan = ChartPlan.of(List.of(row(2, "New", written, "", "", "")), BOOK, EXISTING);
        assertEquals(plan.accounts().getFirst().kind(), kind);
      }
    }
  }
}
