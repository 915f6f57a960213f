package org.yewledger.core.rules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.testng.annotations.Test;

public class LearnedTextsTest {
  private static final UUID KIOSK = new UUID(7, 1);
  private static final UUID OTHER = new UUID(7, 2);

  @Test
  public void whatDiffersBetweenTheTextsOfOnePayeeIsABranch() {
    LearnedTexts learned = LearnedTexts.of(Map.of("KIOSK LYNHAM", KIOSK, "KIOSK OSTWICK", KIOSK));
    assertEquals(
        learned.like("KIOSK ELLERY").orElseThrow(),
        new LearnedTexts.Like(KIOSK, Words.of("KIOSK"), List.of("KIOSK LYNHAM", "KIOSK OSTWICK")));
    assertTrue(learned.like("NORTHGATE FUEL").isEmpty());
  }

  @Test
  public void oneTextOrTwoPayeesTellNothing() {
    assertTrue(LearnedTexts.of(Map.of("KIOSK LYNHAM", KIOSK)).like("KIOSK ELLERY").isEmpty());
    Map<String, UUID> two = Map.of("OLD MARKET", KIOSK, "OLD MILL", OTHER);
    assertTrue(LearnedTexts.of(two).like("OLD SMITHY").isEmpty());
  }

  @Test
  public void aWayOfPayingIsNoName() {
    Map<String, UUID> ways = Map.of("CARD LYNHAM", KIOSK, "CARD OSTWICK", KIOSK);
    assertTrue(LearnedTexts.of(ways).like("CARD ELLERY").isEmpty());
  }

  /** Whatever is known: what is learned holds of every known text that begins so. */
  @Test
  public void nothingKnownContradictsWhatIsLearned() {
    var random = new Random(13);
    int found = 0;
    for (int round = 0; round < 500; round++) {
      Map<String, UUID> known = new HashMap<>();
      for (int i = 0; i < 12; i++) {
        known.put(
            "NAME" + (char) ('A' + random.nextInt(5)) + " TOWN" + (char) ('A' + random.nextInt(9)),
            random.nextInt(4) == 0 ? OTHER : KIOSK);
      }
      LearnedTexts learned = LearnedTexts.of(known);
      for (char name = 'A'; name < 'F'; name++) {
        String word = "NAME" + name;
        var like = learned.like(word + " ELSEWHERE");
        Set<UUID> payees = new HashSet<>();
        known.forEach((text, payee) -> {
          if (text.startsWith(word + " ")) {
            payees.add(payee);
          }
        });
        like.ifPresent(l -> assertEquals(payees, Set.of(l.payeeId())));
        found += like.isPresent() ? 1 : 0;
      }
    }
    assertTrue(found > 100);
  }
}
