package org.yewledger.app.attachment;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.formats.attachment.AttachmentType;

/** What files are made of, and how their pages look. */
@Component
class AttachmentFiles {
  private final JdbcClient jdbc;

  AttachmentFiles(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  record AttachedFile(String name, AttachmentType type, byte[] sha256, byte[] content) {}

  /**
   * @param problem why there are no pictures; empty if there are
   */
  record Drawing(int pages, int drawn, String problem) {}

  /**
   * @throws NotFound if it is not there
   */
  @Transactional(readOnly = true)
  AttachedFile file(UUID id) {
    return jdbc.sql(
            """
            select a.name, a.type, a.sha256, c.content from attachment a
              join attachment_content c on c.household_id = a.household_id and c.sha256 = a.sha256
             where a.household_id = ? and a.id = ?\
            """)
        .params(SignedIn.now().householdId(), id)
        .query((row, no) ->
            new AttachedFile(
                row.getString(1),
                AttachmentType.valueOf(row.getString(2)),
                row.getBytes(3),
                row.getBytes(4)))
        .optional()
        .orElseThrow(() -> new NotFound("attachment"));
  }

  /** Empty if it was not drawn yet. */
  @Transactional(readOnly = true)
  Optional<Drawing> drawing(UUID id) {
    return jdbc.sql(
            """
            select d.pages, d.problem,
                   (select count(*) from attachment_page p
                     where p.household_id = d.household_id and p.sha256 = d.sha256 and p.page > 0)
              from attachment a join attachment_drawing d on d.household_id = a.household_id and d.sha256 = a.sha256
             where a.household_id = ? and a.id = ?\
            """)
        .params(SignedIn.now().householdId(), id)
        .query((row, no) -> new Drawing(row.getInt(1), row.getInt(3), row.getString(2)))
        .optional();
  }

  /** A page from 1 on, or the small picture of the first as page 0; empty if there is none. */
  @Transactional(readOnly = true)
  Optional<byte[]> picture(UUID id, int page) {
    return jdbc.sql(
            """
            select p.picture from attachment a
              join attachment_page p on p.household_id = a.household_id and p.sha256 = a.sha256
             where a.household_id = ? and a.id = ? and p.page = ?\
            """)
        .params(SignedIn.now().householdId(), id, page)
        .query((row, no) -> row.getBytes(1))
        .optional();
  }

  /** Whoever draws the same file at the same time has drawn the same. */
  @Transactional
  void keep(byte[] sha256, int pages, List<byte[]> pictures, String problem) {
    UUID household = SignedIn.now().householdId();
    int isFirst =
        jdbc.sql(
                """
                insert into attachment_drawing (household_id, sha256, pages, problem) values (?, ?, ?, ?)
                on conflict do nothing\
                """)
            .params(household, sha256, pages, problem)
            .update();
    for (int page = 0; isFirst == 1 && page < pictures.size(); page++) {
      jdbc.sql(
              "insert into attachment_page (household_id, sha256, page, picture) values (?, ?, ?, ?)")
          .params(household, sha256, page, pictures.get(page))
          .update();
    }
  }
}
