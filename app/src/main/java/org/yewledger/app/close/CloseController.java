package org.yewledger.app.close;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.close.CloseJson.BookToCloseJson;
import org.yewledger.app.close.CloseJson.CloseMonthJson;
import org.yewledger.app.close.CloseJson.ReopenMonthJson;
import org.yewledger.app.paper.Papers;

/** Closed months. */
@RestController
@RequestMapping("/api/closed-months")
@Tag(name = "close")
class CloseController {
  private final CloseService months;
  private final MonthPack packs;
  private final YearPack years;
  private final Papers papers;

  CloseController(CloseService months, MonthPack packs, YearPack years, Papers papers) {
    this.months = months;
    this.packs = packs;
    this.years = years;
    this.papers = papers;
  }

  /** What has to be right before books are closed through a month. */
  @GetMapping
  List<BookToCloseJson> toClose(@RequestParam YearMonth month, @RequestParam @Nullable UUID book) {
    return months.books(month, book);
  }

  /** A month of a book on paper: checklist, reports, and what was agreed in it. */
  @GetMapping("/pack")
  ResponseEntity<byte[]> pack(@RequestParam YearMonth month, @RequestParam UUID book) {
    MonthPack.Pack pack = packs.of(book, month);
    return papers.answer(pack.fileName(), pack.title(), false, pack.parts());
  }

  /** The fiscal year that a month is in, on paper: its reports, its tax form and its sales tax. */
  @GetMapping("/year-pack")
  ResponseEntity<byte[]> yearPack(@RequestParam YearMonth month, @RequestParam UUID book) {
    MonthPack.Pack pack = years.of(book, month);
    return papers.answer(pack.fileName(), pack.title(), false, pack.parts());
  }

  /** Closes a book through a month. */
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void close(@Valid @RequestBody CloseMonthJson close) {
    months.close(close.bookId(), close.month());
  }

  /** Opens a month again, and all after it; for owners. */
  @PostMapping("/reopen")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void reopen(@Valid @RequestBody ReopenMonthJson reopen) {
    months.reopen(reopen.bookId(), reopen.month(), reopen.because());
  }
}
