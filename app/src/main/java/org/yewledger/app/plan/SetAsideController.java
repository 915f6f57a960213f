package org.yewledger.app.plan;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.plan.SetAsideJson.DivideJson;
import org.yewledger.app.plan.SetAsideJson.DividedJson;
import org.yewledger.app.plan.SetAsideJson.SetAsidesJson;

/** What is set aside in accounts; each is known by its account. */
@RestController
@RequestMapping("/api/set-asides")
@Tag(name = "plan")
class SetAsideController {
  private final SetAsideService setAsides;

  SetAsideController(SetAsideService setAsides) {
    this.setAsides = setAsides;
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
}
