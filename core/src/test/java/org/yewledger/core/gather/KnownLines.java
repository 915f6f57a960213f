package org.yewledger.core.gather;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** The lines of an account as a test has gathered them so far. */
final class KnownLines {
  private final Map<UUID, KnownLine> lines = new HashMap<>();
  private final List<BankLine> booked = new ArrayList<>();

  static KnownLine booked(BankLine line, LineSource source) {
    return known(line, source, KnownLine.Standing.BOOKED);
  }

  static KnownLine known(BankLine line, LineSource source, KnownLine.Standing standing) {
    UUID id = UUID.randomUUID();
    return new KnownLine(id, line.key(), 1, source, standing, id);
  }

  /** Takes a file in, the way the application does. */
  List<Arrival> take(List<BankLine> file, LineSource source) {
    List<Arrival> arrivals = Duplicates.compare(lines.values(), file, source);
    for (Arrival arrival : arrivals) {
      if (arrival.comesIn()) {
        add(arrival, source);
      }
      if (arrival.replaces() != null) {
        lines.remove(arrival.replaces());
      }
    }
    return arrivals;
  }

  private void add(Arrival arrival, LineSource source) {
    BankLine line = arrival.line();
    UUID id = UUID.randomUUID();
    var standing = line.isPending() ? KnownLine.Standing.PENDING : KnownLine.Standing.BOOKED;
    var known = new KnownLine(id, arrival.key(), arrival.ordinal(), source, standing, id);
    lines.put(known.id(), known);
    if (!line.isPending()) {
      booked.add(line);
    }
  }

  List<BankLine> booked() {
    return booked;
  }

  long pendingCount() {
    return lines.values().stream().filter(l -> l.standing() == KnownLine.Standing.PENDING).count();
  }
}
