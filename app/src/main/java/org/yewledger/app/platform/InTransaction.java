package org.yewledger.app.platform;

import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** One thing that is known until the transaction ends, and in no other that is begun within it. */
public final class InTransaction<T> {
  /** What is known in the transaction under way, if anything is. */
  @SuppressWarnings("unchecked") // Only ever bound by this class, with a T.
  public @Nullable T get() {
    return (T) TransactionSynchronizationManager.getResource(this);
  }

  /** Begins to be known; nothing may be yet. */
  public void put(T thing) {
    TransactionSynchronizationManager.bindResource(this, Objects.requireNonNull(thing));
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void suspend() {
            TransactionSynchronizationManager.unbindResource(InTransaction.this);
          }

          @Override
          public void resume() {
            TransactionSynchronizationManager.bindResource(InTransaction.this, thing);
          }

          @Override
          public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResource(InTransaction.this);
          }
        });
  }
}
