package org.yewledger.app.rules;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.platform.Download;
import org.yewledger.formats.table.RuleTable;

/** The rules of a book as a table. */
@RestController
@RequestMapping("/api/books/{id}/rule-table")
@Tag(name = "books")
class RuleTableController {
  record RulesBroughtJson(int added) {}

  private final ChartService charts;
  private final RuleTableService tables;

  RuleTableController(ChartService charts, RuleTableService tables) {
    this.charts = charts;
    this.tables = tables;
  }

  /** The rules of a book, as CSV. */
  @GetMapping
  ResponseEntity<byte[]> exportRules(@PathVariable UUID id) {
    return Download.csv("rules", RuleTable.write(tables.rows(id)));
  }

  /** Adds all rules of a table at the end of the order, or none. */
  @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  RulesBroughtJson takeInRules(@PathVariable UUID id, @RequestPart MultipartFile file)
      throws IOException {
    charts.chart().book(id);
    return new RulesBroughtJson(tables.takeIn(id, RuleTable.read(file.getBytes())));
  }
}
