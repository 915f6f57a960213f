package org.yewledger.app.plan;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.plan.SetAsideJson.DivideJson;
import org.yewledger.app.plan.SetAsideJson.DividedJson;
import org.yewledger.app.plan.SetAsideJson.KeepPaysJson;
import org.yewledger.app.plan.SetAsideJson.KeepTemplateJson;
import org.yewledger.app.plan.SetAsideJson.SetAsidesJson;
import org.yewledger.app.plan.SetAsideJson.TakeOutJson;

/** What is set aside in accounts; each is known by its account. */
@RestController
@RequestMapping("/api/set-asides")
@Tag(name = "plan")
class SetAsideController {
  private final SetAsideService setAsides;
  private final PurposeService purposes;

  SetAsideController(SetAsideService setAsides, PurposeService purposes) {
    this.setAsides = setAsides;
    this.purposes = purposes;
  }

  /** The accounts in which anything is set aside, of a book or of all. */
  @GetMapping
  List<SetAsidesJson> all(@RequestParam @Nullable UUID book) {
    return setAsides.all(book);
  }

  /** Divides an amount over the purposes of an account, or moves between them. */
  @PostMapping("/{id}/divisions")
  @ResponseStatus(HttpStatus.CREATED)
  DividedJson divide(@PathVariable UUID id, @Valid @RequestBody DivideJson wanted) {
    return setAsides.divide(id, wanted);
  }

  /** Keeps a division by name, in place of one of that name. */
  @PutMapping("/{id}/templates")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepTemplate(@PathVariable UUID id, @Valid @RequestBody KeepTemplateJson wanted) {
    purposes.keepTemplate(id, wanted);
  }

  /** Gives a division up that is kept by name. */
  @DeleteMapping("/templates/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeTemplate(@PathVariable UUID id) {
    purposes.removeTemplate(id);
  }

  /** Says which categories a set-aside pays for. */
  @PutMapping("/{id}/pays")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepPays(@PathVariable UUID id, @Valid @RequestBody KeepPaysJson wanted) {
    purposes.keepPays(id, wanted);
  }

  /** Takes out of the set-asides of an account what was spent on what they pay for. */
  @PostMapping("/{id}/takings")
  @ResponseStatus(HttpStatus.CREATED)
  DividedJson takeOut(@PathVariable UUID id, @Valid @RequestBody TakeOutJson wanted) {
    return purposes.takeOut(id, wanted.day());
  }
}
