package org.yewledger.core.compare;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TypingSlipTest {
  @DataProvider
  Object[][] amounts() {
    return new Object[][] {
      {54_00L, 45_00L, true},
      {45_00L, 45_10L, true},
      {45_00L, 4_500_00L, true},
      {14_80L, 1_48L, true},
      {-14_80L, -114_80L, true},
      {-54_00L, 45_00L, true},
      {45_00L, 45_00L, false},
      {45_00L, 54_10L, false},
      {45_00L, 50_40L, false},
      {45_00L, 12_31L, false},
      {45_00L, 0L, false},
      {12_34L, 34_12L, false},
    };
  }

  @Test(dataProvider = "amounts")
  public void oneSlipIsToldFromTwo(long one, long other, boolean slip) {
    assertEquals(TypingSlip.isBetween(one, other), slip);
    assertEquals(TypingSlip.isBetween(other, one), slip);
  }
}
