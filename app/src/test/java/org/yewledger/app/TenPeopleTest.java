package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import org.yewledger.app.platform.Role;
import tools.jackson.databind.JsonNode;

/**
 * Ten people post, tick, settle and edit in one household for a minute: nothing is posted twice, no
 * change is lost, and the audit from outside finds sound books.
 */
public class TenPeopleTest extends AppTest {
  private static final int PEOPLE = 10;
  private static final int LINES = 400;

  /** Of payees, each given once: who gives an entry the name that it has changes nothing. */
  private static final AtomicInteger NAMES = new AtomicInteger();

  private static final int EDITED = 12;
  private static final long NANOS = 60_000_000_000L;

  /** What all of them did, by what came of it. */
  private final Map<String, AtomicInteger> done = new ConcurrentHashMap<>();

  /** How often each line was posted, and each entry changed, as its person was told. */
  private final Map<String, AtomicInteger> posted = new ConcurrentHashMap<>();

  private final Map<String, AtomicInteger> changed = new ConcurrentHashMap<>();

  private static void count(Map<String, AtomicInteger> counts, String what) {
    counts.computeIfAbsent(what, w -> new AtomicInteger()).incrementAndGet();
  }

  private static byte[] manyLines() {
    var lines = new StringBuilder();
    var random = new Random(60);
    // The account begins with 1000.00.
    long closing = 100_000;
    for (int i = 0; i < LINES; i++) {
      long minor = 100 + random.nextInt(9_000);
      closing -= minor;
      lines.append(
          "<STMTTRN><TRNTYPE>POS<DTPOSTED>202609%02d<TRNAMT>%s<FITID>%d<NAME>SHOP %d ELLERY</STMTTRN>\n"
              .formatted(1 + random.nextInt(30), BigDecimal.valueOf(-minor, 2), i, i % 40));
    }
    return ofx(lines.toString(), BigDecimal.valueOf(closing, 2).toPlainString());
  }

  /** One of the people, with what they do next. */
  private final class Person implements Runnable {
    private final Household h;
    private final Api api;
    private final Random random;
    private final String statement;
    private final List<JsonNode> lines;
    private final List<String> entries;
    private final long until;

    Person(
        Household h,
        Api api,
        int seed,
        String statement,
        List<JsonNode> lines,
        List<String> entries,
        long until) {
      this.h = h;
      this.api = api;
      this.random = new Random(seed);
      this.statement = statement;
      this.lines = lines;
      this.entries = entries;
      this.until = until;
    }

    @Override
    public void run() {
      while (System.nanoTime() < until) {
        switch (random.nextInt(6)) {
          case 0, 1 -> post();
          case 2 -> enter();
          case 3 -> edit();
          case 4 -> tick();
          default -> settle();
        }
      }
    }

    private void told(String what, Api.Answer answer) {
      count(done, what + " " + answer.status());
      assertTrue(answer.status() < 500, what + " " + answer);
    }

    private void post() {
      JsonNode line = lines.get(random.nextInt(lines.size()));
      Api.Answer answer = api.post("/api/waiting-lines/post", posting(line, h.groceries().id()));
      told("post", answer);
      if (answer.status() == 200) {
        count(posted, line.path("id").asString());
      }
    }

    private void enter() {
      String body =
          """
          {"day":"%d 9","base":"2026-09-10","payee":"Shop %d Ellery","amount":"%d.%02d","fromId":"%s","toId":"%s"}\
          """
              .formatted(
                  1 + random.nextInt(30),
                  random.nextInt(40),
                  1 + random.nextInt(90),
                  random.nextInt(100),
                  h.current().id(),
                  h.groceries().id());
      told("enter", api.post("/api/entries", body));
    }

    /** Gives an entry another payee, as they saw it. */
    private void edit() {
      String id = entries.get(random.nextInt(entries.size()));
      JsonNode seen = api.get("/api/entries/" + id).json();
      String body =
          """
          {"version":%d,"date":"2026-09-05","payee":"Payee %d","note":"","postings":[
            {"accountId":"%s","amount":"-5.00"},{"accountId":"%s","amount":"5.00"}]}\
          """
              .formatted(
                  seen.path("version").asInt(),
                  NAMES.incrementAndGet(),
                  h.card().id(),
                  h.school().id());
      Api.Answer answer = api.put("/api/entries/" + id, body);
      told("edit", answer);
      if (answer.status() == 200) {
        count(changed, id);
      }
    }

    private void tick() {
      JsonNode postings = api.get(statement).json().path("postings");
      if (!postings.isEmpty()) {
        JsonNode posting = postings.path(random.nextInt(postings.size()));
        String body =
            "{\"postingIds\":[\"%s\"],\"ticked\":%s}"
                .formatted(
                    posting.path("postingId").asString(), !posting.path("ticked").asBoolean());
        told("tick", api.put(statement + "/ticks", body));
      }
    }

    /** Joins what seems to be the same, or puts its amount or day right. */
    private void settle() {
      JsonNode matches = api.get(statement + "/comparison").json().path("matches");
      if (!matches.isEmpty()) {
        JsonNode match = matches.path(random.nextInt(matches.size()));
        Api.Answer answer = api.post(statement + "/comparison", settling(match));
        told("settle", answer);
        if (answer.status() == 204) {
          match.path("lines").forEach(line -> count(posted, line.path("lineId").asString()));
        }
      }
    }

    private static String settling(JsonNode match) {
      String correct =
          switch (match.path("kind").asString()) {
            case "AMOUNT_DISAGREES" -> "AMOUNT";
            case "DAY_DISAGREES" -> "DAY";
            default -> "NOTHING";
          };
      var lines = new ArrayList<String>();
      match
          .path("lines")
          .forEach(line ->
              lines.add(
                  "{\"lineId\":\"%s\",\"version\":%d}"
                      .formatted(line.path("lineId").asString(), line.path("version").asInt())));
      var postings = new ArrayList<String>();
      match
          .path("postings")
          .forEach(p -> postings.add("\"" + p.path("postingId").asString() + "\""));
      return "{\"join\":[{\"lines\":%s,\"postingIds\":%s,\"correct\":\"%s\"}],\"post\":[]}"
          .formatted(lines, postings, correct);
    }
  }

  @Test
  public void nothingIsLostOrDoneTwiceAndTheBooksStaySound() throws Exception {
    Household h = found("ten people");
    String statement =
        "/api/statements/" + gather(h, manyLines()).json().path("statementId").asString();
    var lines = new ArrayList<JsonNode>();
    h.api()
        .get("/api/waiting-lines")
        .json()
        .path("stacks")
        .forEach(stack -> stack.path("lines").forEach(lines::add));
    List<String> entries = IntStream.range(0, EDITED).mapToObj(i -> edited(h)).toList();
    Map<String, Integer> before = versions(h, entries);
    long until = System.nanoTime() + NANOS;
    AtOnce.run(
        IntStream.range(0, PEOPLE)
            .mapToObj(i ->
                new Person(
                    h,
                    new Api(mvc, as(h, Role.BOOKKEEPER)),
                    i,
                    statement,
                    List.copyOf(lines),
                    entries,
                    until))
            .toArray(Runnable[]::new));

    String all = new TreeMap<>(done).toString();
    for (String what : List.of("post 200", "enter 201", "edit 200", "tick 200", "settle 204")) {
      assertTrue(done.containsKey(what), what + " in " + all);
    }
    posted.forEach((line, times) -> assertEquals(times.get(), 1, "posted " + line + all));
    Map<String, Integer> after = versions(h, entries);
    entries.forEach(id -> {
      int times = changed.getOrDefault(id, new AtomicInteger()).get();
      assertEquals(after.get(id) - before.get(id), times, "every change of an entry is there");
    });
    requireProofAddsUp(h, statement);
    AuditRun audit = AuditRun.of(System.getenv("YEW_DB_NAME"));
    assertTrue(audit.says().contains("0 findings"), audit.says());
  }

  private static String edited(Household h) {
    String body =
        """
        {"day":"5 9","base":"2026-09-10","payee":"School","amount":"5","fromId":"%s","toId":"%s"}\
        """
            .formatted(h.card().id(), h.school().id());
    JsonNode made = h.api().post("/api/entries", body).json();
    return made.path("id").asString();
  }

  private static Map<String, Integer> versions(Household h, List<String> entries) {
    Map<String, Integer> versions = new TreeMap<>();
    entries.forEach(
        id -> versions.put(id, h.api().get("/api/entries/" + id).json().path("version").asInt()));
    return versions;
  }

  private static void requireProofAddsUp(Household h, String statement) {
    JsonNode comparison = h.api().get(statement + "/comparison").json();
    BigDecimal sum =
        List.of("agreed", "disagree", "same", "atBank", "inBooks").stream()
            .map(group -> new BigDecimal(comparison.path(group).path("apart").asString()))
            .reduce(BigDecimal.ZERO, BigDecimal::add);
    assertEquals(sum.toPlainString(), h.api().get(statement).json().path("difference").asString());
  }
}
