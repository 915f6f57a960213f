package org.yewledger.app.chart;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.LocalDate;
import java.time.Month;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.report.ReturnPeriod;

/** A self-balancing set of accounts, as stored. */
@Entity(name = "Book")
@Table(name = "book")
@SuppressWarnings("NullAway.Init")
public class BookEntity {
  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private String name;

  @JdbcTypeCode(java.sql.Types.CHAR)
  private String currency;

  private int place;

  @JdbcTypeCode(java.sql.Types.SMALLINT)
  private int fiscalYearStartsIn;

  private String taxNumber;
  private @Nullable LocalDate taxedFrom;
  private @Nullable UUID usualTaxRateId;

  @Enumerated(EnumType.STRING)
  private ReturnPeriod taxPeriod;

  @Version private int version;

  protected BookEntity() {}

  public BookEntity(Book book, Month fiscalYearStartsIn, int place) {
    this.id = book.id();
    this.name = book.name();
    this.currency = book.currency().getCode();
    this.fiscalYearStartsIn = fiscalYearStartsIn.getValue();
    this.taxNumber = "";
    this.taxPeriod = ReturnPeriod.QUARTER;
    this.place = place;
  }

  void become(
      String name,
      Month fiscalYearStartsIn,
      String taxNumber,
      @Nullable LocalDate taxedFrom,
      @Nullable UUID usualTaxRateId,
      ReturnPeriod taxPeriod) {
    this.name = name;
    this.fiscalYearStartsIn = fiscalYearStartsIn.getValue();
    this.taxNumber = taxNumber;
    this.taxedFrom = taxedFrom;
    this.usualTaxRateId = usualTaxRateId;
    this.taxPeriod = taxPeriod;
  }

  public Book toBook() {
    return new Book(id, name, CurrencyUnit.of(currency));
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

  public Month fiscalYearStartsIn() {
    return Month.of(fiscalYearStartsIn);
  }

  /** The number under which the book is registered for sales tax; empty if it is not. */
  public String taxNumber() {
    return taxNumber;
  }

  public @Nullable LocalDate taxedFrom() {
    return taxedFrom;
  }

  /** The rate of categories that have none of their own; null if they have none. */
  public @Nullable UUID usualTaxRateId() {
    return usualTaxRateId;
  }

  /** How often its sales tax is returned. */
  public ReturnPeriod taxPeriod() {
    return taxPeriod;
  }

  public int version() {
    return version;
  }
}
