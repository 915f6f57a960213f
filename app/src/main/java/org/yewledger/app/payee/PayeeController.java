package org.yewledger.app.payee;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Texts;

/** Who entries are with. */
@RestController
@RequestMapping("/api/payees")
@Tag(name = "payees")
class PayeeController {
  /**
   * @param version to be sent back when it is changed
   * @param knownAs the texts by which banks call it
   * @param used how many entries it has
   */
  record PayeeJson(UUID id, int version, String name, List<String> knownAs, int used) {}

  /**
   * A payee as it is to be.
   *
   * @param categoryId what its entries go to, or come from, unless somebody says otherwise; null
   *     for that of last time
   * @param contact how it is reached, on several lines
   */
  record PayeeWantedJson(
      int version,
      @NotNull @Size(max = Texts.NAME) String name,
      @NotNull @Size(max = 50) List<@NotNull @Size(max = Texts.NAME) String> knownAs,
      @Nullable UUID categoryId,
      @Nullable @Size(max = Texts.SHORT) String accountNumber,
      @Nullable @Size(max = Texts.NOTE) String contact,
      @Nullable @Size(max = Texts.NOTE) String note) {
    PayeeDetails details() {
      return PayeeDetails.of(categoryId, accountNumber, contact, note);
    }
  }

  /**
   * @param version of the payee that goes, as it was seen
   * @param into the one that stays
   */
  record MergePayeeJson(int version, @NotNull UUID into) {}

  private final PayeeService payees;
  private final PayeeMergeService merges;

  PayeeController(PayeeService payees, PayeeMergeService merges) {
    this.payees = payees;
    this.merges = merges;
  }

  /** The payees whose name has the text in it, the most used first. */
  @GetMapping
  List<PayeeJson> payees(
      @RequestParam(defaultValue = "") @Size(max = Texts.NAME) String text,
      @RequestParam(defaultValue = "50") @Min(1) @Max(2_000) int most) {
    return payees.find(text, most);
  }

  /** Changes what a payee is called and what is known of them. */
  @PutMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(@PathVariable UUID id, @Valid @RequestBody PayeeWantedJson wanted) {
    payees.change(id, wanted.version(), wanted.name(), wanted.knownAs(), wanted.details());
  }

  /** Makes this payee part of another one. */
  @PostMapping("/{id}/merge")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void merge(@PathVariable UUID id, @Valid @RequestBody MergePayeeJson wanted) {
    merges.merge(id, wanted.version(), wanted.into());
  }
}
