package org.yewledger.bank;

import static org.yewledger.bank.BankPage.text;

import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.yewledger.bank.Consents.Consent;
import org.yewledger.bank.Faults.Switches;

/**
 * What a person with the stand-in on the desk sees: the phone, the day, and the switches for
 * faults.
 */
@RestController
class DeskPages {
  private static final int MOST_DAYS = 366;
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

  private final Consents consents;
  private final Faults faults;
  private final BankClock clock;

  DeskPages(Consents consents, Faults faults, BankClock clock) {
    this.consents = consents;
    this.faults = faults;
    this.clock = clock;
  }

  @GetMapping(path = "/phone", produces = MediaType.TEXT_HTML_VALUE)
  String phone() {
    List<Consent> waiting = consents.waitingForCode();
    String inside =
        waiting.isEmpty()
            ? "<p>No message.</p>"
            : waiting.stream()
                .map(c ->
                    "<p class=\"message\">%s: your code is <b>%s</b>. It lets Yew Ledger read your accounts.</p>"
                        .formatted(
                            text(Institution.find(c.institution()).orElseThrow().name()), c.code()))
                .collect(Collectors.joining());
    return BankPage.refreshing("Phone", "Messages", inside);
  }

  @GetMapping(path = "/", produces = MediaType.TEXT_HTML_VALUE)
  String faultsPage() {
    String inside =
        "<p>Messages of the banks are on the <a href=\"/phone\">phone</a>.</p>"
            + today()
            + Institution.ALL.stream().map(this::row).collect(Collectors.joining());
    return BankPage.of("Banks", "What goes wrong", inside);
  }

  private String today() {
    return """
    <form class="faults" method="post" action="/days"><h2>Today is %s at the banks</h2>
    <label>move on by days <input name="count" inputmode="numeric" value="1"></label><button>Move on</button></form>
    """
        .formatted(DAY.format(clock.today()));
  }

  /** Lets days go by, so that what is pending is booked and consents come to their end. */
  @PostMapping("/days")
  ResponseEntity<Void> moveOn(@RequestParam int count) {
    clock.moveOn(Math.clamp(count, 0, MOST_DAYS));
    return ResponseEntity.status(303).header("Location", "/").build();
  }

  @PostMapping("/faults/{institution}")
  ResponseEntity<Void> set(
      @PathVariable String institution,
      @RequestParam(defaultValue = "0") long slowMillis,
      @RequestParam(defaultValue = "0") int tooMany,
      @RequestParam(defaultValue = "0") int errors,
      @RequestParam(defaultValue = "false") boolean unreleased,
      @RequestParam(defaultValue = "false") boolean changedText,
      @RequestParam(defaultValue = "false") boolean lateLine,
      @RequestParam(defaultValue = "false") boolean revoke) {
    put(institution, new Switches(slowMillis, tooMany, errors, unreleased, changedText, lateLine));
    if (revoke) {
      consents.revokeAll(institution);
    }
    return ResponseEntity.status(303).header("Location", "/").build();
  }

  @PutMapping("/faults/{institution}")
  Switches put(@PathVariable String institution, @RequestBody Switches switches) {
    faults.set(institution, switches);
    return switches;
  }

  /** Revokes all consents given to a bank, as a person would there. */
  @PostMapping("/faults/{institution}/revoke")
  int revoke(@PathVariable String institution) {
    return consents.revokeAll(institution);
  }

  private String row(Institution bank) {
    Switches now = faults.of(bank.id());
    return """
    <form class="faults" method="post" action="/faults/%s"><h2>%s <span>%s, %s</span></h2>
    <label>slower by ms <input name="slowMillis" inputmode="numeric" value="%d"></label>
    <label>refuse the next (429) <input name="tooMany" inputmode="numeric" value="%d"></label>
    <label>fail the next (500) <input name="errors" inputmode="numeric" value="%d"></label>
    %s%s%s<label class="check"><input type="checkbox" name="revoke" value="true"> revoke its consents now</label>
    <button>Set</button></form>
    """
        .formatted(
            bank.id(),
            text(bank.name()),
            text(bank.town()),
            bank.bic(),
            now.slowMillis(),
            now.tooMany(),
            now.errors(),
            check("unreleased", "accounts not released yet", now.unreleased()),
            check("changedText", "other texts", now.changedText()),
            check("lateLine", "hold one line back", now.lateLine()));
  }

  private static String check(String name, String label, boolean on) {
    return "<label class=\"check\"><input type=\"checkbox\" name=\"%s\" value=\"true\"%s> %s</label>"
        .formatted(name, on ? " checked" : "", label);
  }
}
