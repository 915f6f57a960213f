package org.yewledger.app.connection;

import jakarta.persistence.EntityManager;
import java.net.URI;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.connection.ConnectionEntity.Status;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.FeedSchedule;
import org.yewledger.core.ledger.Account;

/** Connections from the first search to disconnecting. */
@Service
class ConnectionService {
  private static final int CONSENT_DAYS = 90;

  private final EntityManager entities;
  private final BankClient bank;
  private final SyncJobs jobs;
  private final ChartService charts;
  private final AccountMapping mapped;
  private final Secrets secrets;
  private final KeptConsents consents;
  private final Acts acts;
  private final Clock clock;

  ConnectionService(
      EntityManager entities,
      BankClient bank,
      SyncJobs jobs,
      ChartService charts,
      AccountMapping mapped,
      Secrets secrets,
      KeptConsents consents,
      Acts acts,
      Clock clock) {
    this.entities = entities;
    this.bank = bank;
    this.jobs = jobs;
    this.charts = charts;
    this.mapped = mapped;
    this.secrets = secrets;
    this.consents = consents;
    this.acts = acts;
    this.clock = clock;
  }

  /** The institutions of whose name, town or code every word is a part. */
  List<BankWire.Institution> institutions(String words) {
    List<String> wanted = Arrays.asList(words.strip().toLowerCase(Locale.ROOT).split("\\s+", -1));
    return bank.institutions().stream()
        .filter(i -> {
          String all = (i.name() + " " + i.town() + " " + i.bic()).toLowerCase(Locale.ROOT);
          return wanted.stream().allMatch(all::contains);
        })
        .toList();
  }

  /** All connections that are not ended, oldest first. */
  @Transactional(readOnly = true)
  List<ConnectionEntity> all() {
    return entities
        .createQuery(
            "from Connection where status <> ENDED order by madeAt, id", ConnectionEntity.class)
        .getResultList();
  }

  @Transactional(readOnly = true)
  List<ConnectedAccountEntity> accountsOf(UUID connectionId) {
    return entities
        .createQuery(
            "from ConnectedAccount where connectionId = :id order by name, id",
            ConnectedAccountEntity.class)
        .setParameter("id", connectionId)
        .getResultList();
  }

  /**
   * Begins a connection and asks the bank for consent.
   *
   * @param here the address of this application, to which the bank sends the person back
   * @return the bank's own page, where the person gives consent
   */
  @Transactional
  @ForBookkeepers
  URI begin(String institutionId, FeedSchedule schedule, URI here) {
    BankWire.Institution institution =
        bank.institutions().stream()
            .filter(i -> i.id().equals(institutionId))
            .findFirst()
            .orElseThrow(() -> new NotFound("institution"));
    var connection =
        new ConnectionEntity(
            Ids.next(), institution, schedule, clock.instant(), SignedIn.now().personId());
    URI page = ask(connection, here);
    entities.persist(connection);
    acts.begin(ActKind.CONNECT, "Connected " + institution.name());
    return page;
  }

  /** Asks for consent again; the accounts and their mapping stay. */
  @Transactional
  @ForBookkeepers
  URI renew(UUID id, URI here) {
    ConnectionEntity connection = find(id);
    URI page = ask(connection, here);
    return page;
  }

  private URI ask(ConnectionEntity connection, URI here) {
    String token = secrets.newToken();
    URI back = here.resolve("/gather/connections/" + connection.id() + "?state=" + token);
    BankWire.Consent asked =
        bank.askConsent(connection.institutionId(), today().plusDays(CONSENT_DAYS), back);
    if (asked.consentId() == null
        || asked.links() == null
        || asked.links().get("scaRedirect") == null) {
      throw new BankProblem(
          BankProblem.Kind.FATAL, "The bank does not say where consent is given.", null);
    }
    connection.ask(
        secrets.encrypt(asked.consentId()),
        Objects.requireNonNullElse(asked.validUntil(), today().plusDays(CONSENT_DAYS)),
        Secrets.hashOf(token));
    return URI.create(asked.links().get("scaRedirect").href());
  }

  /**
   * The person is back from the bank. Asks the bank what they decided, and which accounts there
   * are.
   *
   * @throws Refusal {@code consent-not-given}, or {@code not-asked} if this return was not asked
   *     for
   */
  @Transactional
  @ForBookkeepers
  void returned(UUID id, String token) {
    ConnectionEntity connection = find(id);
    if (!Secrets.hashOf(token).equals(connection.returnHash())) {
      throw Refusal.of("not-asked", "This way back is not the one that was asked for last.");
    }
    if (connection.status() == Status.ACTIVE) {
      return;
    }
    String consent = consents.of(connection);
    BankWire.Consent given = bank.consent(connection.institutionId(), consent);
    if (!given.consentStatus().equals("valid")) {
      throw Refusal.of(
          "consent-not-given",
          "%s has not received your consent. Nothing was connected; you can ask again."
              .formatted(connection.institutionName()));
    }
    connection.become(Status.ACTIVE);
    if (given.validUntil() != null) {
      connection.validUntil(given.validUntil());
    }
    List<ConnectedAccountEntity> known = accountsOf(id);
    for (BankWire.Account account : bank.accounts(connection.institutionId(), consent)) {
      known.stream()
          .filter(k -> k.resourceId().equals(account.resourceId()))
          .findFirst()
          .ifPresentOrElse(
              k -> k.describe(account),
              () -> entities.persist(new ConnectedAccountEntity(Ids.next(), id, account)));
    }
    known.stream().filter(k -> k.accountId() != null).forEach(this::queue);
  }

  /** Settles where the lines of accounts go and from which day on, and fetches them. */
  @Transactional
  @ForBookkeepers
  void map(UUID id, List<AccountMapping.Mapping> mappings) {
    ConnectionEntity connection = find(id);
    Chart chart = charts.chart();
    acts.begin(ActKind.CONNECT, "Mapped accounts of " + connection.institutionName());
    for (AccountMapping.Mapping mapping : mappings) {
      ConnectedAccountEntity connected =
          Optional.ofNullable(entities.find(ConnectedAccountEntity.class, mapping.connectedId()))
              .filter(c -> c.connectionId().equals(id))
              .orElseThrow(() -> new NotFound("connected account"));
      Account account = mapped.account(mapping, connection, connected, chart);
      connected.map(account.id(), mapping.startOn(), mapping.newAccount() != null);
      queue(connected);
    }
  }

  /** Fetches all accounts of a connection now. */
  @Transactional
  @ForBookkeepers
  void syncNow(UUID id) {
    ConnectionEntity connection = find(id);
    if (connection.status() != Status.ACTIVE) {
      throw Refusal.of(
          "needs-consent",
          "%s needs your consent again first.".formatted(connection.institutionName()));
    }
    accountsOf(id).stream().filter(a -> a.accountId() != null).forEach(this::queue);
  }

  @Transactional
  @ForBookkeepers
  void refresh(UUID id, FeedSchedule schedule) {
    find(id).refresh(schedule);
  }

  /** Ends a connection, at the bank too. What was fetched stays. */
  @Transactional
  @ForBookkeepers
  void disconnect(UUID id) {
    ConnectionEntity connection = find(id);
    acts.begin(ActKind.CONNECT, "Disconnected " + connection.institutionName());
    connection.become(Status.ENDED);
    for (ConnectedAccountEntity account : accountsOf(id)) {
      account.stop();
      jobs.never(account.id());
    }
    try {
      bank.endConsent(connection.institutionId(), consents.of(connection));
    } catch (BankProblem e) {
      // The consent ends by itself; nothing here uses it any more.
      return;
    }
  }

  private void queue(ConnectedAccountEntity connected) {
    connected.queue();
    // The job runs in another transaction, which has to find what this one has settled.
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            jobs.soon(connected.id());
          }
        });
  }

  private ConnectionEntity find(UUID id) {
    return Optional.ofNullable(entities.find(ConnectionEntity.class, id))
        .filter(c -> c.status() != Status.ENDED)
        .orElseThrow(() -> new NotFound("connection"));
  }

  LocalDate today() {
    return LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
  }
}
