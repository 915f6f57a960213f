package org.yewledger.app.platform;

import java.io.Serializable;
import java.util.UUID;
import org.springframework.security.core.AuthenticatedPrincipal;
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

  static boolean isAnyone() {
    var authentication = SecurityContextHolder.getContext().getAuthentication();
    return authentication != null && authentication.getPrincipal() instanceof SignedIn;
  }
}
