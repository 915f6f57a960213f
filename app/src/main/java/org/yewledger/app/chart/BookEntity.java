package org.yewledger.app.chart;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;
import org.hibernate.annotations.TenantId;

/** A self-balancing set of accounts, as stored. */
@Entity(name = "Book")
@Table(name = "book")
@SuppressWarnings("NullAway.Init")
public class BookEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private String name;

  @org.hibernate.annotations.JdbcTypeCode(java.sql.Types.CHAR)
  private String currency;

  private int place;

  protected BookEntity() {}

  public BookEntity(UUID id, String name, String currency, int place) {
    this.id = id;
    this.name = name;
    this.currency = currency;
    this.place = place;
  }

  public UUID id() {
    return id;
  }

  public String name() {
    return name;
  }

  public String currency() {
    return currency;
  }
}
