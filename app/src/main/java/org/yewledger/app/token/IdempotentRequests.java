package org.yewledger.app.token;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.util.ContentCachingResponseWrapper;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;

/**
 * Carries out a change of a program once, however often it is asked with the same key: the header
 * {@code Idempotency-Key}. The key is kept with the act, in its transaction; so it is there if and
 * only if the change is. A request that was refused changed nothing, and is carried out when asked
 * again.
 */
@Component
class IdempotentRequests {
  private static final String HEADER = "Idempotency-Key";
  private static final int LONGEST_KEY = 200;

  private final IdempotencyKeys keys;

  IdempotentRequests(IdempotencyKeys keys) {
    this.keys = keys;
  }

  void carryOut(
      SignedIn person,
      UUID tokenId,
      HttpServletRequest request,
      HttpServletResponse response,
      FilterChain chain)
      throws IOException, ServletException {
    String key = request.getHeader(HEADER);
    if (key == null || request.getMethod().equals("GET")) {
      chain.doFilter(request, response);
      return;
    }
    if (key.isBlank() || key.length() > LONGEST_KEY) {
      PlainProblem.tell(
          response,
          HttpStatus.UNPROCESSABLE_CONTENT,
          "idempotency-key-bad",
          "An Idempotency-Key has 1 to %d characters.".formatted(LONGEST_KEY));
      return;
    }
    var body = new ReadBody(request);
    String hash = hashOf(body);
    Optional<IdempotencyKeys.Done> done = keys.find(person, tokenId, key);
    if (done.isPresent()) {
      answerAgain(done.get(), hash, response);
      return;
    }
    var seen = new ContentCachingResponseWrapper(response);
    var claim = new IdempotencyKeys.Claim(person, tokenId, key, hash);
    keys.underWay(body, claim);
    chain.doFilter(body, seen);
    if (HttpStatus.valueOf(seen.getStatus()).is2xxSuccessful()) {
      keys.keepAnswer(claim, seen.getStatus(), seen.getContentType(), seen.getContentAsByteArray());
    }
    seen.copyBodyToResponse();
  }

  private static String hashOf(ReadBody request) {
    @Nullable String query = request.getQueryString();
    return Secrets.hashOf(
        "%s %s?%s\n%s"
            .formatted(
                request.getMethod(),
                request.getRequestURI(),
                query == null ? "" : query,
                request.hash()));
  }

  private static void answerAgain(
      IdempotencyKeys.Done done, String hash, HttpServletResponse response) throws IOException {
    if (!done.requestHash().equals(hash)) {
      PlainProblem.tell(
          response,
          HttpStatus.UNPROCESSABLE_CONTENT,
          "idempotency-key-used",
          "This Idempotency-Key was sent with another request. Nothing was changed.");
    } else if (done.status() == null) {
      PlainProblem.tell(
          response,
          HttpStatus.CONFLICT,
          "request-done",
          "This was carried out at %s; its answer is not kept. Nothing was done twice."
              .formatted(done.at()));
    } else {
      response.setHeader("Idempotency-Replayed", "true");
      response.setStatus(done.status());
      if (done.contentType() != null) {
        response.setContentType(done.contentType());
      }
      response.getOutputStream().write(done.body());
    }
  }
}
