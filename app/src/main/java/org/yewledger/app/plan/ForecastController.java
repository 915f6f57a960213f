package org.yewledger.app.plan;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.plan.ForecastJson.ForecastPageJson;
import org.yewledger.app.plan.ForecastJson.TriedJson;

/** What will stand on accounts. */
@RestController
@Tag(name = "plan")
class ForecastController {
  private final ForecastService forecasts;

  ForecastController(ForecastService forecasts) {
    this.forecasts = forecasts;
  }

  /**
   * Each account through a day, from what is due and what usually moves; with an entry that is not
   * booked where all three of it are told.
   */
  @GetMapping("/api/forecast")
  ForecastPageJson forecast(
      @RequestParam LocalDate through,
      @RequestParam @Nullable UUID book,
      @RequestParam @Nullable UUID tryAccount,
      @RequestParam @Nullable LocalDate tryOn,
      @RequestParam @Nullable BigDecimal tryAmount) {
    TriedJson tried =
        tryAccount == null || tryOn == null || tryAmount == null
            ? null
            : new TriedJson(tryAccount, tryOn, tryAmount);
    return forecasts.through(through, book, tried);
  }
}
