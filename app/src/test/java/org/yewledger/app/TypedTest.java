package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What is typed is read by the core over light addresses, and so is what is selected added up. */
public class TypedTest extends AppTest {
  private static JsonNode typed(Household h, String what, String query) {
    return h.api().get("/api/typed/" + what + "?" + query).json();
  }

  @Test
  public void aTimeOfDayIsReadOrRefusedWithTheReason() {
    Household h = found("time");
    assertTrue(typed(h, "time", "text=730").path("time").asString().startsWith("07:30"));
    JsonNode refused = typed(h, "time", "text=25");
    assertTrue(refused.path("problem").asString().contains("6:30"), refused.toString());
    assertTrue(refused.path("time").isNull() || refused.path("time").isMissingNode());
  }

  @Test
  public void aPartOfALineGoesItsWayUnlessItHasASign() {
    Household h = found("part");
    String of = "currency=EUR&whole=-50.00&day=2026-09-30&text=";
    assertEquals(typed(h, "part", of + "20").at("/money/amount").asString(), "-20.00");
    assertEquals(typed(h, "part", of + "%2B20").at("/money/amount").asString(), "20.00");
    assertEquals(typed(h, "part", of + "30%25").at("/money/amount").asString(), "-15.00");
    JsonNode taxed = typed(h, "part", of + "10%20net&accountId=" + h.groceries().id());
    assertTrue(taxed.path("problem").asString().contains("no sales tax"), taxed.toString());
    JsonNode unclear = typed(h, "part", of + "1.234");
    assertEquals(unclear.path("choices").size(), 2);
    unclear
        .path("choices")
        .forEach(choice -> assertTrue(choice.path("amount").asString().startsWith("-")));
  }

  private static Api.Answer flows(Household h, List<String> amounts) {
    return h.api().post("/api/flows", "{\"amounts\":[" + String.join(",", amounts) + "]}");
  }

  private static String money(String amount, String currency) {
    return "{\"amount\":\"%s\",\"currency\":\"%s\"}".formatted(amount, currency);
  }

  @Test
  public void whatIsSelectedIsAddedUpByCurrencyInAndOutApart() {
    Household h = found("flows");
    JsonNode flows =
        flows(h, List.of(money("10.00", "EUR"), money("-2.50", "USD"), money("-12.34", "EUR")))
            .json();
    assertEquals(flows.size(), 2);
    assertEquals(flows.at("/0/currency").asString(), "EUR");
    assertEquals(flows.at("/0/in").asString(), "10.00");
    assertEquals(flows.at("/0/out").asString(), "12.34");
    assertEquals(flows.at("/0/sum").asString(), "-2.34");
    assertEquals(flows.at("/0/count").asInt(), 2);
    assertEquals(flows.at("/1/sum").asString(), "-2.50");
    assertEquals(flows(h, List.of()).json().size(), 0);
  }

  @Test
  public void noMoreIsAddedUpThanAListCanHaveSelectedAndNoAmountIsTooLargeOrTooFine() {
    Household h = found("bounds");
    var many = new ArrayList<String>();
    for (int i = 0; i <= 10_000; i++) {
      many.add(money("1.00", "EUR"));
    }
    assertEquals(flows(h, many).status(), 400);
    assertEquals(flows(h, many.subList(0, 10_000)).json().at("/0/sum").asString(), "10000.00");
    assertEquals(flows(h, List.of(money("1e999999", "EUR"))).status(), 400);
    assertEquals(flows(h, List.of(money("1.001", "EUR"))).problem(), "amount-too-fine");
    assertEquals(flows(h, List.of(money("1.00", "XYZ"))).status(), 422);
  }
}
