package org.yewledger.bank;

import org.springframework.http.HttpStatus;

/** An answer that is an error, with the message code of the NextGenPSD2 framework. */
final class BankRefusal extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final HttpStatus status;
  private final String code;
  private final int retryAfterSeconds;

  private BankRefusal(HttpStatus status, String code, String text, int retryAfterSeconds) {
    super(text);
    this.status = status;
    this.code = code;
    this.retryAfterSeconds = retryAfterSeconds;
  }

  static BankRefusal tooMany(int seconds) {
    return new BankRefusal(
        HttpStatus.TOO_MANY_REQUESTS, "ACCESS_EXCEEDED", "Too many requests.", seconds);
  }

  static BankRefusal broken() {
    return new BankRefusal(
        HttpStatus.INTERNAL_SERVER_ERROR, "INTERNAL_SERVER_ERROR", "Something broke.", 0);
  }

  static BankRefusal consent(String code) {
    return new BankRefusal(HttpStatus.UNAUTHORIZED, code, "The consent does not hold.", 0);
  }

  static BankRefusal notReleased(int seconds) {
    return new BankRefusal(
        HttpStatus.CONFLICT, "STATUS_INVALID", "The account is not released yet.", seconds);
  }

  static BankRefusal unknown(String what) {
    return new BankRefusal(
        HttpStatus.NOT_FOUND, "RESOURCE_UNKNOWN", "There is no such " + what + ".", 0);
  }

  static BankRefusal formatError(String text) {
    return new BankRefusal(HttpStatus.BAD_REQUEST, "FORMAT_ERROR", text, 0);
  }

  static BankRefusal periodInvalid(String text) {
    return new BankRefusal(HttpStatus.BAD_REQUEST, "PERIOD_INVALID", text, 0);
  }

  HttpStatus status() {
    return status;
  }

  String code() {
    return code;
  }

  int retryAfterSeconds() {
    return retryAfterSeconds;
  }
}
