package org.yewledger.app.schedule;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.app.chart.Chart;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.Schedule;

/** Schedules whose items are made of other parts each time, as the payments of a loan are. */
public interface VaryingSchedules {
  /** By the schedules' identities; of most households none. */
  Map<UUID, Varying> all(Chart chart);

  /** One of them. */
  interface Varying {
    /** What moves this account, besides the schedule, changes what its items are made of. */
    Account dependsOn();

    /** The schedule before it is known what the item of a day is made of. */
    Schedule usual(LocalDate nominal);

    /**
     * The items with their parts, without those that are not due after all.
     *
     * @param items all of them, from the first on
     * @param others what other schedules expect on the account that it depends on
     */
    List<DueItem> split(List<DueItem> items, List<DueItem> others);
  }
}
