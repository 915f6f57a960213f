package org.yewledger.app.setup;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Copying from book to book. */
@RestController
@Tag(name = "books")
class CopyController {
  record CopyJson(@NotNull UUID fromId, boolean chart, boolean rules, boolean taxRates) {}

  record CopiedJson(int categories, int rules, int taxRates) {}

  private final CopyService copies;

  CopyController(CopyService copies) {
    this.copies = copies;
  }

  /** Copies categories, rules and tax rates of another book; what is here already stays. */
  @PostMapping("/api/books/{id}/copy")
  CopiedJson copy(@PathVariable UUID id, @Valid @RequestBody CopyJson wanted) {
    var copied =
        copies.copy(
            wanted.fromId(),
            id,
            new CopyService.Wanted(wanted.chart(), wanted.rules(), wanted.taxRates()));
    return new CopiedJson(copied.categories(), copied.rules(), copied.taxRates());
  }
}
