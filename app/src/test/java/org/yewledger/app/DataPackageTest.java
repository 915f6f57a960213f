package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.util.FileSystemUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yewledger.app.datapackage.DataPackageCommands;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.SignedIn;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The whole household out and in: what comes in is what went out, or nothing. */
public class DataPackageTest extends AppTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private static final List<String> PAGES =
      List.of(
          "/api/chart",
          "/api/accounts",
          "/api/entries",
          "/api/trial-balance?on=2026-10-31",
          "/api/waiting-lines",
          "/api/statements",
          "/api/rules",
          "/api/payees",
          "/api/tags",
          "/api/closed-months?month=2026-09",
          "/api/schedules",
          "/api/kept-reports",
          "/api/attachments");

  @Autowired private DataPackageCommands commands;

  private Household h;
  private byte[] whole;

  @BeforeClass
  void aHouseholdWithBooks() {
    h = found("taken out");
    assertEquals(gather(h, september()).status(), 201);
    String entry =
        h.api()
            .post(
                "/api/entries",
                """
                {"day": "4 10 2026", "payee": "=Quay, \\"Kiosk\\"", "amount": "10", "fromId": "%s", "toId": "%s",
                 "tags": ["Fair"], "note": "two\\nlines"}\
                """
                    .formatted(h.current().id(), h.groceries().id()))
            .json()
            .path("id")
            .asString();
    byte[] letter = "%PDF-1.4 a letter".getBytes(StandardCharsets.UTF_8);
    assertEquals(
        h.api().upload("/api/attachments?entry=" + entry, "letter.pdf", letter, null).status(),
        201);
    h.api().post("/api/rules", RuleDrafts.out("greengage", "Greengage Market", h.groceries()));
    agree(h);
    assertEquals(gather(h, ofx("", "0.00")).status(), 201);
    whole = h.api().file("/api/data-package");
  }

  private Api empty(String name) {
    SignedIn owner =
        HouseholdFounding.newOwner(
            Ids.next(), name, "%s@%s.example".formatted("wren", Ids.next()), Ids.next());
    founding.found(name, "Etc/UTC", owner, "secret words", () -> {});
    return new Api(mvc, owner);
  }

  private static Api.Answer takeIn(Api into, byte[] file) {
    return into.upload("/api/data-package", "household.zip", file, null);
  }

  private static String refusedWith(Api.Answer answer, String code) {
    assertEquals(answer.problem(), code, answer.toString());
    return answer.json().path("detail").asString();
  }

  @Test
  public void whatComesInIsWhatWentOut() {
    Api other = empty("taken in");
    Api.Answer in = takeIn(other, whole);
    assertEquals(in.status(), 201, in.toString());
    assertEquals(in.json().path("name").asString(), "taken out");
    assertEquals(in.json().path("attachments").asInt(), 1);
    for (String page : PAGES) {
      assertEquals(other.get(page).json(), h.api().get(page).json(), page);
    }
    // And goes on from there.
    String attachment = h.api().get("/api/attachments").json().toString();
    assertTrue(h.api().get("/api/entries").json().path("entries").size() > 3, attachment);
    Api.Answer next =
        other.post(
            "/api/entries",
            "{\"day\": \"5 10 2026\", \"payee\": \"Next\", \"amount\": \"1\", \"fromId\": \"%s\", \"toId\": \"%s\"}"
                .formatted(h.current().id(), h.groceries().id()));
    assertEquals(next.status(), 201, next.toString());
    long newest = h.api().get("/api/entries").json().at("/entries/0/no").asLong();
    assertTrue(next.json().path("no").asLong() > newest - 1, next.toString());
    String entry = other.get("/api/entries?text=Kiosk").json().at("/entries/0/id").asString();
    assertEquals(
        other.get("/api/entries/" + entry).json().at("/tags/0/name").asString("Fair"), "Fair");
    assertEquals(refusedWith(takeIn(other, whole), "household-not-empty").isEmpty(), false);
    // A package of what was taken in says the same again.
    Api third = empty("taken in again");
    assertEquals(takeIn(third, other.file("/api/data-package")).status(), 201);
  }

  private static Map<String, byte[]> unzip(byte[] zip) throws IOException {
    Map<String, byte[]> files = new LinkedHashMap<>();
    try (var in = new ZipInputStream(new ByteArrayInputStream(zip))) {
      for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
        files.put(entry.getName(), in.readAllBytes());
      }
    }
    return files;
  }

  private static byte[] zip(Map<String, byte[]> files) throws IOException {
    var bytes = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(bytes)) {
      for (Map.Entry<String, byte[]> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
        zip.closeEntry();
      }
    }
    return bytes.toByteArray();
  }

  private static String text(Map<String, byte[]> files, String path) {
    return new String(files.get(path), StandardCharsets.UTF_8);
  }

  /** The package with a file changed and its checksum written anew, as somebody could. */
  private byte[] changed(String path, String from, String to) throws Exception {
    Map<String, byte[]> files = unzip(whole);
    String was = text(files, path);
    assertTrue(was.contains(from), path);
    byte[] now = was.replace(from, to).getBytes(StandardCharsets.UTF_8);
    files.put(path, now);
    JsonNode about = JSON.readTree(files.get("datapackage.json"));
    for (JsonNode resource : about.path("resources")) {
      if (resource.path("path").asString().equals(path)) {
        byte[] sha = java.security.MessageDigest.getInstance("SHA-256").digest(now);
        ((ObjectNode) resource)
            .put("bytes", now.length)
            .put("hash", "sha256:" + java.util.HexFormat.of().formatHex(sha));
      }
    }
    files.put("datapackage.json", JSON.writeValueAsBytes(about));
    return zip(files);
  }

  @Test
  public void whatIsNotWholeIsRefusedAndNothingIsTakenIn() throws Exception {
    Api into = empty("refusing");
    refusedWith(takeIn(into, Arrays.copyOf(whole, whole.length / 2)), "unreadable-file");
    refusedWith(takeIn(into, "no package".getBytes(StandardCharsets.UTF_8)), "unreadable-file");
    Map<String, byte[]> missing = unzip(whole);
    missing.remove("data/posting.csv");
    assertTrue(
        refusedWith(takeIn(into, zip(missing)), "unreadable-file").contains("data/posting.csv"));
    Map<String, byte[]> damaged = unzip(whole);
    damaged.put("data/entry.csv", "id\n".getBytes(StandardCharsets.UTF_8));
    assertTrue(refusedWith(takeIn(into, zip(damaged)), "unreadable-file").contains("checksum"));
    Map<String, byte[]> foreign = unzip(whole);
    foreign.put("datapackage.json", "{\"resources\":[]}".getBytes(StandardCharsets.UTF_8));
    refusedWith(takeIn(into, zip(foreign)), "package-foreign");
    Map<String, byte[]> newer = unzip(whole);
    newer.put(
        "datapackage.json",
        "{\"yew\":{\"migration\":9999},\"resources\":[]}".getBytes(StandardCharsets.UTF_8));
    refusedWith(takeIn(into, zip(newer)), "package-newer");
    assertEquals(into.get("/api/books").json().size(), 0);
    assertEquals(takeIn(into, whole).status(), 201);
  }

  /** Whole by its checksums, and yet no books: the database proves them. */
  @Test
  public void whatCannotBeInBooksIsRefusedAndNothingIsTakenIn() throws Exception {
    Api into = empty("proving");
    refusedWith(takeIn(into, changed("data/posting.csv", ",-4820,", ",-4821,")), "package-refused");
    refusedWith(
        takeIn(into, changed("data/bank_line.csv", ",-4820,", ",-4821,")), "package-refused");
    refusedWith(takeIn(into, changed("data/entry.csv", "2026-09-", "2026-99-")), "package-refused");
    refusedWith(takeIn(into, changed("data/tag.csv", "put_away", "put_awry")), "unreadable-file");
    refusedWith(takeIn(into, changed("data/rule.csv", "[{", "[[")), "unreadable-file");
    refusedWith(
        takeIn(into, changed("data/rule.csv", "accountId\"", "accountIx\"")), "package-refused");
    refusedWith(takeIn(into, changed("data/book.csv", ",EUR,", ",ZZZ,")), "package-refused");
    assertEquals(into.get("/api/books").json().size(), 0);
  }

  private String command(int code, String... args) {
    var out = new ByteArrayOutputStream();
    assertEquals(
        commands.run(List.of(args), new PrintStream(out, true, StandardCharsets.UTF_8)),
        code,
        out.toString(StandardCharsets.UTF_8));
    return out.toString(StandardCharsets.UTF_8);
  }

  @Test
  public void commandsTakeOutAndIn() throws IOException {
    Path folder = Files.createTempDirectory("packages");
    String file = folder.resolve("household.zip").toString();
    assertTrue(command(0, "take-out", file, h.owner().email()).endsWith("holds taken out.\n"));
    assertTrue(command(1, "take-out", file, h.owner().email()).contains("is there already"));
    assertTrue(command(1, "take-out", file + "2", "nobody@nowhere.example").contains("Nobody"));
    assertTrue(command(1, "take-in", file).contains("There are:"));
    assertTrue(command(1, "take-in", file + "3", h.owner().email()).contains("There is no file"));
    Path broken = folder.resolve("broken.zip");
    Files.write(broken, new byte[] {1, 2, 3});
    Household other = found("takes in");
    String email = other.owner().email();
    assertTrue(command(1, "take-in", broken.toString(), email).contains("no ZIP file"));
    assertEquals(other.api().get("/api/session/households").json().size(), 1);
    assertTrue(command(0, "take-in", file, email).startsWith("taken out is taken in: "));
    assertEquals(other.api().get("/api/session/households").json().size(), 2);
    // Of two households one has to be said.
    assertTrue(command(1, "take-out", file + "4", email).contains("takes in"));
    command(0, "take-out", file + "4", email, "taken out");
    FileSystemUtils.deleteRecursively(folder);
  }

  @Test
  public void itIsForTheOwnerAndItsOwnHouseholdOnly() {
    var keeper = new Api(mvc, as(h, org.yewledger.app.platform.Role.BOOKKEEPER));
    assertEquals(keeper.get("/api/data-package").status(), 403);
    Household stranger = found("stranger");
    byte[] theirs = stranger.api().file("/api/data-package");
    assertTrue(!new String(theirs, StandardCharsets.ISO_8859_1).contains("letter"));
  }

  /** Tables are named here, or known not to belong into a package. */
  @Test
  public void everyColumnOfThePackageIsDescribed() throws IOException {
    Map<String, byte[]> files = unzip(whole);
    JsonNode about = JSON.readTree(files.get("datapackage.json"));
    for (JsonNode resource : about.path("resources")) {
      String path = resource.path("path").asString();
      if (path.endsWith(".csv")) {
        List<String> described =
            resource
                .at("/schema/fields")
                .valueStream()
                .map(f -> f.path("name").asString())
                .toList();
        assertEquals(
            text(files, path).lines().findFirst().orElseThrow(), String.join(",", described));
      }
    }
    assertEquals(
        text(files, "data/household.csv").lines().toList(),
        List.of("name,time_zone", "taken out,Etc/UTC"));
  }
}
