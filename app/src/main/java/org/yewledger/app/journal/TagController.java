package org.yewledger.app.journal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Texts;

/** What entries are marked with across categories. */
@RestController
@RequestMapping("/api/tags")
@io.swagger.v3.oas.annotations.tags.Tag(name = "tags")
class TagController {
  /**
   * @param in what came in; {@code out} what went out, below zero; without transfers
   */
  record TagMovedJson(String currency, BigDecimal in, BigDecimal out) {}

  /**
   * @param version to be sent back when it is changed
   * @param putAway whether it is no longer offered
   * @param query what finds its entries in the journal
   * @param first the day of the oldest entry; null if there is none
   * @param last the day of the newest one
   * @param moved by currency
   */
  record TagJson(
      UUID id,
      int version,
      String name,
      boolean putAway,
      String query,
      int entries,
      @Nullable LocalDate first,
      @Nullable LocalDate last,
      List<TagMovedJson> moved) {}

  /**
   * @param version as it was seen
   */
  record TagWantedJson(
      int version, @NotNull @Size(max = Texts.SHORT) String name, boolean putAway) {}

  /**
   * @param version of the tag that goes, as it was seen
   * @param into the one that stays
   */
  record MergeTagJson(int version, @NotNull UUID into) {}

  private final TagService tags;

  TagController(TagService tags) {
    this.tags = tags;
  }

  /** All tags, by name. */
  @GetMapping
  List<TagJson> tags() {
    return tags.tags();
  }

  /** Renames a tag, puts it away or takes it out again. */
  @PutMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(@PathVariable UUID id, @Valid @RequestBody TagWantedJson wanted) {
    tags.change(id, wanted.version(), wanted.name(), wanted.putAway());
  }

  /** Makes this tag part of another one. */
  @PostMapping("/{id}/merge")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void merge(@PathVariable UUID id, @Valid @RequestBody MergeTagJson wanted) {
    tags.merge(id, wanted.version(), wanted.into());
  }
}
