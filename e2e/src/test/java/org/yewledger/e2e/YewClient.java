package org.yewledger.e2e;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandler;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** Wren of the demo household, asking the application as a browser does. */
final class YewClient {
  static final Duration LONGEST = Duration.ofMinutes(3);

  private final int port;
  private HttpClient http = HttpClient.newHttpClient();
  private CookieManager cookies = new CookieManager();

  YewClient(int port) {
    this.port = port;
  }

  /** Signs Wren in, as soon as that can be done. */
  void signIn() throws Exception {
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

  HttpResponse<String> ask(String method, String path, @Nullable String body, String type)
      throws IOException, InterruptedException {
    return ask(method, path, body, type, HttpResponse.BodyHandlers.ofString());
  }

  <T> HttpResponse<T> ask(
      String method, String path, @Nullable String body, String type, BodyHandler<T> handler)
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
    return http.send(request.build(), handler);
  }
}
