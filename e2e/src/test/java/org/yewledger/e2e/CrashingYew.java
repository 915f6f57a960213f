package org.yewledger.e2e;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The application as people run it, on a database of its own, both of which can be killed. */
final class CrashingYew implements AutoCloseable {
  private static final Path ROOT = Path.of("..");

  private final Map<String, String> database = new HashMap<>();
  private final int port;
  private final YewClient client;
  private @Nullable YewProcess application;

  CrashingYew() throws Exception {
    port = YewProcess.freePort();
    client = new YewClient(port);
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
    Map<String, String> environment = environment();
    environment.put("YEW_JOBS", "false");
    application = YewProcess.start(port, environment, "crash-app.log");
    client.signIn();
  }

  /** What the application is told: its database, and that it has the demo household. */
  Map<String, String> environment() {
    Map<String, String> environment = new HashMap<>(database);
    environment.put("YEW_DEMO", "true");
    return environment;
  }

  void killApplication() throws InterruptedException {
    Objects.requireNonNull(application).kill();
  }

  /** Whether it answers again after its database was away. */
  void awaitDatabase() throws Exception {
    long until = System.nanoTime() + YewClient.LONGEST.toNanos();
    while (ask("GET", "/api/statements", null, "").statusCode() != 200) {
      if (System.nanoTime() > until) {
        throw new IOException("the application did not find its database again");
      }
      Thread.sleep(300);
    }
  }

  HttpResponse<String> ask(String method, String path, @Nullable String body, String type)
      throws IOException, InterruptedException {
    return client.ask(method, path, body, type);
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
      application.kill();
    }
    crashDb("stop");
  }
}
