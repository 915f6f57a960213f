package org.yewledger.app.connection;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.platform.Zones;
import org.yewledger.core.gather.FeedSchedule;
import org.yewledger.core.ledger.AccountKind;

/** What the API says about connections. */
final class ConnectionJson {
  private ConnectionJson() {}

  record InstitutionJson(
      String id,
      String name,
      String town,
      String serves,
      String bic,
      String web,
      int historyDays,
      int consentDays) {
    static InstitutionJson of(BankWire.Institution i) {
      return new InstitutionJson(
          i.id(),
          i.name(),
          i.town(),
          i.serves(),
          i.bic(),
          i.web(),
          i.historyDays(),
          i.consentDays());
    }
  }

  /**
   * When a connection is refreshed each day.
   *
   * @param zone an IANA time zone, such as Europe/Amsterdam
   */
  record ScheduleJson(@NotNull LocalTime at, @NotNull @Size(max = Texts.SHORT) String zone) {
    FeedSchedule toSchedule() {
      return new FeedSchedule(at, Zones.named(zone, "zone"));
    }

    static ScheduleJson of(FeedSchedule schedule) {
      return new ScheduleJson(schedule.at(), schedule.zone().getId());
    }
  }

  record ConnectJson(
      @NotNull @Size(max = Texts.NAME) String institutionId,
      @NotNull @Valid ScheduleJson schedule) {}

  /** The bank's own page, to which the person has to go. */
  record ConsentPageJson(String goTo) {}

  record ReturnJson(@NotNull @Size(max = Texts.NAME) String state) {}

  record NewFeedAccountJson(
      @NotNull UUID bookId,
      @NotNull @Size(max = Texts.NAME) String name,
      @NotNull AccountKind kind) {}

  /**
   * @param accountId an account of the books, or null to make {@code newAccount}
   */
  record MappingJson(
      @NotNull UUID connectedId,
      @Nullable UUID accountId,
      @Nullable @Valid NewFeedAccountJson newAccount,
      @NotNull LocalDate startOn) {
    AccountMapping.Mapping toMapping() {
      return new AccountMapping.Mapping(
          connectedId,
          accountId,
          newAccount == null
              ? null
              : new AccountMapping.NewAccount(
                  newAccount.bookId(), newAccount.name(), newAccount.kind()),
          startOn);
    }
  }

  record MappingsJson(@NotEmpty List<@Valid MappingJson> accounts) {}

  /**
   * @param suggestedAccountId the account of the books whose number ends like this one
   * @param earliestStart the first day that the bank hands out
   * @param suggestedStart the first day that is in the books and that the bank hands out
   * @param apart what the bank says less what the books say, on that day
   */
  record ConnectedAccountJson(
      UUID id,
      String number,
      String name,
      String kind,
      String currency,
      @Nullable UUID accountId,
      @Nullable String accountName,
      @Nullable UUID suggestedAccountId,
      LocalDate earliestStart,
      LocalDate suggestedStart,
      @Nullable LocalDate startOn,
      ConnectedAccountEntity.Phase phase,
      int linesSoFar,
      int lastNewLines,
      @Nullable String problem,
      @Nullable Instant nextTryAt,
      @Nullable Instant syncedAt,
      @Nullable LocalDate bankOn,
      @Nullable BigDecimal bankSays,
      @Nullable BigDecimal booksSay,
      @Nullable BigDecimal apart) {}

  /**
   * @param daysLeft of the consent; negative once it is over
   */
  record ConnectionDetailsJson(
      UUID id,
      String institutionName,
      String town,
      String bic,
      int historyDays,
      ConnectionEntity.Status status,
      LocalDate consentUntil,
      int daysLeft,
      boolean needsYou,
      ScheduleJson schedule,
      List<ConnectedAccountJson> accounts) {}
}
