package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Ids;
import tools.jackson.databind.JsonNode;

public class RulesTest extends AppTest {
  private static String draft(Household h, String words) {
    return """
    {"words":"%s","direction":"OUT","payee":"%s","toAccountId":"%s"}\
    """
        .formatted(words, words, h.groceries().id());
  }

  private static List<String> order(Household h) {
    var words = new ArrayList<String>();
    h.api().get("/api/rules").json().forEach(r -> words.add(r.path("words").asString()));
    return words;
  }

  @Test
  public void areKeptInOrderMovedChangedAndRemoved() {
    Household h = found("order");
    for (String words : List.of("A", "B", "C")) {
      h.api().post("/api/rules", draft(h, words));
    }
    JsonNode last = h.api().get("/api/rules").json().get(2);
    assertEquals(
        h.api().post("/api/rules/" + last.path("id").asString() + "/move", "{\"no\":1}").status(),
        204);
    assertEquals(order(h), List.of("C", "A", "B"));
    JsonNode first = h.api().get("/api/rules").json().get(0);
    String path =
        "/api/rules/" + first.path("id").asString() + "?version=" + first.path("version").asInt();
    assertEquals(h.api().put(path, draft(h, "D")).status(), 200);
    assertEquals(h.api().put(path, draft(h, "E")).status(), 409);
    assertEquals(h.api().delete(path).status(), 409);
    JsonNode now = h.api().get("/api/rules").json().get(0);
    h.api()
        .delete(
            "/api/rules/" + now.path("id").asString() + "?version=" + now.path("version").asInt());
    assertEquals(order(h), List.of("A", "B"));
  }

  @Test
  public void sayBeforehandHowManyWaitingLinesTheyFit() {
    Household h = found("reach");
    gather(h, september());
    assertEquals(
        h.api().post("/api/rules/reach", draft(h, "greengage")).json().path("waiting").asInt(), 2);
    String line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0/id").asString();
    JsonNode suggestion = h.api().get("/api/rules/suggestion?line=" + line).json();
    assertEquals(suggestion.path("words").asString(), "GREENGAGE MKT");
    assertEquals(suggestion.path("direction").asString(), "OUT");
  }

  @Test
  public void areRefusedWithoutWordsOrForUnknownAccounts() {
    Household h = found("refused");
    assertEquals(h.api().post("/api/rules", draft(h, " - ")).problem(), "rule-without-words");
    String elsewhere =
        draft(h, "X").replace("\"payee\"", "\"onAccountId\":\"" + Ids.next() + "\",\"payee\"");
    assertEquals(h.api().post("/api/rules", elsewhere).status(), 404);
  }
}
