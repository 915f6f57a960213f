package org.yewledger.app.worth;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.io.IOException;
import java.time.LocalDate;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.worth.WorthJson.AdjustJson;
import org.yewledger.app.worth.WorthJson.InvestmentDraftJson;
import org.yewledger.app.worth.WorthJson.NewPriceJson;
import org.yewledger.app.worth.WorthJson.NewSecurityJson;
import org.yewledger.app.worth.WorthJson.NewTradeJson;
import org.yewledger.app.worth.WorthJson.NewValuationJson;
import org.yewledger.app.worth.WorthJson.PricesKeptJson;
import org.yewledger.app.worth.WorthJson.SecurityJson;
import org.yewledger.app.worth.WorthJson.WorthPageJson;
import org.yewledger.app.worth.WorthJson.WriteDownDraftJson;
import org.yewledger.app.worth.WorthJson.WrittenDownJson;
import org.yewledger.app.worth.WorthJson.WrittenThroughJson;
import org.yewledger.core.money.Currencies;
import org.yewledger.core.worth.Security;

/** What is owned without a bank's balance: holdings of securities, and things. */
@RestController
@Tag(name = "plan")
class WorthController {
  private final WorthService worth;
  private final TradeService trades;
  private final PriceService prices;
  private final ThingService things;

  WorthController(
      WorthService worth, TradeService trades, PriceService prices, ThingService things) {
    this.worth = worth;
    this.trades = trades;
    this.prices = prices;
    this.things = things;
  }

  /** All that is owned at the end of a day, of a book or of all. */
  @GetMapping("/api/worth")
  WorthPageJson worth(@RequestParam LocalDate on, @RequestParam @Nullable UUID book) {
    return worth.page(on, book);
  }

  /** Adds a security that can be held. */
  @PostMapping("/api/securities")
  @ResponseStatus(HttpStatus.CREATED)
  SecurityJson addSecurity(@Valid @RequestBody NewSecurityJson made) {
    CurrencyUnit currency = Currencies.of(made.currency(), "currency");
    String code = made.code() == null ? "" : made.code().strip();
    Security security = new Security(Ids.next(), made.name().strip(), code, currency);
    trades.add(security);
    return WorthService.json(security);
  }

  /** Keeps a price; one of the same day is replaced. */
  @PutMapping("/api/securities/{id}/prices")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepPrice(@PathVariable UUID id, @Valid @RequestBody NewPriceJson price) {
    prices.keepPrice(id, price.day(), price.price());
  }

  /** Takes a price of a day out. */
  @DeleteMapping("/api/securities/{id}/prices")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removePrice(@PathVariable UUID id, @RequestParam LocalDate day) {
    prices.removePrice(id, day);
  }

  /** Keeps all prices of a table with the columns day, security and price; all or none. */
  @PostMapping(path = "/api/prices/import", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  PricesKeptJson importPrices(@RequestPart MultipartFile file) throws IOException {
    return new PricesKeptJson(prices.keepPrices(file.getBytes()));
  }

  /** Says how trades of an account are booked. */
  @PutMapping("/api/investments/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepInvestment(@PathVariable UUID id, @Valid @RequestBody InvestmentDraftJson draft) {
    trades.keep(id, draft);
  }

  /** Books what happened to a holding. */
  @PostMapping("/api/investments/{id}/trades")
  @ResponseStatus(HttpStatus.CREATED)
  void book(@PathVariable UUID id, @Valid @RequestBody NewTradeJson trade) {
    trades.book(id, trade);
  }

  /** Books what the holdings of an account are worth more than they are booked at. */
  @PostMapping("/api/investments/{id}/adjustments")
  @ResponseStatus(HttpStatus.CREATED)
  void adjust(@PathVariable UUID id, @Valid @RequestBody AdjustJson wanted) {
    trades.adjust(id, wanted.on());
  }

  /** Takes a trade out, with its entry. */
  @DeleteMapping("/api/trades/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeTrade(@PathVariable UUID id) {
    trades.remove(id);
  }

  /** Says what a thing is worth from a day on. */
  @PutMapping("/api/things/{id}/valuations")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void value(@PathVariable UUID id, @Valid @RequestBody NewValuationJson wanted) {
    things.value(id, wanted.day(), wanted.worth());
  }

  /** Takes a valuation out. */
  @DeleteMapping("/api/things/{id}/valuations")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeValuation(@PathVariable UUID id, @RequestParam LocalDate day) {
    things.removeValuation(id, day);
  }

  /** Says how a thing is written down. */
  @PutMapping("/api/things/{id}/write-down")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void writeDown(@PathVariable UUID id, @Valid @RequestBody WriteDownDraftJson draft) {
    things.writeDown(id, draft);
  }

  /** Writes a thing down no more. */
  @DeleteMapping("/api/things/{id}/write-down")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stopWritingDown(@PathVariable UUID id) {
    things.stopWritingDown(id);
  }

  /** Books the months through one that are not booked yet. */
  @PostMapping("/api/things/{id}/write-down/entries")
  @ResponseStatus(HttpStatus.CREATED)
  WrittenDownJson bookThrough(
      @PathVariable UUID id, @Valid @RequestBody WrittenThroughJson wanted) {
    return things.bookThrough(id, wanted.month());
  }
}
