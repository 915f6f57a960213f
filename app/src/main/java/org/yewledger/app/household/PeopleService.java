package org.yewledger.app.household;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.DataClassRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.ForOwners;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;

/** The people of the household, their roles, and the links that let them in. */
@Service
class PeopleService {
  static final Duration INVITATION_LASTS = Duration.ofDays(7);
  static final Duration NEW_PASSWORD_LASTS = Duration.ofHours(24);

  record Member(UUID id, String name, String email, Role role, boolean secondFactor) {}

  record Invitation(UUID id, String name, String email, Role role, Instant expiresAt) {}

  /** A link as shown once: its token is not kept. */
  record NewLink(UUID id, String token, Instant expiresAt) {}

  private record InvitationRow(
      UUID id, String name, String email, Role role, Timestamp expiresAt) {}

  private final JdbcClient jdbc;
  private final Secrets secrets;
  private final Sessions sessions;
  private final Acts acts;
  private final Clock clock;

  PeopleService(JdbcClient jdbc, Secrets secrets, Sessions sessions, Acts acts, Clock clock) {
    this.jdbc = jdbc;
    this.secrets = secrets;
    this.sessions = sessions;
    this.acts = acts;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  List<Member> people() {
    return jdbc.sql(
            """
            select p.id, p.name, p.email, m.role, p.totp_secret is not null as second_factor
              from membership m join person p on p.id = m.person_id where m.household_id = ?
             order by m.role = 'READER', m.role = 'BOOKKEEPER', p.name\
            """)
        .param(SignedIn.now().householdId())
        .query(DataClassRowMapper.newInstance(Member.class))
        .list();
  }

  /** Invitations that can still be taken up. */
  @Transactional(readOnly = true)
  List<Invitation> invitations() {
    return jdbc
        .sql(
            """
            select id, name, email, role, expires_at from link
             where household_id = ? and purpose = 'INVITATION' and used_at is null and expires_at > ? order by made_at\
            """)
        .param(SignedIn.now().householdId())
        .param(Timestamp.from(clock.instant()))
        .query(DataClassRowMapper.newInstance(InvitationRow.class))
        .list()
        .stream()
        .map(r -> new Invitation(r.id(), r.name(), r.email(), r.role(), r.expiresAt().toInstant()))
        .toList();
  }

  /** Makes a link by which somebody joins the household. */
  @Transactional
  @ForOwners
  NewLink invite(String name, String email, Role role) {
    String wanted = email.strip();
    if (!wanted.matches("[^@\\s]+@[^@\\s]+")) {
      throw Refusal.ofField(
          "email-unreadable", "email", "%s is no email address.".formatted(wanted));
    }
    if (people().stream().anyMatch(m -> m.email().equalsIgnoreCase(wanted))) {
      throw Refusal.ofField(
          "already-here", "email", "%s belongs to this household already.".formatted(wanted));
    }
    jdbc.sql(
            "delete from link where household_id = ? and purpose = 'INVITATION' and lower(email) = ? and used_at is null")
        .param(SignedIn.now().householdId())
        .param(wanted.toLowerCase(Locale.ROOT))
        .update();
    return link("INVITATION", null, name.strip(), wanted, role, INVITATION_LASTS);
  }

  @Transactional
  @ForOwners
  void withdraw(UUID invitationId) {
    acts.begin(ActKind.PEOPLE, "Withdrew an invitation");
    int gone =
        jdbc.sql(
                "delete from link where household_id = ? and id = ? and purpose = 'INVITATION' and used_at is null")
            .params(SignedIn.now().householdId(), invitationId)
            .update();
    if (gone == 0) {
      throw new NotFound("invitation");
    }
  }

  /**
   * Makes a link by which a person sets a new password.
   *
   * @throws Refusal {@code belongs-elsewhere}: who owns one household must not get into another
   */
  @Transactional
  @ForOwners
  NewLink newPasswordLink(UUID personId) {
    Member member = member(personId);
    long households =
        jdbc.sql("select count(*) from households_of(?)")
            .param(personId)
            .query(Long.class)
            .single();
    if (households > 1) {
      throw Refusal.of(
          "belongs-elsewhere",
          "%s belongs to another household too, so only they can change their password."
              .formatted(member.name()));
    }
    return link(
        "NEW_PASSWORD", personId, member.name(), member.email(), member.role(), NEW_PASSWORD_LASTS);
  }

  /** Gives a person another role; they sign in again with it. */
  @Transactional
  @ForOwners
  void giveRole(UUID personId, Role role) {
    holdOwners();
    Member member = member(personId);
    if (member.role() == Role.OWNER && role != Role.OWNER) {
      requireAnotherOwner(member);
    }
    acts.begin(
        ActKind.PEOPLE,
        "Made %s %s".formatted(member.name(), role.name().toLowerCase(Locale.ROOT)));
    jdbc.sql("update membership set role = ? where household_id = ? and person_id = ?")
        .params(role.name(), SignedIn.now().householdId(), personId)
        .update();
    sessions.endAllOf(personId);
  }

  /** Takes a person out of the household. What they did stays under their name. */
  @Transactional
  @ForOwners
  void remove(UUID personId) {
    holdOwners();
    Member member = member(personId);
    if (member.role() == Role.OWNER) {
      requireAnotherOwner(member);
    }
    acts.begin(ActKind.PEOPLE, "Removed %s, %s".formatted(member.name(), member.email()));
    sessions.endAllOf(personId);
    jdbc.sql("delete from membership where household_id = ? and person_id = ?")
        .params(SignedIn.now().householdId(), personId)
        .update();
  }

  /** Ends all sessions of a person of the household. */
  @Transactional
  @ForOwners
  void signOutEverywhere(UUID personId) {
    acts.begin(ActKind.PEOPLE, "Signed out %s everywhere".formatted(member(personId).name()));
    sessions.endAllOf(personId);
  }

  /**
   * Of two owners who demote each other at one moment, the second waits here, and then is the last.
   */
  private void holdOwners() {
    jdbc.sql(
            "select person_id from membership where household_id = ? and role = 'OWNER' order by person_id for update")
        .param(SignedIn.now().householdId())
        .query(row -> {});
  }

  private Member member(UUID personId) {
    return people().stream()
        .filter(m -> m.id().equals(personId))
        .findFirst()
        .orElseThrow(() -> new NotFound("person"));
  }

  private void requireAnotherOwner(Member member) {
    boolean another =
        people().stream().anyMatch(m -> m.role() == Role.OWNER && !m.id().equals(member.id()));
    if (!another) {
      throw Refusal.of(
          "last-owner",
          "%s is the only owner. Make somebody else an owner first.".formatted(member.name()));
    }
  }

  private NewLink link(
      String purpose,
      @Nullable UUID personId,
      String name,
      String email,
      Role role,
      Duration lasts) {
    acts.begin(
        ActKind.PEOPLE,
        purpose.equals("INVITATION")
            ? "Invited " + email
            : "Made a new-password link for " + email);
    UUID id = Ids.next();
    String token = secrets.newToken();
    Instant now = clock.instant();
    SignedIn me = SignedIn.now();
    jdbc.sql(
            """
            insert into link (household_id, id, token_hash, purpose, person_id, name, email, role, made_by, made_at, expires_at)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .param(1, me.householdId())
        .param(2, id)
        .param(3, Secrets.hashOf(token))
        .param(4, purpose)
        .param(5, personId, java.sql.Types.OTHER)
        .param(6, name)
        .param(7, email)
        .param(8, role.name())
        .param(9, me.personId())
        .param(10, Timestamp.from(now))
        .param(11, Timestamp.from(now.plus(lasts)))
        .update();
    return new NewLink(id, token, now.plus(lasts));
  }
}
