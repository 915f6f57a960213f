package org.yewledger.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
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
    String token =
        cookies.getCookieStore().getCookies().stream()
            .filter(c -> c.getName().equals("XSRF-TOKEN"))
            .map(HttpCookie::getValue)
            .findFirst()
            .orElseThrow();
    var request =
        HttpRequest.newBuilder(URI.create(base + "/api/session"))
            .header("X-XSRF-TOKEN", token)
            .header("Content-Type", "application/json")
            .POST(
                HttpRequest.BodyPublishers.ofString(
                    "{\"email\":\"%s\",\"password\":\"%s\"}".formatted(email, password)))
            .build();
    requireOk(http.send(request, HttpResponse.BodyHandlers.ofString()));
  }

  String get(String path) throws IOException, InterruptedException {
    var request = HttpRequest.newBuilder(URI.create(base + path)).build();
    return requireOk(http.send(request, HttpResponse.BodyHandlers.ofString()));
  }

  private static String requireOk(HttpResponse<String> response) {
    if (response.statusCode() != 200) {
      throw new IllegalStateException(response.statusCode() + " " + response.body());
    }
    return response.body();
  }

  @Override
  public void close() {
    context.close();
  }
}
