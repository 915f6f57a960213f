package org.yewledger.app.connection;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.UUID;
import org.hibernate.annotations.PartitionKey;
import org.hibernate.annotations.TenantId;
import org.yewledger.core.gather.FeedSchedule;

/** A consented link to an institution. */
@Entity(name = "Connection")
@Table(name = "bank_connection")
@SuppressWarnings("NullAway.Init")
class ConnectionEntity {
  /** Where the link stands. */
  enum Status {
    /** The person is at the bank's page. */
    ASKED,
    ACTIVE,
    /** The consent has ended or was revoked; it can be given again. */
    NEEDS_CONSENT,
    ENDED
  }

  @Id private UUID id;
  @TenantId @PartitionKey private UUID householdId;
  private String institutionId;
  private String institutionName;
  private String town;
  private String bic;
  private int historyDays;
  private String consent;

  @Enumerated(EnumType.STRING)
  private Status status;

  private LocalDate consentUntil;
  private String returnHash;
  private LocalTime refreshAt;
  private String zone;
  private Instant madeAt;
  private UUID madeBy;
  @Version private int version;

  protected ConnectionEntity() {}

  ConnectionEntity(
      UUID id,
      BankWire.Institution institution,
      FeedSchedule schedule,
      Instant madeAt,
      UUID madeBy) {
    this.id = id;
    this.institutionId = institution.id();
    this.institutionName = institution.name();
    this.town = institution.town();
    this.bic = institution.bic();
    this.historyDays = institution.historyDays();
    this.madeAt = madeAt;
    this.madeBy = madeBy;
    refresh(schedule);
  }

  /** A new consent was asked for. {@code encrypted} is its identity, which is a secret. */
  void ask(String encrypted, LocalDate until, String hashOfReturnToken) {
    this.consent = encrypted;
    this.consentUntil = until;
    this.returnHash = hashOfReturnToken;
    this.status = Status.ASKED;
  }

  void become(Status next) {
    this.status = next;
  }

  void validUntil(LocalDate until) {
    this.consentUntil = until;
  }

  void refresh(FeedSchedule schedule) {
    this.refreshAt = schedule.at();
    this.zone = schedule.zone().getId();
  }

  FeedSchedule schedule() {
    return new FeedSchedule(refreshAt, ZoneId.of(zone));
  }

  UUID id() {
    return id;
  }

  String institutionId() {
    return institutionId;
  }

  String institutionName() {
    return institutionName;
  }

  String town() {
    return town;
  }

  String bic() {
    return bic;
  }

  int historyDays() {
    return historyDays;
  }

  /** The same identity, encrypted anew. */
  void keepConsent(String encrypted) {
    this.consent = encrypted;
  }

  String consent() {
    return consent;
  }

  Status status() {
    return status;
  }

  LocalDate consentUntil() {
    return consentUntil;
  }

  String returnHash() {
    return returnHash;
  }

  UUID madeBy() {
    return madeBy;
  }
}
