package org.yewledger.app.account;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** One account on a page. */
@RestController
@Tag(name = "chart")
class AccountPageController {
  private final AccountPageService pages;

  AccountPageController(AccountPageService pages) {
    this.pages = pages;
  }

  /** An account on a day: balances, statements, opening balance, rules, history. */
  @GetMapping("/api/accounts/{id}")
  AccountPageJson account(@PathVariable UUID id, @RequestParam LocalDate on) {
    return pages.page(id, on);
  }
}
