package org.yewledger.app.payee;

import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;
import org.hibernate.annotations.BatchSize;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;

/** Who an entry is with. The name is there once in the household, whatever its case. */
@Entity(name = "Payee")
@Table(name = "payee")
@BatchSize(size = 200)
@SuppressWarnings("NullAway.Init")
public class PayeeEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private String name;
  @Embedded private PayeeDetails details;
  @Version private int version;

  protected PayeeEntity() {}

  public UUID id() {
    return id;
  }

  public String name() {
    return name;
  }

  int version() {
    return version;
  }

  void change(String name, PayeeDetails details) {
    this.name = name;
    this.details = details;
  }
}
