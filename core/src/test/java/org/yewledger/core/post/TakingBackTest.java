package org.yewledger.core.post;

import static org.testng.Assert.assertEquals;
import static org.yewledger.core.post.TakingBack.GOES;
import static org.yewledger.core.post.TakingBack.STAYS;
import static org.yewledger.core.post.TakingBack.STAYS_BY_HAND;

import java.util.List;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Entry.Origin;
import org.yewledger.core.post.TakingBack.Line;

public class TakingBackTest {
  private static final Line MAKER_GOES = new Line(true, true);
  private static final Line MAKER_STAYS = new Line(true, false);
  private static final Line TWIN_GOES = new Line(false, true);
  private static final Line TWIN_STAYS = new Line(false, false);

  @Test
  public void anEntryGoesWithTheLineThatMadeIt() {
    assertEquals(TakingBack.of(Origin.BANK_LINE, List.of(MAKER_GOES)), GOES);
    assertEquals(TakingBack.of(Origin.BANK_LINE, List.of(MAKER_GOES, TWIN_GOES)), GOES);
  }

  @Test
  public void whatWasMadeByHandStaysWhateverLinesGo() {
    assertEquals(TakingBack.of(Origin.BY_HAND, List.of(TWIN_GOES)), STAYS);
    assertEquals(TakingBack.of(Origin.BY_HAND, List.of(TWIN_GOES, TWIN_STAYS)), STAYS);
  }

  @Test
  public void aTwinDoesNotTakeTheEntryOfAnotherLineWithIt() {
    assertEquals(TakingBack.of(Origin.BANK_LINE, List.of(MAKER_STAYS, TWIN_GOES)), STAYS);
    assertEquals(TakingBack.of(Origin.BANK_LINE, List.of(MAKER_GOES, TWIN_STAYS)), STAYS_BY_HAND);
  }
}
