package org.yewledger.bank;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;

/** Starts the banks. */
@SpringBootApplication
public class BankSimulator {

  /** The clock by which lines are booked; it stands still where a day is set. */
  @Bean
  Clock bankClock(@Value("${bank.today}") String today) {
    return today.isEmpty()
        ? Clock.systemUTC()
        : Clock.fixed(
            LocalDate.parse(today).atTime(12, 0).toInstant(ZoneOffset.UTC), ZoneOffset.UTC);
  }

  /** Starts the banks with settings of the caller's own, such as {@code --server.port=0}. */
  public static ConfigurableApplicationContext start(String... settings) {
    // Its own name, since an application started beside it has an application.yaml too.
    return new SpringApplicationBuilder(BankSimulator.class)
        .properties("spring.config.name=bank-simulator")
        .run(settings);
  }

  public static void main(String[] args) {
    start(args);
  }
}
