package org.yewledger.app.household;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Texts;

/** The household itself: what it is called and where its days begin. */
@RestController
@RequestMapping("/api/household")
@Tag(name = "household")
class HouseholdController {
  /**
   * @param timeZone by its name in the IANA database
   * @param today the day that it is there
   */
  record HouseholdFactsJson(String name, String timeZone, LocalDate today) {}

  record HouseholdWantedJson(
      @NotBlank @Size(max = Texts.NAME) String name,
      @NotNull @Size(max = Texts.SHORT) String timeZone) {}

  private final HouseholdService households;

  HouseholdController(HouseholdService households) {
    this.households = households;
  }

  /** What the household is called, and where its day begins. */
  @GetMapping
  HouseholdFactsJson facts() {
    return households.facts();
  }

  /** Changes what the household is called, and where its day begins. */
  @PutMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(@Valid @RequestBody HouseholdWantedJson wanted) {
    households.change(SessionController.requireName(wanted.name()), wanted.timeZone());
  }
}
