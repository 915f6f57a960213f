package org.yewledger.bench;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.Statement;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * A statement of 5,000 lines beside 20,000 open postings in the running application: its sheet, its
 * comparison and one tick. Baseline: a statement of a tenth.
 */
final class ReconcileBench {
  private static final int LINES = 5_000;
  private static final int POSTINGS = 20_000;
  private static final int WARM_UP = 40;
  private static final int RUNS = 21;

  private ReconcileBench() {}

  static void run() throws Exception {
    try (var application = new RunningApplication();
        Connection database = ImportBench.asOwner()) {
      Sheet few = sheet(application, database, LINES / 10, POSTINGS / 10);
      Sheet many = sheet(application, database, LINES, POSTINGS);
      figures("sheet", "<= 300", many::sheet, few::sheet);
      figures("comparison", "<= 500", many::comparison, few::comparison);
      figures("tick", "<= 30", many::tick, few::tick);
    }
  }

  private static void figures(String name, String goal, Callable<?> many, Callable<?> few)
      throws Exception {
    Timing.Pair both = Timing.medianMillis(WARM_UP, RUNS, many, few);
    Bench.figure("reconcile-" + name, both.first(), "ms", goal);
    Bench.figure("reconcile-" + name + "-of-a-tenth", both.second(), "ms", ">= 0");
    Bench.figure("reconcile-" + name + "-times-a-tenth", both.ratio(), "ratio", ">= 0");
  }

  /** A statement in the running application, and one of its postings. */
  private record Sheet(Window window, String path, UUID posting, AtomicBoolean ticked) {
    String sheet() throws Exception {
      return window.get(path);
    }

    String comparison() throws Exception {
      return window.get(path + "/comparison");
    }

    /** Ticks it, or unticks it the next time. */
    String tick() throws Exception {
      boolean ticks = ticked.compareAndSet(false, true) || !ticked.compareAndSet(true, false);
      String body = "{\"postingIds\":[\"%s\"],\"ticked\":%s}".formatted(posting, ticks);
      Window.Said said = window.ask("PUT", path + "/ticks", body);
      if (said.status() != 200) {
        throw new IllegalStateException(said.body());
      }
      return said.body();
    }
  }

  private static Sheet sheet(
      RunningApplication application, Connection database, int lines, int postings)
      throws Exception {
    ImportBench.Keeper keeper = ImportBench.keeper(application, database, "Reconcile");
    ImportBench.takeIn(keeper, ImportBench.ofx(lines, 9));
    try (Statement sql = database.createStatement()) {
      sql.execute(
          OPEN_POSTINGS.replace(":account", "'" + keeper.account() + "'").formatted(postings));
      sql.execute("analyze");
      String begun =
          keeper
              .window()
              .post(
                  "/api/statements",
                  "{\"accountId\":\"%s\",\"closesOn\":\"2021-12-31\",\"closing\":1}"
                      .formatted(keeper.account()));
      UUID id = UUID.fromString(begun.replaceAll(".*\"id\":\"([^\"]+)\".*", "$1"));
      try (ResultSet rows =
          sql.executeQuery(
              "select id from posting where account_id = '%s' order by date, id offset %d limit 1"
                  .formatted(keeper.account(), postings / 2))) {
        rows.next();
        return new Sheet(
            keeper.window(),
            "/api/statements/" + id,
            rows.getObject(1, UUID.class),
            new AtomicBoolean());
      }
    }
  }

  /**
   * Typed by hand over the days of the lines: for every third line one of its amount, and others.
   */
  private static final String OPEN_POSTINGS =
      """
      do $$ declare h uuid := (select household_id from account where id = :account);
        b uuid := (select book_id from account where id = :account);
        g uuid := (select id from account where household_id = h and name = 'Groceries');
      begin
        create temporary table typed on commit drop as
          select n, gen_random_uuid() as entry, date '2020-01-01' + (n %% 100) as day, -(1 + (n * 7919) %% 20000) as minor
            from generate_series(1, %d) n;
        alter table entry disable trigger user;
        alter table posting disable trigger user;
        alter table payee disable trigger user;
        insert into payee (household_id, id, name) select h, md5(h::text || n)::uuid, 'Shop' || n || ' Ellery' from generate_series(0, 399) n;
        insert into entry (household_id, id, no, date, payee_id, note, origin, made_at, made_by, moved_minor, moved_currency, transfer)
          select h, entry, 1000000 + n, day, md5(h::text || n %% 400)::uuid, '', 'BY_HAND', now(), h, minor, 'EUR', false from typed;
        insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor)
          select h, gen_random_uuid(), entry, 0, :account, b, day, minor, minor from typed
          union all select h, gen_random_uuid(), entry, 1, g, b, day, -minor, -minor from typed;
        alter table entry enable trigger user;
        alter table posting enable trigger user;
        alter table payee enable trigger user;
      end $$\
      """;
}
