package org.yellowhearth.storage.store;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.postgresql.ds.PGSimpleDataSource;

/**
 * Where a shared shop is and how a bench gets in. Name and password are taken out of the address at
 * once, so that neither a message nor a log that tells of the connection can tell them; and unless
 * the address says otherwise, a server on another computer is only spoken to under TLS.
 */
public final class PostgresAddress {
  private static final String PREFIX = "jdbc:postgresql:";
  private static final String HIDDEN = "…";
  private static final int CONNECT_SECONDS = 8;

  private final String text;
  private final String place;

  /** What stands behind the question mark, as it was typed, by its name. */
  private final Map<String, String> parameters = new LinkedHashMap<>();

  private PostgresAddress(String text) {
    this.text = text;
    int question = text.indexOf('?');
    place = question < 0 ? text : text.substring(0, question);
    if (question >= 0) {
      for (String pair : text.substring(question + 1).split("&", -1)) {
        int equals = pair.indexOf('=');
        if (!pair.isEmpty()) {
          parameters.put(
              equals < 0 ? pair : pair.substring(0, equals),
              equals < 0 ? "" : pair.substring(equals + 1));
        }
      }
    }
  }

  /** Whether this looks like the address of a shared shop. */
  public static boolean is(String address) {
    return address.strip().toLowerCase(Locale.ROOT).startsWith(PREFIX);
  }

  /**
   * Reads an address such as {@code jdbc:postgresql://workshop.local/hearth?user=ann}.
   *
   * @throws ShopException where it is none, or carries name and password where every message would
   *     show them
   */
  public static PostgresAddress parse(String address) {
    if (!is(address)) {
      throw new ShopException(
          "\""
              + address.strip()
              + "\" is not the address of a shared shop. Expected one such as "
              + "jdbc:postgresql://workshop.local/hearth?user=ann");
    }
    PostgresAddress a = new PostgresAddress(address.strip());
    if (a.place.contains("@")) {
      throw new ShopException(
          "Name and password do not belong before the name of the server. Write them behind it, as in "
              + "jdbc:postgresql://workshop.local/hearth?user=ann&password="
              + HIDDEN);
    }
    return a;
  }

  /** The whole of it, with its password, as it is written down. */
  public String text() {
    return text;
  }

  /** For messages: the server, the database and who asks; nothing else. */
  public String shown() {
    return place
        + Optional.ofNullable(parameters.get("user")).map(u -> " as " + decoded(u)).orElse("");
  }

  private static boolean secret(String name) {
    return name.toLowerCase(Locale.ROOT).contains("password");
  }

  /** For a field in which it is changed: whatever is a password shows as a dot. */
  public String masked() {
    return parameters.isEmpty()
        ? place
        : place
            + "?"
            + parameters.entrySet().stream()
                .map(e -> e.getKey() + "=" + (secret(e.getKey()) ? HIDDEN : e.getValue()))
                .collect(Collectors.joining("&"));
  }

  /**
   * What was typed, with the passwords that it left as they were taken from what had been written
   * down.
   */
  public PostgresAddress withPasswordsOf(Optional<PostgresAddress> before) {
    String filled = text;
    for (Map.Entry<String, String> e : parameters.entrySet()) {
      String old = before.map(b -> b.parameters.getOrDefault(e.getKey(), "")).orElse("");
      if (secret(e.getKey()) && e.getValue().equals(HIDDEN) && !old.isEmpty()) {
        filled = filled.replace(e.getKey() + "=" + HIDDEN, e.getKey() + "=" + old);
      }
    }
    return new PostgresAddress(filled);
  }

  /** Whether the server is on this very computer, so that nothing goes over a network. */
  private boolean here() {
    String host =
        place
            .substring(PREFIX.length())
            .replaceFirst("^//", "")
            .replaceFirst("/.*$", "")
            .replaceFirst(":\\d+$", "");
    return host.isEmpty()
        || host.equalsIgnoreCase("localhost")
        || host.matches("127(\\.\\d+){3}")
        || host.equals("[::1]");
  }

  /** Whether the address itself says how the connection is secured. */
  boolean saysHowSecured() {
    return parameters.containsKey("sslmode");
  }

  private static String decoded(String value) {
    return URLDecoder.decode(value, StandardCharsets.UTF_8);
  }

  /**
   * What connections are made from.
   *
   * @throws ShopException where no server can have such an address
   */
  DataSource source() {
    PGSimpleDataSource source = new PGSimpleDataSource();
    String rest =
        parameters.entrySet().stream()
            .filter(e -> !e.getKey().equals("user") && !e.getKey().equals("password"))
            .map(e -> e.getKey() + "=" + e.getValue())
            .collect(Collectors.joining("&"));
    try {
      source.setURL(rest.isEmpty() ? place : place + "?" + rest);
    } catch (IllegalArgumentException _) {
      // The driver would quote all of it.
      throw new ShopException(
          "The address "
              + shown()
              + " cannot be that of a server. Expected one such as "
              + "jdbc:postgresql://workshop.local:5432/hearth?user=ann");
    }
    Optional.ofNullable(parameters.get("user")).ifPresent(u -> source.setUser(decoded(u)));
    Optional.ofNullable(parameters.get("password")).ifPresent(p -> source.setPassword(decoded(p)));
    source.setConnectTimeout(CONNECT_SECONDS);
    source.setTcpKeepAlive(true);
    if (!saysHowSecured() && !here()) {
      source.setSslMode("require");
    }
    return source;
  }
}
