package org.yewledger.app.chart;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.TenantId;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;

/** An account as stored. */
@Entity(name = "Account")
@Table(name = "account")
@SuppressWarnings("NullAway.Init")
public class AccountEntity {
  @Id private UUID id;
  @TenantId private UUID householdId;
  private UUID bookId;
  private @Nullable UUID parentId;
  private String name;

  @Enumerated(EnumType.STRING)
  private AccountKind kind;

  @org.hibernate.annotations.JdbcTypeCode(java.sql.Types.CHAR)
  private String currency;

  @Column(name = "is_group")
  private boolean group;

  private String tail;
  private @Nullable LocalDate opensOn;
  private int place;

  protected AccountEntity() {}

  public AccountEntity(Account account, @Nullable UUID parentId, String tail, int place) {
    this.id = account.id();
    this.bookId = account.bookId();
    this.parentId = parentId;
    this.name = account.name();
    this.kind = account.kind();
    this.currency = account.currency().getCode();
    this.group = account.group();
    this.tail = tail;
    this.opensOn = account.opensOn();
    this.place = place;
  }

  public Account toAccount() {
    return new Account(id, bookId, name, kind, CurrencyUnit.of(currency), group, opensOn);
  }

  public @Nullable UUID parentId() {
    return parentId;
  }

  /** The last digits of its number; empty if it has none. */
  public String tail() {
    return tail;
  }
}
