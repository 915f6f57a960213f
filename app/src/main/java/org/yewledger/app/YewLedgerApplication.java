package org.yewledger.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts the application. */
@SpringBootApplication
public class YewLedgerApplication {
  public static void main(String[] args) {
    SpringApplication.run(YewLedgerApplication.class, args);
  }
}
