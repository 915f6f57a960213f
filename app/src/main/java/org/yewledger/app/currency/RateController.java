package org.yewledger.app.currency;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.money.Currencies;
import org.yewledger.core.money.ExchangeRate;
import org.yewledger.formats.table.RateTable;

/** The dated exchange rates. */
@RestController
@RequestMapping("/api/rates")
@Tag(name = "rates")
class RateController {
  /** On the day, 1 {@code from} was worth {@code rate} of {@code to}. */
  record RateJson(
      @NotNull @Size(max = Texts.SHORT) String from,
      @NotNull @Size(max = Texts.SHORT) String to,
      @NotNull LocalDate day,
      @NotNull BigDecimal rate) {
    static RateJson of(ExchangeRate r) {
      return new RateJson(r.from().getCode(), r.to().getCode(), r.day(), r.rate());
    }
  }

  record ImportedJson(int rates) {}

  private final RateService rates;

  RateController(RateService rates) {
    this.rates = rates;
  }

  /** All exchange rates, the newest first. */
  @GetMapping
  List<RateJson> rates() {
    return rates.all().stream().map(RateJson::of).toList();
  }

  /** Keeps a rate; one of the same day and currencies is replaced. */
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@Valid @RequestBody RateJson rate) {
    rates.keep(
        List.of(
            new ExchangeRate(
                Currencies.of(rate.from(), "from"),
                Currencies.of(rate.to(), "to"),
                rate.day(),
                rate.rate())));
  }

  /** Takes an exchange rate out. */
  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@RequestParam String from, @RequestParam String to, @RequestParam LocalDate day) {
    rates.remove(Currencies.of(from, "from"), Currencies.of(to, "to"), day);
  }

  /** Keeps all rates of a table with the columns day, from, to and rate; all or none. */
  @PostMapping(path = "/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  ImportedJson importTable(@RequestPart MultipartFile file) throws IOException {
    List<ExchangeRate> read = RateTable.read(file.getBytes());
    rates.keep(read);
    return new ImportedJson(read.size());
  }
}
