package org.yewledger.app.attachment;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.formats.Sha256;
import org.yewledger.formats.attachment.AttachmentType;

/** Takes files in, puts them to entries, and removes them; undo brings them back. */
@Service
class AttachmentService {
  private final JdbcClient jdbc;
  private final Clock clock;
  private final Attachments attachments;
  private final Acts acts;

  AttachmentService(JdbcClient jdbc, Clock clock, Attachments attachments, Acts acts) {
    this.jdbc = jdbc;
    this.clock = clock;
    this.attachments = attachments;
    this.acts = acts;
  }

  /**
   * Where a file goes.
   *
   * @param entryId null if it waits for its entry
   * @param lineId a bank line that waits to be posted, and takes it along; null without one
   * @param statementId the statement that it is; null if it is none
   */
  record Place(@Nullable UUID entryId, @Nullable UUID lineId, @Nullable UUID statementId) {
    boolean isNowhere() {
      return entryId == null && lineId == null && statementId == null;
    }
  }

  @Transactional(readOnly = true)
  List<AttachmentJson> at(Place place) {
    if (place.entryId() != null) {
      return attachments.ofEntry(place.entryId());
    }
    if (place.statementId() != null) {
      return attachments.ofStatement(place.statementId());
    }
    return place.lineId() == null ? attachments.waiting() : attachments.ofLine(place.lineId());
  }

  /**
   * Keeps a file.
   *
   * @throws Refusal as {@link AttachmentType#of(String, byte[])} does, or {@code attachment-known}
   *     if the same file is kept already
   * @throws NotFound if its place is gone
   */
  @Transactional
  @ForBookkeepers
  public AttachmentJson attach(String name, byte[] content, Place place) {
    AttachmentType type = AttachmentType.of(name, content);
    byte[] sha256 = Sha256.of(content);
    attachments
        .withContent(sha256)
        .ifPresent(known -> {
          throw known(name, known);
        });
    acts.begin(ActKind.ATTACHMENTS, "Attached " + name);
    UUID household = SignedIn.now().householdId();
    jdbc.sql(
            "insert into attachment_content (household_id, sha256, content) values (?, ?, ?) on conflict do nothing")
        .params(household, sha256, content)
        .update();
    UUID id = Ids.next();
    atItsPlace(() ->
        jdbc.sql(
                """
                insert into attachment (household_id, id, name, type, bytes, sha256, arrived_at, entry_id, bank_line_id, statement_id)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
                """)
            .params(
                household,
                id,
                name,
                type.name(),
                content.length,
                sha256,
                Timestamp.from(clock.instant()))
            .param(place.entryId())
            .param(place.lineId())
            .param(place.statementId())
            .update());
    return found(id);
  }

  /**
   * Puts a file to an entry, or takes it from there so that it waits.
   *
   * @param version as the person saw it
   * @throws NotFound if the file or its new place is gone
   * @throws Conflict if it was put elsewhere since
   */
  @Transactional
  @ForBookkeepers
  public AttachmentJson put(UUID id, int version, Place place) {
    AttachmentJson file = held(id, version);
    acts.begin(
        ActKind.ATTACHMENTS,
        (place.isNowhere() ? "Took %s off its place" : "Attached %s").formatted(file.name()));
    atItsPlace(() ->
        jdbc.sql(
                """
                update attachment set entry_id = ?, bank_line_id = ?, statement_id = ?, version = version + 1
                 where household_id = ? and id = ?\
                """)
            .param(place.entryId())
            .param(place.lineId())
            .param(place.statementId())
            .params(SignedIn.now().householdId(), id)
            .update());
    return found(id);
  }

  /**
   * Removes a file; its content stays for undo and history.
   *
   * @param version as the person saw it
   * @throws NotFound if it is not there
   * @throws Conflict if it was put elsewhere since
   */
  @Transactional
  @ForBookkeepers
  public void remove(UUID id, int version) {
    AttachmentJson file = held(id, version);
    acts.begin(ActKind.ATTACHMENTS, "Removed " + file.name());
    jdbc.sql("delete from attachment where household_id = ? and id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
  }

  private AttachmentJson held(UUID id, int version) {
    jdbc.sql("select 1 from attachment where household_id = ? and id = ? for update")
        .params(SignedIn.now().householdId(), id)
        .query(Integer.class)
        .optional();
    AttachmentJson file = found(id);
    if (file.version() != version) {
      throw Conflict.changedMeanwhile("attachment");
    }
    return file;
  }

  private AttachmentJson found(UUID id) {
    return attachments.find(id).orElseThrow(() -> new NotFound("attachment"));
  }

  /** The database knows the entries and lines of the household, and that one is not there. */
  private static void atItsPlace(Runnable write) {
    try {
      write.run();
    } catch (DataIntegrityViolationException e) {
      String why = String.valueOf(e.getMessage());
      if (why.contains("attachment_household_id_entry_id_fkey")) {
        throw new NotFound("entry");
      }
      if (why.contains("attachment_household_id_bank_line_id_fkey")) {
        throw new NotFound("bank line");
      }
      if (why.contains("attachment_household_id_statement_id_fkey")) {
        throw new NotFound("statement");
      }
      throw e;
    }
  }

  private static Refusal known(String name, AttachmentJson known) {
    return Refusal.ofField(
        "attachment-known",
        "file",
        "%s is here already%s%s."
            .formatted(
                name, name.equals(known.name()) ? "" : " as " + known.name(), whereIs(known)));
  }

  private static String whereIs(AttachmentJson known) {
    if (known.statementId() != null) {
      return ", with a statement: it can be taken off there";
    }
    return known.entryId() == null
        ? ", waiting for its entry"
        : ", with an entry: it can be put to another one from there";
  }
}
