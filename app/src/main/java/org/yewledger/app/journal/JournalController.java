package org.yewledger.app.journal;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.journal.BulkJson.BulkChangeJson;
import org.yewledger.app.journal.BulkJson.BulkMeantJson;
import org.yewledger.app.journal.BulkJson.BulkOutcomeJson;
import org.yewledger.app.journal.JournalJson.AgainJson;
import org.yewledger.app.journal.JournalJson.CounterJson;
import org.yewledger.app.journal.JournalJson.DraftJson;
import org.yewledger.app.journal.JournalJson.EntryJson;
import org.yewledger.app.journal.JournalJson.JournalPageJson;
import org.yewledger.app.journal.JournalJson.MergeEntriesJson;
import org.yewledger.app.journal.JournalJson.MovedJson;
import org.yewledger.app.journal.JournalJson.RegisterJson;
import org.yewledger.app.journal.JournalJson.RegisterTotalsJson;
import org.yewledger.app.journal.QueryJson.QueryReadJson;
import org.yewledger.app.journal.QuickEntryJson.QuickReadJson;
import org.yewledger.app.journal.QuickEntryJson.QuickTypedJson;
import org.yewledger.app.journal.ServedMonthsJson.ServeJson;
import org.yewledger.app.journal.ServedMonthsJson.ServedJson;

/** The journal of all accounts, and each account's register. */
@RestController
@Tag(name = "journal")
class JournalController {
  private final JournalService journal;
  private final QueryService queries;
  private final RegisterService registers;
  private final RevisionService revisions;
  private final CounterService counters;
  private final MergeService merges;
  private final QuickEntryService quick;
  private final EntryService entries;
  private final BulkService bulk;
  private final ServingService serving;
  private final ChartService charts;

  JournalController(
      JournalService journal,
      QueryService queries,
      RegisterService registers,
      RevisionService revisions,
      CounterService counters,
      MergeService merges,
      QuickEntryService quick,
      EntryService entries,
      BulkService bulk,
      ServingService serving,
      ChartService charts) {
    this.journal = journal;
    this.queries = queries;
    this.registers = registers;
    this.revisions = revisions;
    this.counters = counters;
    this.merges = merges;
    this.quick = quick;
    this.entries = entries;
    this.bulk = bulk;
    this.serving = serving;
    this.charts = charts;
  }

  /**
   * A page of the journal.
   *
   * @param text a query; {@code /api/entries/query} says what it means
   * @param month narrows what does not name days itself
   * @param order a column, with a minus before it where the greatest comes first
   * @param at the day to begin with, where it is sorted by date
   */
  @GetMapping("/api/entries")
  JournalPageJson entries(
      @RequestParam @Nullable UUID book,
      @RequestParam @Nullable YearMonth month,
      @RequestParam(defaultValue = "") String text,
      @RequestParam(defaultValue = "-date") String order,
      @RequestParam @Nullable LocalDate at,
      @RequestParam @Nullable String after) {
    return journal.page(
        new JournalService.Filter(book, month, text),
        new JournalService.Part(EntryOrder.parse(order), at, after));
  }

  /** What all of it comes to, by currency. */
  @GetMapping("/api/entries/totals")
  List<MovedJson> totals(
      @RequestParam @Nullable UUID book,
      @RequestParam @Nullable YearMonth month,
      @RequestParam(defaultValue = "") String text) {
    return journal.totals(new JournalService.Filter(book, month, text));
  }

  /** What a typed query means, and what may be typed where the caret stands. */
  @GetMapping("/api/entries/query")
  QueryReadJson query(
      @RequestParam(defaultValue = "") String text, @RequestParam(defaultValue = "0") int caret) {
    return queries.read(text, caret);
  }

  /** What the fields of an entry mean that is being typed. Books nothing. */
  @PostMapping("/api/entries/reading")
  QuickReadJson readTyped(@Valid @RequestBody QuickTypedJson typed) {
    return quick.read(typed);
  }

  /** Books an entry that was typed. */
  @PostMapping("/api/entries")
  @ResponseStatus(HttpStatus.CREATED)
  EntryJson enter(@Valid @RequestBody QuickTypedJson typed) {
    return journal.entry(quick.enter(typed));
  }

  /** An entry with its postings. */
  @GetMapping("/api/entries/{id}")
  EntryJson entry(@PathVariable UUID id) {
    return journal.entry(id);
  }

  /** Counts what one change to many entries would do. Changes nothing. */
  @PostMapping("/api/entries/bulk/count")
  BulkOutcomeJson countBulk(@Valid @RequestBody BulkChangeJson wanted) {
    return bulk.count(wanted.meant(), wanted.change(charts.chart()));
  }

  /** Makes one change to many entries, as one act. */
  @PostMapping("/api/entries/bulk")
  BulkOutcomeJson changeBulk(@Valid @RequestBody BulkChangeJson wanted) {
    return bulk.change(wanted.meant(), wanted.change(charts.chart()));
  }

  /** Counts what taking many entries back would do. Changes nothing. */
  @PostMapping("/api/entries/bulk/void/count")
  BulkOutcomeJson countBulkVoid(@Valid @RequestBody BulkMeantJson wanted) {
    return bulk.countVoid(wanted.meant());
  }

  /** Takes many entries back, each by its opposite on its own day, as one act. */
  @PostMapping("/api/entries/bulk/void")
  BulkOutcomeJson bulkVoid(@Valid @RequestBody BulkMeantJson wanted) {
    return bulk.makeVoid(wanted.meant());
  }

  /** Gives an entry another form; number and identity stay, and history keeps each form. */
  @PutMapping("/api/entries/{id}")
  EntryJson revise(@PathVariable UUID id, @Valid @RequestBody DraftJson draft) {
    revisions.revise(id, draft.version(), draft.toDraft(charts.chart()));
    return journal.entry(id);
  }

  /** Writes an entry again on another day. */
  @PostMapping("/api/entries/{id}/again")
  @ResponseStatus(HttpStatus.CREATED)
  EntryJson again(@PathVariable UUID id, @Valid @RequestBody AgainJson wanted) {
    return journal.entry(entries.again(id, wanted.date()));
  }

  /** Takes an entry out of the books that neither a bank nor a statement holds. */
  @DeleteMapping("/api/entries/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@PathVariable UUID id, @RequestParam int version) {
    entries.delete(id, version);
  }

  /** Takes an entry back by its opposite, which is the answer. */
  @PostMapping("/api/entries/{id}/counter")
  @ResponseStatus(HttpStatus.CREATED)
  EntryJson counter(@PathVariable UUID id, @Valid @RequestBody CounterJson wanted) {
    return journal.entry(counters.counter(id, wanted.version(), wanted.how(), wanted.date()));
  }

  /** What each month would bear of an entry that serves some. Changes nothing. */
  @GetMapping("/api/entries/{id}/served-months")
  ServedJson servedParts(
      @PathVariable UUID id, @RequestParam YearMonth first, @RequestParam YearMonth last) {
    return serving.parts(id, first, last);
  }

  /** Says which months an entry serves; reports and budgets can spread it over them. */
  @PutMapping("/api/entries/{id}/served-months")
  EntryJson serve(@PathVariable UUID id, @Valid @RequestBody ServeJson wanted) {
    serving.serve(id, wanted);
    return journal.entry(id);
  }

  /** Entries that may be the same thing booked twice, the likeliest first. */
  @GetMapping("/api/entries/{id}/doubles")
  List<EntryJson> doubles(@PathVariable UUID id) {
    return journal.entries(merges.doublesOf(id));
  }

  /** Makes one entry of two that are one thing booked twice: this one stays. */
  @PostMapping("/api/entries/{id}/merge")
  EntryJson merge(@PathVariable UUID id, @Valid @RequestBody MergeEntriesJson wanted) {
    merges.merge(
        new EntryLocks.Seen(id, wanted.version()),
        new EntryLocks.Seen(wanted.goes(), wanted.goesVersion()));
    return journal.entry(id);
  }

  /**
   * A page of an account's register, each posting with the balance after it.
   *
   * @param text a query, as for the journal
   * @param order a column, with a minus before it where the greatest comes first
   * @param at the day to begin with, where the newest come first
   */
  @GetMapping("/api/accounts/{id}/register")
  RegisterJson register(
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String text,
      @RequestParam(defaultValue = "-date") String order,
      @RequestParam @Nullable LocalDate at,
      @RequestParam @Nullable String after) {
    return registers.register(
        id, new RegisterService.Part(text, EntryOrder.parse(order), at, after));
  }

  /** What the postings of a register that fit come to. */
  @GetMapping("/api/accounts/{id}/register/totals")
  RegisterTotalsJson registerTotals(
      @PathVariable UUID id, @RequestParam(defaultValue = "") String text) {
    return registers.totals(id, text);
  }
}
