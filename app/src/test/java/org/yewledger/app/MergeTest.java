package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import tools.jackson.databind.JsonNode;

/** Two entries that are one thing booked twice: found, made one, and two again by undo. */
public class MergeTest extends AppTest {
  private static final String LINES = "Date;Text;Amount\n2026-09-04;GREENGAGE MKT;-48.20\n";

  /** A line posted anew although its entry was typed before. */
  private Household booked(String name) {
    Household h = found(name);
    h.api().takeIn(h.current().id(), "a.csv", LINES.getBytes(StandardCharsets.UTF_8), null, false);
    JsonNode line = h.api().get("/api/waiting-lines").json().at("/stacks/0/lines/0");
    assertEquals(
        h.api().post("/api/waiting-lines/post", posting(line, h.school().id())).status(), 200);
    type(h, -4820);
    return h;
  }

  private void type(Household h, long minor) {
    inAct(
        h,
        ActKind.POST,
        () ->
            entries.add(
                List.of(
                    new Entry(
                        LocalDate.of(2026, 9, 2),
                        "Greengage Market",
                        "for the fair",
                        Entry.Origin.BY_HAND,
                        List.of(
                            new Posting(h.current(), Amount.ofMinor(minor, CurrencyUnit.EUR)),
                            new Posting(h.groceries(), Amount.ofMinor(-minor, CurrencyUnit.EUR))),
                        Marks.of("R-7", null, List.of("fair"))))));
  }

  private static JsonNode entry(Household h, String to) {
    for (JsonNode entry : h.api().get("/api/entries?text=greengage").json().path("entries")) {
      if (entry.path("to").asString().equals(to)) {
        return entry;
      }
    }
    throw new AssertionError("no entry to " + to);
  }

  private static Api.Answer merge(Household h, JsonNode stays, JsonNode goes) {
    return h.api()
        .post(
            "/api/entries/" + stays.path("id").asString() + "/merge",
            "{\"version\":%d,\"goes\":\"%s\",\"goesVersion\":%d}"
                .formatted(
                    stays.path("version").asInt(),
                    goes.path("id").asString(),
                    goes.path("version").asInt()));
  }

  private static int count(Household h) {
    return h.api().get("/api/entries/totals?text=greengage").json().path(0).path("count").asInt();
  }

  @Test
  public void theLineConfirmsTheEntryThatWasTyped() {
    Household h = booked("typed");
    JsonNode typed = entry(h, "Groceries");
    JsonNode doubles =
        h.api().get("/api/entries/" + typed.path("id").asString() + "/doubles").json();
    assertEquals(doubles.size(), 1);
    assertEquals(doubles.get(0).path("to").asString(), "School");
    JsonNode merged = merge(h, typed, entry(h, "School")).json();
    assertEquals(merged.path("no"), typed.path("no"));
    assertEquals(merged.path("state").asString(), "CLEARED");
    assertEquals(count(h), 1);
    JsonNode register = h.api().get("/api/accounts/" + h.current().id() + "/register").json();
    assertEquals(register.path("balance").asString(), "951.80");

    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(entry(h, "Groceries").path("state").asString(), "OPEN");
    assertEquals(entry(h, "School").path("state").asString(), "CLEARED");
    act = h.api().get("/api/acts/next").json().at("/redo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(count(h), 1);
    assertEquals(entry(h, "Groceries").path("state").asString(), "CLEARED");
  }

  @Test
  public void whatWasWrittenOnTheOneThatGoesSurvives() {
    Household h = booked("survives");
    JsonNode merged = merge(h, entry(h, "School"), entry(h, "Groceries")).json();
    assertEquals(merged.path("to").asString(), "School");
    assertEquals(merged.path("note").asString(), "for the fair");
    assertEquals(merged.path("reference").asString(), "R-7");
    assertEquals(merged.path("tags").toString(), "[\"fair\"]");
    assertEquals(count(h), 1);
  }

  @Test
  public void aLineTakenBackLeavesTheEntryThatItWasMergedInto() {
    Household h = booked("back");
    assertEquals(merge(h, entry(h, "Groceries"), entry(h, "School")).status(), 200);
    String line =
        founding.as(
            h.owner(),
            () ->
                entities
                    .createQuery("select l.id from BankLine l", UUID.class)
                    .getSingleResult()
                    .toString());
    assertEquals(
        h.api().post("/api/waiting-lines/take-back", "{\"lineIds\":[\"" + line + "\"]}").status(),
        204);
    assertEquals(entry(h, "Groceries").path("state").asString(), "OPEN");
    assertEquals(count(h), 1);
  }

  @Test
  public void whatIsNoDoubleOrHasChangedIsRefused() {
    Household h = booked("refused");
    JsonNode typed = entry(h, "Groceries");
    JsonNode made = entry(h, "School");
    assertEquals(merge(h, typed, typed).problem(), "not-doubled");
    type(h, -4821);
    JsonNode other = null;
    for (JsonNode e : h.api().get("/api/entries?text=greengage").json().path("entries")) {
      other = e.path("amount").asString().equals("-48.21") ? e : other;
    }
    assertEquals(merge(h, made, other).problem(), "not-doubled");
    assertEquals(merge(h, typed, made).status(), 200);
    assertEquals(merge(h, typed, made).status(), 404);
    assertEquals(count(h), 2);
  }

  @Test
  public void whatIsReconciledStays() {
    Household h = found("reconciled");
    assertEquals(gather(h, september()).status(), 201);
    agree(h);
    type(h, -4820);
    JsonNode typed = null;
    JsonNode agreed = null;
    for (JsonNode e : h.api().get("/api/entries?text=greengage").json().path("entries")) {
      if (e.path("amount").asString().equals("-48.20")) {
        typed = e.path("note").asString().isEmpty() ? typed : e;
        agreed = e.path("note").asString().isEmpty() ? e : agreed;
      }
    }
    assertEquals(merge(h, typed, agreed).problem(), "reconciled");
    JsonNode merged = merge(h, agreed, typed).json();
    assertEquals(merged.path("state").asString(), "RECONCILED");
    assertEquals(merged.path("note").asString(), "for the fair");
  }
}
