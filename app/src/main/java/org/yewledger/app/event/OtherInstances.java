package org.yewledger.app.event;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.stereotype.Component;

/**
 * Hears from the other instances on the same database which households have changed, by LISTEN of
 * PostgreSQL on a connection of its own. While that is broken nothing is heard; once it is back,
 * everybody is told, since anything may have changed.
 */
@Component
class OtherInstances {
  private static final Logger LOG = LoggerFactory.getLogger(OtherInstances.class);
  private static final String CHANNEL = "yew_changed";
  private static final int LOOK_AGAIN_MILLIS = 5_000;

  /** Says that a household has changed when the transaction is committed: to whom, and by whom. */
  static final String NOTIFY = "select pg_notify('" + CHANNEL + "', ?)";

  private final String url;
  private final @Nullable String user;
  private final @Nullable String password;
  private final UUID instance = UUID.randomUUID();
  private volatile boolean over;
  private @Nullable Thread listening;

  OtherInstances(DataSourceProperties properties) {
    this.url = properties.determineUrl();
    this.user = properties.determineUsername();
    this.password = properties.determinePassword();
  }

  String message(UUID household) {
    return instance + " " + household;
  }

  /**
   * Begins to listen.
   *
   * @param changed told of each household that another instance changed
   * @param anything told when something may have been missed
   */
  void listen(Consumer<UUID> changed, Runnable anything) {
    listening =
        Thread.ofVirtual().name("other instances").start(() -> listenUntilOver(changed, anything));
  }

  private void listenUntilOver(Consumer<UUID> changed, Runnable anything) {
    boolean missed = false;
    while (!over) {
      try (Connection connection = DriverManager.getConnection(url, user, password);
          Statement statement = connection.createStatement()) {
        statement.execute("listen " + CHANNEL);
        if (missed) {
          anything.run();
        }
        hear(connection.unwrap(PGConnection.class), changed);
      } catch (SQLException broken) {
        missed = true;
        if (!over) {
          LOG.info("other instances are not heard: {}", broken.getMessage());
          rest();
        }
      }
    }
  }

  private void hear(PGConnection connection, Consumer<UUID> changed) throws SQLException {
    while (!over) {
      PGNotification[] heard = connection.getNotifications(LOOK_AGAIN_MILLIS);
      for (PGNotification one : heard == null ? new PGNotification[0] : heard) {
        String[] said = one.getParameter().split(" ");
        if (said.length == 2 && !said[0].equals(instance.toString())) {
          changed.accept(UUID.fromString(said[1]));
        }
      }
    }
  }

  private void rest() {
    try {
      Thread.sleep(LOOK_AGAIN_MILLIS);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
    }
  }

  @PreDestroy
  void end() {
    over = true;
    if (listening != null) {
      listening.interrupt();
    }
  }
}
