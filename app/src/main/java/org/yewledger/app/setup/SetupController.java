package org.yewledger.app.setup;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.setup.SetupJson.SetupPageJson;
import org.yewledger.app.setup.SetupJson.VersionedSetupJson;

/** Setting up a new household. */
@RestController
@RequestMapping("/api/setup")
@Tag(name = "setup")
class SetupController {
  private final SetupService setup;

  SetupController(SetupService setup) {
    this.setup = setup;
  }

  /** The draft of a new household, and what is still missing in it. */
  @GetMapping
  SetupPageJson page() {
    return setup.page();
  }

  /** Keeps what was typed; it need not be whole. */
  @PutMapping
  SetupPageJson keep(@Valid @RequestBody VersionedSetupJson typed) {
    return setup.keep(typed.draft(), typed.version());
  }

  /** Opens the books: makes everything of the draft at once. */
  @PostMapping("/open")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void openBooks(@RequestParam int version) {
    setup.openBooks(version);
  }
}
