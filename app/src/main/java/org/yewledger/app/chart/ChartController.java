package org.yewledger.app.chart;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.ChartJson.AccountDraftJson;
import org.yewledger.app.chart.ChartJson.AccountJson;
import org.yewledger.app.chart.ChartJson.ChartPageJson;
import org.yewledger.app.chart.ChartJson.MadeJson;
import org.yewledger.app.chart.ChartJson.MergeJson;
import org.yewledger.app.chart.ChartJson.MergedJson;
import org.yewledger.app.chart.ChartJson.MoveAccountJson;
import org.yewledger.app.platform.Ids;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Currencies;

/** The chart of accounts. */
@RestController
@Tag(name = "chart")
class ChartController {
  private final ChartService charts;
  private final ChartViewService views;
  private final AccountService accounts;
  private final AccountOpenings openings;

  ChartController(
      ChartService charts,
      ChartViewService views,
      AccountService accounts,
      AccountOpenings openings) {
    this.charts = charts;
    this.views = views;
    this.accounts = accounts;
    this.openings = openings;
  }

  /** The tree with balances at the end of a day. */
  @GetMapping("/api/chart")
  public ChartPageJson chart(@RequestParam LocalDate on, @RequestParam @Nullable UUID book) {
    return views.at(on, book);
  }

  /** All accounts, without balances. */
  @GetMapping("/api/accounts")
  public List<AccountJson> accounts() {
    Chart chart = charts.chart();
    return chart.accounts().map(a -> AccountJson.of(a, chart)).toList();
  }

  /** Adds an account, with its opening balance where one is said: one act, or none. */
  @PostMapping("/api/accounts")
  @ResponseStatus(HttpStatus.CREATED)
  @Transactional
  public MadeJson add(@Valid @RequestBody AccountDraftJson draft) {
    Book book = charts.chart().book(draft.bookId()).toBook();
    Account account = account(Ids.next(), book, draft, null);
    Account added =
        accounts.add(account, draft.parentId(), draft.facts().toFacts(account.currency()));
    LocalDate opensOn = draft.opensOn();
    if (opensOn != null && draft.opening() != null) {
      openings.open(added.id(), opensOn, Amount.of(draft.opening(), added.currency()));
    }
    return new MadeJson(added.id());
  }

  /** Book, group and place stay as they are; moving has an address of its own. */
  @PutMapping("/api/accounts/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  public void change(
      @PathVariable UUID id,
      @RequestParam int version,
      @Valid @RequestBody AccountDraftJson draft) {
    Account before = charts.chart().account(id);
    Account wanted = account(id, before.book(), draft, before.closedOn());
    accounts.change(wanted, draft.facts().toFacts(wanted.currency()), version);
  }

  /** Puts an account into another group, or to another place among its own. */
  @PostMapping("/api/accounts/{id}/move")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  public void move(@PathVariable UUID id, @RequestBody MoveAccountJson to) {
    Integer place = to.place();
    accounts.move(id, to.parentId(), place == null ? Integer.MAX_VALUE : place);
  }

  /** Makes an account part of another: postings, lines, rules and plans go over to it. */
  @PostMapping("/api/accounts/{id}/merge")
  public MergedJson merge(@PathVariable UUID id, @Valid @RequestBody MergeJson merge) {
    return new MergedJson(accounts.merge(id, merge.intoId()));
  }

  /** Closes an account that stands at zero; it takes no postings any more. */
  @PostMapping("/api/accounts/{id}/close")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  public void close(@PathVariable UUID id, @RequestParam int version) {
    accounts.close(id, version);
  }

  /** Opens a closed account again. */
  @PostMapping("/api/accounts/{id}/reopen")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  public void reopen(@PathVariable UUID id, @RequestParam int version) {
    accounts.reopen(id, version);
  }

  /** Deletes an account that nothing names: no posting, rule or plan. */
  @DeleteMapping("/api/accounts/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  public void delete(@PathVariable UUID id, @RequestParam int version) {
    accounts.delete(id, version);
  }

  private static Account account(
      UUID id, Book book, AccountDraftJson draft, @Nullable LocalDate closedOn) {
    CurrencyUnit currency = Currencies.of(draft.currency(), "currency");
    if (draft.kind().accountClass().isCategory() && !currency.equals(book.currency())) {
      throw Refusal.ofField(
          "category-currency",
          "currency",
          "Categories of %s are in its currency, %s.".formatted(book.name(), book.currency()));
    }
    return new Account(
        id, book, draft.name(), draft.kind(), currency, draft.group(), draft.opensOn(), closedOn);
  }
}
