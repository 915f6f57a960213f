package org.yewledger.formats.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** A small statement as a workbook. */
public final class XlsxSample {
  private XlsxSample() {}

  public static byte[] workbook() throws IOException {
    var out = new ByteArrayOutputStream();
    try (var workbook = new Workbook(out, "Yew Ledger", "1.0")) {
      Worksheet sheet = workbook.newWorksheet("September");
      sheet.value(0, 0, "Account NL00DEMO004417");
      String[] names = {"Booked", "Description", "Amount", "Balance"};
      for (int i = 0; i < names.length; i++) {
        sheet.value(2, i, names[i]);
      }
      Object[][] rows = {
        {LocalDate.parse("2026-09-04"), "Café", -3.2, 96.8},
        {LocalDate.parse("2026-09-05"), "Pay; weekly", 326, 422.8},
        {LocalDate.parse("2026-09-06"), "Fuel", -63.92, 358.88}
      };
      for (int r = 0; r < rows.length; r++) {
        sheet.value(3 + r, 0, (LocalDate) rows[r][0]);
        sheet.style(3 + r, 0).format("dd/mm/yyyy").set();
        sheet.value(3 + r, 1, (String) rows[r][1]);
        sheet.value(3 + r, 2, (Number) rows[r][2]);
        sheet.value(3 + r, 3, (Number) rows[r][3]);
      }
    }
    return out.toByteArray();
  }
}
