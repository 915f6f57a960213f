package org.yewledger.app.journal;

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
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.ledger.PostingTax;
import org.yewledger.core.money.Amount;

/**
 * A posting as stored: its facts never change, only what the bank confirmed of it: the bank line
 * that it was seen in, and the statement that it is ticked for.
 */
@Entity(name = "Posting")
@Table(name = "posting")
@SuppressWarnings("NullAway.Init")
public class PostingEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private UUID entryId;
  private int place;
  private UUID accountId;
  private UUID bookId;
  private LocalDate date;
  private long amountMinor;
  private long baseMinor;
  private String note;
  private @Nullable UUID taxRateId;

  @Enumerated(EnumType.STRING)
  private PostingTax.@Nullable Role taxRole;

  /** Of tax the category that it is the tax of, by which it is added up. */
  private @Nullable UUID taxedAccountId;

  private @Nullable UUID statementId;
  @Version private int version;

  protected PostingEntity() {}

  /**
   * @param form the entry's, as the core knows it
   */
  PostingEntity(UUID id, EntryEntity entry, int place, Entry form) {
    Posting posting = form.postings().get(place);
    this.id = id;
    this.entryId = entry.id();
    this.place = place;
    this.accountId = posting.account().id();
    this.bookId = posting.account().bookId();
    this.date = entry.date();
    this.amountMinor = posting.amount().minor();
    this.baseMinor = posting.value().minor();
    say(place, form);
  }

  /** The same posting in a revised entry. */
  void stay(int place, Entry form) {
    this.place = place;
    this.date = form.date();
    say(place, form);
  }

  private void say(int place, Entry form) {
    Posting posting = form.postings().get(place);
    PostingTax tax = posting.tax();
    this.note = posting.note();
    this.taxRateId = tax == null ? null : tax.rateId();
    this.taxRole = tax == null ? null : tax.role();
    this.taxedAccountId = form.taxedAt(place).map(Account::id).orElse(null);
  }

  public UUID id() {
    return id;
  }

  public UUID entryId() {
    return entryId;
  }

  public UUID accountId() {
    return accountId;
  }

  /** Where it stands in its entry, counted from 0. */
  int place() {
    return place;
  }

  public LocalDate date() {
    return date;
  }

  /** Debits above zero; the currency is that of its account. */
  public Amount amount(CurrencyUnit currency) {
    return Amount.ofMinor(amountMinor, currency);
  }

  /** The posting as the core knows it, on its account. */
  public Posting toPosting(Account account) {
    return new Posting(
        account,
        amount(account.currency()),
        Amount.ofMinor(baseMinor, account.book().currency()),
        note,
        tax());
  }

  /** Minor units, debits positive. */
  public long amountMinor() {
    return amountMinor;
  }

  /** The value in minor units of the book's base currency, debits positive. */
  public long baseMinor() {
    return baseMinor;
  }

  public String note() {
    return note;
  }

  /** What it is for sales tax, null where that plays no part. */
  public @Nullable PostingTax tax() {
    return taxRateId == null || taxRole == null ? null : new PostingTax(taxRateId, taxRole);
  }

  public @Nullable UUID statementId() {
    return statementId;
  }

  public void tickFor(@Nullable UUID statementId) {
    this.statementId = statementId;
  }
}
