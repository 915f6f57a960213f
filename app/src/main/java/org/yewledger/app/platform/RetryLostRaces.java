package org.yewledger.app.platform;

import java.util.concurrent.ThreadLocalRandom;
import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.aop.Advisor;
import org.springframework.aop.framework.ReflectiveMethodInvocation;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataAccessException;
import org.springframework.orm.jpa.vendor.HibernateJpaDialect;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Says what the database refused in one language, wherever it was met, and does a transaction again
 * that has lost a race to another: waiting in a circle, or a row that changed between reading and
 * writing. Nothing was shown to a person yet, so nothing they saw is overruled: what they said they
 * had seen is checked again by its version, and told if it is stale.
 */
@Configuration
class RetryLostRaces {
  private static final Logger LOG = LoggerFactory.getLogger(RetryLostRaces.class);
  private static final HibernateJpaDialect HIBERNATE = new HibernateJpaDialect();
  private static final int TRIES = 4;
  private static final int LONGEST_PAUSE_MILLIS = 40;

  @Bean
  @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
  static Advisor retryOfTransactions() {
    var advisor =
        new DefaultPointcutAdvisor(
            AnnotationMatchingPointcut.forMethodAnnotation(Transactional.class), retry());
    advisor.setOrder(Ordered.HIGHEST_PRECEDENCE);
    return advisor;
  }

  private static MethodInterceptor retry() {
    return invocation -> {
      if (TransactionSynchronizationManager.isActualTransactionActive()) {
        return invocation.proceed();
      }
      for (int left = TRIES - 1; ; left--) {
        try {
          return again(invocation).proceed();
        } catch (RuntimeException e) {
          RuntimeException told = translated(e);
          if (left == 0 || !(told instanceof ConcurrencyFailureException)) {
            throw told;
          }
          LOG.info("again, after {}", told.getClass().getSimpleName());
          Thread.sleep(ThreadLocalRandom.current().nextInt(1, LONGEST_PAUSE_MILLIS));
        }
      }
    };
  }

  /** What Hibernate throws while it writes, said the way JDBC and commits are told. */
  private static RuntimeException translated(RuntimeException e) {
    DataAccessException told = HIBERNATE.translateExceptionIfPossible(e);
    return told == null ? e : told;
  }

  /** An invocation goes through its interceptors once; each try has one of its own. */
  private static MethodInvocation again(MethodInvocation invocation) {
    return ((ReflectiveMethodInvocation) invocation).invocableClone();
  }
}
