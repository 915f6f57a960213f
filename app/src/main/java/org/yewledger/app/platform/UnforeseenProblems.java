package org.yewledger.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Errors that neither {@link Problems} nor the framework has an answer for. */
@RestControllerAdvice
@Order(Ordered.LOWEST_PRECEDENCE)
class UnforeseenProblems {
  private static final Logger LOG = LoggerFactory.getLogger(UnforeseenProblems.class);

  /** Whatever was not foreseen: the log has it, the person learns that nothing was booked. */
  @ExceptionHandler
  ProblemDetail unforeseen(RuntimeException e, HttpServletRequest request) {
    LOG.error("{} {}", request.getMethod(), request.getRequestURI(), e);
    return Problems.problem(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "unforeseen",
        "Something went wrong here, and nothing was changed. Try again; if it stays, the log says"
            + " why.");
  }
}
