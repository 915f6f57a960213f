package org.yewledger.app.platform;

import jakarta.persistence.EntityManagerFactory;
import java.util.UUID;
import javax.sql.DataSource;
import org.hibernate.cfg.AvailableSettings;
import org.hibernate.context.spi.CurrentTenantIdentifierResolver;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.hibernate.autoconfigure.HibernatePropertiesCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.orm.jpa.EntityManagerHolder;
import org.springframework.orm.jpa.JpaTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestContextHolder;

/**
 * Keeps households apart, twice: Hibernate filters by {@code @TenantId}, and each transaction tells
 * PostgreSQL its household, by which row-level security answers whatever SQL is sent.
 */
@Configuration
class Tenancy {
  private static final Logger LOG = LoggerFactory.getLogger(Tenancy.class);

  /** Stands for "no household", as before sign-in. No row carries it. */
  private static final UUID NOBODY = new UUID(0, 0);

  static UUID currentHousehold() {
    return SignedIn.isAnyone() ? SignedIn.now().householdId() : NOBODY;
  }

  @Bean
  HibernatePropertiesCustomizer tenantOfHibernate() {
    return properties ->
        properties.put(
            AvailableSettings.MULTI_TENANT_IDENTIFIER_RESOLVER,
            new CurrentTenantIdentifierResolver<UUID>() {
              @Override
              public UUID resolveCurrentTenantIdentifier() {
                return currentHousehold();
              }

              @Override
              public boolean validateExistingCurrentSessions() {
                return true;
              }
            });
  }

  @Bean
  JpaTransactionManager transactionManager(EntityManagerFactory factory, DataSource dataSource) {
    return new HouseholdTransactionManager(factory, dataSource);
  }

  /**
   * Sessions belong to no household, and who is signed in is only known once one is loaded: they
   * are read and written outside the household's transactions.
   */
  @Bean
  TransactionOperations springSessionTransactionOperations(DataSource dataSource) {
    var transaction = new TransactionTemplate(new JdbcTransactionManager(dataSource));
    transaction.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    return transaction;
  }

  /** Sets the household at the beginning of each transaction, and for that transaction only. */
  private static final class HouseholdTransactionManager extends JpaTransactionManager {
    private static final long serialVersionUID = 1L;

    /** A person waits at a request, and may have gone; jobs may take their time. */
    private static final String LONGEST_STATEMENT = "60s";

    private final transient JdbcTemplate jdbc;

    HouseholdTransactionManager(EntityManagerFactory factory, DataSource dataSource) {
      super(factory);
      this.jdbc = new JdbcTemplate(dataSource);
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
      super.doBegin(transaction, definition);
      try {
        if (definition.isReadOnly()) {
          // A page is read by several queries, which have to see the same books.
          jdbc.execute("set transaction isolation level repeatable read");
        }
        jdbc.queryForObject(
            "select set_config('statement_timeout', ?, true) || set_config('yew.household', ?, true)",
            String.class,
            RequestContextHolder.getRequestAttributes() == null ? "0" : LONGEST_STATEMENT,
            currentHousehold().toString());
      } catch (RuntimeException | Error e) {
        leaveNothingBehind(transaction);
        throw e;
      }
    }

    /** A transaction without its household must not stay bound to the thread. */
    private void leaveNothingBehind(Object transaction) {
      try {
        if (TransactionSynchronizationManager.getResource(obtainEntityManagerFactory())
            instanceof EntityManagerHolder begun) {
          begun.getEntityManager().getTransaction().rollback();
        }
      } catch (RuntimeException lost) {
        LOG.warn("a transaction that had not begun could not be rolled back: {}", lost.toString());
      } finally {
        doCleanupAfterCompletion(transaction);
      }
    }
  }
}
