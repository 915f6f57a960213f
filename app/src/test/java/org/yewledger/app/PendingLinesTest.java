package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What banks announce, as the days go by: it is booked once, under another identity and later. */
public class PendingLinesTest extends BankingTest {
  @Autowired private JdbcClient jdbc;

  private List<String> texts(Household h, String state) {
    return founding.as(
        h.owner(),
        () ->
            jdbc.sql(
                    """
                    select l.booked_on || ' ' || l.amount_minor || ' ' || l.text_key from bank_line l
                      join bank_line_state s on s.bank_line_id = l.id where s.state = ? order by 1\
                    """)
                .param(state)
                .query(String.class)
                .list());
  }

  /** With an account of its own, which opens with what the bank's balance and the lines make. */
  private Household fetchedFromAugust(String name) throws Exception {
    Household h = found(name);
    JsonNode connection = connected(h);
    String current =
        """
        {"connectedId":"%s","newAccount":{"bookId":"%s","name":"Current by feed","kind":"CURRENT"},
         "startOn":"2026-08-01"}\
        """
            .formatted(account(connection, "4417").path("id").asString(), h.current().bookId());
    assertEquals(map(h, connection, current), 204);
    until(h, "4417", "DONE");
    return h;
  }

  @Test
  public void whatWasPendingIsBookedOnceAndNothingIsLost() throws Exception {
    Household h = fetchedFromAugust("pending");
    List<String> announced = texts(h, "PENDING");
    assertTrue(announced.size() > 0);
    for (int day = 0; day < 7; day++) {
      daysLater(1);
      fetchAgain(h);
      assertEquals(
          new BigDecimal(account(only(h), "4417").path("apart").asString()), waitingSum(h));
    }
    List<String> waiting = texts(h, "WAITING");
    announced.forEach(line -> assertEquals(waiting.stream().filter(line::equals).count(), 1, line));
    assertEquals(texts(h, "DOUBTFUL"), List.of());
    assertTrue(texts(h, "REPLACED").containsAll(announced));
  }

  @Test
  public void howOftenTheBankIsAskedMakesNoDifference() throws Exception {
    Household often = fetchedFromAugust("often");
    daysLater(9);
    fetchAgain(often);
    Household once = fetchedFromAugust("once");
    assertEquals(texts(often, "WAITING"), texts(once, "WAITING"));
    assertEquals(texts(often, "PENDING"), texts(once, "PENDING"));
  }

  private static void fetchAgain(Household h) throws Exception {
    String before = account(only(h), "4417").path("syncedAt").asString();
    again(h);
    for (int i = 0; i < 100; i++) {
      if (!account(only(h), "4417").path("syncedAt").asString().equals(before)) {
        until(h, "4417", "DONE");
        return;
      }
      Thread.sleep(100);
    }
    throw new AssertionError("not fetched again: " + only(h));
  }

  private static BigDecimal waitingSum(Household h) {
    BigDecimal sum = BigDecimal.ZERO;
    for (JsonNode inCurrency : h.api().get("/api/waiting-lines").json().path("sums")) {
      sum = sum.add(new BigDecimal(inCurrency.path("amount").asString()));
    }
    return sum;
  }
}
