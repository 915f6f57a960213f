package org.yewledger.bank;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The consents that were asked for and given. */
@Component
class Consents {
  static final int DAYS = 90;

  /** Of a million codes, five guesses. */
  private static final int MOST_FAILURES = 5;

  /** Where a consent stands, as the framework names it. */
  enum Status {
    RECEIVED("received"),
    VALID("valid"),
    REJECTED("rejected"),
    REVOKED("revokedByPsu"),
    TERMINATED("terminatedByTpp"),
    EXPIRED("expired");

    private final String wire;

    Status(String wire) {
      this.wire = wire;
    }

    String wire() {
      return wire;
    }
  }

  /**
   * @param returnTo where the person is sent afterwards
   * @param code the one-time code on its way to the person's phone, null if none is
   * @param failures how often a password or a code was wrong
   */
  record Consent(
      String id,
      String institution,
      Status status,
      LocalDate validUntil,
      String returnTo,
      @Nullable String code,
      int failures) {
    Consent with(Status next) {
      return new Consent(id, institution, next, validUntil, returnTo, null, failures);
    }

    Consent withCode(String sent) {
      return new Consent(id, institution, status, validUntil, returnTo, sent, failures);
    }

    Consent failed() {
      return new Consent(id, institution, status, validUntil, returnTo, code, failures + 1);
    }
  }

  private final SecureRandom random = new SecureRandom();
  private final Map<String, Consent> all = new LinkedHashMap<>();
  private final BankHistory history;
  private final JsonMapper json;
  private final @Nullable Path file;

  Consents(BankHistory history, JsonMapper json, @Value("${bank.consents-file}") String file) {
    this.history = history;
    this.json = json;
    this.file = file.isEmpty() ? null : Path.of(file);
    load();
  }

  synchronized Consent ask(String institution, LocalDate validUntil, String returnTo) {
    LocalDate longest = history.today().plusDays(DAYS);
    var consent =
        new Consent(
            UUID.randomUUID().toString(),
            institution,
            Status.RECEIVED,
            validUntil.isAfter(longest) ? longest : validUntil,
            returnTo,
            null,
            0);
    return keep(consent);
  }

  /** The consent, which is expired once its last day has passed. */
  synchronized Optional<Consent> find(String id) {
    return Optional.ofNullable(all.get(id))
        .map(c ->
            c.status() == Status.VALID && history.today().isAfter(c.validUntil())
                ? c.with(Status.EXPIRED)
                : c);
  }

  /**
   * @throws BankRefusal unless the consent holds for this bank today
   */
  Consent requireValid(String id, String institution) {
    Consent consent =
        find(id)
            .filter(c -> c.institution().equals(institution))
            .orElseThrow(() -> BankRefusal.consent("CONSENT_UNKNOWN"));
    return switch (consent.status()) {
      case VALID -> consent;
      case EXPIRED -> throw BankRefusal.consent("CONSENT_EXPIRED");
      default -> throw BankRefusal.consent("CONSENT_INVALID");
    };
  }

  synchronized Consent sendCode(Consent consent) {
    return keep(consent.withCode("%06d".formatted(random.nextInt(1_000_000))));
  }

  /** Counts a wrong password or code; after too many of them the request is over. */
  synchronized Consent failed(Consent consent) {
    Consent failed = all.getOrDefault(consent.id(), consent).failed();
    return keep(failed.failures() >= MOST_FAILURES ? failed.with(Status.REJECTED) : failed);
  }

  /**
   * Takes a code, which counts as a failure unless it is right; of two at once one is looked at.
   */
  synchronized Consent tryCode(Consent consent, String code) {
    Consent now = all.getOrDefault(consent.id(), consent);
    boolean isRight = now.status() == Status.RECEIVED && code.equals(now.code());
    return isRight ? become(now, Status.VALID) : failed(now);
  }

  synchronized Consent become(Consent consent, Status status) {
    return keep(consent.with(status));
  }

  /** What a person revokes at the bank itself. */
  synchronized int revokeAll(String institution) {
    List<Consent> valid =
        all.values().stream()
            .filter(c -> c.institution().equals(institution) && c.status() == Status.VALID)
            .toList();
    valid.forEach(c -> keep(c.with(Status.REVOKED)));
    return valid.size();
  }

  /** The consents that wait for their code, for the phone. */
  synchronized List<Consent> waitingForCode() {
    return all.values().stream().filter(c -> c.code() != null).toList().reversed();
  }

  private Consent keep(Consent consent) {
    all.put(consent.id(), consent);
    if (file != null) {
      try {
        Files.writeString(file, json.writeValueAsString(all.values()));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return consent;
  }

  private void load() {
    if (file == null || !Files.exists(file)) {
      return;
    }
    try {
      Arrays.stream(json.readValue(Files.readString(file), Consent[].class))
          .forEach(c -> all.put(c.id(), c));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
