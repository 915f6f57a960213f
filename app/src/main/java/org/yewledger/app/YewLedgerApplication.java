package org.yewledger.app;

import java.util.Arrays;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.yewledger.app.backup.BackupCommands;
import org.yewledger.app.datapackage.DataPackageCommands;

/** Starts the application, or does one of its commands. */
@SpringBootApplication
public class YewLedgerApplication {
  /** Nobody is served while a command is done; what it says is all that is written. */
  private static final String[] FOR_A_COMMAND = {
    "--server.port=0",
    "--server.address=127.0.0.1",
    "--yew.jobs=false",
    "--yew.demo=false",
    "--logging.level.root=error",
    "--logging.level.org.yewledger=error",
    "--spring.main.banner-mode=off"
  };

  public static void main(String[] args) {
    if (BackupCommands.isOne(args)) {
      System.exit(BackupCommands.run(args, System.getenv(), System.out));
    }
    if (DataPackageCommands.isOne(args)) {
      System.exit(withPackages(args));
    }
    SpringApplication.run(
        YewLedgerApplication.class,
        Stream.concat(Arrays.stream(args), measured(System.getenv())).toArray(String[]::new));
  }

  /** A port of their own for measurements, where one is wanted; without one they are not there. */
  private static Stream<String> measured(Map<String, String> environment) {
    String port = environment.get("YEW_METRICS_PORT");
    return port == null
        ? Stream.empty()
        : Stream.of(
            "--management.server.port=" + port,
            "--management.server.address="
                + environment.getOrDefault("YEW_METRICS_BIND", "127.0.0.1"));
  }

  private static int withPackages(String[] args) {
    try (ConfigurableApplicationContext application =
        SpringApplication.run(YewLedgerApplication.class, FOR_A_COMMAND)) {
      return application.getBean(DataPackageCommands.class).run(Arrays.asList(args), System.out);
    }
  }
}
