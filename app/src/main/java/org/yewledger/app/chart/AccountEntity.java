package org.yewledger.app.chart;

import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;

/** An account as stored. */
@Entity(name = "Account")
@Table(name = "account")
@SuppressWarnings("NullAway.Init")
public class AccountEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private UUID bookId;
  private @Nullable UUID parentId;
  private String name;

  @Enumerated(EnumType.STRING)
  private AccountKind kind;

  @org.hibernate.annotations.JdbcTypeCode(java.sql.Types.CHAR)
  private String currency;

  @Column(name = "is_group")
  private boolean group;

  private @Nullable LocalDate opensOn;
  private @Nullable LocalDate closedOn;
  private int place;
  @Embedded private AccountFacts facts;
  @Version private int version;

  protected AccountEntity() {}

  public AccountEntity(Account account, @Nullable UUID parentId, AccountFacts facts, int place) {
    this.id = account.id();
    this.bookId = account.bookId();
    this.parentId = parentId;
    this.group = account.group();
    this.facts = facts;
    this.place = place;
    become(account);
  }

  /** Takes over what of an account can change; its book and whether it is a group cannot. */
  final void become(Account account) {
    this.name = account.name();
    this.kind = account.kind();
    this.currency = account.currency().getCode();
    this.opensOn = account.opensOn();
    this.closedOn = account.closedOn();
  }

  void become(AccountFacts facts) {
    this.facts = facts;
  }

  void moveTo(@Nullable UUID parentId, int place) {
    this.parentId = parentId;
    this.place = place;
  }

  public Account toAccount(Book book) {
    return new Account(id, book, name, kind, CurrencyUnit.of(currency), group, opensOn, closedOn);
  }

  public UUID id() {
    return id;
  }

  public UUID bookId() {
    return bookId;
  }

  public @Nullable UUID parentId() {
    return parentId;
  }

  public int place() {
    return place;
  }

  public AccountFacts facts() {
    return facts;
  }

  public int version() {
    return version;
  }
}
