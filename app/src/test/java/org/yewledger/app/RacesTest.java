package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Several windows at one moment: who comes second is told, and the books stay whole. */
public class RacesTest extends AppTest {
  @Autowired private JdbcClient jdbc;

  private static List<JsonNode> waiting(Household h) {
    var lines = new ArrayList<JsonNode>();
    for (JsonNode stack : h.api().get("/api/waiting-lines").json().path("stacks")) {
      stack.path("lines").forEach(lines::add);
    }
    return lines;
  }

  private long orphans(Household h) {
    return founding.as(
        h.owner(),
        () ->
            jdbc.sql(
                    """
                    select count(*) from entry e where e.origin = 'BANK_LINE'
                    and not exists (select 1 from line_link k where k.entry_id = e.id)\
                    """)
                .query(Long.class)
                .single());
  }

  @Test
  public void takingABatchBackWhileItsLinesArePostedLeavesNoEntryWithoutItsLine() {
    for (int round = 0; round < 12; round++) {
      Household h = found("orphans" + round);
      String id = gather(h, september()).json().path("batchId").asString();
      List<JsonNode> lines = waiting(h);
      var statuses = new ConcurrentLinkedQueue<Integer>();
      AtOnce.run(
          () -> statuses.add(h.api().delete("/api/gather/batches/" + id).status()),
          () ->
              lines.forEach(line ->
                  statuses.add(
                      h.api()
                          .post("/api/waiting-lines/post", posting(line, h.groceries().id()))
                          .status())));
      assertTrue(statuses.stream().noneMatch(s -> s >= 500), "" + statuses);
      assertEquals(orphans(h), 0);
      assertEquals(h.api().get("/api/entries/totals").json().path(0).path("count").asInt(), 1);
      assertEquals(gather(h, september()).status(), 201, "and it can be gathered again");
    }
  }

  @Test
  public void finishingAStatementAgainstCorrectingItsOpeningBalanceKeepsThemTogether() {
    for (int round = 0; round < 8; round++) {
      Household h = found("opening" + round);
      gather(h, september());
      String statement = agreeLater(h);
      int version = h.api().get(statement).json().path("version").asInt();
      String wanted =
          "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"2026-08-01\",\"balance\":\"900.00\"}]}"
              .formatted(h.current().id());
      var statuses = new ConcurrentLinkedQueue<Integer>();
      AtOnce.run(
          () -> statuses.add(h.api().post(statement + "/finish?version=" + version, "").status()),
          () -> statuses.add(h.api().put("/api/opening-balances", wanted).status()));
      assertTrue(statuses.stream().noneMatch(s -> s >= 500), "" + statuses);
      JsonNode sheet = h.api().get(statement).json();
      assertEquals(
          sheet.path("finished").asBoolean(), sheet.path("opening").asString().equals("1000.00"));
    }
  }

  /** All posted and ticked, and not finished yet. */
  private String agreeLater(Household h) {
    String statement = agree(h);
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    return "/api/statements/" + statement;
  }

  /** Ten people do what people do; none of them is answered with an error of the server. */
  @Test
  public void tenPeopleAtOnceGetNoErrorOfTheServer() {
    Household h = found("ten");
    String lines =
        IntStream.range(0, 60)
            .mapToObj(i ->
                "<STMTTRN><TRNTYPE>POS<DTPOSTED>202609%02d<TRNAMT>-%d.20<FITID>t%d<NAME>SHOP %d</STMTTRN>"
                    .formatted(1 + i % 28, 1 + i, i, i % 7))
            .collect(Collectors.joining("\n"));
    assertEquals(gather(h, ofx(lines, "0.00")).status(), 201);
    Map<String, Integer> answers = new TreeMap<>();
    var failed = new ConcurrentLinkedQueue<String>();
    AtOnce.run(
        IntStream.range(0, 10)
            .mapToObj(person -> (Runnable) () -> work(h, person, answers, failed))
            .toArray(Runnable[]::new));
    assertEquals(List.copyOf(failed), List.of(), "of " + answers);
    assertTrue(answers.getOrDefault("200", 0) > 50, "" + answers);
    assertEquals(orphans(h), 0);
  }

  private void work(
      Household h, int person, Map<String, Integer> answers, ConcurrentLinkedQueue<String> failed) {
    var random = new Random(person);
    for (int step = 0; step < 25; step++) {
      List<JsonNode> waiting = waiting(h);
      JsonNode entries = h.api().get("/api/entries").json().path("entries");
      Api.Answer answer =
          switch (random.nextInt(6)) {
            case 0, 1 ->
                waiting.isEmpty()
                    ? h.api().get("/api/almanac")
                    : h.api()
                        .post(
                            "/api/waiting-lines/post",
                            posting(
                                waiting.get(random.nextInt(waiting.size())), category(h, random)));
            case 2 -> h.api().post("/api/waiting-lines/take-back", lineOf(h, random));
            case 3 -> {
              JsonNode next = h.api().get("/api/acts/next").json().at("/undo/id");
              yield h.api()
                  .post("/api/acts/" + next.asString(UUID.randomUUID().toString()) + "/undo", "");
            }
            case 4 ->
                h.api()
                    .put(
                        "/api/opening-balances",
                        "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"2026-08-01\",\"balance\":\"%d.00\"}]}"
                            .formatted(h.current().id(), random.nextInt(1000)));
            default ->
                entries.isEmpty()
                    ? h.api().get("/api/chart?on=2026-09-30")
                    : h.api().get("/api/entries/" + entries.get(0).path("id").asString());
          };
      synchronized (answers) {
        answers.merge("" + answer.status(), 1, Integer::sum);
      }
      if (answer.status() >= 500) {
        failed.add("" + answer.json());
      }
    }
  }

  private static UUID category(Household h, Random random) {
    return random.nextBoolean() ? h.groceries().id() : h.school().id();
  }

  private String lineOf(Household h, Random random) {
    List<String> posted =
        founding.as(
            h.owner(),
            () -> jdbc.sql("select bank_line_id::text from line_link").query(String.class).list());
    String line =
        posted.isEmpty() ? UUID.randomUUID().toString() : posted.get(random.nextInt(posted.size()));
    return "{\"lineIds\":[\"" + line + "\"]}";
  }
}
