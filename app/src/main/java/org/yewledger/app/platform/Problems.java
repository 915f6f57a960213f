package org.yewledger.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.Objects;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.QueryTimeoutException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.yewledger.core.BadRows;
import org.yewledger.core.Refusal;
import org.yewledger.formats.UnreadableFile;
import tools.jackson.core.JacksonException;

/**
 * Every error as an RFC 9457 problem: {@code type} is stable ({@code urn:yew:problem:...}), {@code
 * detail} is for the person, {@code field} and {@code line} say where.
 */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class Problems {
  static final String NOT_ALLOWED =
      "Your role in this household does not allow this. An owner can change that under People.";
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @ExceptionHandler
  ProblemDetail refusal(Refusal e) {
    ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, e.code(), e.getMessage());
    if (e.field() != null) {
      problem.setProperty("field", e.field());
    }
    return problem;
  }

  @ExceptionHandler
  ProblemDetail unreadable(UnreadableFile e) {
    ProblemDetail problem =
        problem(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", e.getMessage());
    if (e.line() > 0) {
      problem.setProperty("line", e.line());
    }
    if (e.field() != null) {
      problem.setProperty("field", e.field());
    }
    return problem;
  }

  @ExceptionHandler
  ProblemDetail badRows(BadRows e) {
    ProblemDetail problem = problem(HttpStatus.UNPROCESSABLE_CONTENT, "bad-rows", e.getMessage());
    problem.setProperty("rows", e.problems());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail notAllowed(AccessDeniedException e) {
    return problem(HttpStatus.FORBIDDEN, "not-allowed", NOT_ALLOWED);
  }

  @ExceptionHandler
  ProblemDetail conflict(Conflict e) {
    return problem(HttpStatus.CONFLICT, e.code(), String.valueOf(e.getMessage()));
  }

  @ExceptionHandler
  ProblemDetail lostRace(ConcurrencyFailureException e) {
    return changedMeanwhile();
  }

  private static ProblemDetail changedMeanwhile() {
    return problem(
        HttpStatus.CONFLICT,
        "changed-meanwhile",
        "This was changed in another window meanwhile. What is shown now is the newer state.");
  }

  @ExceptionHandler
  ProblemDetail notFound(NotFound e) {
    return problem(HttpStatus.NOT_FOUND, "not-found", String.valueOf(e.getMessage()));
  }

  @ExceptionHandler
  ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
    return problem(
        HttpStatus.CONTENT_TOO_LARGE,
        "file-too-large",
        "The file is over 60 MB. Export a shorter period and gather it in parts.");
  }

  @ExceptionHandler
  ProblemDetail invalid(MethodArgumentNotValidException e) {
    var error = e.getBindingResult().getFieldErrors().getFirst();
    ProblemDetail problem =
        problem(
            HttpStatus.BAD_REQUEST,
            "invalid-field",
            "%s %s.".formatted(error.getField(), error.getDefaultMessage()));
    problem.setProperty("field", error.getField());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail unreadableRequest(HttpMessageNotReadableException e) {
    if (!(e.getCause() instanceof JacksonException cause) || cause.getPath().isEmpty()) {
      return problem(
          HttpStatus.BAD_REQUEST,
          "unreadable-request",
          "The request is not what this address takes.");
    }
    String field =
        cause.getPath().stream()
            .map(JacksonException.Reference::getPropertyName)
            .filter(Objects::nonNull)
            .reduce((first, last) -> last)
            .orElse("request");
    ProblemDetail problem =
        problem(
            HttpStatus.BAD_REQUEST,
            "unreadable-request",
            "“%s” is not written as this address takes it, or out of bounds.".formatted(field));
    problem.setProperty("field", field);
    return problem;
  }

  /** A parameter in the address, or a part of a form, that is missing or no such thing. */
  @ExceptionHandler({
    TypeMismatchException.class,
    RequestRejectedException.class,
    MissingServletRequestPartException.class,
    MultipartException.class,
    HandlerMethodValidationException.class
  })
  ProblemDetail unreadableParameter(Exception e) {
    if (e instanceof MaxUploadSizeExceededException) {
      return tooLarge((MaxUploadSizeExceededException) e);
    }
    String field = e instanceof TypeMismatchException mismatch ? mismatch.getPropertyName() : null;
    ProblemDetail problem =
        problem(
            HttpStatus.BAD_REQUEST,
            "unreadable-request",
            field == null
                ? "The request is not what this address takes."
                : "“%s” is not written as this address takes it, or out of bounds."
                    .formatted(field));
    problem.setProperty("field", field);
    return problem;
  }

  /** What the database refuses, told by the wall that it met. */
  @ExceptionHandler
  ProblemDetail refusedByDatabase(DataAccessException e, HttpServletRequest request) {
    Optional<Conflict> wall = Walls.cause(e).flatMap(Walls::problem);
    if (wall.isPresent()) {
      return conflict(wall.get());
    }
    if (e instanceof DataIntegrityViolationException) {
      LOG.warn("{} {}: {}", request.getMethod(), request.getRequestURI(), e.getMessage());
      return changedMeanwhile();
    }
    if (e instanceof QueryTimeoutException) {
      return problem(
          HttpStatus.SERVICE_UNAVAILABLE,
          "took-too-long",
          "This took too long and was broken off. Nothing was changed; narrow it and try again.");
    }
    throw e;
  }

  static ProblemDetail problem(HttpStatus status, String code, String detail) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setType(URI.create(ProblemCodes.URN + code));
    return problem;
  }
}
