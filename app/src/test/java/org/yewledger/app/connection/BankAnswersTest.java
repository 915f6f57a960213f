package org.yewledger.app.connection;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.springframework.web.client.RestClient;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.connection.BankProblem.Kind;
import org.yewledger.core.gather.BankLine;

/** What is made of a bank's answers, however they are: a line, or a reason for people. */
public class BankAnswersTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 10, 5);

  private final List<String> asked = new ArrayList<>();
  private HttpServer server;
  private BankClient client;
  private volatile String answer = "";

  @BeforeClass
  void start() throws IOException {
    server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
    server.createContext(
        "/",
        exchange -> {
          asked.add(exchange.getRequestURI().toString());
          byte[] body = answer.getBytes(StandardCharsets.UTF_8);
          exchange.getResponseHeaders().add("Content-Type", "application/json");
          exchange.sendResponseHeaders(200, body.length);
          exchange.getResponseBody().write(body);
          exchange.close();
        });
    server.start();
    client =
        new BankClient(RestClient.builder(), "http://127.0.0.1:" + server.getAddress().getPort());
  }

  @AfterClass(alwaysRun = true)
  void stop() {
    server.stop(0);
  }

  private BankWire.Page page(String json) {
    answer = json;
    return client.transactions("harbour-bank", "consent", "4417", TODAY);
  }

  private BankLine line(String transaction, boolean pending) {
    BankWire.Page page = page("{\"transactions\":{\"booked\":[%s]}}".formatted(transaction));
    return FeedLines.line(page.booked().getFirst(), CurrencyUnit.EUR, pending, TODAY);
  }

  @DataProvider
  Object[][] faults() {
    return new Object[][] {
      {"{\"bookingDate\":\"2026-10-01\"}", "without an amount"},
      {"{\"bookingDate\":\"2026-10-01\",\"transactionAmount\":{}}", "without an amount"},
      {amount("1E999999999"), "\u201c1E999999999\u201d for an amount"},
      {amount("12,00"), "for an amount"},
      {amount("1.234"), "more decimals"},
      {amount("1").replace("EUR", "USD"), "in \u201cUSD\u201d for an account in EUR"},
      {amount("1").replace("\"bookingDate\":\"2026-10-01\",", ""), "booked line without a date"}
    };
  }

  private static String amount(String amount) {
    return "{\"bookingDate\":\"2026-10-01\",\"transactionAmount\":{\"currency\":\"EUR\",\"amount\":\"%s\"}}"
        .formatted(amount);
  }

  @Test(dataProvider = "faults")
  public void aLineThatCannotBeIsRefusedWithTheReason(String transaction, String reason) {
    BankProblem problem = expectThrows(BankProblem.class, () -> line(transaction, false));
    assertEquals(problem.kind(), Kind.FATAL);
    assertTrue(problem.getMessage().contains(reason), problem.getMessage());
  }

  @Test
  public void aPendingLineWithoutADateIsOfToday() {
    String undated = amount("-1.50").replace("\"bookingDate\":\"2026-10-01\",", "");
    BankLine line = line(undated, true);
    assertEquals(line.bookedOn(), TODAY);
    assertEquals(line.amountMinor(), -150);
  }

  @Test
  public void controlCharactersInTextsAreSpaces() {
    BankLine line =
        line(
            amount("2").replace("{\"booking", "{\"debtorName\":\"H\\u0000M\\nVANCE\",\"booking"),
            false);
    assertEquals(line.payee(), "H M VANCE");
    assertFalse(line.raw().contains("\0"), line.raw());
  }

  @Test
  public void anAnswerWithoutWhatHasToBeThereIsUnreadable() {
    assertEquals(expectThrows(BankProblem.class, () -> page("{}")).kind(), Kind.LATER);
    assertEquals(expectThrows(BankProblem.class, () -> page("[1, 2")).kind(), Kind.LATER);
    answer = "{\"accounts\":[{\"iban\":\"NL00DEMO004417\"}]}";
    expectThrows(BankProblem.class, () -> client.accounts("harbour-bank", "consent"));
    answer = "{}";
    expectThrows(BankProblem.class, () -> client.accounts("harbour-bank", "consent"));
    expectThrows(BankProblem.class, () -> client.balances("harbour-bank", "consent", "4417"));
  }

  @Test
  public void theNextPageIsAskedOfTheBankOnly() {
    BankWire.Page own = page(linkTo("/harbour-bank/v1/accounts/4417/transactions?page=2%20b"));
    asked.clear();
    assertTrue(client.next(own, "consent").isPresent());
    assertEquals(asked, List.of("/harbour-bank/v1/accounts/4417/transactions?page=2%20b"));
    BankWire.Page foreign = page(linkTo("http://elsewhere.example/transactions"));
    BankProblem problem = expectThrows(BankProblem.class, () -> client.next(foreign, "consent"));
    assertEquals(problem.kind(), Kind.FATAL);
    BankWire.Page broken = page(linkTo("http://[broken"));
    expectThrows(BankProblem.class, () -> client.next(broken, "consent"));
    assertTrue(client.next(page("{\"transactions\":{}}"), "consent").isEmpty());
  }

  private static String linkTo(String href) {
    return "{\"transactions\":{\"_links\":{\"next\":{\"href\":\"%s\"}}}}".formatted(href);
  }
}
