package org.yewledger.app.bankline;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;

/** That a bank line confirms a posting, for queries; {@link LineLinks} writes them. */
@Entity(name = "LineLink")
@Table(name = "line_link")
@IdClass(LineLinkEntity.Key.class)
@Immutable
@SuppressWarnings("NullAway.Init")
public class LineLinkEntity {
  /** A line and a posting. */
  public record Key(UUID bankLineId, UUID postingId) implements Serializable {}

  @Id private UUID bankLineId;
  @Id private UUID postingId;
  @TenantId @PartitionKey private UUID householdId;
  private UUID entryId;
  private UUID accountId;
  private long amountMinor;
  private boolean madeEntry;

  protected LineLinkEntity() {}

  public UUID bankLineId() {
    return bankLineId;
  }

  public UUID postingId() {
    return postingId;
  }

  public UUID entryId() {
    return entryId;
  }
}
