package org.yewledger.bank;

import org.springframework.boot.SpringBootConfiguration;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.context.PropertyPlaceholderAutoConfiguration;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.http.converter.autoconfigure.HttpMessageConvertersAutoConfiguration;
import org.springframework.boot.jackson.autoconfigure.JacksonAutoConfiguration;
import org.springframework.boot.tomcat.autoconfigure.servlet.TomcatServletWebServerAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.DispatcherServletAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.WebMvcAutoConfiguration;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.ComponentScan;

/**
 * Starts the banks. What they need of Spring Boot is named, so that they start as lightly within
 * the tests of the application, whose libraries would bring much more.
 */
@SpringBootConfiguration
@ComponentScan
@ImportAutoConfiguration({
  PropertyPlaceholderAutoConfiguration.class,
  JacksonAutoConfiguration.class,
  HttpMessageConvertersAutoConfiguration.class,
  TomcatServletWebServerAutoConfiguration.class,
  DispatcherServletAutoConfiguration.class,
  WebMvcAutoConfiguration.class
})
public class BankSimulator {
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
