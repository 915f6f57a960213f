package org.yewledger.core.journal;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.journal.QueryCompletion.Choice;

public class QueryCompletionTest {
  /** The caret stands at the bar. */
  private static QueryCompletion at(String text) {
    return QueryCompletion.at(text.replace("|", ""), text.indexOf('|'));
  }

  @Test
  public void aWordMayBecomeAField() {
    assertEquals(at("mill ca|"), new QueryCompletion(5, 7, null, "ca"));
    assertEquals(
        at("ca|").fixed(), List.of(new Choice("category:", "any part of a category's name")));
    assertEquals(at("mill |"), new QueryCompletion(5, 5, null, ""));
    assertEquals(at("|").fixed().size(), QueryField.values().length);
  }

  @Test
  public void behindAColonStandsAValue() {
    assertEquals(at("-tag:wed|"), new QueryCompletion(5, 8, QueryField.TAG, "wed"));
    assertEquals(at("tag:fair,wed|"), new QueryCompletion(9, 12, QueryField.TAG, "wed"));
    assertEquals(at("payee:\"mill l|"), new QueryCompletion(6, 13, QueryField.PAYEE, "mill l"));
    assertEquals(
        at("is:o|pen x").fixed().stream().map(Choice::text).toList(), List.of("open ", "out "));
  }

  @Test
  public void aFieldThatIsNotKnownOffersNothing() {
    assertNull(at("foo:b|").field());
    assertEquals(at("foo:b|").fixed(), List.of());
  }

  @Test
  public void aChosenNameIsReadAsThatName() {
    var random = new Random(16);
    String letters = "ab:\", -.";
    for (int i = 0; i < 1_000; i++) {
      var name = new StringBuilder("n");
      for (int n = random.nextInt(8); n > 0; n--) {
        name.append(letters.charAt(random.nextInt(letters.length())));
      }
      String wanted = name.toString().strip();
      String text = "mill payee:n";
      QueryCompletion place = QueryCompletion.at(text, text.length());
      String chosen = text.substring(0, place.from()) + QueryCompletion.name(wanted, "").text();
      assertEquals(
          QueryText.read(chosen, LocalDate.of(2026, 10, 5), CurrencyUnit.EUR, Formats.DEFAULT)
              .terms()
              .getLast()
              .anyOf(),
          List.of(new Sought.OfPayee(wanted)));
    }
  }
}
