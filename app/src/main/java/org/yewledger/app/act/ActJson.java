package org.yewledger.app.act;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.act.ActKind;
import tools.jackson.databind.JsonNode;

/** What the API says about acts. */
final class ActJson {
  private ActJson() {}

  /** Who has done it: a person, or a rule or a job in their name. */
  enum Doer {
    PERSON,
    RULE,
    JOB
  }

  /**
   * @param fromWhere the address that the person sat at; empty for a job
   * @param undoes the act that it takes back; null for an ordinary act
   * @param stands whether what it did is in the books, as far as undoing decides it
   * @param undoable whether it changed anything that can be put back
   */
  record OneActJson(
      UUID id,
      Instant at,
      UUID personId,
      String who,
      Doer doer,
      String fromWhere,
      ActKind kind,
      String words,
      @Nullable UUID undoes,
      boolean stands,
      boolean undoable) {}

  /** A page of acts, newest first; {@code next} leads on to older ones, null at the end. */
  record ActPageJson(List<OneActJson> acts, @Nullable UUID next) {}

  /** What undo and redo would take back for the person; null where there is nothing. */
  record NextActsJson(@Nullable OneActJson undo, @Nullable OneActJson redo) {}

  /**
   * A row that an act changed.
   *
   * @param op INSERT, UPDATE, DELETE; ARRIVE for the lines of a batch; TOLD before there were acts
   * @param before the whole row as it was; null for a new one
   * @param after the whole row as it became; null for one that went
   */
  record ChangeJson(
      String table, String op, String key, @Nullable JsonNode before, @Nullable JsonNode after) {}
}
