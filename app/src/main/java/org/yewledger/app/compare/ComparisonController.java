package org.yewledger.app.compare;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.compare.ComparisonJson.SettleLinesJson;

/** The two ledgers of a statement beside each other. */
@RestController
@RequestMapping("/api/statements/{id}/comparison")
@Tag(name = "reconcile")
class ComparisonController {
  private final ComparisonService comparisons;
  private final LineSettling settling;

  ComparisonController(ComparisonService comparisons, LineSettling settling) {
    this.comparisons = comparisons;
    this.settling = settling;
  }

  /** What the bank's lines and the postings of the books have in common, and what not. */
  @GetMapping
  ComparisonJson comparison(@PathVariable UUID id) {
    return comparisons.of(id);
  }

  /** Joins lines with postings, posts lines as proposed, and ticks them, as one act. */
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void settle(@PathVariable UUID id, @Valid @RequestBody SettleLinesJson settle) {
    settling.settle(id, settle);
  }
}
