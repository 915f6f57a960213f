package org.yewledger.bench;

import java.sql.Connection;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Ten people on one household for a minute: they look, post, take back, undo, correct an opening
 * balance. Baseline: one of them alone, before. None may be answered with an error of the server.
 */
final class LoadBench {
  private static final int PEOPLE = 10;
  private static final long SECONDS = 60;
  private static final int LINES = 2_000;
  private static final Pattern LINE =
      Pattern.compile("\"id\":\"([0-9a-f-]{36})\",\"version\":(\\d+),\"accountId\"");
  private static final Pattern UNDO = Pattern.compile("\"undo\":\\{\"id\":\"([0-9a-f-]{36})\"");

  private record Answer(int status, double millis) {}

  private LoadBench() {}

  static void run() throws Exception {
    try (var application = new RunningApplication();
        Connection database = ImportBench.asOwner()) {
      ImportBench.Keeper keeper = ImportBench.keeper(application, database, "Load");
      ImportBench.takeIn(keeper, ImportBench.ofx(LINES, 11));
      UUID category = PostBench.category(database, keeper.account());
      var windows = new ArrayList<Window>();
      for (int i = 0; i < PEOPLE; i++) {
        windows.add(application.signedIn(keeper.email(), ImportBench.PASSWORD));
      }
      List<Answer> alone = answers(windows.subList(0, 1), keeper, category, SECONDS / 4);
      List<Answer> together = answers(windows, keeper, category, SECONDS);
      Bench.figure("load-ten-people-answers", together.size(), "answers", ">= 1000");
      Bench.figure(
          "load-ten-people-errors-of-the-server",
          together.stream().filter(a -> a.status() >= 500).count(),
          "answers",
          "<= 0");
      Bench.figure(
          "load-ten-people-told-somebody-was-first",
          together.stream().filter(a -> a.status() == 409).count(),
          "answers",
          ">= 0");
      Bench.figure("load-one-person-median", at(alone, 0.5), "ms", ">= 0");
      Bench.figure("load-ten-people-median", at(together, 0.5), "ms", ">= 0");
      Bench.figure("load-ten-people-slowest-of-a-hundred", at(together, 0.99), "ms", ">= 0");
      Bench.figure(
          "load-ten-over-one", at(together, 0.5) / at(alone, 0.5), "ratio", "<= " + PEOPLE);
    }
  }

  private static double at(List<Answer> answers, double share) {
    double[] millis = answers.stream().mapToDouble(Answer::millis).sorted().toArray();
    return millis[(int) (share * (millis.length - 1))];
  }

  private static List<Answer> answers(
      List<Window> windows, ImportBench.Keeper keeper, UUID category, long seconds)
      throws Exception {
    var answers = new ConcurrentLinkedQueue<Answer>();
    long end = System.nanoTime() + seconds * 1_000_000_000L;
    try (var people = Executors.newFixedThreadPool(windows.size())) {
      var working = new ArrayList<Future<?>>();
      for (int i = 0; i < windows.size(); i++) {
        Window window = windows.get(i);
        var random = new Random(i);
        working.add(
            people.submit(() -> {
              while (System.nanoTime() < end) {
                act(window, random, keeper.account(), category, answers);
              }
              return null;
            }));
      }
      for (Future<?> one : working) {
        one.get();
      }
    }
    return List.copyOf(answers);
  }

  private static void act(
      Window window,
      Random random,
      UUID account,
      UUID category,
      ConcurrentLinkedQueue<Answer> answers)
      throws Exception {
    switch (random.nextInt(8)) {
      case 0 -> timed(answers, () -> window.ask("GET", "/api/almanac", ""));
      case 1 -> timed(answers, () -> window.ask("GET", "/api/entries", ""));
      case 2 -> timed(answers, () -> window.ask("GET", "/api/chart?on=2026-09-30", ""));
      case 3 -> {
        Matcher undo = UNDO.matcher(window.ask("GET", "/api/acts/next", "").body());
        if (undo.find()) {
          String path = "/api/acts/" + undo.group(1) + "/undo";
          timed(answers, () -> window.ask("POST", path, ""));
        }
      }
      case 4 -> {
        String wanted =
            "{\"accounts\":[{\"accountId\":\"%s\",\"opensOn\":\"2019-01-01\",\"balance\":\"%d.00\"}]}"
                .formatted(account, random.nextInt(1_000));
        timed(answers, () -> window.ask("PUT", "/api/opening-balances", wanted));
      }
      default -> post(window, random, category, answers);
    }
  }

  /** Looks what waits, posts one of it, and now and then takes it back. */
  private static void post(
      Window window, Random random, UUID category, ConcurrentLinkedQueue<Answer> answers)
      throws Exception {
    Window.Said page = timed(answers, () -> window.ask("GET", "/api/waiting-lines", ""));
    Matcher line = LINE.matcher(page.body());
    for (int skip = random.nextInt(40); skip >= 0 && line.find(); skip--) {
      if (skip == 0) {
        String id = line.group(1);
        String accepted =
            """
            {"lines":[{"lineId":"%s","version":%s,"booking":{"payee":"Shop %d","restToSuspense":true,"parts":[{"accountId":"%s","amount":"-0.01"}]}}]}\
            """
                .formatted(id, line.group(2), random.nextInt(50), category);
        timed(answers, () -> window.ask("POST", "/api/waiting-lines/post", accepted));
        if (random.nextInt(4) == 0) {
          String back = "{\"lineIds\":[\"" + id + "\"]}";
          timed(answers, () -> window.ask("POST", "/api/waiting-lines/take-back", back));
        }
      }
    }
  }

  private interface Asking {
    Window.Said ask() throws Exception;
  }

  private static Window.Said timed(ConcurrentLinkedQueue<Answer> answers, Asking asking)
      throws Exception {
    long start = System.nanoTime();
    Window.Said said = asking.ask();
    answers.add(new Answer(said.status(), (System.nanoTime() - start) / 1e6));
    return said;
  }
}
