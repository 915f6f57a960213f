package org.yewledger.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;

/** A window of somebody's browser, with its own session. */
final class Window {
  private final CookieManager cookies = new CookieManager();
  private final HttpClient http = HttpClient.newBuilder().cookieHandler(cookies).build();
  private final String base;

  Window(String base) {
    this.base = base;
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

  /** What the server said, whatever it was. */
  record Said(int status, String body) {}

  Said ask(String method, String path, String json) throws IOException, InterruptedException {
    var request =
        HttpRequest.newBuilder(URI.create(base + path))
            .header("X-XSRF-TOKEN", token())
            .header("Content-Type", "application/json")
            .method(
                method,
                method.equals("GET")
                    ? HttpRequest.BodyPublishers.noBody()
                    : HttpRequest.BodyPublishers.ofString(json))
            .build();
    HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
    return new Said(answer.statusCode(), answer.body());
  }

  String post(String path, String json) throws IOException, InterruptedException {
    return requireOk(ask("POST", path, json));
  }

  String get(String path) throws IOException, InterruptedException {
    return requireOk(ask("GET", path, ""));
  }

  private static String requireOk(Said said) {
    if (said.status() / 100 != 2) {
      throw new IllegalStateException(said.status() + " " + said.body());
    }
    return said.body();
  }

  private static String requireOk(HttpResponse<String> answer) {
    return requireOk(new Said(answer.statusCode(), answer.body()));
  }
}
