package org.yewledger.app.act;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.act.ActJson.ActPageJson;
import org.yewledger.app.act.ActJson.ChangeJson;
import org.yewledger.app.act.ActJson.NextActsJson;
import org.yewledger.app.act.ActJson.OneActJson;
import org.yewledger.app.event.Events;

/** What was done in the household, and taking it back. */
@RestController
@RequestMapping("/api/acts")
@Tag(name = "acts")
class ActController {
  private final ActReader reader;
  private final UndoService undo;
  private final Events events;

  ActController(ActReader reader, UndoService undo, Events events) {
    this.reader = reader;
    this.undo = undo;
    this.events = events;
  }

  /** Acts, newest first: those that touched an entry or an account, by a person, within a time. */
  @GetMapping
  ActPageJson acts(
      @RequestParam @Nullable UUID entry,
      @RequestParam @Nullable UUID account,
      @RequestParam @Nullable UUID person,
      @RequestParam @Nullable Instant from,
      @RequestParam @Nullable Instant to,
      @RequestParam @Nullable UUID after) {
    return reader.page(new ActReader.Filter(entry, account, person, from, to), after);
  }

  /** What undo and redo would take back for the person now. */
  @GetMapping("/next")
  NextActsJson next() {
    return undo.next();
  }

  /** Every row that an act changed, as it was before and after. */
  @GetMapping("/{id}/changes")
  List<ChangeJson> changes(@PathVariable UUID id) {
    return reader.changes(id);
  }

  /** Takes an act back; an undoing taken back is a redo. */
  @PostMapping("/{id}/undo")
  OneActJson undo(@PathVariable UUID id) {
    return events.during(
        new Events.Progress("Undo", "taking back every row of the act"), () -> undo.undo(id));
  }
}
