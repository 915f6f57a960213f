package org.yewledger.app;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses every statement of a request that reads or writes a table of households without naming
 * the household of each: a database that is spread over several machines sends such a statement to
 * all of them. It stands around the application in every test (docs/scaling.md).
 */
@TestConfiguration
class QueriesNameTheirHousehold {
  private static final Pattern TABLE =
      Pattern.compile("\\b(?:from|join|into|update|using)\\s+(?:only\\s+)?([a-z_]+)\\b");
  private static final Pattern KEY = Pattern.compile("\\bhousehold_id\\b");
  private static final ThreadLocal<Boolean> IN_REQUEST = ThreadLocal.withInitial(() -> false);

  /** Found before anybody is known, by a key that is not the household; see docs/scaling.md. */
  private static final Set<String> BEFORE_ANYBODY_IS_KNOWN = Set.of("membership");

  private final Set<String> tables = new HashSet<>();

  @Bean
  static BeanPostProcessor watchedDataSource() {
    var watch = new QueriesNameTheirHousehold();
    return new BeanPostProcessor() {
      @Override
      public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource source && !(bean instanceof DelegatingDataSource)
            ? watch.watched(source)
            : bean;
      }
    };
  }

  @Bean
  @Order(Ordered.HIGHEST_PRECEDENCE)
  static OncePerRequestFilter requestsAreWatched() {
    return new OncePerRequestFilter() {
      @Override
      protected void doFilterInternal(
          HttpServletRequest request, HttpServletResponse response, FilterChain chain)
          throws ServletException, IOException {
        IN_REQUEST.set(true);
        try {
          chain.doFilter(request, response);
        } finally {
          IN_REQUEST.remove();
        }
      }
    };
  }

  private DataSource watched(DataSource source) {
    return new DelegatingDataSource(source) {
      @Override
      public Connection getConnection() throws SQLException {
        return watched(super.getConnection());
      }
    };
  }

  private Connection watched(Connection connection) {
    return (Connection)
        Proxy.newProxyInstance(
            getClass().getClassLoader(),
            new Class<?>[] {Connection.class},
            (proxy, method, arguments) -> {
              if (method.getName().equals("prepareStatement") && IN_REQUEST.get()) {
                requireHousehold((String) arguments[0], connection);
              }
              try {
                return method.invoke(connection, arguments);
              } catch (InvocationTargetException e) {
                throw e.getCause();
              }
            });
  }

  private void requireHousehold(String statement, Connection connection) throws SQLException {
    String sql = statement.toLowerCase(Locale.ROOT);
    int named = 0;
    Matcher table = TABLE.matcher(sql);
    while (table.find()) {
      named += tables(connection).contains(table.group(1)) ? 1 : 0;
    }
    long keys = KEY.matcher(sql).results().count();
    if (keys < named) {
      throw new AssertionError(
          "%d tables of households, %d named with theirs: %s".formatted(named, keys, statement));
    }
  }

  private synchronized Set<String> tables(Connection connection) throws SQLException {
    if (tables.isEmpty()) {
      try (var columns =
          connection.getMetaData().getColumns(null, "public", null, "household_id")) {
        while (columns.next()) {
          tables.add(columns.getString("TABLE_NAME"));
        }
      }
      tables.removeAll(BEFORE_ANYBODY_IS_KNOWN);
    }
    return tables;
  }
}
