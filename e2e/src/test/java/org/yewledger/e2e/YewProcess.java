package org.yewledger.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** The application as people run it: the packaged one, as a process of its own. */
final class YewProcess implements AutoCloseable {
  private static final Path ROOT = Path.of("..");

  private final Process process;

  private YewProcess(Process process) {
    this.process = process;
  }

  /**
   * @param environment what it is told besides its port
   * @param log below .yew
   */
  static YewProcess start(int port, Map<String, String> environment, String log)
      throws IOException {
    ProcessBuilder builder = packaged(environment);
    builder.environment().put("YEW_PORT", String.valueOf(port));
    builder.redirectOutput(ROOT.resolve(".yew").resolve(log).toFile());
    return new YewProcess(builder.start());
  }

  /** What a command of the application said, and whether it was done. */
  record Told(int exitCode, String words) {}

  /** Does one of its commands and waits for it. */
  static Told command(Map<String, String> environment, String... command)
      throws IOException, InterruptedException {
    Process process = packaged(environment, command).start();
    String words = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return new Told(process.waitFor(), words);
  }

  private static ProcessBuilder packaged(Map<String, String> environment, String... arguments)
      throws IOException {
    try (Stream<Path> built = Files.list(ROOT.resolve("app/target"))) {
      Path jar = built.filter(p -> p.toString().endsWith("-exec.jar")).findFirst().orElseThrow();
      var command =
          new ArrayList<>(
              List.of(
                  ProcessHandle.current().info().command().orElseThrow(),
                  "-Xmx400m",
                  "-jar",
                  jar.toAbsolutePath().toString()));
      command.addAll(List.of(arguments));
      var builder = new ProcessBuilder(command).redirectErrorStream(true);
      builder.environment().putAll(environment);
      return builder;
    }
  }

  static int freePort() throws IOException {
    try (var free = new ServerSocket(0)) {
      return free.getLocalPort();
    }
  }

  /** As if the machine lost it: without a word. */
  void kill() throws InterruptedException {
    process.destroyForcibly().waitFor();
  }

  @Override
  public void close() throws InterruptedException {
    kill();
  }
}
