package org.yewledger.demo;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Shift;

/** What the Aldercotts expect again and again, from October 2025 on. */
public final class DemoSchedules {
  private DemoSchedules() {}

  /**
   * @param amount what the account pays, below zero, or receives
   */
  public record Part(String account, BigDecimal amount) {}

  /**
   * @param about how far the amount may be from the usual one
   */
  public record Expected(
      String payee,
      String account,
      List<Part> parts,
      BigDecimal about,
      LocalDate first,
      Rhythm rhythm,
      Shift shift) {
    private Expected about(String amount) {
      return new Expected(payee, account, parts, new BigDecimal(amount), first, rhythm, shift);
    }

    private Expected on(Rhythm other) {
      return new Expected(payee, account, parts, about, first, other, shift);
    }

    private Expected shifted(Shift to) {
      return new Expected(payee, account, parts, about, first, rhythm, to);
    }
  }

  private static Part part(String account, String amount) {
    return new Part(account, new BigDecimal(amount));
  }

  private static Expected monthly(String payee, String from, String first, Part... parts) {
    return new Expected(
        payee,
        from,
        List.of(parts),
        BigDecimal.ZERO,
        LocalDate.parse(first),
        new Rhythm(Unit.MONTH, 1, On.DAY),
        Shift.NONE);
  }

  public static List<Expected> expected() {
    String harbour = "Harbour Current";
    String kestrel = "Kestrel Current";
    return List.of(
        monthly("Pinfold School", harbour, "2025-10-02", part("School", "-62.00")),
        monthly("Family Office", harbour, "2025-10-05", part("Child allowance", "326.00")),
        monthly("Lantern Energy", harbour, "2025-10-08", part("Energy", "-110.00")).about("54.00"),
        monthly("Town rate", harbour, "2025-10-10", part("Town rate", "-118.30")),
        monthly("Fibrelink", harbour, "2025-10-12", part("Internet and phone", "-39.90")),
        monthly("Little Alders", harbour, "2025-10-14", part("Day care", "-180.00"))
            .shifted(Shift.NEXT_WORKING_DAY),
        monthly("Alder Vale Music", harbour, "2025-10-21", part("Music and swimming", "-64.00")),
        monthly("Marram Council", harbour, "2026-01-25", part("Pay", "2291.75"))
            .shifted(Shift.WORKING_DAY_BEFORE),
        monthly("Account keeping", harbour, "2025-10-31", part("Bank charges", "-6.00"))
            .on(new Rhythm(Unit.MONTH, 1, On.LAST_DAY)),
        monthly("To savings", harbour, "2025-10-28", part("Harbour Savings", "-220.00")),
        monthly("Reedmere Water", harbour, "2025-10-17", part("Water", "-83.00"))
            .on(new Rhythm(Unit.MONTH, 3, On.DAY))
            .about("10.00"),
        monthly("Hollin Mutual", harbour, "2025-11-19", part("Insurance", "-486.00"))
            .on(new Rhythm(Unit.YEAR, 1, On.DAY)),
        monthly("Saltmarsh Yard", kestrel, "2025-10-03", part("Workshop", "-240.00"))
            .shifted(Shift.NEXT_WORKING_DAY),
        monthly("Typefold", kestrel, "2025-10-06", part("Software", "-29.04")));
  }
}
