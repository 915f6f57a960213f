package org.yewledger.app.bankline;

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

/** What was made of a bank line; its version settles who was first. */
@Entity(name = "BankLineState")
@Table(name = "bank_line_state")
@SuppressWarnings("NullAway.Init")
public class BankLineStateEntity {
  /** Whether the line is in the journal yet. */
  public enum State {
    WAITING,
    POSTED
  }

  @Id private UUID bankLineId;
  @TenantId private UUID householdId;
  private UUID accountId;
  private LocalDate bookedOn;

  @Enumerated(EnumType.STRING)
  private State state;

  private Instant changedAt;
  private UUID changedBy;
  @Version private int version;

  protected BankLineStateEntity() {}

  public BankLineStateEntity(BankLineEntity line, Instant at, UUID by) {
    this.bankLineId = line.id();
    this.accountId = line.accountId();
    this.bookedOn = line.bookedOn();
    this.state = State.WAITING;
    this.changedAt = at;
    this.changedBy = by;
  }

  public void become(State next, Instant at, UUID by) {
    this.state = next;
    this.changedAt = at;
    this.changedBy = by;
  }

  public UUID bankLineId() {
    return bankLineId;
  }

  public boolean isWaiting() {
    return state == State.WAITING;
  }

  public int version() {
    return version;
  }

  public Instant changedAt() {
    return changedAt;
  }

  public UUID changedBy() {
    return changedBy;
  }
}
