package org.yewledger.app.household;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.app.platform.SignedIn;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
@Tag(name = "session")
class SessionController {
  record CredentialsJson(@NotBlank String email, @NotBlank String password) {}

  record SessionJson(String name, String email) {
    static SessionJson of(SignedIn person) {
      return new SessionJson(person.name(), person.email());
    }
  }

  private final SignInService signIn;
  private final SecurityContextRepository contexts;

  SessionController(SignInService signIn, SecurityContextRepository contexts) {
    this.signIn = signIn;
    this.contexts = contexts;
  }

  /** Who is signed in; 401 if nobody is. */
  @GetMapping
  ResponseEntity<SessionJson> session(Authentication authentication) {
    if (authentication != null && authentication.getPrincipal() instanceof SignedIn person) {
      return ResponseEntity.ok(SessionJson.of(person));
    }
    return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
  }

  @PostMapping
  SessionJson signIn(
      @Valid @RequestBody CredentialsJson credentials,
      HttpServletRequest request,
      HttpServletResponse response) {
    SignedIn person =
        signIn.signIn(credentials.email(), credentials.password(), request.getRemoteAddr());
    // A session from before signing in must not become a signed-in one.
    if (request.getSession(false) != null) {
      request.changeSessionId();
    }
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(
            person, null, List.of(new SimpleGrantedAuthority("ROLE_" + person.role()))));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    return SessionJson.of(person);
  }

  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    if (request.getSession(false) != null) {
      request.getSession().invalidate();
    }
  }
}
