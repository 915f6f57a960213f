package org.yewledger.app.plan;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.plan.ForecastJson.ForecastPageJson;

/** What will stand on accounts. */
@RestController
@Tag(name = "plan")
class ForecastController {
  private final ForecastService forecasts;

  ForecastController(ForecastService forecasts) {
    this.forecasts = forecasts;
  }

  /** Each account through a day, from what is due and what usually moves. */
  @GetMapping("/api/forecast")
  ForecastPageJson forecast(@RequestParam LocalDate through, @RequestParam @Nullable UUID book) {
    return forecasts.through(through, book);
  }
}
