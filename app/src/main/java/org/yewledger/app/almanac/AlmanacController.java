package org.yewledger.app.almanac;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.YearMonth;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.almanac.AlmanacJson.AlmanacPageJson;

/** The home view; its stations and months also make the frame of every other view. */
@RestController
@Tag(name = "almanac")
class AlmanacController {
  private final AlmanacService almanac;

  AlmanacController(AlmanacService almanac) {
    this.almanac = almanac;
  }

  /** Every account by months, bank says beside books say, and what is next. */
  @GetMapping("/api/almanac")
  AlmanacPageJson almanac(
      @RequestParam @Nullable YearMonth month,
      @RequestParam @Nullable UUID book,
      @RequestParam(defaultValue = "12") @Min(6) @Max(36) int months) {
    return almanac.page(month, book, months);
  }
}
