package org.yewledger.core.chart;

/**
 * A row of a chart written as a table. All cells are text as they stand in the file; empty where
 * nothing is said.
 *
 * @param line the line of the file, from 1
 * @param group the group that it stands in; the row of the group may stand anywhere in the table
 * @param kind an {@link org.yewledger.core.ledger.AccountKind} in lower case with spaces; {@code
 *     income group} and the like for groups
 * @param opensOn ISO 8601
 * @param openingBalance a decimal number with a point, a debt below zero
 */
public record ChartRow(
    int line,
    String name,
    String kind,
    String group,
    String currency,
    String number,
    String ending,
    String institution,
    String opensOn,
    String openingBalance,
    String taxFormLine,
    String notes) {}
