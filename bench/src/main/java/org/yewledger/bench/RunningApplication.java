package org.yewledger.bench;

import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.yewledger.app.YewLedgerApplication;

/** The whole application on a free port, called over HTTP as a browser does. */
final class RunningApplication implements AutoCloseable {
  private final ConfigurableApplicationContext context;

  RunningApplication() {
    context = SpringApplication.run(YewLedgerApplication.class, "--server.port=0");
  }

  <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  /** A window in which somebody has signed in. */
  Window signedIn(String email, String password) throws Exception {
    var window =
        new Window("http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"));
    window.signIn(email, password);
    return window;
  }

  @Override
  public void close() {
    context.close();
  }
}
