package org.yewledger.bank;

import static org.yewledger.bank.BankPage.text;

import java.net.URI;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.UriComponentsBuilder;
import org.yewledger.bank.Consents.Consent;
import org.yewledger.bank.Consents.Status;

/** Where a person gives consent: the terms, then user and password, then the one-time code. */
@RestController
@RequestMapping(path = "/consent/{id}", produces = MediaType.TEXT_HTML_VALUE)
class ConsentPages {
  private static final String USER = "wren";
  private static final String PASSWORD = "tidewrack";
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  private final Consents consents;

  ConsentPages(Consents consents) {
    this.consents = consents;
  }

  @GetMapping
  ResponseEntity<String> terms(@PathVariable String id) {
    return page(id, "");
  }

  @PostMapping("/sign-in")
  ResponseEntity<String> signIn(
      @PathVariable String id, @RequestParam String user, @RequestParam String password) {
    Consent asked = open(id);
    if (!user.strip().equalsIgnoreCase(USER) || !password.equals(PASSWORD)) {
      consents.failed(asked);
      return page(id, "User and password do not fit. Try again.");
    }
    return ok(codePage(consents.sendCode(asked), ""));
  }

  @PostMapping("/code")
  ResponseEntity<String> code(@PathVariable String id, @RequestParam String code) {
    Consent consent = consents.tryCode(open(id), code.strip());
    return switch (consent.status()) {
      case RECEIVED -> ok(codePage(consent, "That is not the code on the phone."));
      default -> back(consent);
    };
  }

  @PostMapping("/refuse")
  ResponseEntity<String> refuse(@PathVariable String id) {
    return back(consents.become(open(id), Status.REJECTED));
  }

  private ResponseEntity<String> page(String id, String problem) {
    Consent consent = consents.find(id).orElse(null);
    if (consent == null || consent.status() != Status.RECEIVED) {
      return ResponseEntity.status(HttpStatus.GONE)
          .contentType(MediaType.TEXT_HTML)
          .body(
              BankPage.of(
                  "Bank",
                  "This request is over",
                  "<p>Go back to where you came from and ask again.</p>"));
    }
    Institution bank = bank(consent);
    String accounts =
        bank.accounts().stream()
            .map(BankHistory::account)
            .map(a -> "<li>%s ..%s, %s</li>".formatted(text(a.name()), a.tail(), a.currency()))
            .collect(Collectors.joining());
    String inside =
        """
        <p>Yew Ledger asks to read these accounts:</p><ul>%s</ul>
        <ul class="terms"><li>It may read balances and transactions of the last %d days and of the days to come.</li>
        <li>It may not pay, move or change anything.</li>
        <li>The consent ends on %s. You can end it here or there at any time.</li></ul>
        %s<form method="post" action="/consent/%s/sign-in">
        <label>User <input name="user" autocomplete="off" autofocus></label>
        <label>Password <input name="password" type="password" autocomplete="off"></label>
        <p class="hint">In this stand-in the user is %s, the password %s.</p>
        <button>Agree and go on</button></form>
        <form method="post" action="/consent/%s/refuse"><button class="plain">Refuse</button></form>
        """
            .formatted(
                accounts.isEmpty() ? "<li>none are kept here</li>" : accounts,
                bank.historyDays(),
                DAY.format(consent.validUntil()),
                problem(problem),
                id,
                USER,
                PASSWORD,
                id);
    return ok(BankPage.of(bank.name(), "May Yew Ledger read your accounts?", inside));
  }

  private static String codePage(Consent consent, String problem) {
    String inside =
        """
        <p>A code of six digits was sent to your phone.
        <a href="/phone" target="_blank" rel="noopener">Look at the phone</a></p>
        %s<form method="post" action="/consent/%s/code">
        <label>Code <input name="code" inputmode="numeric" autocomplete="one-time-code" autofocus></label>
        <button>Give consent</button></form>
        """
            .formatted(problem(problem), consent.id());
    return BankPage.of(bank(consent).name(), "One more step", inside);
  }

  private static String problem(String problem) {
    return problem.isEmpty() ? "" : "<p role=\"alert\" class=\"problem\">" + text(problem) + "</p>";
  }

  private Consent open(String id) {
    return consents
        .find(id)
        .filter(c -> c.status() == Status.RECEIVED)
        .orElseThrow(() -> BankRefusal.unknown("consent"));
  }

  private static Institution bank(Consent consent) {
    return Institution.find(consent.institution()).orElseThrow();
  }

  private static ResponseEntity<String> ok(String page) {
    return ResponseEntity.ok().contentType(MediaType.TEXT_HTML).body(page);
  }

  private static ResponseEntity<String> back(Consent consent) {
    URI to =
        UriComponentsBuilder.fromUriString(consent.returnTo())
            .queryParam("consent", consent.status().wire())
            .build()
            .toUri();
    return ResponseEntity.status(HttpStatus.SEE_OTHER).location(to).build();
  }
}
