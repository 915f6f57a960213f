package org.yewledger.bank;

import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Refusals as the framework's {@code tppMessages}. */
@RestControllerAdvice
class BankErrors {
  record TppMessage(String category, String code, String text) {}

  record TppMessages(List<TppMessage> tppMessages) {}

  @ExceptionHandler
  ResponseEntity<TppMessages> refused(BankRefusal refusal) {
    var answer = ResponseEntity.status(refusal.status());
    if (refusal.retryAfterSeconds() > 0) {
      answer.header(HttpHeaders.RETRY_AFTER, String.valueOf(refusal.retryAfterSeconds()));
    }
    return answer.body(
        new TppMessages(
            List.of(
                new TppMessage("ERROR", refusal.code(), String.valueOf(refusal.getMessage())))));
  }
}
