package org.yewledger.app.event;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.yewledger.app.platform.SignedIn;

/** The stream that a window listens to. */
@RestController
class EventController {
  private final Events events;

  EventController(Events events) {
    this.events = events;
  }

  /** {@code changed} when the books have changed, {@code progress} of the person's long work. */
  @Hidden
  @GetMapping(value = "/api/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter listen() {
    return events.listen(SignedIn.now()).emitter();
  }
}
