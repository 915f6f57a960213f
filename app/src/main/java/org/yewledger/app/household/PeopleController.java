package org.yewledger.app.household;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.Texts;

/** The people of the household. */
@RestController
@RequestMapping("/api/people")
@Tag(name = "people")
class PeopleController {
  record PersonJson(UUID id, String name, String email, Role role, boolean secondFactor) {}

  record InvitationJson(UUID id, String name, String email, Role role, Instant expiresAt) {}

  record PeopleJson(List<PersonJson> people, List<InvitationJson> invitations) {}

  record InviteJson(
      @NotBlank @Size(max = Texts.NAME) String name,
      @NotBlank @Size(max = Texts.ADDRESS) String email,
      @NotNull Role role) {}

  /** A link, told once: {@code path} on this application's own address. */
  record LinkJson(UUID id, String path, Instant expiresAt) {
    static LinkJson of(PeopleService.NewLink link) {
      return new LinkJson(link.id(), "/join/" + link.token(), link.expiresAt());
    }
  }

  record RoleJson(@NotNull Role role) {}

  private final PeopleService people;

  PeopleController(PeopleService people) {
    this.people = people;
  }

  /** Who belongs to the household, and the invitations that are open. */
  @GetMapping
  PeopleJson people() {
    return new PeopleJson(
        people.people().stream()
            .map(m -> new PersonJson(m.id(), m.name(), m.email(), m.role(), m.secondFactor()))
            .toList(),
        people.invitations().stream()
            .map(i -> new InvitationJson(i.id(), i.name(), i.email(), i.role(), i.expiresAt()))
            .toList());
  }

  /** Invites somebody; the link is for the owner to hand on. */
  @PostMapping("/invitations")
  @ResponseStatus(HttpStatus.CREATED)
  LinkJson invite(@Valid @RequestBody InviteJson invitation) {
    return LinkJson.of(people.invite(invitation.name(), invitation.email(), invitation.role()));
  }

  /** Takes an invitation back. */
  @DeleteMapping("/invitations/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdraw(@PathVariable UUID id) {
    people.withdraw(id);
  }

  /** Gives a person another role. */
  @PutMapping("/{id}/role")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void giveRole(@PathVariable UUID id, @Valid @RequestBody RoleJson role) {
    people.giveRole(id, role.role());
  }

  /** Takes a person out of the household; what they did stays under their name. */
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removePerson(@PathVariable UUID id) {
    people.remove(id);
  }

  /** A link by which the person sets a new password. */
  @PostMapping("/{id}/new-password-link")
  @ResponseStatus(HttpStatus.CREATED)
  LinkJson newPasswordLink(@PathVariable UUID id) {
    return LinkJson.of(people.newPasswordLink(id));
  }

  /** Ends all sessions of a person. */
  @PostMapping("/{id}/sign-out")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOutPerson(@PathVariable UUID id) {
    people.signOutEverywhere(id);
  }
}
