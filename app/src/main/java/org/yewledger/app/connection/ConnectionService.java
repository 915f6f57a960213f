package org.yewledger.app.connection;

import jakarta.persistence.EntityManager;
import java.net.URI;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.connection.ConnectionEntity.Status;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
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
  private final HouseholdDays days;
  private final Clock clock;
  private final TransactionTemplate transaction;

  ConnectionService(
      EntityManager entities,
      BankClient bank,
      SyncJobs jobs,
      ChartService charts,
      AccountMapping mapped,
      Secrets secrets,
      KeptConsents consents,
      Acts acts,
      HouseholdDays days,
      Clock clock,
      PlatformTransactionManager transactions) {
    this.entities = entities;
    this.bank = bank;
    this.jobs = jobs;
    this.charts = charts;
    this.mapped = mapped;
    this.secrets = secrets;
    this.consents = consents;
    this.acts = acts;
    this.days = days;
    this.clock = clock;
    this.transaction = new TransactionTemplate(transactions);
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

  /** What a bank has answered to being asked for consent, and the token of the way back. */
  private record Asked(String consentId, LocalDate validUntil, String token, URI page) {}

  /**
   * Begins a connection and asks the bank for consent. A bank may take its time to answer, so it is
   * asked outside of transactions, here and below.
   *
   * @param here the address of this application, to which the bank sends the person back
   * @return the bank's own page, where the person gives consent
   */
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
    Asked asked = ask(connection.id(), institutionId, here);
    return inTransaction(() -> {
      acts.begin(ActKind.CONNECT, "Connected " + institution.name());
      remember(connection, asked);
      entities.persist(connection);
      return asked.page();
    });
  }

  /** Asks for consent again; the accounts and their mapping stay. */
  @ForBookkeepers
  URI renew(UUID id, URI here) {
    String institution = inTransaction(() -> find(id).institutionId());
    Asked asked = ask(id, institution, here);
    return inTransaction(() -> {
      ConnectionEntity connection = find(id);
      acts.begin(ActKind.CONNECT, "Renewed the consent at " + connection.institutionName());
      remember(connection, asked);
      return asked.page();
    });
  }

  private Asked ask(UUID connectionId, String institutionId, URI here) {
    String token = secrets.newToken();
    URI back = here.resolve("/gather/connections/" + connectionId + "?state=" + token);
    LocalDate until = today().plusDays(CONSENT_DAYS);
    BankWire.Consent asked = bank.askConsent(institutionId, until, back);
    if (asked.consentId() == null
        || asked.links() == null
        || asked.links().get("scaRedirect") == null) {
      throw new BankProblem(
          BankProblem.Kind.FATAL, "The bank does not say where consent is given.", null);
    }
    return new Asked(
        asked.consentId(),
        Objects.requireNonNullElse(asked.validUntil(), until),
        token,
        URI.create(asked.links().get("scaRedirect").href()));
  }

  private void remember(ConnectionEntity connection, Asked asked) {
    connection.ask(
        secrets.encrypt(asked.consentId()), asked.validUntil(), Secrets.hashOf(asked.token()));
  }

  /** What is to be asked of the bank once the person is back from it. */
  private record ToAsk(String institutionId, String institutionName, String consent) {}

  /**
   * The person is back from the bank. Asks the bank what they decided, and which accounts there
   * are.
   *
   * @throws Refusal {@code consent-not-given}, or {@code not-asked} if this return was not asked
   *     for
   */
  @ForBookkeepers
  void returned(UUID id, String token) {
    Optional<ToAsk> toAsk =
        inTransaction(() -> {
          ConnectionEntity connection = find(id);
          if (!Secrets.hashOf(token).equals(connection.returnHash())) {
            throw Refusal.of("not-asked", "This way back is not the one that was asked for last.");
          }
          return connection.status() == Status.ACTIVE
              ? Optional.empty()
              : Optional.of(
                  new ToAsk(
                      connection.institutionId(),
                      connection.institutionName(),
                      consents.of(connection)));
        });
    toAsk.ifPresent(asking -> {
      BankWire.Consent given = bank.consent(asking.institutionId(), asking.consent());
      if (!given.consentStatus().equals("valid")) {
        throw Refusal.of(
            "consent-not-given",
            "%s has not received your consent. Nothing was connected; you can ask again."
                .formatted(asking.institutionName()));
      }
      List<BankWire.Account> accounts = bank.accounts(asking.institutionId(), asking.consent());
      inTransaction(() -> activate(id, given, accounts));
    });
  }

  private boolean activate(UUID id, BankWire.Consent given, List<BankWire.Account> accounts) {
    ConnectionEntity connection = find(id);
    connection.become(Status.ACTIVE);
    if (given.validUntil() != null) {
      connection.validUntil(given.validUntil());
    }
    List<ConnectedAccountEntity> known = accountsOf(id);
    for (BankWire.Account account : accounts) {
      known.stream()
          .filter(k -> k.resourceId().equals(account.resourceId()))
          .findFirst()
          .ifPresentOrElse(
              k -> k.describe(account),
              () -> entities.persist(new ConnectedAccountEntity(Ids.next(), id, account)));
    }
    known.stream().filter(k -> k.accountId() != null).forEach(this::queue);
    return true;
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
  @ForBookkeepers
  void disconnect(UUID id) {
    ConnectionEntity ended =
        inTransaction(() -> {
          ConnectionEntity connection = find(id);
          acts.begin(ActKind.CONNECT, "Disconnected " + connection.institutionName());
          connection.become(Status.ENDED);
          accountsOf(id).forEach(ConnectedAccountEntity::stop);
          return connection;
        });
    inTransaction(() -> accountsOf(id)).forEach(account -> jobs.never(account.id()));
    try {
      bank.endConsent(ended.institutionId(), consents.of(ended));
    } catch (BankProblem e) {
      // The consent ends by itself; nothing here uses it any more.
      return;
    }
  }

  private <T> T inTransaction(Supplier<T> work) {
    return Objects.requireNonNull(transaction.execute(status -> work.get()));
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
    return days.today();
  }
}
