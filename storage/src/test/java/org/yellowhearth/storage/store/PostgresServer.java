package org.yellowhearth.storage.store;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A PostgreSQL server of Debian's own, in a folder and on a port of the loopback address of its
 * own, for as long as a test lasts.
 */
final class PostgresServer {
  private static final Path DEBIAN = Path.of("/usr/lib/postgresql");

  private final Path programs;
  private final Path folder;
  private final int port;

  private PostgresServer(Path programs, Path folder, int port) {
    this.programs = programs;
    this.folder = folder;
    this.port = port;
  }

  /** A server that runs; none where PostgreSQL is not installed. */
  static Optional<PostgresServer> start() throws IOException, InterruptedException {
    Optional<Path> programs = programs();
    if (programs.isEmpty()) {
      return Optional.empty();
    }
    Path folder = Files.createTempDirectory(Path.of("/tmp"), "hearth-pg");
    int port;
    try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      port = free.getLocalPort();
    }
    PostgresServer server = new PostgresServer(programs.get(), folder, port);
    if (root()) {
      server.run(List.of("chown", "postgres", folder.toString()));
    }
    server.asOwner(
        "initdb",
        "-D",
        server.data(),
        "-A",
        "trust",
        "-U",
        "hearth",
        "-E",
        "UTF8",
        "--locale=C.UTF-8",
        "--no-sync");
    server.begin();
    return Optional.of(server);
  }

  private static Optional<Path> programs() throws IOException {
    if (!Files.isDirectory(DEBIAN)) {
      return Optional.empty();
    }
    try (Stream<Path> versions = Files.list(DEBIAN)) {
      return versions
          .map(v -> v.resolve("bin"))
          .filter(b -> Files.isExecutable(b.resolve("initdb")))
          .max(Comparator.comparing(Path::toString));
    }
  }

  private static boolean root() {
    return System.getProperty("user.name").equals("root");
  }

  private String data() {
    return folder.resolve("data").toString();
  }

  void begin() throws IOException, InterruptedException {
    asOwner(
        "pg_ctl",
        "-D",
        data(),
        "-w",
        "-l",
        folder.resolve("log").toString(),
        "-o",
        "-p " + port + " -c listen_addresses=127.0.0.1 -c unix_socket_directories=" + folder,
        "start");
  }

  /**
   * Stops it as a power failure would: nothing is written any more, and what was confirmed is read
   * from its log at the next start.
   */
  void fail() throws IOException, InterruptedException {
    asOwner("pg_ctl", "-D", data(), "-m", "immediate", "stop");
  }

  /** A new, empty database in it. */
  String database(String name) throws IOException, InterruptedException {
    asOwner("createdb", "-h", "127.0.0.1", "-p", Integer.toString(port), "-U", "hearth", name);
    return "jdbc:postgresql://127.0.0.1:" + port + "/" + name + "?user=hearth";
  }

  /** Lets it offer TLS from now on, with a certificate that it made out to itself. */
  void offerTls() throws IOException, InterruptedException {
    asOwner(
        "/usr/bin/openssl",
        "req",
        "-new",
        "-x509",
        "-days",
        "2",
        "-nodes",
        "-subj",
        "/CN=localhost",
        "-out",
        data() + "/server.crt",
        "-keyout",
        data() + "/server.key");
    asOwner(
        "psql",
        "-h",
        "127.0.0.1",
        "-p",
        Integer.toString(port),
        "-U",
        "hearth",
        "-d",
        "postgres",
        "-c",
        "alter system set ssl = on");
    asOwner("pg_ctl", "-D", data(), "-w", "restart", "-l", folder.resolve("log").toString());
  }

  /** What it wrote into its log. */
  String log() throws IOException {
    return Files.readString(folder.resolve("log"));
  }

  private void asOwner(String program, String... arguments)
      throws IOException, InterruptedException {
    List<String> command =
        new ArrayList<>(root() ? List.of("runuser", "-u", "postgres", "--") : List.of());
    command.add(programs.resolve(program).toString());
    command.addAll(List.of(arguments));
    run(command);
  }

  private void run(List<String> command) throws IOException, InterruptedException {
    Path log = Files.createTempFile("pg", ".log");
    int code =
        new ProcessBuilder(command)
            .directory(Path.of("/tmp").toFile())
            .redirectErrorStream(true)
            .redirectOutput(log.toFile())
            .start()
            .waitFor();
    String said = Files.readString(log);
    Files.delete(log);
    if (code != 0) {
      throw new IOException(String.join(" ", command) + " ended with " + code + ": " + said);
    }
  }

  /** Stops it for good and takes its folder away. */
  void end() throws IOException, InterruptedException {
    fail();
    run(List.of("rm", "-rf", folder.toString()));
  }
}
