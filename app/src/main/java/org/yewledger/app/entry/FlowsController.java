package org.yewledger.app.entry;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Currencies;
import org.yewledger.core.money.Flows;

/** What selected amounts come to. */
@RestController
@RequestMapping("/api/flows")
@Tag(name = "flows")
class FlowsController {
  /** As many rows as a list can have selected. */
  private static final int MOST = 10_000;

  record SelectedAmountJson(
      @NotNull BigDecimal amount, @NotNull @Size(max = Texts.SHORT) String currency) {}

  record SelectedAmountsJson(
      @NotNull @Size(max = MOST) List<@NotNull @Valid SelectedAmountJson> amounts) {}

  /**
   * @param in all above zero together
   * @param out the size of all below zero together
   * @param sum in less out
   */
  record FlowsJson(String currency, BigDecimal in, BigDecimal out, BigDecimal sum, int count) {
    static FlowsJson of(Flows flows) {
      return new FlowsJson(
          flows.in().currency().getCode(),
          flows.in().decimal(),
          flows.out().decimal(),
          flows.sum().decimal(),
          flows.count());
    }
  }

  /** Asked with a body, since the amounts of many rows are longer than an address may be. */
  @PostMapping
  List<FlowsJson> flows(@Valid @RequestBody SelectedAmountsJson selected) {
    List<Amount> amounts =
        selected.amounts().stream()
            .map(a -> Amount.of(a.amount(), Currencies.of(a.currency(), "currency")))
            .toList();
    return Flows.of(amounts).stream().map(FlowsJson::of).toList();
  }
}
