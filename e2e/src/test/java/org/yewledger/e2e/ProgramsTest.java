package org.yewledger.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import org.testng.annotations.Test;

/** A program asks with a token that its person made, until they take it back. */
public class ProgramsTest extends BrowserTest {
  private static HttpResponse<String> ask(URI address, String token)
      throws IOException, InterruptedException {
    try (HttpClient program = HttpClient.newHttpClient()) {
      return program.send(
          HttpRequest.newBuilder(address).header("Authorization", "Bearer " + token).build(),
          HttpResponse.BodyHandlers.ofString());
    }
  }

  @Test
  public void aTokenIsMadeUsedAndTakenBack() throws IOException, InterruptedException {
    Page page = signedInAt("/you");
    page.getByLabel("What it is for").fill("Fair spreadsheet");
    page.getByLabel("Works until").fill("1.1.2025");
    button(page, "Make a token").click();
    assertThat(page.getByText("A token works for a day at least")).isVisible();
    assertThat(page.getByLabel("What it is for")).hasValue("Fair spreadsheet");
    page.getByLabel("Works until").fill("31.12.2026");
    button(page, "Make a token").click();
    Locator shown = page.getByLabel("Token", new Page.GetByLabelOptions().setExact(true));
    assertThat(page.getByText("It is shown only now.")).isVisible();
    assertNoViolations(page, "a token that was made");
    String token = shown.inputValue();
    URI books = URI.create(page.url()).resolve("/api/books");

    HttpResponse<String> answer = ask(books, token);
    assertEquals(answer.statusCode(), 200);
    assertEquals(answer.body(), page.request().get(books.toString()).text());
    // No session begins: the token is all that opens.
    assertFalse(answer.headers().allValues("Set-Cookie").toString().contains("yew_session"));

    page.reload();
    Locator made = page.getByLabel("Tokens of programs");
    assertThat(made).containsText("until 31 Dec 2026");
    assertThat(made).containsText("used 5 Oct");
    button(page, "take back the token Fair spreadsheet").click();
    assertThat(made).hasCount(0);
    assertEquals(ask(books, token).statusCode(), 401);
    assertEquals(complaints(), List.of());
  }

  @Test
  public void whatProgramsCanAskIsFoundAndRead() {
    Page page = signedInAt("/api-document");
    rows(page, "/api/acts").first().waitFor();
    page.keyboard().press("/");
    page.keyboard().type("undo");
    assertThat(rows(page, "/api/acts/{id}/undo")).hasCount(1);
    rows(page, "/api/acts/{id}/undo").click();
    assertThat(heading(page, "POST /api/acts/{id}/undo")).isVisible();
    assertThat(page.getByText("It answers: OneActJson")).isVisible();
    assertEquals(complaints(), List.of());
  }
}
