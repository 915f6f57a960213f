package org.yewledger.app.journal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.yewledger.core.ledger.Entry;

/** A journal entry as stored; its postings stand beside it. */
@Entity(name = "Entry")
@Table(name = "entry")
@SuppressWarnings("NullAway.Init")
public class EntryEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private long no;
  private LocalDate date;
  private String payee;
  private String note;

  @Enumerated(EnumType.STRING)
  private Entry.Origin origin;

  private Instant madeAt;
  private UUID madeBy;
  @Version private int version;

  protected EntryEntity() {}

  EntryEntity(UUID id, long no, Entry entry, Instant madeAt, UUID madeBy) {
    this.id = id;
    this.no = no;
    this.date = entry.date();
    this.payee = entry.payee();
    this.note = entry.note();
    this.origin = entry.origin();
    this.madeAt = madeAt;
    this.madeBy = madeBy;
  }

  /** What an entry says may change; its number and who made it when stay. */
  void become(Entry entry) {
    this.date = entry.date();
    this.payee = entry.payee();
    this.note = entry.note();
  }

  /** Its line is gone, and it stays: from now on it stands by the person's will. */
  public void stayByHand() {
    this.origin = Entry.Origin.BY_HAND;
  }

  public Entry.Origin origin() {
    return origin;
  }

  public int version() {
    return version;
  }

  public UUID id() {
    return id;
  }

  /** The number by which people call it; unique in the household, without meaning for the order. */
  public long no() {
    return no;
  }

  public LocalDate date() {
    return date;
  }

  public String payee() {
    return payee;
  }

  public String note() {
    return note;
  }
}
