package org.yewledger.app.sheet;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.sheet.EntrySheetService.SheetTaken;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.sheet.SheetDoubles.Answers;
import org.yewledger.core.sheet.SheetDoubles.Said;
import org.yewledger.core.sheet.SheetName;
import org.yewledger.core.sheet.SheetSign;
import org.yewledger.formats.table.EntryTableLayout;
import org.yewledger.formats.table.EntryTableLayout.Column;
import org.yewledger.formats.table.Table;
import org.yewledger.formats.table.TableLayout.DateOrder;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableReading;

/** What the API says about a person's own sheet of entries. */
final class EntrySheetJson {
  private EntrySheetJson() {}

  /** What is made of a name that means nothing yet. */
  enum MadeCategory {
    EXPENSE(AccountKind.EXPENSE),
    INCOME(AccountKind.INCOME);

    private final AccountKind kind;

    MadeCategory(AccountKind kind) {
      this.kind = kind;
    }

    AccountKind kind() {
      return kind;
    }
  }

  /**
   * How a sheet is read.
   *
   * @param encoding null to find it out; so are {@code separator} and {@code headerLine}
   * @param meanings one per column; empty to propose them
   * @param leaveOutOthers whether rows that are no entries, such as totals, are left out
   */
  record SheetLayoutJson(
      @Nullable @Size(max = Texts.SHORT) String encoding,
      @Nullable @Size(max = Texts.SHORT) String separator,
      @Nullable Integer headerLine,
      @NotNull @Size(max = 1_000) List<@NotNull Column> meanings,
      @Nullable DateOrder dateOrder,
      @Nullable DecimalMark decimalMark,
      @Nullable SheetSign sign,
      @Nullable Boolean leaveOutOthers) {
    static SheetLayoutJson of(SheetReading reading) {
      Table table = reading.table();
      EntryTableLayout layout = reading.layout();
      return new SheetLayoutJson(
          table.charset() == null ? null : table.charset().name(),
          table.charset() == null ? null : String.valueOf(table.separator()),
          table.rows().get(table.headerIndex()).line(),
          layout.meanings(),
          layout.dateOrder(),
          layout.decimalMark(),
          layout.sign(),
          reading.leavesOutOthers());
    }

    boolean leavesOutOthers() {
      return Boolean.TRUE.equals(leaveOutOthers);
    }

    TableReading reading() {
      return TableReading.said(encoding, separator, headerLine);
    }

    /** What the columns mean; what is not said is as detected. */
    EntryTableLayout over(EntryTableLayout detected) {
      boolean fits = meanings.size() == detected.meanings().size();
      return new EntryTableLayout(
          fits ? meanings : detected.meanings(),
          Objects.requireNonNullElse(dateOrder, detected.dateOrder()),
          Objects.requireNonNullElse(decimalMark, detected.decimalMark()),
          Objects.requireNonNullElse(sign, detected.sign()));
    }
  }

  /**
   * What a name in the sheet means.
   *
   * @param name as the sheet has it; empty for rows that name nothing
   * @param accountId the account or category; null where one is made
   * @param make the category that is made of the name
   */
  record SheetNameSaidJson(
      SheetName.@NotNull Side side,
      @NotNull @Size(max = Texts.NAME) String name,
      @Nullable UUID accountId,
      @Nullable MadeCategory make) {}

  /**
   * How a sheet is taken.
   *
   * @param bookId the book whose accounts and categories its names are
   * @param layout how it is read; null for as a sheet with its columns was before, or to find out
   * @param alike what becomes of rows that may be there already; null while that is not said
   * @param twins what becomes of the second rows of transfers that stand in the sheet twice
   */
  record SheetAskedJson(
      @NotNull UUID bookId,
      @Nullable @Valid SheetLayoutJson layout,
      @NotNull @Size(max = 5_000) List<@NotNull @Valid SheetNameSaidJson> names,
      @Nullable Said alike,
      @Nullable Said twins) {
    Answers answers() {
      return new Answers(alike, twins);
    }

    /** What is said of names; the last, where one is said twice. */
    Map<SheetName, SheetNameSaidJson> said() {
      Map<SheetName, SheetNameSaidJson> said = new HashMap<>();
      names.forEach(name -> said.put(SheetName.of(name.side(), name.name()), name));
      return said;
    }
  }

  /** How many entries came, how many rows were left out, and how many categories were made. */
  record SheetTakenJson(int entries, int leftOut, int categories) {
    static SheetTakenJson of(SheetTaken taken) {
      return new SheetTakenJson(taken.entries(), taken.leftOut(), taken.categories());
    }
  }
}
