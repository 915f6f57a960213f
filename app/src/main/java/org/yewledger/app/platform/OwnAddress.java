package org.yewledger.app.platform;

import java.net.URI;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Where people reach this application, as it was set up: never what a request says of itself, since
 * a stranger writes that. Others send people back to this address.
 */
@Component
public class OwnAddress {
  private final Environment environment;

  OwnAddress(Environment environment) {
    this.environment = environment;
  }

  /** {@code yew.address}; without it, this machine and the port that is listened on. */
  public URI here() {
    String said = environment.getProperty("yew.address", "");
    return URI.create(
        said.isBlank()
            ? "http://127.0.0.1:" + environment.getProperty("local.server.port", "8420")
            : said);
  }
}
