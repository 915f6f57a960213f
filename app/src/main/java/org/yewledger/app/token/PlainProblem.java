package org.yewledger.app.token;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.yewledger.app.platform.ProblemCodes;
import tools.jackson.databind.json.JsonMapper;

/** A problem (RFC 9457) told before any controller is reached. */
final class PlainProblem {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private PlainProblem() {}

  static void tell(HttpServletResponse response, HttpStatus status, String code, String detail)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response
        .getOutputStream()
        .write(
            JSON.createObjectNode()
                .put("type", ProblemCodes.URN + code)
                .put("status", status.value())
                .put("detail", detail)
                .toString()
                .getBytes(StandardCharsets.UTF_8));
  }
}
