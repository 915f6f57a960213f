package org.yewledger.app.journal;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.entry.LastEntry;
import org.yewledger.core.entry.Template;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Booking;

/** Entries that others are typed after. */
@RestController
@RequestMapping("/api/templates")
@Tag(name = "journal")
class TemplateController {
  /**
   * A part of a split, as it is typed.
   *
   * @param amount gross, with its sign
   */
  record TemplatePartJson(
      UUID accountId,
      BigDecimal amount,
      String note,
      @Nullable UUID taxRateId,
      @Nullable Boolean untaxed) {
    static TemplatePartJson of(Booking.Part part) {
      return new TemplatePartJson(
          part.account().id(),
          part.amount().decimal(),
          part.note(),
          part.tax().rateId(),
          TaxChoices.untaxed(part.tax()));
    }
  }

  /**
   * What a template fills in.
   *
   * @param inWords from where to where
   * @param amount without a sign; null if there is none that is typed
   * @param accountId of a split: whose line it is; null for an entry of two places
   * @param whole what that account pays, below zero, or receives
   * @param parts of a split
   */
  record TemplateJson(
      UUID id,
      String name,
      long entryNo,
      String payee,
      String inWords,
      String note,
      @Nullable BigDecimal amount,
      @Nullable String currency,
      @Nullable UUID fromId,
      @Nullable UUID toId,
      @Nullable Method method,
      List<String> tags,
      @Nullable UUID taxRateId,
      @Nullable Boolean untaxed,
      @Nullable UUID accountId,
      @Nullable BigDecimal whole,
      List<TemplatePartJson> parts) {

    static TemplateJson of(UUID id, String name, long entryNo, Template template) {
      LastEntry usual = template.usual();
      Amount told = template.amount() == null ? usual.amount() : template.amount();
      return new TemplateJson(
          id,
          name,
          entryNo,
          template.payee(),
          "%s to %s".formatted(nameOf(usual.from()), nameOf(usual.to())),
          template.note(),
          told == null ? null : told.size().decimal(),
          told == null ? null : told.currency().getCode(),
          idOf(usual.from()),
          idOf(usual.to()),
          usual.marks().method(),
          usual.marks().tags(),
          usual.tax().rateId(),
          TaxChoices.untaxed(usual.tax()),
          idOf(template.account()),
          template.amount() == null ? null : template.amount().decimal(),
          template.parts().stream().map(TemplatePartJson::of).toList());
    }

    private static String nameOf(@Nullable Account account) {
      return account == null ? "several places" : account.name();
    }

    private static @Nullable UUID idOf(@Nullable Account account) {
      return account == null ? null : account.id();
    }
  }

  /** An entry to be kept by a name; the template of that name is replaced. */
  record TemplateWantedJson(@NotNull @Size(max = Texts.SHORT) String name, @NotNull UUID entryId) {}

  private final TemplateService templates;

  TemplateController(TemplateService templates) {
    this.templates = templates;
  }

  /** All templates, by name. */
  @GetMapping
  List<TemplateJson> templates() {
    return templates.templates();
  }

  /** Keeps an entry as a template, in place of one that is called so. */
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@Valid @RequestBody TemplateWantedJson wanted) {
    templates.keep(wanted.name(), wanted.entryId());
  }

  /** Gives a template up. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable UUID id) {
    templates.forget(id);
  }
}
