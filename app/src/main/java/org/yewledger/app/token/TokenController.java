package org.yewledger.app.token;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
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
import org.yewledger.app.platform.Texts;

/** Tokens by which programs ask. They are a person's own matter, as their password is. */
@RestController
@RequestMapping("/api/session/tokens")
@Tag(name = "session")
class TokenController {
  /**
   * @param person who made it
   * @param lastUsedAt null if it was never used
   */
  record TokenJson(
      UUID id,
      String name,
      Token.Scope scope,
      String person,
      LocalDate lastDay,
      @Nullable Instant lastUsedAt) {
    static TokenJson of(Token token) {
      return new TokenJson(
          token.id(),
          token.name(),
          token.scope(),
          token.person(),
          token.lastDay(),
          token.lastUsedAt());
    }
  }

  record NewTokenJson(
      @NotNull @Size(max = Texts.NAME) String name,
      @NotNull Token.Scope scope,
      @NotNull LocalDate lastDay) {}

  /**
   * @param token as a program sends it: {@code Authorization: Bearer TOKEN}. It is told once
   */
  record MadeTokenJson(UUID id, String token) {}

  private final TokenService tokens;

  TokenController(TokenService tokens) {
    this.tokens = tokens;
  }

  /** The tokens that work: one's own, and for an owner those of the household. */
  @GetMapping
  List<TokenJson> all() {
    return tokens.all().stream().map(TokenJson::of).toList();
  }

  /** Makes a token; it is told once. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  MadeTokenJson make(@Valid @RequestBody NewTokenJson wanted) {
    TokenService.NewToken made = tokens.make(wanted.name(), wanted.scope(), wanted.lastDay());
    return new MadeTokenJson(made.id(), made.token());
  }

  /** Takes a token back: it opens nothing any more. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void revoke(@PathVariable UUID id) {
    tokens.revoke(id);
  }
}
