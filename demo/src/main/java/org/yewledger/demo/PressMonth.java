package org.yewledger.demo;

import static org.yewledger.demo.AldercottYear.KESTREL;
import static org.yewledger.demo.AldercottYear.KESTREL_CARD;
import static org.yewledger.demo.AldercottYear.SHOP;

import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yewledger.demo.Happening.Line;
import org.yewledger.demo.Happening.Share;

/** A month of Saltmarsh Letterpress: rent and paper, commissions, the shop at home and abroad. */
final class PressMonth {
  private final Story story;

  PressMonth(Story story) {
    this.story = story;
  }

  /**
   * @param cardOwed what the press's card stood at when the month began
   */
  void happen(long cardOwed) {
    workshop();
    if (!story.month().isBefore(YearMonth.from(AldercottChart.CARD_START))) {
      card(cardOwed);
    }
    shopAbroad();
  }

  private void workshop() {
    story.out(KESTREL, 3, "SALTMARSH YARD RENT", "Saltmarsh Yard", "Workshop", -240_00);
    story.out(KESTREL, 6, "TYPEFOLD SUBSCRIPTION", "Typefold", "Software", -29_04);
    story.out(
        KESTREL,
        story.month().lengthOfMonth(),
        "BUSINESS ACCOUNT FEE",
        "Account fee",
        "Account fees",
        -9_50);
    for (int day = 5; day <= story.month().lengthOfMonth(); day += 7) {
      story.in(
          KESTREL,
          day,
          "SHOP PAYOUT WK " + (day / 7 + 1),
          "",
          "Online shop",
          "Online shop",
          story.between(84_00, 176_00));
    }
    story.in(
        KESTREL,
        18,
        "THISTLE QUIRE INV " + (380 + story.month().getMonthValue()),
        "",
        "Thistle & Quire",
        "Stationers",
        story.between(120_00, 360_00));
    if (story.month().getMonthValue() % 2 == 0) {
      story.in(
          KESTREL,
          11,
          "PAPER LANTERN INV " + (210 + story.month().getMonthValue()),
          "",
          "Paper Lantern",
          "Stationers",
          story.between(90_00, 240_00));
    }
    String[] weddings = {"HARTWELL", "OAKSHOTT", "PENROSE", "ASHBY"};
    String couple = weddings[story.month().getMonthValue() % weddings.length];
    story.in(
        KESTREL,
        24,
        "J " + couple + " BAL",
        "",
        title(couple) + " wedding",
        "Commissions",
        story.between(260_00, 620_00));
    story.out(
        KESTREL,
        9,
        "INKWELL AND SONS INV " + (2500 + story.month().getMonthValue()),
        "Inkwell & Sons Paper",
        "Paper and ink",
        -story.between(84_00, 210_00));
    if (story.month().getMonthValue() == 11
        || story.month().getMonthValue() == 12
        || story.month().getMonthValue() == 9) {
      story.out(KESTREL, 28, "ELLERY MKT P14", "Ellery Winter Market", "Stalls", -163_35);
      story.in(
          KESTREL,
          29,
          "CASH PAID IN ELLERY",
          "",
          "Ellery Winter Market",
          "Fairs",
          story.between(320_00, 780_00));
    }
  }

  private void card(long owed) {
    for (int day = 4 + story.random.nextInt(3); day <= story.month().lengthOfMonth(); day += 6) {
      story.add(
          story.line(
              KESTREL_CARD, day, -story.between(9_80, 24_90), "POSTBARROW 0771 COLLECT", "", "POS"),
          "Postbarrow Couriers",
          "Post and couriers");
    }
    story.add(
        story.line(KESTREL_CARD, 19, -story.between(24_00, 58_00), "LAMPBLACK INKS", "", "POS"),
        "Lampblack Inks",
        "Paper and ink");
    if (owed > 0) {
      story.transfer(
          KESTREL,
          KESTREL_CARD,
          15,
          owed,
          "KESTREL CARD 7731",
          "PAYMENT THANK YOU",
          "Kestrel Card payment");
    }
  }

  /** Sales abroad, in dollars; once a month the shop pays out what has come together, in euros. */
  private void shopAbroad() {
    if (story.month().isBefore(YearMonth.from(AldercottChart.SHOP_START))) {
      return;
    }
    for (int week = 1; week <= 3; week++) {
      long sold = 38_00 + story.sales.nextInt(90_00);
      int day = 2 + week * 6;
      story.in(SHOP, day, "ORDERS WEEK " + week, "", "Orders abroad", "Online shop", sold);
      story.add(
          story.line(SHOP, day, -sold * 65 / 1000, "SELLING FEE WEEK " + week, "", "FEE"),
          "Selling fee",
          "Shop fees");
    }
    // Some of it stays there, for what the shop buys abroad.
    long dollars = story.balance(SHOP) / 2 / 50_00 * 50_00;
    if (dollars > 0) {
      // The shop takes a little more than the market for the exchange.
      long euros = Math.round(dollars * DemoRates.of(story.month()).doubleValue() * 0.988);
      Line given = story.line(SHOP, 26, -dollars, "PAYOUT TO BANK 2208", "", "XFER");
      Line taken =
          story.line(KESTREL, 28, euros, "SHOP PAYOUT ABROAD", "USD " + dollars / 100, "XFER");
      story.book(
          new Happening(
              given,
              "Shop payout",
              "",
              List.of(new Share(KESTREL, -dollars, "", euros)),
              Optional.of(taken)));
    }
  }

  private static String title(String upper) {
    return upper.charAt(0) + upper.substring(1).toLowerCase(Locale.ROOT);
  }
}
