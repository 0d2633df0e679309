package org.yellowhearth.knowledge.json;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;

/**
 * Reads JSON that nobody vouches for: bounded in size, depth and number of values, and every value
 * knows its line.
 */
public final class JsonText {
  /** Files above this many bytes are refused before they are read. */
  public static final long LARGEST_BYTES = 32L * 1024 * 1024;

  private static final int DEEPEST = 40;
  private static final long MOST_TOKENS = 4_000_000;
  private static final int LONGEST_TEXT = 100_000;
  private static final int LONGEST_NUMBER = 60;

  private static final JsonFactory FACTORY =
      JsonFactory.builder()
          .streamReadConstraints(
              StreamReadConstraints.builder()
                  .maxNestingDepth(DEEPEST)
                  .maxStringLength(LONGEST_TEXT)
                  .maxNumberLength(LONGEST_NUMBER)
                  .maxNameLength(200)
                  .maxTokenCount(MOST_TOKENS)
                  .maxDocumentLength(LARGEST_BYTES)
                  .build())
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .build();

  private final JsonParser parser;
  private final Map<String, Integer> lines = new HashMap<>();

  private JsonText(JsonParser parser) {
    this.parser = parser;
  }

  /**
   * Reads a file.
   *
   * @throws BadFileException where it is too large or no JSON
   * @throws IOException where it cannot be read at all
   */
  public static JsonValue read(Path file) throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new BadFileException(file + " is not a file", 0, "");
    }
    long size = Files.size(file);
    if (size > LARGEST_BYTES) {
      throw new BadFileException(
          "the file has "
              + size / (1024 * 1024)
              + " MB; expected at most "
              + LARGEST_BYTES / (1024 * 1024)
              + " MB",
          0,
          "");
    }
    try (InputStream in = Files.newInputStream(file)) {
      return read(in);
    }
  }

  /** Reads JSON from a stream, with the same bounds. */
  public static JsonValue read(InputStream in) throws IOException {
    try (JsonParser parser = FACTORY.createParser(in)) {
      JsonText text = new JsonText(parser);
      JsonNode root = text.document();
      return new JsonValue(root, "", text.lines);
    } catch (JsonProcessingException e) {
      int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNr());
      throw new BadFileException(
          "no valid JSON: " + e.getOriginalMessage().replaceAll("\\R.*", ""), line, "");
    }
  }

  /** Reads JSON from text that the program wrote itself. */
  public static JsonValue read(String json) {
    try (InputStream in = new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))) {
      return read(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private JsonNode document() throws IOException {
    if (parser.nextToken() == null) {
      throw new BadFileException("the file is empty; expected a JSON object", 1, "");
    }
    JsonNode root = value("");
    if (parser.nextToken() != null) {
      throw new BadFileException(
          "something follows the end of the JSON object",
          parser.currentTokenLocation().getLineNr(),
          "");
    }
    return root;
  }

  private JsonNode value(String pointer) throws IOException {
    lines.put(pointer, parser.currentTokenLocation().getLineNr());
    return switch (parser.currentToken()) {
      case START_OBJECT -> object(pointer);
      case START_ARRAY -> array(pointer);
      case VALUE_STRING -> JsonNodeFactory.instance.textNode(parser.getText());
      case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT ->
          JsonNodeFactory.instance.numberNode(parser.getDoubleValue());
      case VALUE_TRUE -> JsonNodeFactory.instance.booleanNode(true);
      case VALUE_FALSE -> JsonNodeFactory.instance.booleanNode(false);
      case VALUE_NULL -> JsonNodeFactory.instance.nullNode();
      case null, default ->
          throw new BadFileException(
              "the file ends too early", parser.currentLocation().getLineNr(), pointer);
    };
  }

  private ObjectNode object(String pointer) throws IOException {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    while (parser.nextToken() == JsonToken.FIELD_NAME) {
      String name = parser.currentName();
      parser.nextToken();
      node.set(name, value(pointer + "/" + name.replace("~", "~0").replace("/", "~1")));
    }
    return node;
  }

  private ArrayNode array(String pointer) throws IOException {
    ArrayNode node = JsonNodeFactory.instance.arrayNode();
    while (parser.nextToken() != JsonToken.END_ARRAY) {
      node.add(value(pointer + "/" + node.size()));
    }
    return node;
  }
}
