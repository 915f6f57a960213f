package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.postgresql.util.PSQLException;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.springframework.test.web.servlet.MockMvc;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.AccountEntity;
import org.yewledger.app.chart.AccountFacts;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.household.HouseholdFounding;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.Role;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.ledger.Book;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import tools.jackson.databind.JsonNode;

/** A test of the application on a real PostgreSQL; each class founds households of its own. */
@SpringBootTest(properties = {"yew.jobs=false", "yew.exports.folder=target/exports"})
@AutoConfigureMockMvc
@Import(QueriesNameTheirHousehold.class)
public abstract class AppTest extends AbstractTestNGSpringContextTests {
  protected static final LocalDate OPENS = LocalDate.of(2026, 8, 1);

  @Autowired protected MockMvc mvc;
  @Autowired protected HouseholdFounding founding;
  @Autowired protected EntityManager entities;
  @Autowired protected EntryStore entries;
  @Autowired protected Acts acts;
  @Autowired protected ChartService charts;

  /** A household with a current account of 1,000.00, a card, three categories and a second book. */
  protected record Household(
      SignedIn owner,
      Api api,
      Account current,
      Account card,
      Account groceries,
      Account school,
      Account pay,
      Account press) {}

  /** Somebody else of the household, with a role. */
  protected SignedIn as(Household h, Role role) {
    UUID id = Ids.next();
    var somebody =
        new SignedIn(id, "somebody", id + "@aldercott.example", h.owner().householdId(), role);
    founding.as(
        somebody,
        () -> {
          entities
              .createNativeQuery(
                  "insert into person (id, email, name, password_hash) values (?, ?, ?, 'none')")
              .setParameter(1, id)
              .setParameter(2, somebody.email())
              .setParameter(3, somebody.name())
              .executeUpdate();
          return entities
              .createNativeQuery(
                  "insert into membership (household_id, person_id, role) values (?, ?, ?)")
              .setParameter(1, somebody.householdId())
              .setParameter(2, id)
              .setParameter(3, role.name())
              .executeUpdate();
        });
    return somebody;
  }

  /** Does something within an act of the household's owner, past the services. */
  protected <T> T inAct(Household h, ActKind kind, Supplier<T> work) {
    return founding.as(
        h.owner(),
        () -> {
          acts.begin(kind, "Changed for a test");
          return work.get();
        });
  }

  protected Household found(String name) {
    SignedIn owner =
        HouseholdFounding.newOwner(
            Ids.next(), name, "%s@%s.example".formatted(name, Ids.next()), Ids.next());
    var book = new Book(Ids.next(), "Household", CurrencyUnit.EUR);
    var other = new Book(Ids.next(), "Press", CurrencyUnit.EUR);
    var household =
        new Household(
            owner,
            new Api(mvc, owner),
            account(book, "Harbour Current", AccountKind.CURRENT, OPENS),
            account(book, "Quillon Card", AccountKind.CARD, OPENS),
            account(book, "Groceries", AccountKind.EXPENSE, null),
            account(book, "School", AccountKind.EXPENSE, null),
            account(book, "Pay", AccountKind.INCOME, null),
            account(other, "Kestrel Current", AccountKind.CURRENT, OPENS));
    Account equity = account(book, "Opening equity", AccountKind.OPENING_EQUITY, null);
    founding.found(
        name,
        "Etc/UTC",
        owner,
        "secret words",
        () -> {
          entities.persist(new BookEntity(book, Month.JANUARY, 0));
          entities.persist(new BookEntity(other, Month.OCTOBER, 1));
          entities.flush();
          List<Account> all =
              List.of(
                  household.current(),
                  household.card(),
                  household.groceries(),
                  household.school(),
                  household.pay(),
                  household.press(),
                  equity);
          for (Account account : all) {
            String tail = account.equals(household.current()) ? "4417" : "";
            entities.persist(
                new AccountEntity(account, null, AccountFacts.ofTail(tail), all.indexOf(account)));
          }
          entities.flush();
          entries.add(
              List.of(
                  Entry.opening(
                      household.current(),
                      Amount.ofMinor(100_000, CurrencyUnit.EUR),
                      equity,
                      ExchangeRates.NONE)));
        });
    return household;
  }

  private static Account account(Book book, String name, AccountKind kind, LocalDate opensOn) {
    return new Account(Ids.next(), book, name, kind, CurrencyUnit.EUR, false, opensOn);
  }

  /** Makes an account in the book of the household's current account. */
  protected Account account(Household h, String name, String kind) {
    return account(h, name, kind, null, false);
  }

  /**
   * The same.
   *
   * @param parent the group that it stands in; null at the top
   */
  protected Account account(
      Household h, String name, String kind, @Nullable Account parent, boolean group) {
    String id =
        h.api()
            .post(
                "/api/accounts",
                """
                {"bookId":"%s","parentId":%s,"name":"%s","kind":"%s","currency":"EUR","group":%s,
                 "facts":{"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":""}}\
                """
                    .formatted(
                        h.current().bookId(),
                        parent == null ? "null" : '"' + parent.id().toString() + '"',
                        name,
                        kind,
                        group))
            .json()
            .path("id")
            .asString();
    return founding.as(h.owner(), () -> charts.chart().account(UUID.fromString(id)));
  }

  /** Puts a category on a line of the tax form. */
  protected static void onLine(Household h, Account category, String line) {
    Api.Answer said =
        h.api()
            .put(
                "/api/accounts/%s?version=0".formatted(category.id()),
                """
                {"bookId":"%s","name":"%s","kind":"EXPENSE","currency":"EUR","group":false,
                 "facts":{"number":"","tail":"","institution":"","webPage":"","contact":"","notes":"","pinned":false,"taxFormLine":"%s"}}\
                """
                    .formatted(category.bookId(), category.name(), line));
    assertEquals(said.status(), 204, said.toString());
  }

  /** An OFX file for the current account: three lines and a closing balance that they make. */
  protected static byte[] september() {
    return ofx(
        """
        <STMTTRN><TRNTYPE>POS<DTPOSTED>20260904<TRNAMT>-48.20<FITID>1<NAME>GREENGAGE MKT 114</STMTTRN>
        <STMTTRN><TRNTYPE>POS<DTPOSTED>20260911<TRNAMT>-31.80<FITID>2<NAME>GREENGAGE MKT 207</STMTTRN>
        <STMTTRN><TRNTYPE>CREDIT<DTPOSTED>20260925<TRNAMT>500.00<FITID>3<NAME>MARRAM COUNCIL<MEMO>PAY</STMTTRN>\
        """,
        "1420.00");
  }

  protected static byte[] ofx(String transactions, String closing) {
    return """
    OFXHEADER:100
    ENCODING:USASCII
    CHARSET:1252

    <OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>EUR
    <BANKACCTFROM><ACCTID>NL4417</BANKACCTFROM>
    <BANKTRANLIST>
    %s
    </BANKTRANLIST><LEDGERBAL><BALAMT>%s<DTASOF>20260930</LEDGERBAL>
    </STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>
    """
        .formatted(transactions, closing)
        .getBytes(java.nio.charset.StandardCharsets.US_ASCII);
  }

  /** The body that posts a waiting line to one account, as seen. */
  protected static String posting(JsonNode line, UUID account) {
    return """
    {"lines":[{"lineId":"%s","version":%d,"booking":{"payee":"Greengage Market","parts":[{"accountId":"%s","amount":"%s"}]}}]}\
    """
        .formatted(
            line.path("id").asString(),
            line.path("version").asInt(),
            account,
            line.path("amount").asString());
  }

  /**
   * Posts all waiting lines, ticks them and agrees the one statement; answers with its identity.
   */
  protected String agree(Household h) {
    JsonNode stacks = h.api().get("/api/waiting-lines").json().path("stacks");
    for (JsonNode stack : stacks) {
      for (JsonNode line : stack.path("lines")) {
        assertEquals(
            h.api().post("/api/waiting-lines/post", posting(line, h.groceries().id())).status(),
            200);
      }
    }
    String statement = h.api().get("/api/statements").json().at("/0/statements/0/id").asString();
    String address = "/api/statements/" + statement;
    var ids = new ArrayList<String>();
    h.api()
        .get(address)
        .json()
        .path("postings")
        .forEach(p -> ids.add(p.path("postingId").asString()));
    String ticks = "{\"postingIds\":[\"%s\"],\"ticked\":true}".formatted(String.join("\",\"", ids));
    assertEquals(h.api().put(address + "/ticks", ticks).status(), 200);
    int version = h.api().get(address).json().path("version").asInt();
    assertEquals(h.api().post(address + "/finish?version=" + version, "").status(), 200);
    return statement;
  }

  /** Takes the September file in and answers with what it brought. */
  protected Api.Answer gather(Household h, byte[] file) {
    return h.api().takeIn(h.current().id(), "harbour.ofx", file, null, true);
  }

  /** The constraint that an error of the database names, or its message. */
  protected static String constraintOf(Throwable e) {
    Throwable cause = e;
    while (cause != null && !(cause instanceof PSQLException)) {
      cause = cause.getCause();
    }
    assertTrue(cause instanceof PSQLException, "" + e);
    var message = ((PSQLException) cause).getServerErrorMessage();
    return String.valueOf(
        message == null
            ? null
            : message.getConstraint() == null ? message.getMessage() : message.getConstraint());
  }
}
