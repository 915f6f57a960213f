package org.yewledger.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;

/**
 * The token against forged requests comes in its header only. Looking for it among the parameters
 * would read a whole upload before anybody has said who they are.
 */
final class TokenInHeader extends CsrfTokenRequestAttributeHandler {
  @Override
  public void handle(
      HttpServletRequest request, HttpServletResponse response, Supplier<CsrfToken> token) {
    super.handle(request, response, token);
    // Asking for it writes the cookie that the interface reads it from.
    token.get().getToken();
  }

  @Override
  public @Nullable String resolveCsrfTokenValue(HttpServletRequest request, CsrfToken token) {
    return request.getHeader(token.getHeaderName());
  }
}
