package org.yewledger.formats;

import java.util.EnumMap;
import java.util.Map;
import org.yewledger.core.gather.LineDetail;

/** Gathers what a source says of a line beside its party and text; what is blank is not kept. */
public final class Details {
  private final Map<LineDetail, String> said = new EnumMap<>(LineDetail.class);

  /** Adds a text; said twice differently, both are kept. */
  public Details add(LineDetail detail, String text) {
    String plain = text.strip();
    if (!plain.isEmpty()) {
      said.merge(detail, plain, (a, b) -> a.contains(b) ? a : a + ", " + b);
    }
    return this;
  }

  public Map<LineDetail, String> said() {
    return said;
  }
}
