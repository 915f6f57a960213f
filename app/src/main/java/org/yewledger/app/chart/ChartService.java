package org.yewledger.app.chart;

import jakarta.persistence.EntityManager;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reads the chart of accounts. */
@Service
public class ChartService {
  private final EntityManager entities;

  ChartService(EntityManager entities) {
    this.entities = entities;
  }

  @Transactional(readOnly = true)
  public Chart chart() {
    return new Chart(
        entities.createQuery("from Book order by place", BookEntity.class).getResultList(),
        entities.createQuery("from Account order by place", AccountEntity.class).getResultList());
  }
}
