package org.yewledger.app.journal;

import jakarta.persistence.ConstraintMode;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.ForeignKey;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.payee.PayeeEntity;
import org.yewledger.core.ledger.Countering;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.post.Because;
import org.yewledger.core.post.Reason;
import org.yewledger.core.report.Movement;

/** A journal entry as stored; its postings stand beside it. */
@Entity(name = "Entry")
@Table(name = "entry")
@SuppressWarnings("NullAway.Init")
public class EntryEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private long no;
  private LocalDate date;

  @ManyToOne(fetch = FetchType.LAZY)
  // The database has the constraint; what would be generated here has too few columns.
  @JoinColumn(name = "payee_id", foreignKey = @ForeignKey(ConstraintMode.NO_CONSTRAINT))
  private PayeeEntity payee;

  private String note;

  @Enumerated(EnumType.STRING)
  private Entry.Origin origin;

  private String reference;

  @Enumerated(EnumType.STRING)
  private @Nullable Method method;

  @Enumerated(EnumType.STRING)
  private @Nullable Reason reason;

  private @Nullable UUID ruleId;
  private @Nullable UUID countersId;

  @Enumerated(EnumType.STRING)
  private @Nullable Countering counters;

  private @Nullable Long movedMinor;
  private @Nullable String movedCurrency;
  private @Nullable Boolean transfer;

  private Instant madeAt;
  private UUID madeBy;
  @Version private int version;

  protected EntryEntity() {}

  EntryEntity(UUID id, long no, Entry entry, PayeeEntity payee, Instant madeAt, UUID madeBy) {
    this.id = id;
    this.no = no;
    this.date = entry.date();
    this.payee = payee;
    this.note = entry.note();
    this.reference = entry.marks().reference();
    this.method = entry.marks().method();
    this.origin = entry.origin();
    this.madeAt = madeAt;
    this.madeBy = madeBy;
    moved(Movement.of(entry.postings()));
  }

  /** What an entry says may change; its number and who made it when stay. */
  void become(Entry entry, PayeeEntity payee) {
    this.date = entry.date();
    this.payee = payee;
    this.note = entry.note();
    this.reference = entry.marks().reference();
    this.method = entry.marks().method();
    moved(Movement.of(entry.postings()));
  }

  /** Keeps what the entry moves, by which it is sought and sorted. */
  void moved(Movement movement) {
    this.movedMinor = movement.amount().minor();
    this.movedCurrency = movement.amount().currency().getCode();
    this.transfer = movement.transfer();
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
    return payee.name();
  }

  public UUID payeeId() {
    return payee.id();
  }

  public String reference() {
    return reference;
  }

  public @Nullable Method method() {
    return method;
  }

  /** Why it was booked as it was; null where no bank line led to it, or nobody knows any more. */
  public @Nullable Reason reason() {
    return reason;
  }

  /** The rule that booked it; it need not be there any more. */
  public @Nullable UUID ruleId() {
    return ruleId;
  }

  void bookedBecause(Because because) {
    this.reason = because.reason();
    this.ruleId = because.ruleId();
  }

  /** The entry that this one takes back, null for most. */
  public @Nullable UUID countersId() {
    return countersId;
  }

  public @Nullable Countering counters() {
    return counters;
  }

  void counter(UUID entryId, Countering how) {
    this.countersId = entryId;
    this.counters = how;
  }

  public String note() {
    return note;
  }
}
