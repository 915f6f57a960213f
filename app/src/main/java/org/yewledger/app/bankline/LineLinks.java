package org.yewledger.app.bankline;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.DataClassRowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.attachment.Attachments;
import org.yewledger.app.platform.SignedIn;

/**
 * Which bank lines confirm which postings: a line may confirm several, and a posting may need
 * several lines. At commit the database checks that both sides of all that is linked agree in
 * amount, and that a line is posted exactly while it is linked.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class LineLinks {
  /**
   * A line and a posting.
   *
   * @param amountMinor how much of the one stands for how much of the other, in minor units
   * @param madeEntry whether the entry was made from this line, so that it goes with it
   */
  public record Link(
      UUID bankLineId,
      UUID postingId,
      UUID entryId,
      UUID accountId,
      long amountMinor,
      boolean madeEntry) {}

  private final JdbcClient jdbc;
  private final Attachments attachments;

  LineLinks(JdbcClient jdbc, Attachments attachments) {
    this.jdbc = jdbc;
    this.attachments = attachments;
  }

  /** Links lines; the files that waited with them go to the entries. */
  public void add(List<Link> links) {
    jdbc.sql(
            """
            insert into line_link (household_id, bank_line_id, posting_id, entry_id, account_id, amount_minor, made_entry)
            select ?, * from unnest(?, ?, ?, ?, ?, ?)\
            """)
        .params(
            SignedIn.now().householdId(),
            links.stream().map(Link::bankLineId).toArray(UUID[]::new),
            links.stream().map(Link::postingId).toArray(UUID[]::new),
            links.stream().map(Link::entryId).toArray(UUID[]::new),
            links.stream().map(Link::accountId).toArray(UUID[]::new),
            links.stream().map(Link::amountMinor).toArray(Long[]::new),
            links.stream().map(Link::madeEntry).toArray(Boolean[]::new))
        .update();
    Map<UUID, UUID> entryByLine = new HashMap<>();
    links.forEach(link -> entryByLine.putIfAbsent(link.bankLineId(), link.entryId()));
    attachments.passOn(entryByLine);
  }

  /** The links of lines, in the order of the lines' identities. */
  public List<Link> of(Collection<UUID> lineIds) {
    return links("bank_line_id", lineIds);
  }

  /** All links of entries, also those of other lines. */
  public List<Link> ofEntries(Collection<UUID> entryIds) {
    return links("entry_id", entryIds);
  }

  private List<Link> links(String column, Collection<UUID> ids) {
    return jdbc.sql(
            "select bank_line_id, posting_id, entry_id, account_id, amount_minor, made_entry from line_link"
                + " where household_id = ? and "
                + column
                + " = any(?) order by bank_line_id, posting_id")
        .params(SignedIn.now().householdId(), ids.toArray(UUID[]::new))
        .query(DataClassRowMapper.newInstance(Link.class))
        .list();
  }

  /** Lets the lines that confirm one posting confirm another one, which stays when they go. */
  public void confirmInstead(UUID postingId, UUID otherId, UUID otherEntryId) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql(
            """
            insert into line_link (household_id, bank_line_id, posting_id, entry_id, account_id, amount_minor, made_entry)
            select household_id, bank_line_id, ?, ?, account_id, amount_minor, false
              from line_link where household_id = ? and posting_id = ?\
            """)
        .params(otherId, otherEntryId, household, postingId)
        .update();
    jdbc.sql("delete from line_link where household_id = ? and posting_id = ?")
        .params(household, postingId)
        .update();
  }

  /** Takes the links of lines away. */
  public void remove(Collection<UUID> lineIds) {
    jdbc.sql("delete from line_link where household_id = ? and bank_line_id = any(?)")
        .params(SignedIn.now().householdId(), lineIds.toArray(UUID[]::new))
        .update();
  }
}
