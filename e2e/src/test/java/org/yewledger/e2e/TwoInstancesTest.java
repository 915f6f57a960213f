package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/**
 * Two instances on one database behind one address: nginx asks them by turns. A session, what
 * windows are told, and what is done by itself go on whichever of them is asked, and when one is
 * gone.
 */
public class TwoInstancesTest {
  private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
  private static final Path FOLDER = ROOT.resolve(".yew/two-instances");
  private static final String SERVED_BY = "X-Served-By";
  private static final int TURNS = 12;

  private CrashingYew origin;
  private YewProcess one;
  private YewProcess other;
  private Process nginx;
  private YewClient wren; // asks nginx

  @BeforeClass
  void start() throws Exception {
    emptied(FOLDER);
    origin = new CrashingYew();
    // It has made the database and its demo household; the two that are asked come after it.
    origin.killApplication();
    int onePort = YewProcess.freePort();
    int otherPort = YewProcess.freePort();
    one = YewProcess.start(onePort, withJobs(), "two-instances-1.log");
    other = YewProcess.start(otherPort, withJobs(), "two-instances-2.log");
    new YewClient(onePort).signIn();
    new YewClient(otherPort).signIn();
    int port = YewProcess.freePort();
    startNginx(port, onePort, otherPort);
    wren = new YewClient(port);
    wren.signIn();
  }

  private Map<String, String> withJobs() {
    Map<String, String> environment = new HashMap<>(origin.environment());
    environment.put("YEW_EXPORT_FOLDER", FOLDER.resolve("exports").toString());
    environment.put("YEW_FORWARDED", "native");
    return environment;
  }

  private void startNginx(int port, int onePort, int otherPort) throws IOException {
    String text =
        Files.readString(ROOT.resolve("script/two-instances.nginx"))
            .replace("{{folder}}", FOLDER.toString())
            .replace("{{port}}", String.valueOf(port))
            .replace("{{first}}", String.valueOf(onePort))
            .replace("{{second}}", String.valueOf(otherPort));
    Path conf = Files.writeString(FOLDER.resolve("nginx.conf"), text);
    nginx =
        new ProcessBuilder("/usr/sbin/nginx", "-c", conf.toString(), "-p", FOLDER.toString())
            .redirectErrorStream(true)
            .redirectOutput(FOLDER.resolve("nginx.log").toFile())
            .start();
  }

  private static void emptied(Path folder) throws IOException {
    if (Files.exists(folder)) {
      try (Stream<Path> all = Files.walk(folder)) {
        for (Path path : all.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(path);
        }
      }
    }
    Files.createDirectories(folder);
  }

  @AfterClass(alwaysRun = true)
  void stop() throws Exception {
    if (nginx != null) {
      nginx.destroy();
      nginx.waitFor();
    }
    for (YewProcess instance : new YewProcess[] {one, other}) {
      if (instance != null) {
        instance.close();
      }
    }
    if (origin != null) {
      origin.close();
    }
  }

  private HttpResponse<String> get(String path) throws Exception {
    return wren.ask("GET", path, null, "");
  }

  private String entry(String payee) throws Exception {
    String current = origin.sql("select id from account where name = 'Harbour Current'");
    String groceries = origin.sql("select id from account where name = 'Groceries'");
    HttpResponse<String> answer =
        wren.ask(
            "POST",
            "/api/entries",
            "{\"day\":\"2 10 2026\",\"payee\":\"%s\",\"amount\":\"1\",\"fromId\":\"%s\",\"toId\":\"%s\"}"
                .formatted(payee, current, groceries),
            "application/json");
    assertEquals(answer.statusCode(), 201, answer.body());
    return answer.headers().firstValue(SERVED_BY).orElseThrow();
  }

  @Test
  public void aSessionIsOfBoth() throws Exception {
    Set<String> served = new HashSet<>();
    for (int turn = 0; turn < TURNS; turn++) {
      HttpResponse<String> answer = get("/api/entries");
      assertEquals(answer.statusCode(), 200);
      served.add(answer.headers().firstValue(SERVED_BY).orElseThrow());
    }
    assertEquals(served.size(), 2, served.toString());
  }

  /** What one has written, the other one shows at once, and undoes. */
  @Test(dependsOnMethods = "aSessionIsOfBoth")
  public void whatIsDoneAtOneIsSeenAtTheOther() throws Exception {
    Set<String> wrote = new HashSet<>();
    for (int turn = 0; turn < TURNS; turn++) {
      String payee = "Turn and turn about " + turn;
      wrote.add(entry(payee));
      String found = get("/api/entries?text=" + payee.replace(" ", "%20")).body();
      assertTrue(found.contains(payee), found);
      // One more, so that the next is written where this one was read.
      get("/api/acts/next");
    }
    assertEquals(wrote.size(), 2, wrote.toString());
    String audit = origin.audit();
    assertFalse(audit.isBlank());
  }

  /** A window listens at one instance; what is done at either it is told. */
  @Test(dependsOnMethods = "whatIsDoneAtOneIsSeenAtTheOther")
  public void aWindowIsToldOfWhatIsDoneAtEither() throws Exception {
    HttpResponse<InputStream> stream =
        wren.ask("GET", "/api/events", null, "", HttpResponse.BodyHandlers.ofInputStream());
    assertEquals(stream.statusCode(), 200);
    String listensAt = stream.headers().firstValue(SERVED_BY).orElseThrow();
    var told = new LinkedBlockingQueue<String>();
    Thread.ofVirtual()
        .start(() -> {
          try (var lines =
              new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
            lines.lines().filter(line -> line.contains("changed")).forEach(told::add);
          } catch (IOException e) {
            told.add("over");
          }
        });
    Set<String> toldOf = new HashSet<>();
    for (int turn = 0; turn < TURNS && toldOf.size() < 2; turn++) {
      told.clear();
      String at = entry("Told of " + turn);
      String heard = told.poll(20, TimeUnit.SECONDS);
      assertTrue(heard != null && heard.contains("changed"), "of what was done at " + at);
      toldOf.add(at);
    }
    assertEquals(toldOf.size(), 2, "it listens at " + listensAt);
    stream.body().close();
  }

  private String export() throws Exception {
    HttpResponse<String> saved =
        wren.ask(
            "POST",
            "/api/exports",
            """
            {"name":"By turns","of":"ENTRIES","filter":"","days":"EVERYTHING","dayForm":"ISO","decimalComma":false,
             "columns":[{"column":"ID","title":"Id"}],"format":"CSV",
             "delivery":{"file":"all.csv","mode":"REPLACE","every":"DAY","on":1,"at":"06:00","zone":"Etc/UTC"}}\
            """,
            "application/json");
    assertEquals(saved.statusCode(), 201, saved.body());
    return saved.body().replace("\"", "");
  }

  private void writtenByItself(String export) throws Exception {
    origin.sql(
        "update export_run set next_at = now() - interval '1 minute', ran_at = null where export_id = '%s'"
            .formatted(export));
    long until = System.nanoTime() + TimeUnit.MINUTES.toNanos(3);
    while (!origin
        .sql(
            "select ran_at is not null and problem is null from export_run where export_id = '%s'"
                .formatted(export))
        .equals("t")) {
      assertTrue(System.nanoTime() < until, "it was not written");
      Thread.sleep(500);
    }
  }

  /** The commands of whoever keeps the machine are done beside the one that is left. */
  @Test(dependsOnMethods = "whenOneIsGoneTheOtherGoesOn")
  public void aHouseholdIsTakenOutAndInByCommands() throws Exception {
    String file = FOLDER.resolve("aldercott.zip").toString();
    String wren = "wren@aldercott.example";
    YewProcess.Told out = YewProcess.command(withJobs(), "take-out", file, wren);
    assertEquals(out.exitCode(), 0, out.words());
    YewProcess.Told again = YewProcess.command(withJobs(), "take-out", file, wren);
    assertEquals(again.exitCode(), 1);
    assertTrue(again.words().contains("is there already"), again.words());

    byte[] whole = Files.readAllBytes(Path.of(file));
    Path half = Files.write(FOLDER.resolve("half.zip"), Arrays.copyOf(whole, whole.length / 2));
    YewProcess.Told cut = YewProcess.command(withJobs(), "take-in", half.toString(), wren);
    assertEquals(cut.exitCode(), 1, cut.words());
    assertEquals(origin.sql("select count(*) from household"), "1");

    YewProcess.Told in = YewProcess.command(withJobs(), "take-in", file, wren);
    assertEquals(in.exitCode(), 0, in.words());
    assertEquals(
        origin.sql(
            "select count(distinct entries) from (select count(*) as entries from entry group by household_id) each"),
        "1");
    assertEquals(origin.sql("select count(*) from household"), "2");
  }

  /** Either may do it; when one is gone, the other one does, and people go on. */
  @Test(dependsOnMethods = "aWindowIsToldOfWhatIsDoneAtEither")
  public void whenOneIsGoneTheOtherGoesOn() throws Exception {
    String export = export();
    writtenByItself(export);
    other.kill();
    for (int turn = 0; turn < TURNS; turn++) {
      assertEquals(get("/api/entries").statusCode(), 200);
    }
    entry("Alone");
    writtenByItself(export);
    String file = FOLDER + "/exports";
    try (Stream<Path> written = Files.walk(Path.of(file))) {
      Path all = written.filter(p -> p.endsWith("all.csv")).findFirst().orElseThrow();
      long entries =
          Long.parseLong(
              origin.sql(
                  "select count(*) from entry where household_id = (select household_id from kept_export where id = '%s')"
                      .formatted(export)));
      assertEquals(Files.readAllLines(all).size(), entries + 1);
    }
  }
}
