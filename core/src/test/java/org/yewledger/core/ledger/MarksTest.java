package org.yewledger.core.ledger;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.Test;
import org.yewledger.core.Refusal;

public class MarksTest {
  @Test
  public void aTagIsThereOnceWhateverItsCaseAndByName() {
    assertEquals(
        Marks.of(" R-1 ", null, List.of("Wedding", "fair ", "wedding")),
        new Marks("R-1", null, List.of("fair", "Wedding")));
  }

  @Test
  public void tagsAreBounded() {
    assertEquals(
        expectThrows(Refusal.class, () -> Marks.of("", null, List.of(" "))).code(),
        "tag-unreadable");
    assertEquals(
        expectThrows(Refusal.class, () -> Marks.of("", null, List.of("x".repeat(41)))).code(),
        "tag-unreadable");
    List<String> many = IntStream.range(0, 21).mapToObj(i -> "t" + i).toList();
    assertEquals(
        expectThrows(Refusal.class, () -> Marks.of("", null, many)).code(), "too-many-tags");
  }
}
