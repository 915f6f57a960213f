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
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.jspecify.annotations.Nullable;

/** What was made of a bank line; its version settles who was first. */
@Entity(name = "BankLineState")
@Table(name = "bank_line_state")
@SuppressWarnings("NullAway.Init")
public class BankLineStateEntity {
  /** Whether the line is in the journal yet, or why it is not to be. */
  public enum State {
    WAITING,
    POSTED,
    /** Perhaps another line once more; a person decides. */
    DOUBTFUL,
    /** Another line once more, as decided by a person. */
    COPY,
    /** Announced by the bank and not booked yet. */
    PENDING,
    /** Was pending; its booked form has come, or the bank has dropped it. */
    REPLACED,
    /** No business of the books, as a person has said. */
    LEFT_OUT
  }

  @Id private UUID bankLineId;
  @TenantId @PartitionKey private UUID householdId;
  private UUID accountId;
  private LocalDate bookedOn;

  @Enumerated(EnumType.STRING)
  private State state;

  private @Nullable UUID otherLineId;
  private @Nullable String leftOutBecause;
  private Instant changedAt;
  private UUID changedBy;
  @Version private int version;

  protected BankLineStateEntity() {}

  public void become(State next, Instant at, UUID by) {
    become(next, null, at, by);
  }

  /**
   * @param other the line that this one may be, is, or was replaced by; null if there is none
   */
  public void become(State next, @Nullable UUID other, Instant at, UUID by) {
    this.state = next;
    this.otherLineId = other;
    this.leftOutBecause = null;
    this.changedAt = at;
    this.changedBy = by;
  }

  /** The line is no business of the books; {@code because} is the person's reason. */
  public void leaveOut(String because, Instant at, UUID by) {
    become(State.LEFT_OUT, at, by);
    this.leftOutBecause = because;
  }

  /** Why it is left out; null unless it is. */
  public @Nullable String leftOutBecause() {
    return leftOutBecause;
  }

  public UUID bankLineId() {
    return bankLineId;
  }

  public UUID accountId() {
    return accountId;
  }

  public State state() {
    return state;
  }

  public @Nullable UUID otherLineId() {
    return otherLineId;
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
