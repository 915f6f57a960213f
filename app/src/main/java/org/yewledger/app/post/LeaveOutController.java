package org.yewledger.app.post;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Texts;

/** Lines that are no business of the books. */
@RestController
@RequestMapping("/api/left-out-lines")
@Tag(name = "post")
class LeaveOutController {
  record LeftOutJson(
      UUID id,
      UUID accountId,
      LocalDate bookedOn,
      BigDecimal amount,
      String text,
      String because) {}

  record LeaveOutJson(int version, @NotNull @Size(max = Texts.NAME) String because) {}

  private final LeaveOutService lines;

  LeaveOutController(LeaveOutService lines) {
    this.lines = lines;
  }

  /** Bank lines that were left out, with the reason that was given. */
  @GetMapping
  List<LeftOutJson> all() {
    return lines.all();
  }

  /** Leaves a waiting line out, with the reason. */
  @PutMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void leaveOut(@PathVariable UUID id, @Valid @RequestBody LeaveOutJson wanted) {
    lines.leaveOut(id, wanted.version(), wanted.because());
  }

  /** Lets it wait again. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@PathVariable UUID id) {
    lines.takeBack(id);
  }
}
