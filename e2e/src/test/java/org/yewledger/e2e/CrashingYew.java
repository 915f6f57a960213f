package org.yewledger.e2e;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** The application as people run it, on a database of its own, both of which can be killed. */
final class CrashingYew implements AutoCloseable {
  private static final Path ROOT = Path.of("..");
  private static final Duration LONGEST = Duration.ofMinutes(3);

  private final Map<String, String> database = new HashMap<>();
  private final int port;
  private @Nullable Process application;
  private HttpClient http = HttpClient.newHttpClient();
  private CookieManager cookies = new CookieManager();

  CrashingYew() throws Exception {
    try (var free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    crashDb("stop");
    startDatabase();
    startApplication();
  }

  private String crashDb(String what) throws IOException, InterruptedException {
    Process script =
        new ProcessBuilder("bash", "script/crash-db.sh", what)
            .directory(ROOT.toFile())
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .start();
    String says = new String(script.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (script.waitFor() != 0) {
      throw new IOException("crash-db.sh " + what + " failed");
    }
    return says;
  }

  private void startDatabase() throws Exception {
    crashDb("start")
        .lines()
        .forEach(line -> {
          int at = line.indexOf('=');
          database.put(line.substring(0, at), line.substring(at + 1));
        });
  }

  void killDatabase() throws Exception {
    crashDb("kill");
  }

  /** Starts the database that was killed, where it was. */
  void restartDatabase() throws Exception {
    crashDb("again");
  }

  /** Starts it, and waits until it answers and its demo household is there. */
  void startApplication() throws Exception {
    try (Stream<Path> built = Files.list(ROOT.resolve("app/target"))) {
      Path jar = built.filter(p -> p.toString().endsWith("-exec.jar")).findFirst().orElseThrow();
      var builder =
          new ProcessBuilder(
              ProcessHandle.current().info().command().orElseThrow(),
              "-Xmx400m",
              "-jar",
              jar.toAbsolutePath().toString());
      builder.environment().putAll(database);
      builder.environment().put("YEW_DEMO", "true");
      builder.environment().put("YEW_JOBS", "false");
      builder.environment().put("YEW_PORT", String.valueOf(port));
      builder.redirectErrorStream(true);
      builder.redirectOutput(ROOT.resolve(".yew/crash-app.log").toFile());
      application = builder.start();
    }
    signIn();
  }

  void killApplication() throws InterruptedException {
    Objects.requireNonNull(application).destroyForcibly().waitFor();
  }

  /** Signs Wren in, as soon as that can be done. */
  private void signIn() throws Exception {
    long until = System.nanoTime() + LONGEST.toNanos();
    for (; ; ) {
      cookies = new CookieManager();
      http = HttpClient.newBuilder().cookieHandler(cookies).build();
      try {
        ask("GET", "/", null, "");
        int status =
            ask(
                    "POST",
                    "/api/session",
                    "{\"email\":\"wren@aldercott.example\",\"password\":\"saltmarsh\"}",
                    "application/json")
                .statusCode();
        if (status / 100 == 2) {
          return;
        }
      } catch (IOException e) {
        // It does not listen yet.
      }
      if (System.nanoTime() > until) {
        throw new IOException("the application did not come up");
      }
      Thread.sleep(300);
    }
  }

  /** Whether it answers again after its database was away. */
  void awaitDatabase() throws Exception {
    long until = System.nanoTime() + LONGEST.toNanos();
    while (ask("GET", "/api/statements", null, "").statusCode() != 200) {
      if (System.nanoTime() > until) {
        throw new IOException("the application did not find its database again");
      }
      Thread.sleep(300);
    }
  }

  HttpResponse<String> ask(String method, String path, @Nullable String body, String type)
      throws IOException, InterruptedException {
    var request =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
            .timeout(LONGEST)
            .method(
                method,
                body == null
                    ? HttpRequest.BodyPublishers.noBody()
                    : HttpRequest.BodyPublishers.ofString(body));
    cookies.getCookieStore().getCookies().stream()
        .filter(c -> c.getName().equals("XSRF-TOKEN"))
        .map(HttpCookie::getValue)
        .forEach(token -> request.header("X-XSRF-TOKEN", token));
    if (!type.isEmpty()) {
      request.header("Content-Type", type);
    }
    return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }

  /** What SQL finds, as the owner of the tables; one value. */
  String sql(String query) throws IOException, InterruptedException {
    return psql("-At", "-c", query).strip();
  }

  String audit() throws IOException, InterruptedException {
    return psql("-f", "script/audit.sql");
  }

  private String psql(String... what) throws IOException, InterruptedException {
    var command =
        new ArrayList<>(
            List.of(
                Objects.requireNonNull(database.get("YEW_PSQL")),
                "-h",
                "127.0.0.1",
                "-p",
                Objects.requireNonNull(database.get("YEW_DB_PORT")),
                "-U",
                Objects.requireNonNull(database.get("YEW_DB_OWNER")),
                "-d",
                Objects.requireNonNull(database.get("YEW_DB_NAME")),
                "-X",
                "-q",
                "-v",
                "ON_ERROR_STOP=1"));
    command.addAll(List.of(what));
    var builder = new ProcessBuilder(command).directory(ROOT.toFile()).redirectErrorStream(true);
    builder
        .environment()
        .put("PGPASSWORD", Objects.requireNonNull(database.get("YEW_DB_OWNER_PASSWORD")));
    Process process = builder.start();
    String says = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (process.waitFor() != 0) {
      throw new IOException(says);
    }
    return says;
  }

  @Override
  public void close() throws Exception {
    if (application != null) {
      application.destroyForcibly().waitFor();
    }
    crashDb("stop");
  }
}
