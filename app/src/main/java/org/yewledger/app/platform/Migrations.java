package org.yewledger.app.platform;

import java.io.IOException;
import java.util.Arrays;
import java.util.Objects;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/** The migrations of the database's schema that this version has. */
public final class Migrations {
  private Migrations() {}

  /** The number of the newest. */
  public static int newest() {
    try {
      Resource[] all =
          new PathMatchingResourcePatternResolver()
              .getResources("classpath:db/migration/V*__*.sql");
      return Arrays.stream(all)
          .mapToInt(one -> version(Objects.requireNonNull(one.getFilename())))
          .max()
          .orElseThrow();
    } catch (IOException broken) {
      throw new IllegalStateException("the application's own files cannot be read", broken);
    }
  }

  private static int version(String fileName) {
    return Integer.parseInt(fileName.substring(1, fileName.indexOf("__")));
  }
}
