package org.yewledger.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Marks requests of programs, which come with a token in place of a session. */
public final class ByProgram {
  private static final String ATTRIBUTE = ByProgram.class.getName();

  private ByProgram() {}

  /**
   * @param name what the person called the token
   */
  public static void mark(HttpServletRequest request, String name) {
    request.setAttribute(ATTRIBUTE, name);
  }

  static boolean is(HttpServletRequest request) {
    return request.getAttribute(ATTRIBUTE) != null;
  }

  /** What the program's token is called; empty if a person asks, or nobody. */
  public static Optional<String> underWay() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
        ? Optional.ofNullable((String) request.getRequest().getAttribute(ATTRIBUTE))
        : Optional.empty();
  }
}
