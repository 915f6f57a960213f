package org.yewledger.app.report;

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

/** Reports that are kept by a name. */
@RestController
@RequestMapping("/api/kept-reports")
@Tag(name = "reports")
class KeptReportController {
  /**
   * @param address what it covers and is put together of, as the interface's address says it
   * @param onAlmanac whether it stands on the Almanac
   */
  record KeptReportJson(UUID id, String name, String address, boolean onAlmanac) {}

  /** One of that name is replaced. */
  record KeptReportWantedJson(
      @NotNull @Size(max = Texts.SHORT) String name, @NotNull @Size(max = 4000) String address) {}

  record OnAlmanacJson(@NotNull Boolean onAlmanac) {}

  private final KeptReports kept;

  KeptReportController(KeptReports kept) {
    this.kept = kept;
  }

  /** The reports that are kept by name. */
  @GetMapping
  List<KeptReportJson> all() {
    return kept.all();
  }

  /** Keeps a report by name, in place of one that is called so. */
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@Valid @RequestBody KeptReportWantedJson wanted) {
    kept.keep(wanted.name(), wanted.address());
  }

  /** Gives a kept report up. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable UUID id) {
    kept.forget(id);
  }

  /** Puts a report on the Almanac, or takes it off. */
  @PutMapping("/{id}/almanac")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stand(@PathVariable UUID id, @Valid @RequestBody OnAlmanacJson wanted) {
    kept.stand(id, wanted.onAlmanac());
  }
}
