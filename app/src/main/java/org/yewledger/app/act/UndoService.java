package org.yewledger.app.act;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.postgresql.util.PSQLException;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.yewledger.app.act.ActJson.NextActsJson;
import org.yewledger.app.act.ActJson.OneActJson;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.platform.Walls;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.act.ActStack;

/** Takes acts back, and does them again. */
@Service
public class UndoService {
  private static final String CHANGED_SINCE = "YU001";
  private static final String NOTHING_TO_UNDO = "YU000";
  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("d MMMM uuuu, HH:mm");

  private final Acts acts;
  private final ActReader reader;
  private final HouseholdDays days;
  private final JdbcClient jdbc;
  private final List<AfterUndo> afterwards;
  private final TransactionTemplate transaction;

  UndoService(
      Acts acts,
      ActReader reader,
      HouseholdDays days,
      JdbcClient jdbc,
      List<AfterUndo> afterwards,
      PlatformTransactionManager transactions) {
    this.acts = acts;
    this.reader = reader;
    this.days = days;
    this.jdbc = jdbc;
    this.afterwards = afterwards;
    this.transaction = new TransactionTemplate(transactions);
  }

  /** What undo and redo would take back for the person. */
  NextActsJson next() {
    ActStack stack = reader.stack(null);
    UUID me = SignedIn.now().personId();
    return new NextActsJson(named(stack.toUndo(me)), named(stack.toRedo(me)));
  }

  private @Nullable OneActJson named(Optional<ActStack.Act> act) {
    return act.flatMap(a -> reader.act(a.id())).orElse(null);
  }

  /**
   * Takes an act back as an act of its own: for an ordinary act that is undo, for an undoing redo.
   *
   * @throws Conflict {@code already-undone}
   * @throws Refusal {@code undo-blocked}, naming the later act that stands in the way; {@code
   *     undo-refused} where the books do not allow it any more
   */
  @ForBookkeepers
  public OneActJson undo(UUID id) {
    ActStack stack = reader.stack(id);
    UUID target = stack.toTakeBack(id).map(ActStack.Act::id).orElseThrow(() -> new NotFound("act"));
    OneActJson act = reader.act(target).orElseThrow(() -> new NotFound("act"));
    if (!stack.stands(target)) {
      throw new Conflict("already-undone", "“%s” is undone already.".formatted(act.words()));
    }
    try {
      UUID done = Objects.requireNonNull(transaction.execute(status -> takeBack(act)));
      return reader.act(done).orElseThrow();
    } catch (DataAccessException e) {
      throw refused(act, e);
    }
  }

  private UUID takeBack(OneActJson act) {
    boolean redo = act.undoes() != null;
    String words = redo ? act.words().replaceFirst("^Undid: ", "Redid: ") : "Undid: " + act.words();
    // Of two windows that undo the same act, the second waits here and then finds it undone.
    jdbc.sql("select pg_advisory_xact_lock(hashtextextended(?, 0))")
        .param(act.id().toString())
        .query(row -> {});
    if (!reader.act(act.id()).orElseThrow().stands()) {
      throw new Conflict("already-undone", "“%s” is undone already.".formatted(act.words()));
    }
    jdbc.sql("select hold_accounts_of_act(?)").param(act.id()).query(row -> {});
    UUID doing = acts.begin(redo ? ActKind.REDO : ActKind.UNDO, words, act.id());
    jdbc.sql("select undo_act(?)").param(act.id()).query(row -> {});
    afterwards.forEach(a -> a.undone(act.id()));
    return doing;
  }

  private RuntimeException refused(OneActJson act, DataAccessException e) {
    PSQLException cause = Walls.cause(e).orElse(null);
    if (cause == null) {
      return e;
    }
    if (NOTHING_TO_UNDO.equals(cause.getSQLState())) {
      return Refusal.of(
          "undo-refused", "“%s” changed nothing that could be put back.".formatted(act.words()));
    }
    if (CHANGED_SINCE.equals(cause.getSQLState())) {
      return Refusal.of(
          "undo-blocked",
          "“%s” cannot be undone: %s Undo that first.".formatted(act.words(), later(cause)));
    }
    return Walls.problem(cause)
        .<RuntimeException>map(why ->
            Refusal.of(
                "undo-refused",
                "“%s” cannot be undone: %s".formatted(act.words(), why.getMessage())))
        .orElse(e);
  }

  private String later(PSQLException cause) {
    var message = cause.getServerErrorMessage();
    String detail = message == null ? null : message.getDetail();
    return Optional.ofNullable(detail)
        .filter(d -> !d.isEmpty())
        .flatMap(d -> reader.act(UUID.fromString(d)))
        .map(a ->
            "“%s” by %s, %s, changed the same since."
                .formatted(a.words(), a.who(), WHEN.format(a.at().atZone(days.zone()))))
        .orElse("it was changed since.");
  }
}
