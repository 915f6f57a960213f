package org.yewledger.app.platform;

import java.io.Serializable;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.AuthenticatedPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;

/**
 * Who is signed in, and in which household they work. Lives in the session; everything that a
 * request may see follows from {@link #householdId()}.
 */
public record SignedIn(UUID personId, String name, String email, UUID householdId, Role role)
    implements AuthenticatedPrincipal, Serializable {

  /** By which sessions are found again; email and name may change. */
  @Override
  public String getName() {
    return personId.toString();
  }

  public boolean canKeepBooks() {
    return role != Role.READER;
  }

  public boolean isOwner() {
    return role == Role.OWNER;
  }

  /** The person of the current request or job; an error if there is none. */
  public static SignedIn now() {
    var authentication = SecurityContextHolder.getContext().getAuthentication();
    if (authentication != null && authentication.getPrincipal() instanceof SignedIn person) {
      return person;
    }
    throw new IllegalStateException("nobody is signed in");
  }

  /** Does some work as a person, such as a job that they have asked for. */
  public static <T> T as(SignedIn person, Supplier<T> work) {
    SecurityContext before = SecurityContextHolder.getContext();
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(person, null, List.of()));
    SecurityContextHolder.setContext(context);
    try {
      return work.get();
    } finally {
      SecurityContextHolder.setContext(before);
    }
  }

  static boolean isAnyone() {
    var authentication = SecurityContextHolder.getContext().getAuthentication();
    return authentication != null && authentication.getPrincipal() instanceof SignedIn;
  }
}
