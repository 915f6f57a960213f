package org.yewledger.bank;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import org.springframework.stereotype.Component;

/** What goes wrong at a bank, switched on and off by hand. */
@Component
class Faults {
  /**
   * @param slowMillis how long every answer takes longer
   * @param tooMany how many of the next requests are refused with 429, for a second each
   * @param errors how many of the next requests fail with 500
   * @param unreleased whether the bank does not hand out its accounts yet
   * @param changedText whether lines of the last days have another text than before
   * @param lateLine whether a line of some days ago is held back until this is switched off
   */
  record Switches(
      long slowMillis,
      int tooMany,
      int errors,
      boolean unreleased,
      boolean changedText,
      boolean lateLine) {
    static final Switches NONE = new Switches(0, 0, 0, false, false, false);

    Switches withTooMany(int left) {
      return new Switches(slowMillis, left, errors, unreleased, changedText, lateLine);
    }

    Switches withErrors(int left) {
      return new Switches(slowMillis, tooMany, left, unreleased, changedText, lateLine);
    }
  }

  private final ConcurrentMap<String, Switches> byInstitution = new ConcurrentHashMap<>();

  Switches of(String institution) {
    return byInstitution.getOrDefault(institution, Switches.NONE);
  }

  void set(String institution, Switches switches) {
    byInstitution.put(institution, switches);
  }

  Map<String, Switches> all() {
    return Map.copyOf(byInstitution);
  }

  /**
   * Makes a request go as wrong as it is switched.
   *
   * @throws BankRefusal instead of an answer
   */
  void strike(String institution) {
    Switches now = of(institution);
    if (now.slowMillis() > 0) {
      try {
        Thread.sleep(now.slowMillis());
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }
    if (now.tooMany() > 0) {
      set(institution, now.withTooMany(now.tooMany() - 1));
      throw BankRefusal.tooMany(1);
    }
    if (now.errors() > 0) {
      set(institution, now.withErrors(now.errors() - 1));
      throw BankRefusal.broken();
    }
  }
}
