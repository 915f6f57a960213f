package org.yewledger.app.journal;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.journal.QueryText;

/** Queries that are kept, and the columns in which a person sees what they find. */
@RestController
@RequestMapping("/api/journal")
@Tag(name = "journal")
class JournalViewController {
  /**
   * A query by a name.
   *
   * @param everyMonth whether the month that is chosen does not narrow it
   * @param order as pages are asked for
   */
  record JournalViewJson(UUID id, String name, String query, boolean everyMonth, String order) {}

  /** A query to be kept by a name; one of that name is replaced. */
  record JournalViewWantedJson(
      @NotNull @Size(max = Texts.SHORT) String name,
      @NotNull @Size(max = QueryText.LONGEST) String query,
      boolean everyMonth,
      @NotNull @Size(max = Texts.SHORT) String order) {}

  /**
   * @param columns in their order; empty for the usual ones
   */
  record JournalColumnsJson(
      @NotNull @Size(max = 20) List<@NotNull @Size(max = 20) String> columns) {}

  private final JournalViewService views;
  private final OwnColumns columns;

  JournalViewController(JournalViewService views, OwnColumns columns) {
    this.views = views;
    this.columns = columns;
  }

  /** The views of the journal that are kept by name. */
  @GetMapping("/views")
  List<JournalViewJson> views() {
    return views.views();
  }

  /** Keeps a view of the journal by name, in place of one that is called so. */
  @PostMapping("/views")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@Valid @RequestBody JournalViewWantedJson wanted) {
    views.keep(
        wanted.name(), wanted.query(), wanted.everyMonth(), EntryOrder.parse(wanted.order()));
  }

  /** Gives a kept view of the journal up. */
  @DeleteMapping("/views/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable UUID id) {
    views.forget(id);
  }

  /** Which columns the person sees in the journal. */
  @GetMapping("/columns")
  JournalColumnsJson columns() {
    return new JournalColumnsJson(columns.columns());
  }

  /** Chooses the columns that the person sees in the journal. */
  @PutMapping("/columns")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void choose(@Valid @RequestBody JournalColumnsJson wanted) {
    columns.choose(wanted.columns());
  }
}
