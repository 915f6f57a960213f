package org.yewledger.app.act;

import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.yewledger.app.event.Events;
import org.yewledger.app.platform.ByProgram;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.InTransaction;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;

/**
 * Begins acts. Every change of the books belongs to one: the database refuses changes outside of an
 * act, and writes what each row was before and after.
 */
@Component
public class Acts {
  private final InTransaction<UUID> act = new InTransaction<>();
  private final JdbcClient jdbc;
  private final Clock clock;
  private final Events events;
  private final List<WithAct> with;

  Acts(JdbcClient jdbc, Clock clock, Events events, List<WithAct> with) {
    this.with = List.copyOf(with);
    this.jdbc = jdbc;
    this.clock = clock;
    this.events = events;
  }

  /**
   * Begins an act that lasts until the transaction ends. Within an act that is under way already,
   * this is a part of it and begins nothing.
   *
   * @param words what is done, as a person reads it later: "Posted 3 lines on Harbour Current"
   * @return the act under way
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public UUID begin(ActKind kind, String words) {
    return begin(kind, words, null);
  }

  /** Begins an act that a rule does on the person's behalf, because they trust it. */
  @Transactional(propagation = Propagation.MANDATORY)
  public UUID beginByRule(ActKind kind, String words) {
    return begun(kind, words, null, Doer.RULE);
  }

  /**
   * @param undoes the act that this one takes back
   */
  UUID begin(ActKind kind, String words, @Nullable UUID undoes) {
    UUID known = act.get();
    Doer doer = fromWhere().isEmpty() ? Doer.JOB : Doer.PERSON;
    return known == null ? begun(kind, words, undoes, doer) : known;
  }

  private enum Doer {
    PERSON,
    RULE,
    JOB
  }

  /**
   * The act that the transaction is in.
   *
   * @throws IllegalStateException if none was begun: the database would refuse the change as well
   */
  public UUID underWay() {
    UUID id = act.get();
    if (id == null) {
      throw new IllegalStateException("the books change within an act only");
    }
    return id;
  }

  private UUID begun(ActKind kind, String words, @Nullable UUID undoes, Doer doer) {
    UUID id = Ids.next();
    SignedIn person = SignedIn.now();
    String fromWhere = fromWhere();
    jdbc.sql(
            """
            with begun as (
              insert into act (household_id, id, at, person_id, doer, from_where, kind, words, undoes)
              values (?, ?, ?, ?, ?, ?, ?, ?, ?) returning id)
            select set_config('yew.act', id::text, true) from begun\
            """)
        .param(1, person.householdId())
        .param(2, id)
        .param(3, Timestamp.from(clock.instant()))
        .param(4, person.personId())
        .param(5, doer.name())
        .param(6, fromWhere)
        .param(7, kind.name())
        .param(8, words)
        .param(9, undoes, Types.OTHER)
        .query(String.class)
        .single();
    act.put(id);
    with.forEach(one -> one.begun(id));
    events.changesWithTransaction();
    return id;
  }

  /**
   * The address that a person sits at, with the token of the program that asks for them; empty
   * where no request asked for the work.
   */
  private static String fromWhere() {
    if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request) {
      String address = request.getRequest().getRemoteAddr();
      return ByProgram.underWay()
          .map(name -> "%s, by the token %s".formatted(address, name))
          .orElse(address);
    }
    return "";
  }
}
