package org.yewledger.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.yewledger.app.backup.BackupCommands;

/** Starts the application, or does one of its commands. */
@SpringBootApplication
public class YewLedgerApplication {
  public static void main(String[] args) {
    if (BackupCommands.isOne(args)) {
      System.exit(BackupCommands.run(args, System.getenv(), System.out));
    }
    SpringApplication.run(YewLedgerApplication.class, args);
  }
}
