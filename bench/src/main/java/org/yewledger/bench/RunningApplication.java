package org.yewledger.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.yewledger.app.YewLedgerApplication;

/** The whole application on a free port, called over HTTP as a browser does. */
final class RunningApplication implements AutoCloseable {
  private final ConfigurableApplicationContext context;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final String base;

  RunningApplication() {
    context = SpringApplication.run(YewLedgerApplication.class, "--server.port=0");
    base = "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
  }

  <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  void signIn(String email, String password) throws IOException, InterruptedException {
    http.send(
        HttpRequest.newBuilder(URI.create(base + "/")).build(),
        HttpResponse.BodyHandlers.discarding());
    var request =
        HttpRequest.newBuilder(URI.create(base + "/api/session"))
            .header("X-XSRF-TOKEN", token())
            .header("Content-Type", "application/json")
            .POST(
                HttpRequest.BodyPublishers.ofString(
                    "{\"email\":\"%s\",\"password\":\"%s\"}".formatted(email, password)))
            .build();
    requireOk(http.send(request, HttpResponse.BodyHandlers.ofString()));
  }

  private String token() {
    return cookies.getCookieStore().getCookies().stream()
        .filter(c -> c.getName().equals("XSRF-TOKEN"))
        .map(HttpCookie::getValue)
        .findFirst()
        .orElseThrow();
  }

  /** Uploads a file with JSON parts beside it. */
  String upload(String path, Map<String, String> parts, byte[] file)
      throws IOException, InterruptedException {
    String boundary = "yew-bench-boundary";
    var head = new StringBuilder();
    parts.forEach((name, json) ->
        head.append(
                "--%s\r\nContent-Disposition: form-data; name=\"%s\"\r\n".formatted(boundary, name))
            .append("Content-Type: application/json\r\n\r\n%s\r\n".formatted(json)));
    head.append(
        "--%s\r\nContent-Disposition: form-data; name=\"file\"; filename=\"f\"\r\n\r\n"
            .formatted(boundary));
    var body =
        HttpRequest.BodyPublishers.concat(
            HttpRequest.BodyPublishers.ofString(head.toString()),
            HttpRequest.BodyPublishers.ofByteArray(file),
            HttpRequest.BodyPublishers.ofString("\r\n--%s--\r\n".formatted(boundary)));
    var request =
        HttpRequest.newBuilder(URI.create(base + path))
            .header("X-XSRF-TOKEN", token())
            .header("Content-Type", "multipart/form-data; boundary=" + boundary)
            .POST(body)
            .build();
    return requireOk(http.send(request, HttpResponse.BodyHandlers.ofString()));
  }

  String post(String path, String json) throws IOException, InterruptedException {
    var request =
        HttpRequest.newBuilder(URI.create(base + path))
            .header("X-XSRF-TOKEN", token())
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(json))
            .build();
    return requireOk(http.send(request, HttpResponse.BodyHandlers.ofString()));
  }

  String get(String path) throws IOException, InterruptedException {
    var request = HttpRequest.newBuilder(URI.create(base + path)).build();
    return requireOk(http.send(request, HttpResponse.BodyHandlers.ofString()));
  }

  private static String requireOk(HttpResponse<String> response) {
    if (response.statusCode() / 100 != 2) {
      throw new IllegalStateException(response.statusCode() + " " + response.body());
    }
    return response.body();
  }

  @Override
  public void close() {
    context.close();
  }
}
