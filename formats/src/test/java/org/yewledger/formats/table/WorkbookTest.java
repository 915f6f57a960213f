package org.yewledger.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.testng.annotations.Test;

public class WorkbookTest {
  @Test
  public void numbersAreNumbersDaysAreDaysAndTextsAreNoFormulas() throws IOException {
    byte[] file =
        Workbook.write(
            "Report",
            List.of("name", "amount", "day"),
            List.of(
                List.of("=1+1", new BigDecimal("-1234.56"), LocalDate.of(2026, 9, 30)),
                List.of("Groceries", BigDecimal.ZERO, "")));
    try (var workbook = new ReadableWorkbook(new ByteArrayInputStream(file))) {
      List<Row> rows = workbook.getFirstSheet().read();
      assertEquals(rows.size(), 3);
      Row row = rows.get(1);
      assertEquals(row.getCell(0).getType(), CellType.STRING);
      assertEquals(row.getCell(0).asString(), "=1+1");
      assertEquals(row.getCell(1).getType(), CellType.NUMBER);
      assertEquals(row.getCell(1).asNumber().compareTo(new BigDecimal("-1234.56")), 0);
      assertEquals(row.getCell(2).asDate().toLocalDate(), LocalDate.of(2026, 9, 30));
      assertFalse(rows.getFirst().getCell(0).asString().isEmpty());
    }
  }

  @Test
  public void whatIsNoCellIsAFault() {
    expectThrows(
        IllegalArgumentException.class,
        () -> Workbook.write("Report", List.of("x"), List.of(List.of(1L))));
  }
}
