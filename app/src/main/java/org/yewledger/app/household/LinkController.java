package org.yewledger.app.household;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.household.SignInThrottle.Limit;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.Refusal;

/** For who is not signed in yet: taking up a link, and beginning a new household. */
@RestController
@Tag(name = "session")
class LinkController {
  /** Says nothing of whether who joins is known here: anybody may hold the link. */
  record OpenLinkJson(
      LinkService.Purpose purpose, String name, String email, Role role, String householdName) {}

  record TakeUpJson(@Nullable String name, @NotNull @Size(max = Texts.NAME) String password) {}

  record FoundingJson(
      @NotBlank @Size(max = Texts.NAME) String householdName,
      @NotBlank @Size(max = Texts.NAME) String name,
      @NotBlank @Size(max = Texts.ADDRESS) String email,
      @NotNull @Size(max = Texts.NAME) String password,
      @Nullable @Size(max = Texts.SHORT) String timeZone) {}

  private final LinkService links;
  private final HouseholdFounding founding;
  private final SignInService signIn;
  private final SignInThrottle throttle;

  LinkController(
      LinkService links,
      HouseholdFounding founding,
      SignInService signIn,
      SignInThrottle throttle) {
    this.links = links;
    this.founding = founding;
    this.signIn = signIn;
    this.throttle = throttle;
  }

  /** What a link opens, before it is taken up. */
  @GetMapping("/api/links/{token}")
  OpenLinkJson link(@PathVariable String token) {
    LinkService.Open open = links.look(token);
    return new OpenLinkJson(
        open.purpose(), open.name(), open.email(), open.role(), open.householdName());
  }

  /** Takes a link up: joins a household, or sets a new password. */
  @PostMapping("/api/links/{token}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeUp(@PathVariable String token, @Valid @RequestBody TakeUpJson taken) {
    links.takeUp(token, taken.name() == null ? "" : taken.name(), taken.password());
  }

  /** Begins a household with its first owner, who then signs in. */
  @PostMapping("/api/founding")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void found(@Valid @RequestBody FoundingJson wanted, HttpServletRequest request) {
    throttle.count(Limit.FOUNDING, request.getRemoteAddr());
    String email = wanted.email().strip();
    if (!email.matches("[^@\\s]+@[^@\\s]+")) {
      throw Refusal.ofField(
          "email-unreadable", "email", "%s is no email address.".formatted(email));
    }
    String household = SessionController.requireName(wanted.householdName());
    String name = SessionController.requireName(wanted.name());
    String zone = HouseholdDays.named(wanted.timeZone());
    UUID known = signIn.prove(email, wanted.password()).orElse(null);
    if (known != null) {
      founding.foundAnother(
          household, zone, HouseholdFounding.newOwner(known, name, email, Ids.next()));
      return;
    }
    PasswordService.requireGood(wanted.password());
    founding.found(
        household,
        zone,
        HouseholdFounding.newOwner(Ids.next(), name, email, Ids.next()),
        wanted.password(),
        () -> {});
  }
}
